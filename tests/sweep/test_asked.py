"""What a mend leaves to a person: history, quotations, captions, and what is somebody else's."""

from datetime import date

import pytest
from hypothesis import example, given
from hypothesis import strategies as st

from hestor.core.sweep import asked
from hestor.core.sweep.files import Files
from hestor.core.sweep.mended_folder import mend_all
from hestor.core.sweep.style import Style

STYLE = Style(
    {"name": "Quillmere Seed Library", "language": "en-GB", "contact_email": "hello@quillmere.example"},
    {"name": ("Old Pea Society",), "contact_email": ("old@quillmere.example",)},
)
PAGE = "<!DOCTYPE html><html lang=en><head><title>About</title></head><body><main>{}</main>{}</body></html>"


def mended(main: str, after: str = "") -> str:
    html = PAGE.format(main, after)
    files = Files(("index.html",), lambda _: html.encode())
    found = list(mend_all(files, STYLE, date(2026, 11, 30)))
    return found[0].raw.decode() if found else html


LEFT = [
    "<p>In 1987 the Old Pea Society was founded by four neighbours.</p>",
    "<p>The Old Pea Society began in a barn.</p>",
    "<p>Until 2019 write to old@quillmere.example was on our door.</p>",
    "<p>A visitor said: “The Old Pea Society saved my garden.”</p>",
    "<p>Er sagte: „Die Old Pea Society half uns.“</p>",
    "<p>Elle dit : « La Old Pea Society est belle. »</p>",
    "<blockquote><p>The Old Pea Society is kind.</p></blockquote>",
    "<p><q>The Old Pea Society is kind.</q></p>",
    "<figure><img src=a.jpg alt='The sign of the Old Pea Society'><figcaption>The Old Pea Society at the fair</figcaption></figure>",
]


@pytest.mark.parametrize("html", LEFT)
def test_what_may_be_history_or_anothers_words_is_left(html):
    assert html in mended(html)


@pytest.mark.parametrize(
    "footer",
    ["<footer><p>© 2019 Oatfield Press</p></footer>", "<footer><p>Photographs (c) 2018 Ada Marsh</p></footer>"],
)
def test_anothers_copyright_is_left(footer):
    assert footer in mended("<p>Hello.</p>", footer)


@pytest.mark.parametrize(
    ("html", "says"),
    [
        ("<p>Welcome to the Old Pea Society.</p>", "Quillmere Seed Library"),
        ("<p>The Old Pea Society meets on 3 December 2026.</p>", "Quillmere Seed Library"),
        ("<p>Write to old@quillmere.example.</p>", "hello@quillmere.example"),
    ],
)
def test_what_is_said_of_today_is_mended(html, says):
    assert says in mended(html)


def test_the_own_copyright_line_is_mended():
    assert "2026" in mended("<p>Hello.</p>", "<footer><p>© 2019 Quillmere Seed Library</p></footer>")


def stands_quoted(words: str, says: str) -> bool:
    """As one reads: before it the last opening mark is still open, and behind it a mark closes."""
    before, _, after = words.partition(says)
    for opening, closing in asked._MARKS.items():
        is_behind = any(one in after for one in closing)
        since = before[before.rindex(opening) + 1 :] if opening in before else ""
        is_open = opening in before and not any(one in since for one in closing)
        if is_behind and (before.count(opening) % 2 if opening == closing else is_open):
            return True
    return False


@given(st.lists(st.sampled_from(["„", "“", "”", "«", "»", '"', "‘", "’", "「", "」", "word ", "NAME"]), max_size=14))
@example(["„", "NAME", "“"])
@example(["“", "word ", "”", "NAME", "”"])
@example(['"', "NAME"])
@example(["»", "NAME", "«"])
@example([])
def test_what_stands_between_marks_is_found_as_one_reads(parts):
    words = "".join(parts)
    found = asked._Words(words, Style({"name": "X"}), 2026).quotes("NAME")
    assert found == ("NAME" in words and stands_quoted(words, "NAME"))
