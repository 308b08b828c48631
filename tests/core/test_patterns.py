"""No regular expression of the code takes more than its share of a text that was made to lead it astray."""

import re

import pytest

from tests.support import patterns
from tests.support.patterns import Found

SIZE = 20_000
# One that goes through a text once takes a hundredth of it; one that goes through it for each letter, many times it.
MOST = 0.4
PARTS = 2


@pytest.fixture(scope="module")
def found():
    return patterns.collected()


def slow(one: Found) -> str:
    for text in patterns.texts(one, SIZE):
        try:
            patterns.run(one, text, MOST)
        except patterns.TooSlow:
            return f"{one.where} on {text[:30]!r}"
    return ""


@pytest.mark.parametrize("part", range(PARTS))
def test_every_pattern_goes_through_a_hostile_text_in_its_time(found, part):
    assert len(found[0]) > 190
    assert [said for one in found[0][part::PARTS] if (said := slow(one))] == []


def test_patterns_made_while_the_code_runs_are_listed_with_an_example(found):
    assert found[1] == set(patterns.COMPOSED)


@pytest.mark.parametrize(
    ("careless", "methods"),
    [
        (r"\s*#[ \t]+([^\n]+?)[ \t]*#*[ \t]*(?:\n|\Z)", {"match"}),
        (rb"\s*(?:<\?xml[^>]*>\s*|<!--.*?-->\s*)*<(?:\w+:)?svg[\s>/]", {"match"}),
        (r"\s+$", {"sub"}),
        (r"\s*(\d+)\s*(px)?\s*", {"fullmatch"}),
        (r"<[^>]*\son[a-z]+\s*=", {"search"}),
    ],
)
def test_a_careless_pattern_is_found(careless, methods):
    assert slow(Found("here", re.compile(careless, re.DOTALL), frozenset(methods)))
