"""The typed document of all facts of a site: its defaults, limits and rules."""

import difflib
import json
from collections.abc import Callable, Iterable, Mapping
from dataclasses import dataclass
from typing import Any, Literal

from pydantic import BaseModel, ConfigDict

from hestor.core import colours, fillins, languages, logos, marks, texts, typefaces, zones
from hestor.core.errors import InvalidInput, Problem
from hestor.core.marks import IconFact, Logo, SharePicture


class Facts(BaseModel):
    """All facts of a site. A new fact is one field here with its default, and one line in RULES."""

    model_config = ConfigDict(frozen=True, extra="ignore")

    version: Literal[1] = 1
    name: str
    short_name: str = ""
    tagline: str = ""
    description: str = ""
    footer_text: str = "© {year} {site}"
    logo: Logo | None = None
    logo_dark: Logo | None = None
    logo_plate: Literal["", "light", "dark", "both"] = ""
    logo_width: int = 0
    logo_says_name: bool = False
    icon: IconFact | None = None
    share_picture: SharePicture | None = None
    brand_colour: str = "#3d4f7c"
    accent_colour: str = ""
    typefaces: str = typefaces.DEFAULT
    language: str = "en-GB"
    time_zone: str = "UTC"


Value = Any
Checked = tuple[Value, tuple[Problem, ...]]
Rule = Callable[[str, Any], Checked]


def _text(rule: Callable[[str, str], Checked]) -> Rule:
    """A rule for texts, which refuses whatever is none."""

    def checked(key: str, given: object) -> Checked:
        return rule(key, given) if isinstance(given, str) else ("", (Problem(key, "not_text", {}),))

    return checked


@dataclass(frozen=True)
class _Line:
    """A one-line text of ``least`` to ``most`` characters."""

    least: int
    most: int
    takes_fillins: bool = False

    def __call__(self, key: str, given: object) -> Checked:
        if not isinstance(given, str):
            return "", (Problem(key, "not_text", {}),)
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


def _colour_or_none(key: str, given: str) -> Checked:
    return _colour(key, given) if given.strip() else ("", ())


@dataclass(frozen=True)
class _OneOf:
    """One of a few names."""

    names: tuple[str, ...]

    def __call__(self, key: str, given: object) -> Checked:
        if given in self.names:
            return given, ()
        return "", (Problem(key, "not_one_of", {"names": ", ".join(filter(None, self.names))}),)


def _width(key: str, given: object) -> Checked:
    """A width in CSS pixels; 0 leaves it to the logo's shape."""
    whole = isinstance(given, int) and not isinstance(given, bool)
    if whole and (given == 0 or logos.LEAST_WIDTH <= given <= logos.MOST_WIDTH):  # type: ignore[operator]
        return given, ()
    return 0, (Problem(key, "width_range", {"least": logos.LEAST_WIDTH, "most": logos.MOST_WIDTH}),)


def _yes_or_no(key: str, given: object) -> Checked:
    return (given, ()) if isinstance(given, bool) else (False, (Problem(key, "not_yes_or_no", {}),))


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
    "logo": marks.logo,
    "logo_dark": marks.logo,
    "logo_plate": _OneOf(("", "light", "dark", "both")),
    "logo_width": _width,
    "logo_says_name": _yes_or_no,
    "icon": marks.icon,
    "share_picture": marks.share_picture,
    "brand_colour": _text(_colour),
    "accent_colour": _text(_colour_or_none),
    "typefaces": _OneOf(tuple(typefaces.PAIRS)),
    "language": _text(_language),
    "time_zone": _text(_zone),
}
KEYS: tuple[str, ...] = tuple(RULES)
LIMITS: Mapping[str, int] = {key: rule.most for key, rule in RULES.items() if isinstance(rule, _Line)}


def check(key: str, given: object) -> Checked:
    """The value as it would be kept, and what is wrong with it (nothing, if it is fine)."""
    if key not in RULES:
        close = difflib.get_close_matches(key, KEYS, n=1, cutoff=0)
        return "", (Problem(key, "fact_unknown", {"key": texts.shorten(key, 40), "nearest": close[0]}),)
    return RULES[key](key, given)


def check_all(given: Mapping[str, object]) -> tuple[dict[str, Value], tuple[Problem, ...]]:
    """The good values of ``given`` as they would be kept, and all problems of the others."""
    good: dict[str, Value] = {}
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


def is_set(facts: Facts, key: str) -> bool:
    """Whether the owner has said something for a fact; a default counts as said."""
    return bool(getattr(facts, key))


def said(facts: Facts, key: str) -> str:
    """What a fact says, as one text: a text itself, else its JSON."""
    value = getattr(facts, key)
    if isinstance(value, str):
        return value
    return value.model_dump_json() if isinstance(value, BaseModel) else json.dumps(value)


def pictures_in(facts: Facts) -> dict[str, str]:
    """The keys of the pictures that facts show, by fact."""
    found = {key: getattr(facts, key) for key in ("logo", "logo_dark", "icon", "share_picture")}
    return {key: mark.picture for key, mark in found.items() if mark is not None and hasattr(mark, "picture")}


def with_picture(facts: Facts, old: str, new: str) -> dict[str, Value]:
    """What changes where a picture's content ``old`` gives way to ``new``: the facts that show it, by key.

    A trim or crop was chosen for the old content; a square crop is kept, a trim is not.
    """
    changed = {}
    for key in (key for key, picture in pictures_in(facts).items() if picture == old):
        update: dict[str, Value] = {"picture": new}
        mark = getattr(facts, key)
        changed[key] = mark.model_copy(update=update | ({"trim": None} if isinstance(mark, Logo) else {}))
    return changed


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
