"""What machines read: the feed, structured data, shared addresses, the site map, the manifest, redirects."""

import json
from dataclasses import replace
from datetime import UTC, date, datetime
from urllib.parse import urlsplit

import pytest
from lxml import etree, html

from hestor.core.facts import document
from hestor.core.facts.document import Facts
from hestor.core.reading.page import PageReading
from hestor.rendering import Renderer, render, sitemap
from tests.support.memory import MemoryState, page, small
from tests.support.pictures import master_of, noise

NOW = datetime(2026, 11, 24, 12, tzinfo=UTC)
WORDED = datetime(2026, 6, 2, 20, 30, 15, 123, tzinfo=UTC)
FACTS = Facts(name="Seed Library", description="A village library.", footer_text="© {site}", time_zone="Europe/Zurich")
ATOM = {"a": "http://www.w3.org/2005/Atom"}
PHOTO = "a" * 32
BODY = f"""[near](../second/) [far](https://other.example/x) [home](/) ![Beans](/_hestor/pic-{PHOTO})

![a drawing](beans.png)"""


def with_post(**values: object) -> MemoryState:
    state = small(FACTS)
    post = replace(
        page("/news/photo/", "A photo", BODY, "post", published=date(2026, 5, 1), worded=WORDED),
        trail=(("/news/", "News of {site}"),),
    )
    state.pages.append(replace(post, **values))
    state.masters = {PHOTO: master_of(noise(2000, 1500), "JPEG")}
    return state


def feed_of(state: MemoryState):
    return etree.fromstring(render(state, "/feed.xml", NOW).body)


def records(state: MemoryState, path: str) -> dict[str, dict]:
    text = PageReading(render(state, path, NOW).body).structured_text
    found = json.loads(text) if text else {"@graph": []}
    return {one["@type"]: one for one in found.get("@graph", [found])}


def test_an_entry_keeps_its_id_whatever_becomes_of_address_and_title():
    state = with_post()
    moved = with_post(path="/archive/photo/", title="Another title")
    moved.origin = "https://elsewhere.example"
    ids = [
        [entry.findtext("a:id", namespaces=ATOM) for entry in feed_of(one).iterfind("a:entry", ATOM)]
        for one in (state, moved)
    ]
    assert ids[0] == ids[1]
    assert all(one.startswith("urn:uuid:") for one in ids[0])
    assert feed_of(state).findtext("a:id", namespaces=ATOM) == feed_of(moved).findtext("a:id", namespaces=ATOM)


def test_an_entry_was_updated_when_its_words_changed_not_before_it_was_out():
    def updated(**values: object) -> str:
        return feed_of(with_post(**values)).find("a:entry", ATOM).findtext("a:updated", namespaces=ATOM)

    assert updated() == "2026-06-02T22:30:15+02:00"
    assert updated(worded=datetime(2026, 1, 1, tzinfo=UTC)) == "2026-05-01T00:00:00+02:00"
    assert updated(worded=None) == "2026-05-01T00:00:00+02:00"
    assert feed_of(with_post()).findtext("a:updated", namespaces=ATOM) == "2026-06-02T22:30:15+02:00"


def test_an_entrys_addresses_are_whole_and_its_pictures_sensibly_wide():
    content = feed_of(with_post()).find("a:entry", ATOM).findtext("a:content", namespaces=ATOM)
    made = html.fromstring(content)
    links = [link for _, _, link, _ in made.iterlinks()]
    assert all(urlsplit(link).scheme == "https" for link in links)
    assert "https://seeds.example/news/second/" in links
    assert "https://seeds.example/news/photo/beans.png" in links
    own = made.find(".//img")
    assert own.get("src").endswith(f"/pic-{PHOTO}/1080.jpg")
    assert render(with_post(), urlsplit(own.get("src")).path, NOW).status == 200


@pytest.mark.parametrize("source", ["[a](http://[)", "a < b & c", "\u0007bell", "", "![](//x.example/y)"])
def test_whatever_a_post_holds_the_feed_stays_whole(source):
    state = small(FACTS)
    state.pages.append(page("/news/x/", "X", source, "post", published=date(2026, 9, 1)))
    assert len(feed_of(state).findall("a:entry", ATOM)) == 2


def test_the_feed_shows_icon_logo_and_rights():
    state = with_post()
    state.facts = document.changed(FACTS, {"logo": PHOTO})
    feed = feed_of(state)
    assert feed.findtext("a:rights", namespaces=ATOM) == "© Seed Library"
    for name in ("icon", "logo"):
        address = feed.findtext(f"a:{name}", namespaces=ATOM)
        assert render(state, urlsplit(address).path, NOW).status == 200


def test_no_feed_is_announced_where_there_is_no_news():
    state = MemoryState(FACTS, [page("/", "Home")])
    body = render(state, "/", NOW).body
    assert b"feed" not in body
    assert render(state, "/feed.xml", NOW).status == 404


def test_the_home_page_says_who_publishes_it_with_a_large_enough_logo():
    for state in (small(FACTS), with_post()):
        state.facts = document.changed(FACTS, {"logo": PHOTO} if state.masters else {})
        logo = records(state, "/")["WebSite"]["publisher"]["logo"]
        assert min(logo["width"], logo["height"]) >= 112
        assert render(state, urlsplit(logo["url"]).path, NOW).status == 200


