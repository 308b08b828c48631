"""The typed document of all facts of a site: its defaults, limits and rules."""

import difflib
from collections.abc import Callable, Iterable, Mapping
from dataclasses import dataclass
from typing import Any, Literal

from pydantic import BaseModel, ConfigDict

from hestor.core import colours, fillins, languages, texts, zones
from hestor.core.errors import InvalidInput, Problem


class Facts(BaseModel):
    """All facts of a site. A new fact is one field here with its default, and one line in RULES."""

    model_config = ConfigDict(frozen=True, extra="ignore")

    version: Literal[1] = 1
    name: str
    short_name: str = ""
    tagline: str = ""
    description: str = ""
    footer_text: str = "© {year} {site}"
    brand_colour: str = "#3d4f7c"
    language: str = "en-GB"
    time_zone: str = "UTC"


Checked = tuple[str, tuple[Problem, ...]]
Rule = Callable[[str, str], Checked]


@dataclass(frozen=True)
class _Line:
    """A one-line text of ``least`` to ``most`` characters."""

    least: int
    most: int
    takes_fillins: bool = False

    def __call__(self, key: str, given: str) -> Checked:
        text = texts.tidy(given)
        found = list(texts.line_problems(key, text, least=self.least, most=self.most))
        if self.takes_fillins:
            found += fillins.problems(key, text)
        return text, tuple(found)


def _colour(key: str, given: str) -> Checked:
    try:
        return colours.read(given), ()
    except ValueError:
        return given, (Problem(key, "colour_unreadable", {"value": texts.shorten(given, 20)}),)


def _language(key: str, given: str) -> Checked:
    if languages.is_known(given):
        return str(languages.locale_of(given)).replace("_", "-"), ()
    return given, (Problem(key, "language_unknown", {"value": texts.shorten(given, 20)}),)


def _zone(key: str, given: str) -> Checked:
    if zones.is_known(given):
        return given, ()
    code = "zone_fixed" if zones.is_fixed(given) else "zone_unknown"
    return given, (Problem(key, code, {"value": texts.shorten(given, 40)}),)


RULES: Mapping[str, Rule] = {
    "name": _Line(1, 120),
    "short_name": _Line(0, 30),
    "tagline": _Line(0, 160),
    "description": _Line(0, 320),
    "footer_text": _Line(0, 300, takes_fillins=True),
    "brand_colour": _colour,
    "language": _language,
    "time_zone": _zone,
}
KEYS: tuple[str, ...] = tuple(RULES)
LIMITS: Mapping[str, int] = {key: rule.most for key, rule in RULES.items() if isinstance(rule, _Line)}


def check(key: str, given: object) -> Checked:
    """The value as it would be kept, and what is wrong with it (nothing, if it is fine)."""
    if key not in RULES:
        close = difflib.get_close_matches(key, KEYS, n=1, cutoff=0)
        return "", (Problem(key, "fact_unknown", {"key": texts.shorten(key, 40), "nearest": close[0]}),)
    if not isinstance(given, str):
        return "", (Problem(key, "not_text", {}),)
    return RULES[key](key, given)


def check_all(given: Mapping[str, object]) -> tuple[dict[str, str], tuple[Problem, ...]]:
    """The good values of ``given`` as they would be kept, and all problems of the others."""
    good: dict[str, str] = {}
    problems: list[Problem] = []
    for key, raw in given.items():
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


def parse(document: Mapping[str, Any]) -> Facts:
    """The facts kept in a stored document; facts that it does not have yet take their defaults."""
    return Facts.model_validate(document)


def document(facts: Facts) -> dict[str, Any]:
    """The facts as plain values, to be kept."""
    return facts.model_dump(mode="json")


def differing(one: Facts | None, other: Facts, keys: Iterable[str] = KEYS) -> tuple[str, ...]:
    """The keys of the facts that differ, in the sheet's order; all that are set, if there is no ``one``."""
    if one is None:
        return tuple(key for key in keys if getattr(other, key))
    return tuple(key for key in keys if getattr(one, key) != getattr(other, key))


# About what fits below an icon on a phone; W3C's manifest asks for a short_name where space is short.
_SHORT = 12


def short_name(facts: Facts) -> str:
    """The short name as set, else as many whole first words of the name as fit, at least one."""
    if facts.short_name:
        return facts.short_name
    if len(facts.name) <= _SHORT:
        return facts.name
    first, *rest = facts.name.split(" ")
    text = texts.cut(first, 2 * _SHORT)
    for word in rest:
        if len(text) + 1 + len(word) > _SHORT:
            break
        text += " " + word
    return text.rstrip(" ,.;:–—-&") or text
