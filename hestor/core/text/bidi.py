"""In which direction each character of a line runs, and in which order a line is written (Unicode's UAX 9).

The rules themselves are python-bidi's.
"""

from collections.abc import Sequence
from typing import Any, TypeVar
from unicodedata import bidirectional

import regex
from bidi import algorithm

T = TypeVar("T")
_OTHER_WAY = {"ltr": regex.compile(r"[\p{bc=R}\p{bc=AL}]"), "rtl": regex.compile(r"\p{bc=L}")}
_RIGHTWARDS = "a"
_FIRST_STRONG_ISOLATE, _POP_ISOLATE = "\u2068", "\u2069"
_NO_MARKS = str.maketrans("", "", _FIRST_STRONG_ISOLATE + _POP_ISOLATE)


def turns(text: str, direction: str) -> bool:
    """Whether some of a text runs against a page's ``direction`` (``ltr`` or ``rtl``): signs beside it may jump."""
    return _OTHER_WAY[direction].search(text) is not None


def isolated(text: str, direction: str) -> str:
    """A text that keeps its order within another (UAX 9, 2.4.2), where only characters can say so."""
    return f"{_FIRST_STRONG_ISOLATE}{text}{_POP_ISOLATE}" if turns(text, direction) else text


def without_marks(text: str) -> str:
    """A text without the characters that keep others' order: nobody sees or hears them."""
    return text.translate(_NO_MARKS) if _FIRST_STRONG_ISOLATE in text else text


def levels(text: str) -> tuple[int, ...]:
    """The embedding level of each character, in a line that runs as its first letter does; odd ones run leftwards."""
    # Of letters that are newer than Python's tables nothing is known; most letters run rightwards.
    text = "".join(letter if bidirectional(letter) else _RIGHTWARDS for letter in text)
    storage: dict[str, Any] = algorithm.get_empty_storage()
    base = algorithm.get_base_level(text)
    storage |= {"base_level": base, "base_dir": "LR"[base]}
    algorithm.get_embedding_levels(text, storage)
    algorithm.explicit_embed_and_overrides(storage)
    algorithm.resolve_weak_types(storage)
    algorithm.resolve_neutral_types(storage, False)
    algorithm.resolve_implicit_levels(storage, False)
    resolved = iter([one["level"] for one in storage["chars"]])
    found: list[int] = []
    for letter in text:
        # What the rules leave out (joiners and the like, X9) goes with what is before it.
        left_out = bidirectional(letter) in algorithm.X9_REMOVED
        found.append((found[-1] if found else base) if left_out else next(resolved))
    return tuple(found)


def in_sight(items: Sequence[T], of_levels: Sequence[int]) -> list[T]:
    """Items of a line, each with its level, in the order in which they stand from left to right (UAX 9, L2)."""
    order = list(range(len(items)))
    for level in range(max(of_levels, default=0), 0, -1):
        start = 0
        while start < len(order):
            end = start
            while end < len(order) and of_levels[order[end]] >= level:
                end += 1
            order[start:end] = reversed(order[start:end])
            start = end + 1
    return [items[at] for at in order]
