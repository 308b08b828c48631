import json
from datetime import UTC, date, datetime

import pytest
from hypothesis import given
from hypothesis import strategies as st
from lxml import etree

from hestor.core.facts import document
from hestor.core.facts.document import Facts
from hestor.core.reading.files import read_feed, read_manifest
from hestor.core.reading.page import PageReading
from hestor.rendering import Preview, render
from tests.support.hostile import HOSTILE
from tests.support.memory import MemoryState, page, small

NOW = datetime(2026, 11, 24, 12, tzinfo=UTC)
FACTS = Facts(
    name="Seed Library",
    tagline="Borrow in spring",
    description="A village library.",
    footer_text="© {year:2019} {site}",
    time_zone="Europe/London",
)


def says(path: str, facts: Facts = FACTS) -> PageReading:
    return PageReading(render(small(facts), path, NOW).body)


def test_every_page_says_the_house_style():
    for path in ("/", "/about/", "/about/people/", "/news/", "/news/first/", "/nowhere/"):
        page = says(path)
        assert (page.site_name, page.tagline) == ("Seed Library", "Borrow in spring")
        assert page.footer == "© 2019–2026 Seed Library"
        assert "Seed Library" in page.title
        assert (page.language, page.direction) == ("en-GB", "ltr")


def test_titles_and_descriptions():
    assert says("/").title == "Seed Library – Borrow in spring"
    assert says("/").description == "A village library."
    assert says("/about/").title == "About us – Seed Library"
    assert says("/about/").description == "Since 2019–2026."
    assert says("/news/").description == "First post"


def test_the_menu_is_nested_and_says_where_one_is():
    body = render(small(FACTS), "/about/people/", NOW).body.decode()
    assert says("/about/people/").menu == ("Welcome to Seed Library", "About us", "People", "News")
    assert '<a href="/about/people/" aria-current="page">People</a>' in body


def test_fill_ins_work_in_page_texts():
    assert "Hello from Seed Library, friend." in says("/").text


def test_right_to_left():
    page = says("/", FACTS.model_copy(update={"language": "ar", "name": "مقهى"}))
    assert (page.language, page.direction) == ("ar", "rtl")


@pytest.mark.parametrize("words", HOSTILE)
def test_hostile_words_are_text_in_every_place(words):
    facts = document.changed(FACTS, {"name": words, "tagline": words, "description": words, "short_name": words[:30]})
    words = facts.name
    folded = " ".join(words.split())
    home, inner, lost = (says(path, facts) for path in ("/", "/about/", "/nowhere/"))
    assert home.title == f"{folded} – {folded}"
    assert inner.title == f"About us – {folded}"
    assert (home.site_name, home.tagline, home.description) == (folded, folded, folded)
    assert home.footer == f"© 2019–2026 {folded}"
    assert lost.site_name == folded
    assert f"Hello from {folded}, friend." in home.text
    assert (home.structured["name"], home.structured["description"]) == (words, words)
    edition = small(facts)
    feed = read_feed(render(edition, "/feed.xml", NOW).body)
    assert (feed.title, feed.subtitle) == (folded, folded)
    manifest = json.loads(render(edition, "/site.webmanifest", NOW).body)
    assert (manifest["name"], manifest["description"]) == (words, words)
    scripts = [n for n in home.css("script") if n.attributes.get("type") != "application/ld+json"]
    assert [(set(n.attributes), n.text()) for n in scripts] == [({"src", "defer"}, "")]
    assert home.css("b") == []


@given(st.text(max_size=60))
def test_whatever_the_rules_take_reads_back_from_the_page(words):
    value, problems = document.check("name", words)
    if not problems:
        facts = FACTS.model_copy(update={"name": value})
        assert says("/about/", facts).site_name == " ".join(value.split())
        assert read_manifest(render(small(facts), "/site.webmanifest", NOW).body).name == " ".join(value.split())
        assert read_feed(render(small(facts), "/feed.xml", NOW).body).title == " ".join(value.split())


def test_the_year_follows_the_sites_own_clock():
    eve = datetime(2026, 12, 31, 23, 30, tzinfo=UTC)
    for zone, year in (("Europe/London", "2026"), ("Europe/Zurich", "2027")):
        facts = FACTS.model_copy(update={"time_zone": zone, "footer_text": "{year}"})
        assert PageReading(render(small(facts), "/", eve).body).footer == year


def test_rendering_is_a_function_of_its_input():
    assert render(small(FACTS), "/", NOW) == render(small(FACTS), "/", NOW)


