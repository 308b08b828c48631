"""Lines of text as outlines, and how a text is broken into them."""

from collections.abc import Callable
from dataclasses import dataclass
from typing import Protocol

import regex

from hestor.core.imaging.emblems import Outline

UNITS = 1000
"""Units to an em."""
# Scripts that put no spaces between words are broken between letters.
_WORDS = regex.compile(
    r"(?:(?=[\p{Han}\p{Hiragana}\p{Katakana}\p{Thai}\p{Lao}\p{Khmer}\p{Myanmar}])\X"
    r"|(?:(?![\p{Han}\p{Hiragana}\p{Katakana}\p{Thai}\p{Lao}\p{Khmer}\p{Myanmar}\s])\X)++)\s*+"
)


@dataclass(frozen=True)
class Written:
    """One line: its outlines (y grows upwards, the baseline at 0) and how far it goes, in thousandths of an em."""

    outline: Outline
    advance: float


class Typesetter(Protocol):
    """Sets lines in the fonts of a site."""

    def drawn(self, text: str) -> str:
        """A text without the letters that no font has."""

    def advance(self, text: str, weight: int) -> float:
        """How far a line goes, in thousandths of an em."""

    def written(self, text: str, weight: int) -> Written:
        """A line as outlines."""


def broken(text: str, most: float, lines: int, length: Callable[[str], float]) -> tuple[str, ...] | None:
    """A text in at most so many lines, none longer than ``most``; None if it is too long for them."""
    found: list[str] = []
    for word in _WORDS.findall(text):
        longer = found[-1] + word if found else word
        if found and length(longer.rstrip()) <= most:
            found[-1] = longer
        else:
            found.append(word)
        if len(found) > lines or length(found[-1].rstrip()) > most:
            return None
    return tuple(line.rstrip() for line in found)


def cut(text: str, most: float, length: Callable[[str], float]) -> str:
    """As much of a text as one line holds, by whole letters."""
    letters = regex.findall(r"\X", text)
    while len(letters) > 1 and length("".join(letters) + "…") > most:
        letters = letters[: -max(1, len(letters) // 20)]
    return "".join(letters).rstrip() + "…"
