"""Changes of many titles at once, as proposals: words replaced, faults mended. Nothing is changed here."""

from collections.abc import Collection, Iterable
from dataclasses import dataclass
from typing import NamedTuple

from hestor.core.pages.faults import Field, Kind, NamedPage, Row
from hestor.core.text import lines


class Cell(NamedTuple):
    """New words for a field of a page, and those that it has."""

    page: int
    path: str
    field: Field
    value: str
    was: str


@dataclass(frozen=True)
class Proposal:
    """What would change, and in how many spots; ``left`` is how many further cells or pages are not in it."""

    count: int
    cells: tuple[Cell, ...]
    left: int = 0


MOST_CELLS = 5_000
"""As many cells are proposed at once: more can't be looked at, and what is left is proposed again."""


def replaced(text: str, find: str, by: str, match_case: bool) -> tuple[str, int]:
    """A text with each occurrence of some words replaced, and how many those were."""
    spans = list(lines.spans(find, text, match_case))
    for start, end in reversed(spans):
        text = text[:start] + by + text[end:]
    return text, len(spans)


def replacing(pages: Iterable[NamedPage], find: str, by: str, fields: Iterable[Field], match_case: bool) -> Proposal:
    """What putting other words in place of some would change, in some fields of all pages."""
    fields, total, cells = tuple(fields), 0, list[Cell]()
    for page in pages:
        for field in fields:
            before = getattr(page, field)
            after, count = replaced(before, find, by, match_case)
            total += count
            if after != before:
                cells.append(Cell(page.page_id, page.path, field, after, before))
    return Proposal(total, tuple(cells[:MOST_CELLS]), max(0, len(cells) - MOST_CELLS))


def mending(rows: Iterable[Row], kind: Kind, mends: int, pages: Collection[int] | None = None) -> Proposal:
    """The mends that are proposed for one kind of fault, on all pages or on some; no more rows are read than it takes.

    ``mends`` is on how many pages there is one.
    """
    cells: list[Cell] = []
    mended = 0
    for row in rows:
        if pages is not None and row.page.page_id not in pages:
            continue
        found = [
            Cell(row.page.page_id, row.page.path, field, value, getattr(row.page, field))
            for fault in row.faults
            if fault.kind == kind
            for field, value in fault.mend.items()
        ]
        cells += found
        mended += bool(found)
        if len(cells) >= MOST_CELLS:
            return Proposal(len(cells), tuple(cells), max(0, mends - mended) if pages is None else 0)
    return Proposal(len(cells), tuple(cells))
