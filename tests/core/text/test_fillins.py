import re
from datetime import date

import pytest
from hypothesis import given
from hypothesis import strategies as st

from hestor.core.facts import document
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


@pytest.mark.parametrize(
    ("language", "day", "said"),
    [
        ("en-GB", "2026-05-03", "2 days"),
        ("en-GB", "2026-05-02", "1 day"),
        ("en-GB", "2026-05-01", "0 days"),
        ("en-GB", "2020-01-01", "0 days"),
        ("de", "2027-05-01", "365 Tage"),
        ("pl", "2026-05-03", "2 dni"),
        ("ar-EG", "2026-05-03", "يومان"),
        ("fa", "2026-05-13", "۱۲ روز"),
    ],
)
def test_days_are_counted_to_a_day_in_the_words_of_the_language(language, day, said):
    values = Values("S", "", 2026, language, today=date(2026, 5, 1))
    assert fillins.fill(f"{{days:{day}}}", values) == said


def test_facts_are_filled_in_by_what_people_call_them():
    facts = document.parse(
        {
            "name": "Quillmere Seed Library",
            "contact_email": "hello@quillmere-seeds.example",
            "phone": "01632 960 018",
            "postal_address": {
                "country": "GB", "street": ["The Old Chapel", "4 Mill Lane"],
                "locality": "Quillmere", "postcode": "GL99 9ZZ",
            },
        }
    )  # fmt: skip
    values = document.values_of(facts, date(2026, 5, 1))
    text = "{name} · {short_name} · {legal_name} · {phone} · {address}"
    assert fillins.fill(text, values) == (
        "Quillmere Seed Library · Quillmere · Quillmere Seed Library · 01632 960018 · "
        "The Old Chapel, 4 Mill Lane, QUILLMERE, GL99 9ZZ"
    )
    named = document.values_of(facts.model_copy(update={"legal_name": "Quillmere Growers CIC"}), date(2026, 5, 1))
    assert fillins.fill("{legal_name}", named) == "Quillmere Growers CIC"


def test_every_fact_that_texts_say_is_known_and_offered():
    filled = {spec.fill_in for spec in document.SPECS.values() if spec.fill_in}
    assert filled == set(fillins.FACTS)
    assert {text.partition(":")[0] for text in fillins.OFFERED} == set(fillins.KNOWN)
    assert not [text for text in fillins.OFFERED if list(fillins.problems("body", f"{{{text}}}"))]


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
