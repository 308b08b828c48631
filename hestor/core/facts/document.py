"""The typed document of all facts of a site, put together from its bands."""

import difflib
from collections.abc import Iterable, Mapping
from datetime import date
from typing import Any

from pydantic import Field, TypeAdapter
from pydantic.json_schema import SkipJsonSchema

from hestor.core.errors import MOST_PROBLEMS, InvalidInput, Problem
from hestor.core.facts import clock
from hestor.core.facts.added import AddedFacts
from hestor.core.facts.assets import Logo
from hestor.core.facts.brand import BrandFacts
from hestor.core.facts.clock import ClockFacts
from hestor.core.facts.colours import ColourFacts
from hestor.core.facts.contact import ContactFacts
from hestor.core.facts.frame import FrameFacts
from hestor.core.facts.language import LanguageFacts
from hestor.core.facts.organisation import OrganisationFacts
from hestor.core.facts.overlays import Overlay, Overlays
from hestor.core.facts.spec import ITSELF, Words, plain_words, specs_of
from hestor.core.facts.titles import TitleFacts
from hestor.core.facts.upgrade import VERSION, upgraded
from hestor.core.facts.words import WordFacts
from hestor.core.places.place import Place
from hestor.core.rules import Checked, Value
from hestor.core.text import fillins, lines


class Facts(
    AddedFacts, ClockFacts, LanguageFacts, OrganisationFacts, ContactFacts,
    FrameFacts, ColourFacts, BrandFacts, TitleFacts, WordFacts,
):  # fmt: skip
    """All facts of a site in its main language, and in ``overlays`` what it says otherwise in others.

    The overlays go with the facts wherever those are kept; what shows facts reads them through
    ``core.facts.in_languages`` alone.
    """

    overlays: SkipJsonSchema[Overlays] = Field(default=(), exclude=True)


SPECS = specs_of(Facts)
KEYS: tuple[str, ...] = tuple(SPECS)
PUBLIC_KEYS: tuple[str, ...] = tuple(key for key, spec in SPECS.items() if not spec.private)
"""The facts that editions hold and that visitors may meet."""
PICTURES = frozenset(key for key, spec in SPECS.items() if spec.visual and Facts.model_fields[key].default is None)
"""The facts that are pictures."""
HEADER_TEXTS = tuple(
    key for key, spec in SPECS.items() if spec.texts == ITSELF and Place.HEADER in (slot.place for slot in spec.slots)
)
"""The facts that the page header says as texts, which are drawn at once."""
PER_LANGUAGE: frozenset[str] = frozenset(key for key, spec in SPECS.items() if spec.per_language)
"""The facts that a site may say in each of its languages."""
COMMON_KEYS: tuple[str, ...] = tuple(key for key, spec in SPECS.items() if spec.common)
"""The facts that an owner may say once for all sites."""


def check(key: str, given: object) -> Checked[Value]:
    """The value as it would be kept, and what is wrong with it (nothing, if it is fine)."""
    if key not in SPECS:
        close = difflib.get_close_matches(key[:40], KEYS, n=1, cutoff=0)
        return "", (Problem(key, "fact_unknown", {"key": lines.shorten(key, 40), "nearest": close[0]}),)
    return SPECS[key].rule(key, given)


def _with_few(given: Mapping[str, object], unknown: list[str]) -> dict[str, object]:
    return {key: value for key, value in given.items() if key in SPECS or key in unknown[:MOST_PROBLEMS]}


def check_all(given: Mapping[str, object]) -> tuple[dict[str, Value], tuple[Problem, ...]]:
    """The good values of ``given`` as they would be kept, and all problems of the others."""
    good: dict[str, Value] = {}
    problems: list[Problem] = []
    unknown = [key for key in given if key not in SPECS]
    # To find the likeliest fact takes time, and nobody reads a thousand slips at once.
    for key, raw in given.items() if len(unknown) <= MOST_PROBLEMS else _with_few(given, unknown).items():
        value, found = check(key, raw)
        problems += found
        if not found:
            good[key] = value
    return good, tuple(problems)


def changed(facts: Facts, given: Mapping[str, object]) -> Facts:
    """``facts`` with the given values. Raises InvalidInput with every problem; then nothing is taken."""
    good, problems = check_all(given)
    if problems:
        raise InvalidInput(problems)
    return facts.model_copy(update=good)


def new(given: Mapping[str, object]) -> Facts:
    """A new site's facts; ``name`` must be among ``given``. Raises InvalidInput."""
    good, problems = check_all({"name": "", **given})
    if problems:
        raise InvalidInput(problems)
    return Facts(**good)


_FURTHER = "in_languages"


def _overlay(language: str, said: Mapping[str, Any]) -> Overlay:
    typed = {key: _VALUES[key].validate_python(value) for key, value in said.items() if key in PER_LANGUAGE}
    return Overlay(language).saying(typed)


def parse(document: Mapping[str, Any]) -> Facts:
    """The facts kept in a stored document, of whatever version; facts that it does not have take their defaults."""
    stored = upgraded(document)
    layers = stored.pop(_FURTHER, {})
    overlays = tuple(_overlay(language, said) for language, said in sorted(layers.items()))
    return Facts.model_validate({**stored, "overlays": overlays})


