"""What a stylesheet sets for the whole page: its custom properties of ``:root`` (W3C CSS Variables, level 1)."""

from collections.abc import Callable, Iterable, Iterator, Mapping
from dataclasses import dataclass, field
from functools import lru_cache
from typing import Any

import tinycss2


@dataclass(frozen=True)
class StyleReading:
    """The custom properties of a stylesheet by name, without their hyphens, in light and in dark.

    ``print_hides`` are the selectors of what it takes away on paper, ``clips`` of what it keeps for screen readers,
    ``light_plates`` and ``dark_plates`` of what it gives a ground of its own on light and on dark ones.
    """

    light: Mapping[str, str] = field(default_factory=dict)
    dark: Mapping[str, str] = field(default_factory=dict)
    print_hides: tuple[str, ...] = ()
    clips: tuple[str, ...] = ()
    light_plates: tuple[str, ...] = ()
    dark_plates: tuple[str, ...] = ()

    @property
    def themes(self) -> dict[str, dict[str, str]]:
        """The colours among them, by theme."""
        both = (("light", self.light), ("dark", {**self.light, **self.dark}))
        return {theme: {k: v for k, v in found.items() if v.startswith("#")} for theme, found in both}

    def values_of(self, *names: str) -> tuple[str, ...]:
        """The values of some properties, those for light first, then those for dark."""
        return (*(self.light.get(name, "") for name in names), *(self.dark.get(name, "") for name in names))


NO_STYLE = StyleReading()


def _is_root(rule: Any) -> bool:
    return bool(rule.type == "qualified-rule" and tinycss2.serialize(rule.prelude).strip() == ":root")


def _properties(rule: Any) -> Iterator[tuple[str, str]]:
    for declared in tinycss2.parse_declaration_list(rule.content, skip_comments=True, skip_whitespace=True):
        if declared.type == "declaration" and declared.name.startswith("--"):
            yield declared.name[2:].replace("-", "_"), tinycss2.serialize(declared.value).strip()


def _asks(rule: Any, medium: str) -> bool:
    """Whether a rule is for a medium alone."""
    if rule.type != "at-rule" or rule.lower_at_keyword != "media" or not rule.content:
        return False
    query: str = tinycss2.serialize(rule.prelude)
    return query.replace(" ", "") == medium


def _inner(rule: Any) -> Iterator[Any]:
    yield from tinycss2.parse_rule_list(rule.content, skip_comments=True, skip_whitespace=True)


def _selectors(rules: Iterable[Any], declares: Callable[[str, str], bool]) -> Iterator[str]:
    """The selectors of rules that declare something, told by a property's name and value."""
    for rule in rules:
        if rule.type != "qualified-rule":
            continue
        declared = tinycss2.parse_declaration_list(rule.content, skip_comments=True, skip_whitespace=True)
        if any(one.type == "declaration" and declares(one.name, tinycss2.serialize(one.value)) for one in declared):
            yield tinycss2.serialize(rule.prelude).strip()


def _hides(name: str, value: str) -> bool:
    return name == "display" and value.strip() == "none"


def _clips(name: str, value: str) -> bool:
    return name == "clip-path" and value.strip() in ("inset(50%)", "inset(100%)")


def _grounds(name: str, value: str) -> bool:
    return name in ("background", "background-color") and value.strip() not in ("none", "transparent")


@lru_cache(maxsize=32)
def read_style(body: bytes) -> StyleReading:
    """Reads a stylesheet (UTF-8); what ``StyleReading`` has no word for is passed over."""
    light: dict[str, str] = {}
    dark: dict[str, str] = {}
    hides: list[str] = []
    plates: dict[str, list[str]] = {"light": [], "dark": []}
    rules = tinycss2.parse_stylesheet(body.decode(), skip_comments=True, skip_whitespace=True)
    for rule in rules:
        if _is_root(rule):
            light |= _properties(rule)
        elif _asks(rule, "(prefers-color-scheme:dark)"):
            for inner in _inner(rule):
                dark |= dict(_properties(inner)) if _is_root(inner) else {}
            plates["dark"] += _selectors(_inner(rule), _grounds)
        elif _asks(rule, "(prefers-color-scheme:light)"):
            plates["light"] += _selectors(_inner(rule), _grounds)
        elif _asks(rule, "print"):
            hides += _selectors(_inner(rule), _hides)
    clips = tuple(_selectors(rules, _clips))
    return StyleReading(light, dark, tuple(hides), clips, tuple(plates["light"]), tuple(plates["dark"]))
