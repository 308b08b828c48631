"""Reading CSS with a real parser (tinycss2, after W3C CSS Syntax, level 3)."""

from collections.abc import Iterator
from typing import Any

import tinycss2

_DEEPEST = 8


def custom_properties(text: str) -> Iterator[tuple[str, str]]:
    """Every custom property that is declared anywhere in a stylesheet: its name without the hyphens, and its value."""
    yield from _in_rules(tinycss2.parse_stylesheet(text, skip_comments=True, skip_whitespace=True), 0)


def _in_rules(rules: Any, depth: int) -> Iterator[tuple[str, str]]:
    for rule in rules:
        if rule.type == "declaration" and rule.name.startswith("--"):
            yield rule.name[2:], tinycss2.serialize(rule.value).strip()
        elif rule.type in ("qualified-rule", "at-rule") and rule.content and depth < _DEEPEST:
            inner = tinycss2.parse_blocks_contents(rule.content, skip_comments=True, skip_whitespace=True)
            yield from _in_rules(inner, depth + 1)
