"""Facts that an owner gives from one site to others together: how it looks, its manners, who it is."""

from enum import StrEnum

from hestor.core.facts.document import SPECS
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


def told_to_several() -> tuple[str, ...]:
    """The facts in a line that several sites may well have in common: none that tells one site from another."""
    return tuple(
        key
        for key, spec in SPECS.items()
        if spec.editor in ("line", "phone") and not spec.private and bundle_of(key) is not Bundle.IDENTITY
    )