def document(facts: Facts) -> dict[str, Any]:
    """The facts as plain values with the version of their form, to be kept; what other languages say is among them."""
    said = {
        layer.language: {key: _VALUES[key].dump_python(value, mode="json") for key, value in layer.said}
        for layer in facts.overlays
    }
    return {"version": VERSION, **facts.model_dump(mode="json"), **({_FURTHER: said} if said else {})}


def plain(facts: Facts, keys: Iterable[str] = KEYS) -> dict[str, Any]:
    """Facts as plain JSON values."""
    return facts.model_dump(mode="json", include=set(keys))


def without_private(facts: Facts, kept: Facts | None = None) -> Facts:
    """The facts as an edition holds them: the private ones unsaid, or as in ``kept``."""
    source = kept or Facts(name=facts.name)
    return facts.model_copy(update={key: getattr(source, key) for key, spec in SPECS.items() if spec.private})


def differing(facts: Facts | None, other: Facts, keys: Iterable[str] = PUBLIC_KEYS) -> tuple[str, ...]:
    """The keys of the facts that differ, in the sheet's order; all that are set, if there is no ``facts``."""
    if facts is None:
        return tuple(key for key in keys if is_set(other, key) and not _is_quiet(other, key))
    return tuple(key for key in keys if getattr(facts, key) != getattr(other, key))


def _is_quiet(facts: Facts, key: str) -> bool:
    return SPECS[key].quiet and getattr(facts, key) == Facts.model_fields[key].default


def is_set(facts: Facts, key: str) -> bool:
    """Whether the owner has said something for a fact; a default counts as said."""
    return bool(getattr(facts, key))


def derived(facts: Facts) -> dict[str, str]:
    """What stands in for the facts that are unset, as texts, by key; only where there is something to be read."""
    found = {key: spec.derived(facts) for key, spec in SPECS.items() if spec.derived and not is_set(facts, key)}
    return {key: text for key, text in found.items() if text}


def values_of(facts: Facts, today: date) -> fillins.Values:
    """What fill-ins stand for in these facts, on a day of the site's own clock."""
    forms = clock.long_form(facts), clock.short_form(facts), clock.time_form(facts), facts.further_calendar
    return fillins.Values(
        facts.name,
        facts.tagline,
        today.year,
        facts.language,
        *forms,
        today=today,
        said=lambda name: _in_a_line(facts, _FILLED[name]),
    )


_FILLED = {spec.fill_in: key for key, spec in SPECS.items() if spec.fill_in}


def _in_a_line(facts: Facts, key: str) -> str:
    """A fact that is words, or what stands in for it, with white space folded."""
    spec = SPECS[key]
    said = spec.shown(facts) if spec.shown else getattr(facts, key)
    return " ".join((said or (spec.derived(facts) if spec.derived else "")).split())


def sought(facts: Facts, today: date) -> dict[str, str]:
    """The words by which facts that are texts are found in places, white space folded; not those that say nothing."""
    values = values_of(facts, today)
    found: dict[str, str] = {}
    for key, spec in SPECS.items():
        if spec.shown:
            found[key] = _in_a_line(facts, key)
        elif spec.is_text and not spec.private:
            text = getattr(facts, key) or (spec.derived(facts) if spec.derived else "")
            found[key] = " ".join((fillins.fill(text, values) if spec.takes_fill_ins else text).split())
    return {key: words for key, words in found.items() if words}


def held(facts: Facts) -> dict[str, str]:
    """What pages are held to, by fact; not what says nothing."""
    found = {key: spec.held(facts) for key, spec in SPECS.items() if spec.held}
    return {key: text for key, text in found.items() if text}


def pictures_in(facts: Facts) -> dict[str, str]:
    """The keys of the pictures that facts show, by fact."""
    pictures = {key: getattr(facts, key) for key, spec in SPECS.items() if spec.visual}
    return {key: value.picture for key, value in pictures.items() if hasattr(value, "picture")}


def with_picture(facts: Facts, old: str, new: str) -> dict[str, Value]:
    """What changes where a picture's content ``old`` gives way to ``new``: the facts that show it, by key.

    A trim or crop was chosen for the old content; a square crop is kept, a trim is not.
    """
    found = {}
    for key in (key for key, picture in pictures_in(facts).items() if picture == old):
        update: dict[str, Value] = {"picture": new}
        value = getattr(facts, key)
        found[key] = value.model_copy(update=update | ({"trim": None} if isinstance(value, Logo) else {}))
    return found


_VALUES: dict[str, TypeAdapter[Any]] = {key: TypeAdapter(Facts.model_fields[key].annotation or Any) for key in SPECS}


def is_structured(key: str) -> bool:
    """Whether a fact's value is something else than a text."""
    return key in SPECS and _VALUES[key].json_schema().get("type") != "string"


def in_words(key: str, value: Any) -> Words:
    """What a value of a fact says, in words; ``value`` is plain JSON. A fact that there no longer is says itself."""
    if key not in SPECS:
        return plain_words(value)
    return SPECS[key].in_words(_VALUES[key].validate_python(value)) if value is not None else _unset_words(key)


def _unset_words(key: str) -> Words:
    optional = Facts.model_fields[key].default is None
    return SPECS[key].in_words(None) if optional else Words()
