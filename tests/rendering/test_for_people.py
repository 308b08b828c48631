"""What visitors see of content that owners make: deep menus, other languages and digits, posts, pictures, logos."""

from dataclasses import replace
from datetime import UTC, date, datetime

import pytest

from hestor import translations
from hestor.core.facts import document
from hestor.core.facts.document import Facts
from hestor.core.reading.page import PageReading
from hestor.core.reading.stylesheet import read_style
from hestor.rendering import Renderer, render, static_files
from hestor.rendering.state import MenuItem
from tests.support.memory import MemoryState, page, small
from tests.support.pictures import master_of, noise

NOW = datetime(2026, 11, 24, 12, tzinfo=UTC)
FACTS = Facts(name="Seed Library", tagline="Borrow in spring", footer_text="© {year:2019} {site}")
KEY = "a" * 32


def tree_of(state: MemoryState, path: str = "/"):
    return PageReading(render(state, path, NOW).body)


def test_no_level_of_the_menu_closes_the_one_it_is_in():
    state = small(FACTS)
    leaf = MenuItem("/a/b/c/", "C")
    state.menu = lambda: [MenuItem("/a/", "A", (MenuItem("/a/b/", "B", (leaf,)),)), MenuItem("/d/", "D", (leaf,))]
    outer, inner, other = tree_of(state).css("header nav details")
    # HTML, 4.11.1: of those with one name only one is open at a time.
    assert outer.attributes["name"] == other.attributes["name"]
    assert inner.attributes["name"] != outer.attributes["name"]


def test_the_trail_ends_in_the_present_page():
    steps = tree_of(small(FACTS), "/about/people/").css(".trail a")
    assert [step.text() for step in steps] == ["About us", "People"]
    assert [step.attributes.get("aria-current") for step in steps] == [None, "page"]


def posts(count: int) -> MemoryState:
    made = [
        page(f"/news/{n}/x/", f"Post {n} of {{site}}", kind="post", published=date(2026, 1, n))
        for n in range(1, count + 1)
    ]
    made = [replace(one, trail=(("/news/", "News"),)) for one in made]
    return MemoryState(FACTS, [page("/", "Home"), page("/news/", "News", kind="news"), *made])


def test_a_post_leads_back_and_on():
    tree = tree_of(posts(3), "/news/2/x/")
    assert tree.css_first(".trail a").attributes["href"] == "/news/"
    on = {node.attributes["rel"]: (node.attributes["href"], node.text()) for node in tree.css(".posts a")}
    assert on == {
        "next": ("/news/3/x/", "Post 3 of Seed Library"),
        "prev": ("/news/1/x/", "Post 1 of Seed Library"),
    }
    assert [n.attributes["rel"] for n in tree_of(posts(3), "/news/3/x/").css(".posts a")] == ["prev"]
    assert not tree_of(posts(1), "/news/1/x/").css(".posts")


def test_words_that_hestor_has_in_another_language_only_are_marked_with_it():
    welsh = FACTS.model_copy(update={"language": "cy"})
    home, *others = posts(25).pages
    listed = MemoryState(welsh, [replace(home, title="Hafan"), *others])
    for state, path in (
        (small(welsh), "/"),
        (small(welsh), "/nowhere/"),
        (small(welsh), "/about/people/"),
        (listed, "/news/2/"),
    ):
        tree = tree_of(state, path)
        assert tree.source.root.attributes["lang"] == "cy"
        own = {node.text() for node in tree.css('[lang="en"]')}
        found = translations.catalogue("public", "en").items()
        messages = {key: text for key, text in found if not key.startswith("starter.")}
        assert messages["skip"] in own
        plain = {
            "".join(part for part in node.contents() if isinstance(part, str)).strip()
            for node in tree.css("body *")
            if node.attributes.get("lang") != "en"
        }
        assert not plain & set(messages.values()) - {""}
    assert "Page 2 of 2" in {node.text() for node in tree_of(listed, "/news/2/").css('.numbers [lang="en"]')}
    assert not tree_of(small(FACTS.model_copy(update={"language": "de-CH"}))).css("body [lang]")


