"""How wide a line of text is, about as a browser would set it in a sans-serif of the usual widths."""

import unicodedata
from functools import lru_cache

from hestor.core.text.letter_widths import RUNS, UNITS

# Of scripts that the font does not have: whole squares of East Asia (UAX 11), marks that take no room, else an average.
_WIDE, _NONE, _AVERAGE = UNITS, 0, UNITS * 55 // 100


@lru_cache(maxsize=1)
def _known() -> dict[str, int]:
    return {
        chr(start + index): int(width)
        for start, widths in RUNS
        for index, width in enumerate(widths.split())
    }  # fmt: skip


def _other(letter: str) -> int:
    if unicodedata.category(letter) in ("Mn", "Me", "Cf"):
        return _NONE
    return _WIDE if unicodedata.east_asian_width(letter) in "WF" else _AVERAGE


def width(text: str, size: float) -> float:
    """The width of a line in pixels, set at ``size`` pixels, without kerning."""
    known = _known()
    try:
        units = sum([known[letter] for letter in text])
    except KeyError:
        units = sum(known[letter] if letter in known else _other(letter) for letter in text)
    return units * size / UNITS


def fitting(text: str, size: float, most: float) -> str:
    """The longest beginning that ends with a word and is no wider than ``most``; at least the first word."""
    if width(text, size) <= most:
        return text
    first, *rest = text.split(" ")
    kept = first
    for word in rest:
        if width(f"{kept} {word}", size) > most:
            break
        kept += f" {word}"
    return kept.rstrip(" ,.;:–—-") or first
