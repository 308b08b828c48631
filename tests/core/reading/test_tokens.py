"""An HTML text in its parts, against the standard library's tokenizer and against what HTML says of broken texts."""

from collections.abc import Mapping
from html.parser import HTMLParser

import pytest
from hypothesis import given
from hypothesis import strategies as st

from hestor.core.reading import tokens


class Listener:
    """Notes what it is told."""

    def __init__(self) -> None:
        self.parts: list[tuple[object, ...]] = []

    def start(self, tag: str, attributes: Mapping[str, str], at: int, end: int, slashed: bool) -> bool:
        self.parts.append(("start", tag, dict(attributes), at, end))
        return not slashed

    def end(self, tag: str, at: int) -> None:
        self.parts.append(("end", tag, at))

    def words(self, at: int, written: str, said: str) -> None:
        self.parts.append(("words", at, written, said))


def parts_of(text: str) -> list[tuple[object, ...]]:
    listener = Listener()
    tokens.part(text, listener)
    return listener.parts


def said_in(text: str) -> list[object]:
    """What is told, without positions."""
    return [one[1] if one[0] == "end" else one[3] if one[0] == "words" else one[1:3] for one in parts_of(text)]


class _Oracle(HTMLParser):
    """The same of the standard library's tokenizer, which joins no two runs of words and counts lines."""

    def __init__(self, text: str) -> None:
        super().__init__(convert_charrefs=False)
        self.parts: list[tuple[object, ...]] = []
        self._lines = [0, *(at + 1 for at, char in enumerate(text) if char == "\n")]
        self.feed(text)
        self.close()

    @property
    def _at(self) -> int:
        line, column = self.getpos()
        return self._lines[line - 1] + column

    def handle_starttag(self, tag, attrs):
        values: dict[str, str] = {}
        for name, value in attrs:
            values.setdefault(name, value or "")
        written = self.get_starttag_text() or ""
        self.parts.append(("start", tag, values, self._at, self._at + len(written)))

    def handle_startendtag(self, tag, attrs):
        self.handle_starttag(tag, attrs)

    def handle_endtag(self, tag):
        self.parts.append(("end", tag, self._at))

    def handle_data(self, data):
        self.parts.append(("words", self._at, data, data))

    def handle_entityref(self, name):
        self.parts.append(("words", self._at, f"&{name};", {"amp": "&", "nbsp": "\u00a0", "eacute": "é"}[name]))

    def handle_charref(self, name):
        self.parts.append(("words", self._at, f"&#{name};", chr(int(name[1:], 16) if name[0] == "x" else int(name))))


_PIECES = st.sampled_from(
    ["<p>", "</p>", '<a href="x?a=1&amp;b=2">', "</a>", "<b class=c>", "</B >", "<br/>", "<img alt='a > b' src=z>",
     "<input disabled value>", "<A HREF=Y href=Z>", "<!-- a <b> c -->", "<!doctype html>", "<td\n id = 'i' >",
     "<script>if (a < b) </script>", "<style>p > a { }</style>", "words ", "\n", "é", "عربي",
     "&amp;", "&nbsp;", "&eacute;", "&#233;", "&#xe9;", '<a title="&lt;b&gt;">', "<my-part data-a=1>",
     "<svg viewBox='0 0 1 1'>", "</svg>"]
)  # fmt: skip


@given(st.lists(_PIECES, max_size=30).map("".join))
def test_whole_texts_are_parted_like_the_standard_library_does(text):
    assert parts_of(text) == _Oracle(text).parts


@given(st.text(alphabet="<>/!-&;#x= \"'abtitle\n", max_size=60))
def test_each_text_is_parted_to_its_end_in_rising_order(text):
    found = parts_of(text)
    spots = [one[3] if one[0] == "start" else one[2] if one[0] == "end" else one[1] for one in found]
    assert spots == sorted(spots)
    for one in found:
        if one[0] == "words":
            assert text.startswith(one[2], one[1])
        if one[0] == "start":
            assert (text[one[3]], text[one[4] - 1]) == ("<", ">")


@pytest.mark.parametrize(
    ("text", "said"),
    [
        # Marks that begin nothing are words.
        ("a < b", ["a ", "<", " b"]),
        ("R&D & co", ["R", "&D", " ", "&", " co"]),
        ("1 <2", ["1 ", "<", "2"]),
        # A tag that never ends is no tag, and nothing after it is lost.
        ("<p>a<b class='x", [("p", {}), "a", "<b class='x"]),
        ("a</p", ["a", "</p"]),
        # A quotation mark that is never closed guards nothing.
        ('<a href="x>words</a>', [("a", {"href": "x"}), "words", "a"]),
        # Without space between, attributes are still told apart.
        ('<a b="1"c="2">', [("a", {"b": "1", "c": "2"})]),
        ("<a b=c/d>", [("a", {"b": "c/d"})]),
        ("<br/>", [("br", {})]),
        # Comments end in odd ways, or never.
        ("a<!-->b<!--->c<!-- d --!>e", ["a", "b", "c", "e"]),
        ("a<!-- b <p>", ["a"]),
        ("a<?php b ?>c</ d>e", ["a", "c", "e"]),
        # Nothing is markup in a title or a field of text, but references count; in a script nothing does.
        ("<title>a <b> &amp; c</title>", [("title", {}), "a <b> ", "&", " c", "title"]),
        ("<textarea></p></TEXTAREA >", [("textarea", {}), "</p>", "textarea"]),
        ("<script>'</scripts>' &amp;</script>", [("script", {}), "'</scripts>' &amp;", "script"]),
        ("<title>a<p>", [("title", {}), "a<p>"]),
    ],
)  # fmt: skip
def test_broken_and_odd_texts(text, said):
    assert said_in(text) == said


def test_of_what_is_no_html_a_slash_ends_an_element_that_would_hold_words():
    assert said_in("<title/><p>") == [("title", {}), ("p", {})]
