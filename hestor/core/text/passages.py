"""Texts compared by paragraph: what stays, what differs, and which words of it.

A paragraph is what blank lines part; a fenced block of code (CommonMark 0.31, 4.5) is one whole. Paragraphs are aligned
by their longest common subsequence.
"""

from collections.abc import Iterable, Iterator, Sequence
from dataclasses import dataclass
from typing import Literal

import regex
from rapidfuzz import fuzz
from rapidfuzz.distance import LCSseq

_GAP = "\n\n"
_FENCE = regex.compile(r" {0,3}(`{3,}+|~{3,}+)")
_MOST_PAIRS = 25_000_000
"""The common subsequence takes a bit for each pair: three megabytes at most."""
# Scripts that put no spaces between words are compared letter by letter.
_TOKENS = regex.compile(
    r"[\p{Han}\p{Hiragana}\p{Katakana}\p{Thai}\p{Lao}\p{Khmer}\p{Myanmar}]\p{M}*+|[\w\p{M}]++|\s++|.", regex.DOTALL
)
_MOST_LIKENED = 500_000_000
"""Pairs of characters that are held beside each other to find paragraphs that are alike: a tenth of a second."""
_REWORDED = 50
"""Of a hundred; a paragraph that is less like another is another one."""
_LIKE = 0.3
"""Of two paragraphs that share less than this, no words are marked: all of it is other words."""


@dataclass(frozen=True)
class Passage:
    """Paragraphs that one text has where the other has others; where nothing differs, both are the same."""

    old: str
    new: str

    @property
    def differs(self) -> bool:
        """Whether the two say something else."""
        return self.old != self.new


@dataclass(frozen=True)
class Words:
    """Words of two paragraphs: in both, or in one only."""

    where: Literal["both", "old", "new"]
    text: str


@dataclass(frozen=True)
class Edit:
    """Items ``start`` to ``end`` (without) of one sequence, in whose place another has ``into``."""

    start: int
    end: int
    into: tuple[str, ...]


def split(text: str) -> list[str]:
    """The paragraphs of a text, without the blank lines between them."""
    paragraphs: list[list[str]] = []
    fence = ""
    goes_on = False
    for line in text.split("\n"):
        if not fence and not line.strip():
            goes_on = False
            continue
        if not goes_on:
            paragraphs.append([])
        paragraphs[-1].append(line)
        goes_on = True
        mark = _FENCE.match(line)
        if mark and not fence:
            fence = mark[1]
        elif mark and mark[1].startswith(fence) and not line.strip().strip(fence[0]):
            fence = ""
    return ["\n".join(lines) for lines in paragraphs]


def joined(paragraphs: Iterable[str]) -> str:
    """A text of paragraphs, with a blank line between two."""
    return _GAP.join(paragraphs)


def edits(old: Sequence[str], new: Sequence[str]) -> list[Edit]:
    """What turns one sequence into another, from the first on; one item that stands for another is an edit."""
    return [single for edit in _whole_edits(old, new) for single in _singles(edit)]


def _whole_edits(old: Sequence[str], new: Sequence[str]) -> list[Edit]:
    first = _same_length(old, new)
    last = _same_length(old[first:][::-1], new[first:][::-1])
    here, there = old[first : len(old) - last], new[first : len(new) - last]
    return [Edit(start + first, end + first, tuple(there[low:high])) for start, end, low, high in _regions(here, there)]


def _same_length(one: Sequence[str], other: Sequence[str]) -> int:
    """How many items two sequences begin with in common."""
    pairs = enumerate(zip(one, other, strict=False))
    return next((number for number, (a, b) in pairs if a != b), min(len(one), len(other)))


def _regions(old: Sequence[str], new: Sequence[str]) -> Iterator[tuple[int, int, int, int]]:
    """Where two sequences differ: from and to in the one, from and to in the other."""
    if len(old) * len(new) > _MOST_PAIRS:
        yield 0, len(old), 0, len(new)
        return
    numbers: dict[str, int] = {}
    coded = [[numbers.setdefault(item, len(numbers)) for item in items] for items in (old, new)]
    start = low = 0
    # The last block is empty, at the end of both.
    for block in LCSseq.opcodes(*coded).as_matching_blocks():
        if start < block.a or low < block.b:
            yield start, block.a, low, block.b
        start, low = block.a + block.size, block.b + block.size


