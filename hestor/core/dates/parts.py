"""A form of dates or times in parts, which can be moved, changed or taken out; and back to a pattern (UTS 35)."""

from collections.abc import Iterable, Mapping
from dataclasses import dataclass
from datetime import datetime
from typing import Literal

from hestor.core.dates import patterns
from hestor.core.dates.patterns import Kind

PartKind = Literal["weekday", "day", "month", "year", "hour", "minute", "second", "half", "other", "text"]

WIDTHS: Mapping[PartKind, tuple[str, ...]] = {
    "weekday": ("EEEE", "EEE"),
    "day": ("d", "dd"),
    "month": ("MMMM", "MMM", "MM", "M"),
    "year": ("y", "yy"),
    "hour": ("HH", "H", "hh", "h"),
    "minute": ("mm",),
    "second": ("ss",),
    "half": ("a",),
}
"""How each part can be written, as fields of a pattern."""
OF_KIND: Mapping[Kind, tuple[PartKind, ...]] = {
    "date": ("weekday", "day", "month", "year"),
    "time": ("hour", "minute", "second", "half"),
}
_LETTERS: Mapping[str, PartKind] = {
    "E": "weekday", "c": "weekday", "e": "weekday", "d": "day", "M": "month", "L": "month", "y": "year", "u": "year",
    "H": "hour", "h": "hour", "K": "hour", "k": "hour", "m": "minute", "s": "second", "a": "half", "b": "half",
    "B": "half",
}  # fmt: skip


@dataclass(frozen=True)
class Part:
    """A part: a field by its ``pattern``, or what stands between fields, by its ``text``."""

    kind: PartKind
    pattern: str = ""
    text: str = ""


@dataclass(frozen=True)
class Width:
    """One way to write a part, with what it gives."""

    pattern: str
    example: str


def _quoted(text: str) -> str:
    """A text as a pattern says it: letters in quotes, apostrophes doubled."""
    doubled = text.replace("'", "''")
    return f"'{doubled}'" if any(one.isascii() and one.isalpha() for one in text) else doubled


def parts_of(pattern: str) -> tuple[Part, ...]:
    """The parts of a pattern that is free of problems, in their order."""
    parts: list[Part] = []
    for piece in patterns.pieces(pattern):
        if piece.is_field:
            parts.append(Part(_LETTERS.get(piece.letter, "other"), piece.text))
        elif parts and parts[-1].kind == "text":
            parts[-1] = Part("text", text=parts[-1].text + patterns.unquoted(piece.text))
        else:
            parts.append(Part("text", text=patterns.unquoted(piece.text)))
    return tuple(parts)


def pattern_of(parts: Iterable[Part]) -> str:
    """The pattern of some parts; texts beside each other are one."""
    made, text = "", ""
    for part in parts:
        if part.kind == "text":
            text += part.text
        else:
            made += _quoted(text) + part.pattern
            text = ""
    return made + _quoted(text)


def widths_of(kind: PartKind, moment: datetime, language: str) -> tuple[Width, ...]:
    """The ways to write a part, each by the example of a moment."""
    return tuple(Width(pattern, patterns.format_moment(moment, pattern, language)) for pattern in WIDTHS.get(kind, ()))
