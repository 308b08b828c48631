"""Where words stand in a file: found again by their position, whatever the file looks like."""

import pytest
from hypothesis import given
from hypothesis import strategies as st

from hestor.core.reading import positions
from hestor.core.sweep.mend import Edit, edited

_TAGS = st.sampled_from(
    [
        "p",
        "b",
        "div",
        "li",
        "td",
        "a href=x",
        "img alt='a&amp;b'",
        "script",
        "title",
        "br",
        "/p",
        "/div",
        "/b",
        "!-- x --",
    ]
)
_WORDS = st.text(alphabet="ab <>&;é\n\0'\"=ض𝔸", max_size=12)
_HTML = st.lists(
    st.one_of(_WORDS, _TAGS.map(lambda tag: f"<{tag}>"), st.sampled_from(["&eacute;", "&#xe9;", "&amp", "&nope;"])),
    max_size=30,
)


@given(_HTML.map("".join))
def test_anything_is_read_and_each_word_is_where_it_is_said_to_be(html):
    source = positions.read("x.html", html)
    for block in source.blocks:
        spot = source.spot(block.start, block.end)
        assert 0 <= spot.start <= spot.end <= len(html)
        for at in range(block.start, block.end):
            one = source.spot(at, at + 1)
            written = html[one.start : one.end]
            # A character stands there as itself, or as a reference.
            assert written == source.flat[at] or written.startswith("&") or source.flat[at] == "\ufffd"
    for element in source.elements:
        assert html[element.start] == "<"
        assert element.end <= element.closes <= len(html)


@pytest.mark.parametrize(
    ("html", "words"),
    [
        ("<p>Seed <b>Lib</b>rary</p>", "Seed Library"),
        ("<p>Caf&eacute; &amp; bar", "Café & bar"),
        ("<TITLE>One</TITLE><P>Two<P>Three", "Two"),
        ("<p>a<!-- b -->c</p>", "ac"),
        ("<p hidden>no</p><p>yes", "yes"),
    ],
)
def test_words_are_joined_as_a_browser_joins_them(html, words):
    assert words in positions.read("x.html", html).flat.split("\0")


def test_places_come_from_elements_and_roles():
    html = (
        "<title>t</title><meta name=description content=d><div role=banner>h</div><nav>m</nav>"
        "<article><header>a</header></article><div role=contentinfo>f</div><img src=x alt=w>"
    )
    source = positions.read("x.html", html)
    assert {source.words_of(one): one.place for one in source.blocks} == {
        "t": "title", "d": "description", "h": "header", "m": "menu", "a": "text", "f": "footer", "w": "alt",
    }  # fmt: skip


@given(st.text(max_size=40), st.lists(st.tuples(st.integers(0, 40), st.integers(0, 40), st.text(max_size=3))))
def test_edits_touch_nothing_but_their_spots(text, wanted):
    edits = [Edit(min(a, b, len(text)), min(max(a, b), len(text)), said) for a, b, said in wanted]
    made = edited(text, edits)
    kept = [at for at in range(len(text)) if not any(one.start <= at < one.end for one in edits)]
    rest = iter(made)
    assert all(any(text[at] == letter for letter in rest) for at in kept)
