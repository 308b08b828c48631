"""Names as they are typed into a search: plain letters, and the slips that are made in them."""

import unicodedata
from collections.abc import Iterator

from anyascii import anyascii

HEAD = 5
"""Slips are sought within so many letters at a name's beginning."""

_ALPHABETS = tuple(
    "".join(chr(code) for code in range(ord(first), ord(last) + 1))
    for first, last in (("a", "z"), ("а", "я"), ("α", "ω"), ("א", "ת"), ("ء", "ي"))
)


def _letter(character: str) -> str:
    """A letter without what it carries; Latin ones that carry nothing to be taken off (``ł``, ``ə``) by their look."""
    if unicodedata.combining(character) or character in "'’ʼʻ‘":
        return ""
    if not character.isalnum():
        return " "
    is_latin = not character.isascii() and "LATIN" in unicodedata.name(character, "")
    return anyascii(character).casefold() if is_latin else character


class _Letters(dict[int, str]):
    """All letters as they are searched, each worked out when it is first met."""

    def __missing__(self, code: int) -> str:
        self[code] = _letter(chr(code))
        return self[code]


_LETTERS = _Letters()


def plain(name: str) -> str:
    """A name as it is searched: no accents, small letters, single spaces; other scripts than Latin as they are."""
    small = name.casefold()
    split = small if small.isascii() else unicodedata.normalize("NFKD", small)
    return " ".join(split.translate(_LETTERS).split())


def _alphabet(text: str) -> str:
    return next((letters for letters in _ALPHABETS if any(letter in letters for letter in text)), "")


def slips(begin: str) -> Iterator[str]:
    """Beginnings one slip away from ``begin``: a letter left out, doubled or foreign, or two in the wrong order."""
    letters = _alphabet(begin)
    for at in range(len(begin) + 1):
        left, right = begin[:at], begin[at:]
        if right:
            yield left + right[1:]
            yield from (left + letter + right[1:] for letter in letters)
        if len(right) > 1:
            yield left + right[1] + right[0] + right[2:]
        yield from (left + letter + right for letter in letters)
