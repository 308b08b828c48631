"""Styles within drawings (CSS Syntax 3): read by a parser, and only what draws is kept.

A value may call the functions that are listed, and may name a part of the same drawing; whatever reaches outside
it, however it is spelt or escaped, is left out with its declaration.
"""

from collections.abc import Iterable, Iterator
from typing import Any

import tinycss2

_CALLS = frozenset(
    "rgb rgba hsl hsla hwb lab lch oklab oklch color calc min max clamp var matrix translate translatex translatey "
    "scale scalex scaley rotate skewx skewy matrix3d polygon circle ellipse inset path blur brightness contrast "
    "drop-shadow grayscale hue-rotate invert opacity saturate sepia url not is where nth-child nth-of-type lang".split()
)
# These bind scripts or other documents in some browsers, old and new.
_NO_PROPERTIES = frozenset(("behavior", "-moz-binding", "src", "content", "cursor"))
# A rule within a rule within a rule is more than any drawing needs.
_DEEPEST = 3


def _is_local(address: str) -> bool:
    return address.strip().startswith("#")


def _address(call: Any) -> str:
    """What a quoted ``url()`` names; empty if it is no plain address."""
    said = [token for token in call.arguments if token.type not in ("whitespace", "comment")]
    return said[0].value if len(said) == 1 and said[0].type == "string" else ""


def _is_fine(tokens: Iterable[Any]) -> bool:
    for token in tokens:
        if token.type == "error" or (token.type == "literal" and token.value == "<"):
            return False
        if token.type == "url" and not _is_local(token.value):
            return False
        if token.type == "function":
            name = token.lower_name
            if name not in _CALLS or not _is_fine(token.arguments):
                return False
            if name == "url" and not _is_local(_address(token)):
                return False
        elif token.type.endswith("block") and not _is_fine(token.content):
            return False
    return True


def value_is_fine(text: str) -> bool:
    """Whether an attribute's value reaches for nothing outside the drawing, read as CSS reads it.

    What is written with escapes and calls something is not, as no drawing program writes so.
    """
    return "(" not in text or ("\\" not in text and _is_fine(tinycss2.parse_component_value_list(text)))


def declarations(text: str) -> tuple[str, bool]:
    """The declarations of a ``style`` attribute that may stay, and whether all of them may."""
    parsed = tinycss2.parse_declaration_list(text, skip_comments=True, skip_whitespace=True)
    kept = [one for one in parsed if _may_stay(one)]
    return tinycss2.serialize(kept), len(kept) == len(parsed)


def _may_stay(one: Any) -> bool:
    return one.type == "declaration" and one.lower_name not in _NO_PROPERTIES and _is_fine(one.value)


class _Sheet:
    def __init__(self) -> None:
        self.taken_out: set[str] = set()

    def rules(self, parsed: Iterable[Any], depth: int = 0) -> Iterator[str]:
        for rule in parsed:
            if rule.type == "qualified-rule" and _is_fine(rule.prelude):
                yield f"{tinycss2.serialize(rule.prelude)}{{{self._block(rule.content)}}}"
            elif rule.type == "at-rule" and rule.lower_at_keyword == "media" and rule.content and depth < _DEEPEST:
                inner = tinycss2.parse_rule_list(rule.content, skip_comments=True, skip_whitespace=True)
                if _is_fine(rule.prelude):
                    yield f"@media{tinycss2.serialize(rule.prelude)}{{{''.join(self.rules(inner, depth + 1))}}}"
            else:
                is_font = rule.type == "at-rule" and rule.lower_at_keyword == "font-face"
                self.taken_out.add("fonts" if is_font else "outside")

    def _block(self, content: Any) -> str:
        kept, whole = declarations(tinycss2.serialize(content))
        if not whole:
            self.taken_out.add("outside")
        return kept


def stylesheet(text: str) -> tuple[str, set[str]]:
    """What of a stylesheet may stay, and codes of what was taken out."""
    sheet = _Sheet()
    kept = "".join(sheet.rules(tinycss2.parse_stylesheet(text, skip_comments=True, skip_whitespace=True)))
    return kept, sheet.taken_out
