"""Texts beside each other, by paragraph; `difflib` of the standard library is asked as well."""

import difflib

import pytest
from hypothesis import example, given
from hypothesis import strategies as st

from hestor.core.text import passages
from hestor.core.text.passages import Passage, Words

LINES = st.lists(st.sampled_from(["one", "two", "three", "```", "~~~", "", " ", "- a", "種子"]), max_size=12).map(
    "\n".join
)
ITEMS = st.lists(st.sampled_from("abcd"), max_size=12)


@pytest.mark.parametrize(
    ("text", "paragraphs"),
    [
        ("", []),
        ("\n \n", []),
        ("one\ntwo\n\n\nthree\n", ["one\ntwo", "three"]),
        ("one\n\n```\nx\n\ny\n```\n\ntwo", ["one", "```\nx\n\ny\n```", "two"]),
        ("~~~~\nx\n~~~\n\ny\n~~~~\n\nz", ["~~~~\nx\n~~~\n\ny\n~~~~", "z"]),
        ("```\nnever\n\nends", ["```\nnever\n\nends"]),
    ],
)
def test_paragraphs_are_parted_by_blank_lines_but_not_in_code(text, paragraphs):
    assert passages.split(text) == paragraphs


@given(LINES)
@example("```\n\n\n\nx")
def test_a_text_that_was_split_and_joined_splits_the_same(text):
    paragraphs = passages.split(text)
    assert passages.split(passages.joined(paragraphs)) == paragraphs
    assert "".join(passages.joined(paragraphs).split()) == "".join(text.split())


def apply(edits, old):
    made, done = [], 0
    for edit in edits:
        made += [*old[done : edit.start], *edit.into]
        done = edit.end
    return made + old[done:]


@given(ITEMS, ITEMS)
@example([], ["a"])
@example(["a"], [])
@example(["a", "a"], ["a"])
def test_edits_turn_one_into_the_other_and_leave_as_much_as_can_stay(old, new):
    edits = passages.edits(old, new)
    assert apply(edits, old) == new
    stays = len(old) - sum(edit.end - edit.start for edit in edits)
    theirs = difflib.SequenceMatcher(None, old, new, autojunk=False).get_matching_blocks()
    assert stays >= sum(block.size for block in theirs)


@given(LINES, LINES)
@example("one\n```\n```\n\none", "one\n```")
@example("one\n```", "one\n```\n```\n\none")
def test_passages_hold_both_texts_and_each_can_be_put_back(old, new):
    found = passages.compared(old, new)
    assert passages.joined(one.new for one in found if one.new) == passages.joined(passages.split(new))
    assert passages.joined(one.old for one in found if one.old) == passages.joined(passages.split(old))
    # One after the other, as a person does: what is put back may change what is a paragraph, as a fence that never ends
    # takes in what follows.
    text = new
    for _ in range(len(old) + len(new)):
        found = passages.compared(old, text)
        differing = [at for at, one in enumerate(found) if one.differs]
        text = passages.put_back(found, differing[0]) if differing else text
    assert passages.split(text) == passages.split(old)


def test_what_stays_is_one_passage_and_neighbours_that_differ_are_several():
    found = passages.compared("a\n\nb\n\nc\n\nd", "a\n\nb\n\nC\n\nD\n\ne")
    assert [(one.old, one.new) for one in found] == [("a\n\nb", "a\n\nb"), ("c\n\nd", "C\n\nD\n\ne")]
    assert [one.new for one in passages.compared("a\n\nb", "A\n\nB")] == ["A", "B"]


def told(old, new):
    return [(one.where, one.text) for one in passages.words_of(Passage(old, new))]


def test_words_that_differ_are_marked():
    assert told("Open at nine on Saturdays.", "Open at ten on Saturdays.") == [
        ("both", "Open at "),
        ("old", "nine"),
        ("new", "ten"),
        ("both", " on Saturdays."),
    ]


def test_scripts_without_spaces_are_compared_letter_by_letter():
    assert told("土曜日の朝に開きます", "日曜日の朝に開きます")[:3] == [
        ("old", "土"),
        ("new", "日"),
        ("both", "曜日の朝に開きます"),
    ]


def test_texts_that_share_little_are_told_as_wholes():
    assert told("Bring an envelope.", "We close in January, as every year.") == [
        ("old", "Bring an envelope."),
        ("new", "We close in January, as every year."),
    ]
    assert told("", "New.") == [("new", "New.")]


@given(LINES, LINES)
def test_words_hold_both_texts(old, new):
    words = passages.words_of(Passage(old, new))
    assert "".join(one.text for one in words if one.where != "new") == old
    assert "".join(one.text for one in words if one.where != "old") == new
    assert all(isinstance(one, Words) and one.text for one in words)


def test_very_many_paragraphs_are_told_without_looking_for_what_stays():
    old, new = "a\n\n" * 9_000, "b\n\nc\n\n" + "a\n\n" * 3 + "d\n\n" * 9_000
    assert passages.put_back(passages.compared(old, new), 0) == passages.joined(["a"] * 9_000)


def test_a_reworded_paragraph_stands_for_itself_whatever_goes_beside_it():
    old = "Open on Saturdays from nine.\n\n1. Take a packet.\n2. Sign the book.\n\nTea."
    new = "Open on Saturdays from ten.\n\nTea."
    assert [(one.old, one.new) for one in passages.compared(old, new) if one.differs] == [
        ("Open on Saturdays from nine.", "Open on Saturdays from ten."),
        ("1. Take a packet.\n2. Sign the book.", ""),
    ]
