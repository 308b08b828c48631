"""Reach is counted from the database; here every page is rendered and read, and both must agree."""

from datetime import UTC, datetime

import pytest
from django.core.management import call_command

from hestor.core.reach import Place, reach
from hestor.core.readback import PageSays, read_feed, read_manifest
from hestor.press.press import Press
from hestor.sites.counting import counts_of
from hestor.sites.models import Site
from hestor.sites.pages import add_page
from hestor.sites.source import draft_of


@pytest.fixture
def demo(db):
    call_command("load_demo", verbosity=0)


UNLIKELY = {"name": "Zzyzx Nym", "tagline": "Qwxv tag", "description": "Vbnm desc", "short_name": "Zzsn"}


def count(press: Press, place: Place, words: str) -> int:
    """On how many rendered pages the words are found in a place."""
    read = {
        Place.TAB: lambda page: page.title,
        Place.HEADER: lambda page: f"{page.site_name} {page.tagline}",
        Place.FOOTER: lambda page: page.footer,
        Place.SEARCH: lambda page: f"{page.title} {page.description}",
        Place.STRUCTURED: lambda page: str(page.structured),
        Place.SHARE: lambda page: f"{page.share_site} {page.share.alt}",
        Place.LINKS: lambda page: "",
    }[place]
    return sum(words in read(PageSays(press.answer(path).body)) for path in press.paths())


def count_texts(press: Press, words: str) -> int:
    """On how many pages the words are in what was written for the page itself."""
    found = 0
    for path in press.edition.paths():
        main = PageSays(press.answer(path).body)._tree.css_first("article")
        found += main is not None and words in main.text(deep=True)
    return found


@pytest.mark.parametrize("slug", ["quillmere", "silberpfad", "narjis"])
@pytest.mark.parametrize("key", UNLIKELY)
def test_reach_agrees_with_a_reading_of_every_page(demo, slug, key):
    site = Site.objects.get(slug=slug)
    footer = "{year} {site} {tagline}" if slug == "narjis" else "© {site}"
    posts = [{"path": f"/x/{n}/", "title": f"P{n}", "kind": "post"} for n in range(25)]
    for post in posts:
        add_page(site.pk, {**post, "body": "{tagline}, says {site}." if post["title"] == "P3" else ""})
    site.refresh_from_db()
    facts = site.facts.model_copy(update={**UNLIKELY, "footer_text": footer})
    press = Press(draft_of(site, facts), datetime.now(UTC).year)
    places = reach(key, facts, counts_of(site))
    words = UNLIKELY[key]
    files = {
        Place.FEED: read_feed(press.answer("/feed.xml").body),
        Place.MANIFEST: read_manifest(press.answer("/site.webmanifest").body),
        Place.MESSAGE: PageSays(press.message("Hello", ["Text"]))._tree.css_first("header").html,
    }
    for place in Place:
        said = next((p for p in places if p.place is place), None)
        if place in files:
            assert (said.files if said else 0) == (words in str(files[place])), place
        elif place is Place.NOT_FOUND:
            if said:
                assert words in press.answer("/nowhere/").body.decode()
        elif place is Place.TEXT:
            assert (said.pages if said else 0) == count_texts(press, words), place
        else:
            assert (said.pages if said else 0) == count(press, place, words), place


MARKS = {
    "logo": (Place.HEADER, lambda page, press: page.logo is not None),
    "icon": (Place.TAB, lambda page, press: page.tab_icon.startswith(press.marks.icon_folder)),
    "share_picture": (Place.SHARE, lambda page, press: page.share.src.endswith(press.marks.share.src)),
    "accent_colour": (Place.LINKS, lambda page, press: page.style == says_style(press)),
    "brand_colour": (Place.HEADER, lambda page, press: page.theme_colour == press.facts.brand_colour),
}


def says_style(press: Press) -> str:
    return PageSays(press.answer("/").body).style


@pytest.mark.parametrize("slug", ["quillmere", "silberpfad", "narjis"])
@pytest.mark.parametrize("key", MARKS)
def test_the_reach_of_marks_agrees_with_a_reading_of_every_page(demo, slug, key):
    site = Site.objects.get(slug=slug)
    press = Press(draft_of(site), datetime.now(UTC).year)
    place, shows = MARKS[key]
    said = {p.place: p.pages for p in reach(key, site.facts, counts_of(site))}
    assert said[place] == sum(shows(PageSays(press.answer(path).body), press) for path in press.paths())
