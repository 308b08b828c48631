"""Titles: composed of the site's pattern, with the words between fill-ins only where both of them say something."""

import pytest
from hypothesis import given
from hypothesis import strategies as st

from hestor.core.facts.document import Facts, check
from hestor.core.pages import titles
from hestor.core.pages.titles import Titling, title_of
from hestor.core.text import widths
from hestor.core.text.fillins import Values

SEEDS = Values("Seed Library", "Borrow", 2026)
LONG = "How to keep the seed of beans and peas dry over the whole of a wet winter"
WORDS = st.text(st.characters(codec="utf-8", exclude_characters="{}'", categories=["L", "N", "Zs"]), max_size=30)


@pytest.mark.parametrize(
    ("page", "title"),
    [
        ("Swap days", "Swap days – Seed Library"),
        ("About Seed Library", "About Seed Library"),
        ("about SEED library", "about SEED library"),
        ("A seed libraryman", "A seed libraryman – Seed Library"),
        ("", "Seed Library"),
    ],
)
def test_a_page_title_says_the_name_once(page, title):
    assert title_of(Titling(SEEDS), "/x/", page) == title


def test_the_home_title_says_the_tagline_where_there_is_one():
    assert title_of(Titling(SEEDS), "/", "Home") == "Seed Library – Borrow"
    assert title_of(Titling(Values("Seed Library", "", 2026)), "/", "Home") == "Seed Library"
    assert title_of(Titling(SEEDS, home="{tagline} | {site} {year}"), "/", "Home") == "Borrow | Seed Library 2026"


@pytest.mark.parametrize(
    ("pattern", "section", "title"),
    [
        ("{page} – {section} – {site}", "Guides", "Beans – Guides – Seed Library"),
        ("{page} – {section} – {site}", "", "Beans – Seed Library"),
        ("{site}: {page}", "", "Seed Library: Beans"),
        ("★ {section}: {page}!", "", "Beans!"),
        ("★ {section}: {page}!", "Guides", "★ Guides: Beans!"),
        ("{page} ({section})", "", "Beans"),
        ("{page}", "Guides", "Beans"),
        ("{section} {page} {tagline}", "", "Beans Borrow"),
    ],
)
def test_words_before_a_fill_in_that_says_nothing_are_left_out(pattern, section, title):
    assert title_of(Titling(SEEDS, pattern), "/x/", "Beans", section) == title


@pytest.mark.parametrize(
    ("rule", "pattern", "title"),
    [
        ("keep", "{site}: {page}", f"Seed Library: {LONG}"),
        ("name_last", "{site}: {page}", f"{LONG}: Seed Library"),
        ("name_last", "{page} – {site} – {section}", f"{LONG} – Guides – Seed Library"),
        ("name_last", "{page} – {site}", f"{LONG} – Seed Library"),
        ("without_name", "{site}: {page}", LONG),
        ("without_name", "{page} – {section} – {site}", f"{LONG} – Guides"),
    ],
)
def test_what_becomes_of_the_name_in_long_titles(rule, pattern, title):
    titling = Titling(SEEDS, pattern, long=rule)
    section = "Guides" if "section" in pattern else ""
    assert title_of(titling, "/x/", LONG, section) == title
    assert "Seed Library" in title_of(titling, "/x/", "Beans", section)


def test_a_title_of_its_own_stands_as_it_is():
    assert title_of(Titling(SEEDS), "/x/", "Beans", "", "Of beans") == "Of beans"
    assert title_of(Titling(SEEDS), "/", "Beans", "", "Of beans") == "Of beans"


@given(
    page=WORDS.filter(str.strip),
    section=WORDS,
    site=WORDS.filter(str.strip),
    between=st.sampled_from([" – ", " | ", ": "]),
)
def test_a_title_always_says_the_page_and_never_ends_with_what_parts(page, section, site, between):
    page, section, site = page.strip(), section.strip(), site.strip()
    titling = Titling(Values(site, "", 2026), between.join(("{page}", "{section}", "{site}")))
    title = title_of(titling, "/x/", page, section)
    assert page in title
    assert not title.endswith(between.strip()) or page.endswith(between.strip()) or site.endswith(between.strip())
    assert f"{between}{between}" not in title


@pytest.mark.parametrize(
    ("key", "pattern", "code"),
    [
        ("title_pattern", "{site}", "title_without_page"),
        ("title_pattern", "{page} {sekshun}", "fillin_unknown"),
        ("title_pattern", "", "empty"),
        ("title_pattern", "{page:x}", "fillin_argument"),
        ("home_title", "{page}", "fillin_unknown"),
        ("home_title", "x" * 201, "too_long"),
        ("title_long", "sideways", "not_one_of"),
    ],
)
def test_what_is_no_pattern_is_refused(key, pattern, code):
    assert [problem.code for problem in check(key, pattern)[1]] == [code]


def test_the_nearest_fill_in_is_offered_also_of_those_for_titles():
    assert check("title_pattern", "{page} {sektion}")[1][0].fix == "{section}"
    assert check("footer_text", "{section}")[1][0].code == "fillin_unknown"


def test_sites_from_before_patterns_say_what_they_said():
    facts = Facts(name="Seed Library")
    assert (facts.title_pattern, facts.home_title, facts.title_long) == (
        "{page} – {site}",
        "{site} – {tagline}",
        "keep",
    )


@given(text=st.text(max_size=60), more=st.text(max_size=20))
def test_more_letters_are_never_narrower(text, more):
    assert widths.width(text + more, 20) >= widths.width(text, 20) >= 0


@given(words=st.lists(WORDS.map(str.strip).filter(bool), min_size=1, max_size=12), most=st.integers(20, 600))
def test_what_fits_is_a_beginning_that_fits_or_one_word(words, most):
    text = " ".join(" ".join(words).split())
    kept = widths.fitting(text, 20, most)
    assert text.startswith(kept)
    assert widths.width(kept, 20) <= most or " " not in kept


def test_a_long_name_is_one_that_takes_two_thirds_of_the_line():
    assert titles.is_long(LONG)
    assert not titles.is_long("Beans")
    assert titles.is_long("豆" * 20)
    assert not titles.is_long("豆" * 19)