@pytest.mark.parametrize(
    ("language", "day", "footer"),
    [
        ("ar-EG", "١ أبريل ٢٠٢٦", "© ٢٠١٩–٢٠٢٦ Seed Library"),
        ("ar-MA", "1 أبريل 2026", "© 2019–2026 Seed Library"),
        ("mr", "१ एप्रिल, २०२६", "© २०१९–२०२६ Seed Library"),
        ("en-GB", "1 April 2026", "© 2019–2026 Seed Library"),
    ],
)
def test_dates_and_years_come_in_the_digits_of_the_language(language, day, footer):
    state = small(FACTS.model_copy(update={"language": language}))
    tree = tree_of(state, "/news/first/")
    assert tree.css_first("article time").text() == day
    assert tree.css_first("article time").attributes["datetime"] == "2026-04-01"
    assert tree.css_first(".footer-line").text().replace("\u2068", "").replace("\u2069", "") == footer


def with_pictures() -> MemoryState:
    state = small(FACTS)
    state.masters = {letter * 32: master_of(noise(700, 500), "JPEG") for letter in "ab"}
    text = f"![One](/_hestor/pic-{'a' * 32})\n\n![Two](/_hestor/pic-{'b' * 32})"
    state.pages.append(page("/p/", "Pictures", text))
    return state


def test_only_the_first_picture_is_loaded_before_it_is_seen():
    first, second = tree_of(with_pictures(), "/p/").css(".prose img")
    assert ("loading" in first.attributes, first.attributes["fetchpriority"]) == (False, "high")
    assert second.attributes["loading"] == "lazy"


def test_a_picture_is_offered_in_its_own_width_and_sized_in_pixels():
    image = tree_of(with_pictures(), "/p/").css_first(".prose img").attributes
    assert [piece.split()[1] for piece in image["srcset"].split(", ")] == ["480w", "700w"]
    # The text's width is 41 rem of 18 pixels; rem in `sizes` would be the browser's own 16.
    assert "rem" not in image["sizes"]


def test_the_fonts_a_page_needs_are_preloaded_and_no_others():
    def preloaded(facts: Facts) -> list[str]:
        links = tree_of(small(facts)).css('link[rel="preload"]')
        assert all(render(small(facts), link.attributes["href"], NOW).status == 200 for link in links)
        return [link.attributes["href"].rpartition("/")[2].partition("-wght")[0] for link in links]

    assert preloaded(FACTS) == ["literata-latin"]
    assert preloaded(document.changed(FACTS, {"typefaces": "almanac"})) == ["fraunces-latin", "work-sans-latin"]
    assert preloaded(document.changed(FACTS, {"name": "Knihovna Křížek"})) == ["literata-latin", "literata-latin-ext"]
    arabic = document.changed(FACTS, {"name": "مقهى النرجس", "language": "ar"})
    assert preloaded(arabic) == ["noto-naskh-arabic-arabic"]


def test_an_arabic_page_is_set_in_one_typeface_with_its_spaces_and_digits():
    state = small(document.changed(FACTS, {"language": "ar"}))
    assert tree_of(state).source.root.attributes["class"] == "arabic"
    style = static_files.style(static_files.style_key(FACTS)).decode()
    first = style.partition(":root.arabic{--heading:")[2].partition(",")[0]
    assert first == "Naskh"
    assert read_style(style.encode()).light["text"].startswith('"Literata"')


def logo_state(stands: dict[str, str], **values: object) -> MemoryState:
    facts = document.changed(FACTS, {"logo": KEY, **values})
    return MemoryState(facts, small(facts).pages, masters={KEY: master_of(noise(400, 100))}, stands=stands)


@pytest.mark.parametrize(
    ("stands", "values", "plates"),
    [
        ({"light": "clear", "dark": "clear"}, {}, ""),
        ({"light": "clear", "dark": "lost"}, {}, "dark"),
        ({"light": "clear", "dark": "faint"}, {}, "dark"),
        ({"light": "lost", "dark": "clear"}, {}, "light"),
        ({"light": "faint", "dark": "clear"}, {}, ""),
        ({"light": "clear", "dark": "lost"}, {"logo_plate": "none"}, ""),
        ({"light": "clear", "dark": "clear"}, {"logo_plate": "both"}, "both"),
        ({"light": "clear", "dark": "lost"}, {"logo_dark": KEY}, ""),
        ({}, {}, ""),
    ],
)
def test_a_logo_that_cannot_be_made_out_gets_a_plate_unless_told_otherwise(stands, values, plates):
    assert Renderer(logo_state(stands, **values), NOW).read("/").logo_plates == plates