@pytest.mark.parametrize(
    ("path", "status", "media_type"),
    [
        ("/", 200, "text/html"),
        ("/about", 301, "text/html"),
        ("/nowhere/", 404, "text/html"),
        ("/feed.xml", 200, "application/atom+xml"),
        ("/sitemap.xml", 200, "application/xml"),
        ("/robots.txt", 200, "text/plain"),
        ("/site.webmanifest", 200, "application/manifest+json"),
        ("/_hestor/style-000000-0000000000.css", 404, "text/html"),
        ("/_hestor/../settings.py", 404, "text/html"),
        ("/_hestor/icon-0000000000000000/icon-32.png", 404, "text/html"),
        ("/_hestor/style-000000--nothing-0000000000.css", 404, "text/html"),
        ("/favicon.ico", 200, "image/vnd.microsoft.icon"),
    ],
)
def test_what_is_at_an_address(path, status, media_type):
    answer = render(small(FACTS), path, NOW)
    assert answer.status == status
    assert answer.media_type.startswith(media_type)


def test_assets_are_named_by_their_content():
    body = render(small(FACTS), "/", NOW).body.decode()
    other = render(small(FACTS.model_copy(update={"brand_colour": "#123456"})), "/", NOW).body.decode()
    for text, facts in ((body, FACTS), (other, FACTS.model_copy(update={"brand_colour": "#123456"}))):
        for part in text.split('"'):
            if part.startswith("/_hestor/"):
                answer = render(small(facts), part, NOW)
                assert answer.status == 200
                assert answer.immutable
    assert body.split("style-")[1][:6] != other.split("style-")[1][:6]


def test_the_feed_is_a_valid_atom_feed():
    root = etree.fromstring(render(small(FACTS), "/feed.xml", NOW).body)
    ns = {"a": "http://www.w3.org/2005/Atom"}
    # RFC 4287, 4.1.1 and 4.1.2: what a feed and an entry must have.
    for name in ("id", "title", "updated", "author/a:name"):
        assert root.findtext(f"a:{name}", namespaces=ns)
    entry = root.find("a:entry", ns)
    assert entry.findtext("a:id", namespaces=ns) == small(FACTS).page("/news/first/").identity.urn
    assert datetime.fromisoformat(entry.findtext("a:updated", namespaces=ns)).isoformat() == "2026-04-01T00:00:00+01:00"
    assert entry.findtext("a:content", namespaces=ns) == "<p>It began with Seed Library.</p>\n"


def test_the_site_map_names_every_address():
    root = etree.fromstring(render(small(FACTS), "/sitemap.xml", NOW).body)
    locations = [element.text for element in root.iter("{*}loc")]
    assert locations == [f"https://seeds.example{p.path}" for p in small(FACTS).pages]


def test_long_news_lists_go_on_on_further_leaves():
    posts = [page(f"/news/{n}-post/", f"Post {n}", kind="post", published=date(2026, 1, 1)) for n in range(45)]
    edition = MemoryState(FACTS, [page("/", "Home"), page("/news/", "News", kind="news"), *posts])
    seen = []
    for path in ("/news/", "/news/2/", "/news/3/"):
        tree = PageReading(render(edition, path, NOW).body)
        seen += [node.text() for node in tree.css(".teasers h2")]
    assert sorted(seen) == sorted(p.title for p in posts)
    assert PageReading(render(edition, "/news/3/", NOW).body).title == "News, Page 3 of 3 – Seed Library"
    assert render(edition, "/news/4/", NOW).status == 404
    assert render(edition, "/news/1/", NOW).status == 404


def test_a_preview_stays_inside_its_root_and_says_what_it_is():
    edition = small(FACTS)
    edition.pages.append(page("/links/", "Links", "[home](/) [out](https://other.example/)"))
    body = render(edition, "/links/", NOW, Preview("/_preview/abc", 3)).body.decode()
    tree = PageReading(body.encode())
    inside = [n.attributes["href"] for n in tree.css("a[href^='/']")]
    assert inside
    assert all(href.startswith("/_preview/abc/") for href in inside)
    assert "edition 3" in tree.css_first(".preview").text()
    assert 'rel="canonical" href="https://seeds.example/links/"' in body


def test_all_of_a_page_but_fonts_fits_in_forty_kilobytes():
    body = render(small(FACTS), "/", NOW).body
    tree = PageReading(body)
    urls = {tree.css_first('link[rel="stylesheet"]').attributes["href"], tree.css_first("img").attributes["src"]}
    assert len(body) + sum(len(render(small(FACTS), url, NOW).body) for url in urls) < 40_000
