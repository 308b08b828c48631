import re

import pytest
from hypothesis import given
from hypothesis import strategies as st

from hestor.core.text import fillins
from hestor.core.text.fillins import Fill, Values

VALUES = Values(site="Seeds & Co {year}", tagline="Borrow", year=2026)


@pytest.mark.parametrize(
    ("text", "filled"),
    [
        ("© {year} {site}", "© 2026 Seeds & Co {year}"),
        ("{year:2019}", "2019–2026"),
        ("{year:2026}", "2026"),
        ("{year:2030}", "2026"),
        ("{ site }: {tagline}", "Seeds & Co {year}: Borrow"),
        ("'{'site}", "{site}"),
        ("'{site}'", "{site}"),
        ("it's '' ok", "it's ' ok"),
        ("''{tagline}''", "'Borrow'"),
        ("'{it''s}'", "{it's}"),
        ("a } b", "a } b"),
        ("don't", "don't"),
        ("'{never closed", "{never closed"),
    ],
)
def test_filling(text, filled):
    assert fillins.fill(text, VALUES) == filled


@pytest.mark.parametrize(
    ("text", "code", "start", "end", "fix"),
    [
        ("© {yaer} x", "fillin_unknown", 2, 8, "{year}"),
        ("{Site}", "fillin_unknown", 0, 6, "{site}"),
        ("{}", "fillin_unknown", 0, 2, "{site}"),
        ("© {site", "fillin_unclosed", 2, 7, "{site}"),
        ("x {si {", "fillin_unclosed", 2, 7, None),
        ("{year:19}", "fillin_year", 0, 9, None),
        ("{year:٢٠١٩}", "fillin_year", 0, 11, None),
        ("{site:x}", "fillin_argument", 0, 8, None),
    ],
)
def test_problems_are_pointed_at(text, code, start, end, fix):
    problem = next(iter(fillins.problems("footer_text", text)))
    assert (problem.field, problem.code, problem.start, problem.end, problem.fix) == (
        "footer_text",
        code,
        start,
        end,
        fix,
    )
    assert problem.params["position"] == start + 1


def test_every_problem_is_found():
    assert [p.code for p in fillins.problems("f", "{a} {site} {b")] == ["fillin_unknown", "fillin_unclosed"]


def test_what_is_wrong_stays_as_it_was_typed():
    assert fillins.fill("{nope} {year:1} {site", VALUES) == "{nope} {year:1} {site"


LITERALS = st.text(st.characters(exclude_categories=("Cs",)), max_size=12)
PARTS = st.lists(st.one_of(LITERALS, st.sampled_from(["site", "tagline", "year", "year:2019"]).map(lambda n: Fill(n))))


def _written(part: str | Fill) -> str:
    """A part as an owner has to write it, by ICU's rules alone: every literal run quoted whole."""
    if isinstance(part, Fill):
        return "{" + part.name + "}"
    # Quoting begins only before a brace, so each brace is quoted by itself and each apostrophe doubled.
    return "".join("''" if c == "'" else f"'{c}'" if c in "{}" else c for c in part)


@given(PARTS)
def test_whatever_is_written_by_the_rules_reads_back(parts):
    text = "".join(_written(part) for part in parts)
    expected = "".join(
        fillins.value_of(*(p.name.partition(":")[::2]), VALUES) if isinstance(p, Fill) else p for p in parts
    )
    # A quoted brace beside an apostrophe, or beside another one, joins its quotes; ICU reads that as one run.
    if not re.search("'''|[{}]''[{}]", text):
        assert list(fillins.problems("f", text)) == []
        assert fillins.fill(text, VALUES) == expected


@given(st.text())
def test_any_text_can_be_filled(text):
    fillins.fill(text, VALUES)
    for problem in fillins.problems("f", text):
        assert 0 <= problem.start < problem.end <= len(text)


def test_the_nearest_name():
    assert [fillins.nearest(n) for n in ("sites", "tag", "YEARS", "jahr")] == ["site", "tagline", "year", "year"]
