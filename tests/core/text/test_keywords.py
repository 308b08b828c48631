"""Keywords: tokens between commas, each once."""

import pytest

from hestor.core.facts.document import check
from hestor.core.text import keywords


@pytest.mark.parametrize(
    ("typed", "kept"),
    [
        ("seed,garden ,  swap  days", "seed, garden, swap days"),
        ("seed, Seed, SEED", "seed"),
        ("بذور، حديقة", "بذور, حديقة"),
        (" , ,", ""),
        ("豆、種", "豆, 種"),
        ("one; two", "one, two"),
    ],
)
def test_they_are_kept_apart_and_once(typed, kept):
    assert check("keywords", typed) == (kept, ())


@pytest.mark.parametrize(
    ("typed", "code"),
    [
        (", ".join(f"k{n}" for n in range(31)), "keywords_many"),
        ("x" * 61, "keyword_long"),
        ("x" * 501, "too_long"),
        (7, "not_text"),
    ],
)
def test_too_many_are_refused(typed, code):
    assert [problem.code for problem in check("keywords", typed)[1]] == [code]


def test_the_first_way_of_writing_one_counts():
    assert keywords.split("Bean, pea, BEAN") == ("Bean", "pea")
