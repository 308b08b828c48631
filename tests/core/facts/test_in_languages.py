"""A fact said in further languages: one flat layer comes out of each, and nothing that was said is lost."""

import pytest
from hypothesis import example, given
from hypothesis import strategies as st

from hestor.core.facts import document, in_languages
from hestor.core.facts.document import KEYS, PER_LANGUAGE, Facts
from hestor.core.facts.in_languages import facts_in, saying
from hestor.core.facts.overlays import MAIN

FACTS = document.new({"name": "Seed Library", "tagline": "Borrow", "language": "en-GB", "time_zone": "Europe/London"})
WORDS = st.text("abcł ŵ中ע", max_size=12).map(str.strip)
SAID = st.dictionaries(st.sampled_from(["name", "tagline", "description", "footer_text"]), WORDS.filter(bool))


def test_a_layer_lies_over_the_main_language():
    both = saying(FACTS, "cy", {"tagline": "Benthyg"})
    welsh = facts_in(both, "cy")
    assert (welsh.tagline, welsh.name, welsh.language, welsh.overlays) == ("Benthyg", "Seed Library", "cy", ())
    assert facts_in(both) == facts_in(both, "en-GB") == FACTS


def test_a_language_in_which_nothing_is_said_shows_the_main_one():
    assert facts_in(FACTS, "cy") == FACTS.model_copy(update={"language": "cy"})


def test_what_follows_from_a_language_follows_from_that_one():
    german = facts_in(FACTS, "de-CH")
    assert document.derived(german)["first_weekday"] == "Montag"
    assert document.held(german)["language"] == "de-CH"


@given(SAID, SAID)
@example({"name": "Llyfrgell"}, {})
def test_kept_and_read_again_it_is_the_same(welsh, german):
    said = saying(saying(FACTS, "de", german), "cy", welsh)
    assert document.parse(document.document(said)) == said
    assert set(in_languages.languages_of(said)) == {MAIN, *(["cy"] if welsh else []), *(["de"] if german else [])}
    for key in KEYS:
        if key != "language":
            assert getattr(facts_in(said, "cy"), key) == welsh.get(key, getattr(FACTS, key))


def test_structured_values_come_back_as_themselves():
    good, problems = in_languages.checked(FACTS, "cy", {"site_notice": {"text": "Ar gau", "until": "2026-12-24"}})
    said = saying(FACTS, "cy", good)
    assert not problems
    assert facts_in(document.parse(document.document(said)), "cy").site_notice == good["site_notice"]


def test_a_main_document_has_no_word_of_languages():
    assert document.document(FACTS).keys() == {"version", *KEYS}


def test_the_schema_of_facts_is_that_of_one_language():
    assert set(Facts.model_json_schema()["properties"]) == set(KEYS)


@pytest.mark.parametrize("key", sorted(set(KEYS) - PER_LANGUAGE))
def test_what_is_the_same_in_all_languages_is_refused(key):
    good, problems = in_languages.checked(FACTS, "cy", {key: document.plain(FACTS)[key], "tagline": "Benthyg"})
    assert good == {"tagline": "Benthyg"}
    assert [(one.field, one.code) for one in problems] == [(key, "same_in_all_languages")]


def test_in_the_main_language_all_may_be_said():
    assert in_languages.checked(FACTS, "en-GB", {"time_zone": "Europe/Zurich"}) == ({"time_zone": "Europe/Zurich"}, ())


def test_words_taken_away_let_the_main_ones_stand_in():
    said = saying(FACTS, "cy", {"tagline": "Benthyg"})
    good, problems = in_languages.checked(said, "cy", {"tagline": None})
    assert not problems
    assert saying(said, "cy", good) == FACTS


def test_a_slip_in_a_further_language_is_told_at_its_fact():
    good, problems = in_languages.checked(FACTS, "cy", {"name": "", "colour": "x"})
    assert (good, {one.field for one in problems}) == ({}, {"name", "colour"})


def test_a_change_everywhere_touches_only_what_is_said():
    said = saying(FACTS, "cy", {"tagline": "Benthyg", "name": "Llyfrgell"})
    changed = in_languages.everywhere(said, lambda facts: {"tagline": facts.tagline + "!"})
    assert (facts_in(changed).tagline, facts_in(changed, "cy").tagline) == ("Borrow!", "Benthyg!")
    only_main = saying(FACTS, "cy", {"name": "Llyfrgell"})
    changed = in_languages.everywhere(only_main, lambda facts: {"tagline": facts.tagline + "!"})
    assert in_languages.said_in(changed, "cy") == {"name"}
