"""What bounds a check: no tag and no depth leads the reader astray, and what there was no time for is told."""

from datetime import date

import pytest

from hestor.core.reading.tokens import MOST_ATTRIBUTES, MOST_DEPTH, is_intricate
from hestor.core.sweep.files import Files
from hestor.core.sweep.folder import sweep
from hestor.core.sweep.style import Style

STYLE = Style({"name": "Quillmere Seed Library", "language": "en-GB"}, {})
DAY = date(2026, 11, 30)


def page(inside: str) -> str:
    return f"<!DOCTYPE html><html lang=en><head><title>A</title></head><body>{inside}</body></html>"


@pytest.mark.parametrize(
    "html",
    [
        "<p " + " ".join(f'a{n}="x"' for n in range(100_000)) + ">x</p>",
        "<p " + " ".join(f'a{n}=">"' for n in range(5_000)) + ">x</p>",
        "<section>" * 100_000 + "x",
        ("<b>x" + "<i>" * 3) * 10_000,
        "<p " + "a" * 20_000 + " " + "b " * (MOST_ATTRIBUTES + 1) + ">",
    ],
)
def test_what_nobody_writes_is_told_and_not_read(html):
    found = sweep(Files(("a.html",), lambda _: page(html).encode()), STYLE, DAY)
    assert (found.pages, [one.why for one in found.unread]) == (0, ["intricate"])


@pytest.mark.parametrize(
    "html",
    [
        "<ul>" + "<li>one" * 20_000 + "</ul>",
        "<p>one" * 20_000,
        "<table>" + "<tr><td>1<td>2" * 10_000 + "</table>",
        "<div><b>x</b><br><img src=a.png alt=a></div>" * 5_000,
        "<div>" * (MOST_DEPTH - 100) + "x" * 30_000 + "</div>" * (MOST_DEPTH - 100),
    ],
)
def test_long_pages_as_people_write_them_are_read(html):
    assert not is_intricate(page(html))


def test_what_there_was_no_time_for_is_told(monkeypatch):
    asked = iter([False, False, *[True] * 20])
    paths = tuple(f"{name}.html" for name in "abcde")
    found = sweep(Files(paths, lambda _: page("<p>Words.").encode()), STYLE, DAY, enough=lambda: next(asked))
    assert found.pages == 2
    assert [one.why for one in found.unread] == ["not_reached"] * 3
