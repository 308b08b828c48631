"""Facts that an owner gives from one site to others together: how it looks, its manners, who it is."""

from collections.abc import Mapping
from enum import StrEnum
from typing import Any, Literal

from hestor.core.facts.document import PUBLIC_KEYS, SPECS, Facts, plain
from hestor.core.facts.spec import Band


class Bundle(StrEnum):
    """What can be given together. ``IDENTITY`` is what tells one site from another, and rarely meant."""

    LOOK = "look"
    MANNERS = "manners"
    IDENTITY = "identity"


_BANDS = {
    Band.COLOURS: Bundle.LOOK,
    Band.FRAME: Bundle.LOOK,
    Band.LANGUAGE: Bundle.MANNERS,
    Band.CLOCK: Bundle.MANNERS,
    Band.BRAND: Bundle.IDENTITY,
}
_NAMED = dict.fromkeys(("name", "short_name", "tagline", "description"), Bundle.IDENTITY)
# What a site tells its visitors at the moment, and when it is open, is no one else's.
_ITS_OWN = frozenset(("site_notice", "side_text", "opening_hours"))


def bundle_of(key: str) -> Bundle | None:
    """The bundle that a fact is in; None for one that stays with its site."""
    if key in _ITS_OWN or SPECS[key].private:
        return None
    return _NAMED.get(key) or _BANDS.get(SPECS[key].band)


def facts_of(bundle: Bundle) -> tuple[str, ...]:
    """The keys of the facts of a bundle, in the sheet's order."""
    return tuple(key for key in SPECS if bundle_of(key) is bundle)


Copied = Literal["frame", "facts", "all"]
"""How much of a site a copy of it takes over: ``all`` is with its pages."""
_NAMES = frozenset(("name", "short_name"))


def copied(what: Copied) -> tuple[str, ...]:
    """The facts that a copy of a site takes over: never the name, which is the new site's own."""
    if what == "frame":
        return (*facts_of(Bundle.LOOK), *facts_of(Bundle.MANNERS))
    return tuple(key for key in PUBLIC_KEYS if key not in _NAMES)


def proposed(bundle: Bundle, settled: Mapping[str, Any], theirs: Facts, ours: Facts) -> tuple[str, ...]:
    """The facts of a bundle that a followed site says otherwise than when it was ``settled``, and than is said here.

    ``settled`` is what it said then, as plain JSON values.
    """
    said, here = (plain(facts, facts_of(bundle)) for facts in (theirs, ours))
    return tuple(key for key in facts_of(bundle) if said[key] != settled.get(key) and said[key] != here[key])


def told_to_several() -> tuple[str, ...]:
    """The facts in a line that several sites may well have in common: none that tells one site from another."""
    return tuple(
        key
        for key, spec in SPECS.items()
        if spec.editor in ("line", "phone") and not spec.private and bundle_of(key) is not Bundle.IDENTITY
    )
