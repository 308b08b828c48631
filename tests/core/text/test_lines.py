import unicodedata

import pytest
from hypothesis import given
from hypothesis import strategies as st
from lxml import etree

from hestor.core.text import lines


def codes(text: str, least: int = 1, most: int = 120) -> list[str]:
    return [p.code for p in lines.line_problems("name", lines.tidy(text), least=least, most=most)]


@pytest.mark.parametrize("text", ["A", "x" * 120, "مكتبة", "種子", "👩‍🌾", "a b", "7"])
def test_taken(text):
    assert codes(text) == []


@pytest.mark.parametrize(
    ("text", "code"),
    [
        ("", "empty"),
        ("   ", "empty"),
        ("\u200b", "nothing_to_see"),
        ("\u2800\u3164", "nothing_to_see"),
        ("a\nb", "line_break"),
        ("a\u2028b", "line_break"),
        ("a\x00b", "control_character"),
        ("a\x1bb", "control_character"),
        ("a\ufdd0b", "control_character"),
        ("a\U0001fffeb", "control_character"),
        ("a\u202eb", "bidi_control"),
        ("a\u2066b", "bidi_control"),
        ("x" * 121, "too_long"),
    ],
)
def test_refused(text, code):
    assert codes(text) == [code]


def test_a_refusal_points_at_the_character_and_can_be_mended():
    (problem,) = lines.line_problems("name", "ab\u202ecd", least=1, most=9)
    assert (problem.start, problem.end, problem.fix) == (2, 3, "")
    assert problem.params == {"position": 3, "point": "U+202E"}


def test_length_is_said_with_what_is_over():
    (problem,) = lines.line_problems("name", "x" * 10_000, least=1, most=120)
    assert problem.params == {"most": 120, "count": 10_000, "over": 9_880}
    assert (problem.start, problem.end) == (120, 10_000)


@given(st.text())
def test_tidying_twice_changes_nothing(text):
    assert lines.tidy(lines.tidy(text)) == lines.tidy(text)


@given(st.text(max_size=40))
def test_no_taken_text_holds_what_is_barred(text):
    tidy = lines.tidy(text)
    if codes(text, most=40) == []:
        assert not any(unicodedata.category(c) in ("Cc", "Cs", "Zl", "Zp") for c in tidy)
        assert not set(tidy) & set("\u202a\u202b\u202c\u202d\u202e\u2066\u2067\u2068\u2069")


@pytest.mark.parametrize(
    ("text", "most", "cut"),
    [("abc", 2, "ab"), ("e\u0301x", 1, ""), ("👩‍🌾x", 2, ""), ("👩‍🌾x", 3, "👩‍🌾"), ("नि", 1, ""), ("", 3, "")],
)
def test_a_cut_splits_no_cluster(text, most, cut):
    assert lines.cut(text, most) == cut


def test_shortening_ends_at_a_word():
    assert lines.shorten("one two three", 9) == "one two…"
    assert lines.shorten("one", 9) == "one"


@pytest.mark.parametrize(
    ("name", "letter"),
    [
        ("quill", "Q"),
        ("« Élan »", "É"),
        ("🌱 seeds", "S"),
        ("مقهى", "م"),
        ("🌱", "🌱"),
        ("e\u0301tude", "E\u0301"),
        ("नि", "नि"),
        ("ßcharf", "ß"),
        ("", "•"),
    ],
)
def test_the_first_letter(name, letter):
    assert lines.first_letter(name) == letter


@pytest.mark.parametrize(
    ("words", "text", "match_case", "found"),
    [
        ("Art", "Artist in residence", False, []),
        ("Art", "The art of seeds", False, [(4, 7)]),
        ("Art", "The art of seeds", True, []),
        ("Straße", "STRASSE 4", False, [(0, 7)]),
        ("{site}", "a{site}b", True, [(1, 7)]),
        ("", "anything", True, []),
    ],
)
def test_where_words_stand_by_themselves(words, text, match_case, found):
    assert list(lines.occurrences(words, text, match_case)) == found


@given(st.text(st.characters() | st.sampled_from("\x00\x0b\r\n\u2028\ufdd0\uffff\x85\t"), max_size=40))
def test_what_is_carried_can_stand_in_xml_and_utf_8(text):
    kept = lines.carried(text)
    element = etree.Element("x")
    element.text = kept
    kept.encode()
    assert lines.carried(kept) == kept
    assert not set(kept) & (lines.LINE_BREAKS - {"\n"})


def test_lone_surrogates_are_not_carried():
    assert lines.carried("a\ud800b\r\nc") == "ab\nc"