def test_a_post_says_when_it_came_out_and_changed_and_who_wrote_it():
    found = records(with_post(), "/news/photo/")
    post = found["BlogPosting"]
    assert (post["datePublished"], post["dateModified"]) == ("2026-05-01", "2026-06-02T22:30:15+02:00")
    assert post["author"]["name"] == post["publisher"]["name"] == "Seed Library"
    assert post["mainEntityOfPage"] == "https://seeds.example/news/photo/"
    steps = found["BreadcrumbList"]["itemListElement"]
    assert [(step["position"], step["name"]) for step in steps] == [(1, "News of Seed Library"), (2, "A photo")]
    assert "BreadcrumbList" in records(small(FACTS), "/about/people/")
    assert records(small(FACTS), "/about/") == {}


def test_a_shared_address_says_locale_times_and_the_pictures_description():
    metas = PageReading(render(with_post(), "/news/photo/", NOW).body)._metas
    assert metas["og:locale"] == "en_GB"
    assert metas["og:image:alt"] == "Beans"
    assert metas["article:published_time"] == "2026-05-01"
    assert metas["article:modified_time"] == "2026-06-02T22:30:15+02:00"


def long_news() -> MemoryState:
    posts = [page(f"/news/p{n}/", f"Post {n}", kind="post", published=date(2026, 1, 1)) for n in range(45)]
    return MemoryState(FACTS, [page("/", "Home"), page("/news/", "News", "What we do.", kind="news"), *posts])


def test_each_leaf_of_a_list_has_a_title_and_a_description_of_its_own():
    pages = [PageReading(render(long_news(), path, NOW).body) for path in ("/", "/news/", "/news/2/", "/news/3/")]
    assert len({one.description for one in pages}) == len({one.share_title for one in pages}) == 4
    assert pages[2].share_title == "News, Page 2 of 3"
    assert all(0 < len(one.description) <= 155 for one in pages)


def test_the_theme_has_a_colour_for_light_and_for_dark():
    metas = PageReading(render(small(FACTS), "/", NOW).body).css('meta[name="theme-color"]')
    said = {meta.attributes["media"]: meta.attributes["content"] for meta in metas}
    assert said["(prefers-color-scheme: light)"] == FACTS.brand_colour
    assert said["(prefers-color-scheme: dark)"] != FACTS.brand_colour


def test_the_site_map_says_when_words_changed_and_no_address_twice():
    state = long_news()
    state.pages = [replace(one, worded=WORDED) for one in state.pages]
    # Such a page may stand in a database that an older version wrote.
    state.pages.append(page("/news/2/", "In the way"))
    root = etree.fromstring(render(state, "/sitemap.xml", NOW).body)
    places = [one.text for one in root.iter("{*}loc")]
    assert len(places) == len(set(places))
    assert "https://seeds.example/news/3/" in places
    assert {one.text for one in root.iter("{*}lastmod")} == {"2026-06-02T20:30:15+00:00"}


def test_a_large_site_has_an_index_of_site_maps(monkeypatch):
    def named(path: str, kind: str) -> list[str]:
        root = etree.fromstring(render(state, path, NOW).body)
        assert etree.QName(root).localname == kind
        return [one.text for one in root.iter("{*}loc")]

    state = long_news()
    whole = named("/sitemap.xml", "urlset")
    assert render(state, "/sitemap-1.xml", NOW).status == 404
    monkeypatch.setattr(sitemap, "MOST", len(whole))
    assert named("/sitemap.xml", "urlset") == whole
    monkeypatch.setattr(sitemap, "MOST", len(whole) - 1)
    # So that one file holds both pages and the numbered pages of a list.
    for size in (3, 7, len(whole) - 1):
        monkeypatch.setattr(sitemap, "A_PART", size)
        parts = [address.removeprefix("https://seeds.example") for address in named("/sitemap.xml", "sitemapindex")]
        assert [address for part in parts for address in named(part, "urlset")] == whole
        assert all(len(named(part, "urlset")) <= size for part in parts)
        assert render(state, f"/sitemap-{len(parts) + 1}.xml", NOW).status == 404
        assert set(parts) <= set(Renderer(state, NOW).files())


def test_the_manifest_says_what_it_is_about():
    found = json.loads(render(small(FACTS), "/site.webmanifest", NOW).body)
    assert (found["id"], found["scope"]) == ("/", "/")


@pytest.mark.parametrize(
    ("path", "location"),
    [
        ("/old/", "/about/"),
        ("/old", "/about/"),
        ("/archive/", "/news/"),
        ("/archive/3/", "/news/3/"),
        ("/archive/3", "/news/3/"),
        ("/archive/4/", None),
        ("/news/3", "/news/3/"),
        ("/news/4", None),
        ("/about", "/about/"),
        ("/straße", "/stra%C3%9Fe/"),
        ("/nowhere", None),
    ],
)
def test_an_address_that_a_page_had_leads_to_it(path, location):
    state = long_news()
    state.pages += [page("/about/", "About"), page("/straße/", "Street")]
    state.former = {"/old/": "/about/", "/archive/": "/news/"}
    answer = render(state, path, NOW)
    assert (answer.status, answer.location or None) == ((301, location) if location else (404, None))
