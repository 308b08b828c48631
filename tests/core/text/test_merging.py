"""Two people's changes of one text."""

import pytest
from hypothesis import given
from hypothesis import strategies as st

from hestor.core.text import merging, passages
from hestor.core.text.merging import Clash

BASE = "one\n\ntwo\n\nthree"
TEXTS = st.lists(st.sampled_from(["one", "two", "three", "four", "五"]), max_size=7).map("\n\n".join)
EDITS = st.dictionaries(st.integers(0, 5), st.sampled_from(["", "other", "other\n\nmore"]), max_size=3)


def clashes(mine, theirs, base=BASE):
    return [part for part in merging.merged(base, mine, theirs) if isinstance(part, Clash)]


def whole(mine, theirs, *choices, base=BASE):
    return merging.text_of(merging.merged(base, mine, theirs), choices)


@pytest.mark.parametrize(
    ("mine", "theirs", "both"),
    [
        ("ONE\n\ntwo\n\nthree", "one\n\ntwo\n\nTHREE", "ONE\n\ntwo\n\nTHREE"),
        # Neighbours, too.
        ("ONE\n\ntwo\n\nthree", "one\n\nTWO\n\nthree", "ONE\n\nTWO\n\nthree"),
        ("one\n\ntwo", "ZERO\n\none\n\ntwo\n\nthree", "ZERO\n\none\n\ntwo"),
        ("one\n\ntwo\n\nTHREE\n\nfour", "ONE\n\nthree", "ONE\n\nTHREE\n\nfour"),
        ("same\n\ntwo\n\nthree", "same\n\ntwo\n\nthree\n\nfour", "same\n\ntwo\n\nthree\n\nfour"),
    ],
)
def test_changes_of_paragraphs_of_ones_own_are_all_kept(mine, theirs, both):
    assert clashes(mine, theirs) == clashes(theirs, mine) == []
    assert whole(mine, theirs) == whole(theirs, mine) == both


def test_a_paragraph_that_both_changed_is_asked_about():
    mine, theirs = "one\n\nTWO\n\nthree", "one\n\n2\n\nthree"
    assert clashes(mine, theirs) == [Clash("two", "TWO", "2")]
    assert whole(mine, theirs) is None
    assert whole(mine, theirs, "mine") == mine
    assert whole(mine, theirs, "theirs") == theirs
    assert whole(mine, theirs, "both") == "one\n\n2\n\nTWO\n\nthree"


def test_one_deletes_what_the_other_changes():
    assert clashes("one\n\nthree", "one\n\ntwo!\n\nthree") == [Clash("two", "", "two!")]
    assert whole("one\n\nthree", "one\n\ntwo!\n\nthree", "both") == "one\n\ntwo!\n\nthree"


def test_both_add_at_the_same_spot():
    assert clashes(BASE + "\n\nmine", BASE + "\n\ntheirs") == [Clash("", "mine", "theirs")]
    assert whole(BASE + "\n\nmine", BASE + "\n\ntheirs", "both") == BASE + "\n\ntheirs\n\nmine"
    assert clashes(BASE + "\n\nsame", BASE + "\n\nsame") == []


@given(TEXTS, TEXTS)
def test_who_changed_nothing_gets_what_the_other_wrote(base, other):
    assert whole(base, other, base=base) == whole(other, base, base=base) == other
    assert whole(other, other, base=base) == other


@given(TEXTS, TEXTS, TEXTS)
def test_any_three_texts_are_merged_with_as_many_choices_as_clashes(base, mine, theirs):
    found = clashes(mine, theirs, base)
    assert whole(mine, theirs, *["mine"] * len(found), base=base) is not None
    if found:
        assert whole(mine, theirs, *["mine"] * (len(found) - 1), base=base) is None
    # Nothing that either wrote is lost where both are kept.
    both = passages.split(whole(mine, theirs, *["both"] * len(found), base=base))
    for text in (mine, theirs):
        assert {one for one in passages.split(text) if one not in passages.split(base)} <= set(both)


@given(st.lists(st.integers(0, 99), min_size=6, max_size=6, unique=True), EDITS, EDITS)
def test_changes_of_different_paragraphs_are_merged_in_either_order(numbers, mine, theirs):
    base = [f"paragraph {number}" for number in numbers]

    def written(edits):
        texts = [edits.get(at, text) for at, text in enumerate(base)]
        return passages.joined(text for text in texts if text)

    theirs = {at: text for at, text in theirs.items() if at not in mine}
    found = clashes(written(mine), written(theirs), passages.joined(base))
    if not found:
        assert whole(written(mine), written(theirs), base=passages.joined(base)) == written({**mine, **theirs})
