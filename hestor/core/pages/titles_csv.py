"""Titles and descriptions of all pages as CSV (RFC 4180), to be worked on in a spreadsheet and read back."""

import csv
import io
from collections.abc import Iterable, Iterator, Mapping
from dataclasses import dataclass

from hestor.core.errors import Problem
from hestor.core.pages.faults import FIELDS, NamedPage, Row
from hestor.core.pages.title_changes import Cell
from hestor.core.text import lines

COLUMNS = ("path", *FIELDS, "shown_title", "description")
"""The last two are for reading only."""
MOST_TEXT = 20_000_000
_MOST_ROWS = 20_000
# A spreadsheet would take such a text for a formula (OWASP, "CSV Injection"); an apostrophe keeps it a text.
_FORMULA = ("=", "+", "-", "@", "\t", "\r")


def _safe(text: str) -> str:
    return f"'{text}" if _is_formula(text) else text


def _is_formula(text: str) -> bool:
    # One that has apostrophes of its own gets one more, so that taking one away gives back what it was.
    return text.lstrip("'").startswith(_FORMULA)


def _plain(text: str) -> str:
    return text[1:] if text.startswith("'") and _is_formula(text) else text


def written(rows: Iterable[Row]) -> str:
    """The rows as CSV, with a line of the columns' names; a mark at its start tells spreadsheets that it is UTF-8."""
    out = io.StringIO()
    writer = csv.writer(out)
    writer.writerow(COLUMNS)
    for row in rows:
        page = row.page
        texts = (page.title, page.own_title, page.menu_title, page.summary, row.shown, row.description)
        writer.writerow([page.path, *map(_safe, texts)])
    return "\ufeff" + out.getvalue()


@dataclass(frozen=True)
class Read:
    """What a file would change: words by page and field; and what of it could not be taken, by its line."""

    cells: tuple[Cell, ...]
    problems: tuple[Problem, ...]


def _delimiter(first: str) -> str:
    """What parts the columns: spreadsheets of different countries write a comma, a semicolon or a tab."""
    return max(",;\t", key=first.count)


def _rows(text: str) -> Iterator[tuple[int, list[str]]]:
    reader = csv.reader(io.StringIO(text, newline=""), delimiter=_delimiter(text.partition("\n")[0]))
    while True:
        try:
            row = next(reader)
        except StopIteration:
            return
        yield reader.line_num, row


def read(text: str, pages: Iterable[NamedPage]) -> Read:
    """What a file says otherwise than the pages do. Its columns may come in any order, and some may be missing."""
    text = text.removeprefix("\ufeff")
    if len(text) > MOST_TEXT:
        return Read((), (Problem("file", "csv_long", {"most": MOST_TEXT // 1_000_000}),))
    known = {page.path: page for page in pages}
    try:
        return _read(text, known)
    except csv.Error:
        return Read((), (Problem("file", "csv_unreadable"),))


def _read(text: str, known: Mapping[str, NamedPage]) -> Read:
    rows = _rows(text)
    names = [name.strip().casefold() for name in next(rows, (0, []))[1]]
    if "path" not in names or not set(names) & set(FIELDS):
        return Read((), (Problem("file", "csv_columns", {"names": ", ".join(COLUMNS[:5])}),))
    cells: list[Cell] = []
    problems: list[Problem] = []
    for count, (line, row) in enumerate(rows):
        if not any(row):
            continue
        if count >= _MOST_ROWS:
            problems.append(Problem("file", "csv_rows", {"most": _MOST_ROWS}))
            break
        values = dict(zip(names, row, strict=False))
        page = known.get(values.get("path", "").strip())
        if page is None:
            path = lines.shorten(values.get("path", ""), 60)
            problems.append(Problem("file", "csv_page_unknown", {"line": line, "path": path}))
            continue
        cells += [
            Cell(page.page_id, page.path, name, _plain(values[name]), getattr(page, name))
            for name in FIELDS
            if name in values and lines.tidy(_plain(values[name])) != getattr(page, name)
        ]
    return Read(tuple(cells), tuple(problems))
