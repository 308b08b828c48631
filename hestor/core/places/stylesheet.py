"""What a stylesheet sets for the whole page: its custom properties of ``:root`` (W3C CSS Variables, level 1)."""

from collections.abc import Iterator, Mapping
from dataclasses import dataclass, field
from functools import lru_cache
from typing import Any

import tinycss2


@dataclass(frozen=True)
class StyleReading:
    """The custom properties of a stylesheet by name, without their hyphens, in light and in dark.

    ``print_hides`` are the selectors of what it takes away on paper.
    """

    light: Mapping[str, str] = field(default_factory=dict)
    dark: Mapping[str, str] = field(default_factory=dict)
    print_hides: tuple[str, ...] = ()

    @property
    def themes(self) -> dict[str, dict[str, str]]:
        """The colours among them, by theme."""
        both = (("light", self.light), ("dark", {**self.light, **self.dark}))
        return {theme: {k: v for k, v in found.items() if v.startswith("#")} for theme, found in both}

    def of(self, *names: str) -> tuple[str, ...]:
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


def _hides(rule: Any) -> bool:
    if rule.type != "qualified-rule":
        return False
    declared = tinycss2.parse_declaration_list(rule.content, skip_comments=True, skip_whitespace=True)
    return any(
        one.type == "declaration" and one.name == "display" and tinycss2.serialize(one.value).strip() == "none"
        for one in declared
    )


@lru_cache(maxsize=32)
def read_style(body: bytes) -> StyleReading:
    """Reads a stylesheet (UTF-8); but for custom properties of ``:root`` and what paper lacks, all is passed over."""
    light: dict[str, str] = {}
    dark: dict[str, str] = {}
    hides: list[str] = []
    for rule in tinycss2.parse_stylesheet(body.decode(), skip_comments=True, skip_whitespace=True):
        if _is_root(rule):
            light |= _properties(rule)
        elif _asks(rule, "(prefers-color-scheme:dark)"):
            for inner in _inner(rule):
                dark |= dict(_properties(inner)) if _is_root(inner) else {}
        elif _asks(rule, "print"):
            hides += [tinycss2.serialize(inner.prelude).strip() for inner in _inner(rule) if _hides(inner)]
    return StyleReading(light, dark, tuple(hides))