def _singles(edit: Edit) -> list[Edit]:
    """As many items in the place of as many: each stands for one."""
    count = edit.end - edit.start
    if count < 2 or count != len(edit.into):
        return [edit]
    return [Edit(edit.start + at, edit.start + at + 1, (item,)) for at, item in enumerate(edit.into)]


def paragraph_edits(old: Sequence[str], new: Sequence[str]) -> list[Edit]:
    """What turns paragraphs into others: one that was reworded stands for itself, whatever comes or goes beside it."""
    return [
        single
        for edit in _whole_edits(old, new)
        for part in _reworded(edit, old[edit.start : edit.end])
        for single in _singles(part)
    ]


def _reworded(edit: Edit, old: Sequence[str]) -> list[Edit]:
    """An edit in parts: each paragraph that is like one of the others beside that one, and what is between them."""
    parts, start, low = [], 0, 0
    for at, to in [*_pairs(old, edit.into), (len(old), len(edit.into))]:
        if start < at or low < to:
            parts.append(Edit(edit.start + start, edit.start + at, edit.into[low:to]))
        if at < len(old):
            parts.append(Edit(edit.start + at, edit.start + at + 1, edit.into[to : to + 1]))
        start, low = at + 1, to + 1
    return parts


def _pairs(old: Sequence[str], new: Sequence[str]) -> list[tuple[int, int]]:
    """Which paragraphs are like which, in order, so that as much as can be is alike (Needleman and Wunsch, 1970)."""
    if _size(old) * _size(new) > _MOST_LIKENED:
        return []
    best: list[list[tuple[float, tuple[tuple[int, int], ...]]]] = [[(0.0, ())] * (len(new) + 1)]
    for at, one in enumerate(old):
        row = [best[-1][0]]
        for to, other in enumerate(new):
            like = fuzz.ratio(one, other, score_cutoff=_REWORDED)
            score, pairs = best[-1][to]
            paired = (score + like, (*pairs, (at, to))) if like else (-1.0, ())
            row.append(max(best[-1][to + 1], row[to], paired, key=lambda option: option[0]))
        best.append(row)
    return list(best[-1][-1][1])


def _size(paragraphs: Sequence[str]) -> int:
    """How long they are to compare: each also by itself, as short ones cost more than their letters."""
    return sum(len(one) + 100 for one in paragraphs)


def compared(old: str, new: str) -> list[Passage]:
    """Two texts beside each other, passage by passage; neighbours that stay are one passage."""
    before = split(old)
    passages, done = [], 0
    for edit in paragraph_edits(before, split(new)):
        passages += _staying(before[done : edit.start])
        passages.append(Passage(joined(before[edit.start : edit.end]), joined(edit.into)))
        done = edit.end
    return passages + _staying(before[done:])


def _staying(paragraphs: Sequence[str]) -> list[Passage]:
    text = joined(paragraphs)
    return [Passage(text, text)] if text else []


def put_back(passages: Sequence[Passage], chosen: int) -> str:
    """The newer text, but for one passage, which says again what it said. Raises IndexError if there is none such."""
    texts = [one.new for one in passages]
    texts[chosen] = passages[chosen].old
    return joined(text for text in texts if text)


def words_of(passage: Passage) -> list[Words]:
    """The words of a passage, with which of the two texts has them. Texts that share little are told as two wholes."""
    old, new = (_TOKENS.findall(text) for text in (passage.old, passage.new))
    marked, done = [], 0
    for edit in edits(old, new):
        marked += [_both(old[done : edit.start]), Words("old", "".join(old[edit.start : edit.end]))]
        marked.append(Words("new", "".join(edit.into)))
        done = edit.end
    marked.append(_both(old[done:]))
    shared = sum(len(one.text) for one in marked if one.where == "both" and not one.text.isspace())
    if shared < _LIKE * max(len(passage.old), len(passage.new)):
        marked = [Words("old", passage.old), Words("new", passage.new)]
    return [one for one in marked if one.text]


def _both(tokens: Iterable[str]) -> Words:
    return Words("both", "".join(tokens))
