"""Words that run against the page keep their order, wherever an owner's words stand; lists are parted as scripts do."""

import pytest

from hestor.core import languages
from hestor.core.facts.document import Facts
from hestor.rendering import Renderer
from tests.rendering.test_for_people import NOW
from tests.support.memory import page, small

TWO_WAYS = "HTML 5: مرحبا (v2.0) & C++"
KEPT = "<bdi>HTML 5: مرحبا (v2.0) &amp; C++</bdi>"


def test_words_keep_their_order_in_a_page_of_the_other_direction():
    facts = Facts(name=TWO_WAYS, tagline=TWO_WAYS, footer_text="© {site}", language="ar", legal_name=TWO_WAYS)
    said = Renderer(small(facts), NOW).respond("/").body.decode()
    assert said.count(KEPT) >= 2
    assert f"<bdi>© \u2068{TWO_WAYS.replace('&', '&amp;')}\u2069</bdi>" in said


@pytest.mark.parametrize("language", ["en-GB", "ar"])
def test_a_page_in_one_direction_has_no_marks_of_it(language):
    name = {"en-GB": "Seeds", "ar": "مكتبة"}[language]
    facts = Facts(name=name, tagline="", footer_text="© {year}", language=language)
    said = Renderer(small(facts), NOW).respond("/").body.decode()
    assert f'data-hestor="name">{name}</span>' in said


def test_a_fill_in_of_the_other_direction_is_read_without_its_marks():
    facts = Facts(name="مكتبة البذور", language="en-GB")
    renderer = Renderer(small(facts), NOW)
    assert "\u2068مكتبة البذور\u2069" in renderer.respond("/").body.decode()
    read = renderer.read("/")
    assert read
    assert "Hello from مكتبة البذور, friend." in read.text


def test_a_name_within_a_heading_keeps_its_order_and_titles_have_no_marks():
    state = small(Facts(name=TWO_WAYS, language="ar"))
    state.pages.append(page("/hello/", "أهلًا بكم في {site}", "x"))
    said = Renderer(state, NOW).respond("/hello/").body.decode()
    kept = f"\u2068{TWO_WAYS.replace('&', '&amp;')}\u2069"
    assert f"<h1><bdi>أهلًا بكم في {kept}</bdi></h1>" in said
    head = said.partition("</head>")[0]
    assert "\u2068" not in head


def test_texts_of_a_feed_say_that_they_run_from_right_to_left():
    for language, begins in (("ar", '&lt;div dir="rtl"&gt;'), ("en-GB", "&lt;p")):
        feed = Renderer(small(Facts(name="Seeds", language=language)), NOW).respond("/feed.xml").body.decode()
        assert f'<content type="html">{begins}' in feed


@pytest.mark.parametrize(
    ("language", "home", "wanted"),
    [("en", "GB", "en_GB"), ("en", "", "en_US"), ("en-AU", "GB", "en_AU"), ("de", "CH", "de_CH"), ("de", "JP", "de_DE"),
     ("ar", "MA", "ar_MA"), ("pt", "BR", "pt_BR"), ("cy", "GB", "cy_GB")],
)  # fmt: skip
def test_the_country_of_a_shared_page_is_the_sites_if_it_can_be(language, home, wanted):
    assert languages.with_country(language, home) == wanted


@pytest.mark.parametrize(
    ("language", "between", "clauses"),
    [("en-GB", ", ", "; "), ("de-CH", ", ", "; "), ("ar", "، ", "؛ "), ("ja", "、", "；"), ("zh-Hant", "、", "；")],
)
def test_lists_are_parted_by_the_signs_of_their_script(language, between, clauses):
    assert (languages.list_separator(language), languages.clause_separator(language)) == (between, clauses)
