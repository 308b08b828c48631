"""In which order a line is written; another implementation of Unicode's UAX 9 (that of Rust) is asked as well."""

import pytest
from bidi import get_display
from hypothesis import example, given
from hypothesis import strategies as st

from hestor.core.text import bidi


def in_sight(text: str) -> str:
    return "".join(bidi.in_sight(list(text), bidi.levels(text)))


# Without brackets: there they are mirrored, here their glyphs are.
@given(st.text(alphabet="ab 12,.+-/אבجد٣", max_size=24))
@example("HTML 5: مرحبا v2.0 & C++")
@example("مرحبا ABC 12 abc")
@example("")
def test_lines_are_ordered_as_another_implementation_orders_them(text):
    assert in_sight(text) == get_display(text)


@pytest.mark.parametrize(
    ("text", "levels"),
    [("ab", (0, 0)), ("אב", (1, 1)), ("a אב c", (0, 0, 1, 1, 0, 0)), ("ג 12", (1, 1, 2, 2)), ("گ\u200cب", (1, 1, 1))],
)
def test_a_line_runs_as_its_first_letter_does(text, levels):
    assert bidi.levels(text) == levels


@pytest.mark.parametrize(
    ("text", "direction", "turns"),
    [
        ("Seeds", "ltr", False),
        ("Seeds", "rtl", True),
        ("مكتبة", "ltr", True),
        ("مكتبة", "rtl", False),
        ("12 – (5)", "rtl", False),
        ("", "ltr", False),
        ("種子", "rtl", True),
        ("בית", "ltr", True),
    ],
)
def test_only_what_runs_against_the_page_is_isolated(text, direction, turns):
    assert bidi.turns(text, direction) is turns
    marked = bidi.isolated(text, direction)
    assert (marked != text) is turns
    assert bidi.without_marks(marked) == text
