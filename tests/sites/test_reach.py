"""Reach is found on a few representative pages; here every page is rendered and read, and both must agree."""

from datetime import date

import pytest

from hestor.core.facts import document
from hestor.core.facts.document import KEYS, SPECS, Facts
from hestor.core.pages import pagination
from hestor.core.places import reach
from hestor.core.places.all import FILE_PLACES, PAGE_PLACES
from hestor.core.places.place import Place
from hestor.core.reading.page import PageReading
from hestor.rendering import Renderer, news, renderer
from hestor.sites.models import Revision, Site
from hestor.sites.selectors import groups
from hestor.sites.selectors import reach as reaches
from hestor.sites.selectors.groups import groups_of
from hestor.sites.selectors.one_date import with_one_date
from hestor.sites.selectors.reach import MOMENT, ReachFinder, files_of
from hestor.sites.selectors.states import draft_of
from hestor.sites.services.creation import make_site
from hestor.sites.services.pages import add_page, change_page
from tests.support.pictures import svg_master
from tests.support.sampling import sample


class Whole:
    """Every page of a draft, rendered and read one by one, with nothing counted.

    Bytes that are the same in ``before``, the address of their stylesheet with its hash among them, read the same.
    """

    def __init__(self, site: Site, facts: Facts, before: "Whole | None" = None) -> None:
        state = with_one_date(draft_of(site, facts))
        own = state.master
        state.master = lambda key: own(key) or svg_master("<rect width='300' height='100'/>", 300, 100)
        renderer = Renderer(state, MOMENT)
        self.bodies = {path: renderer.respond(path).body for path in renderer.paths()}
        self.pages = {
            path: before.pages[path]
            if before and before.bodies[path] == body
            else reach.read_page(PageReading(body, renderer.style))
            for path, body in self.bodies.items()
        }
        found = files_of(renderer)
        self.files = reach.read_files(found, renderer.style)
        self.raw_files = {place.place.value: found.get(place.source, b"") for place in FILE_PLACES}

    def differs(self, other: "Whole") -> dict[str, int]:
        found = {
            place.place.value: sum(
                self.pages[path][place.place] != other.pages[path][place.place] for path in self.pages
            )
            for place in PAGE_PLACES
        }
        found |= {p.place.value: int(self.files[p.place] != other.files[p.place]) for p in FILE_PLACES}
        found["pages"] = sum(self.pages[path] != other.pages[path] for path in self.pages)
        return {place: number for place, number in found.items() if number}


def told(site: Site, facts: Facts, key: str) -> dict[str, int]:
    found = ReachFinder(site, facts).of_fact(key)
    places = {one.place.value: one.number for one in found.places}
    return places | ({"pages": found.pages} if found.pages else {})


def disagreements(site: Site, facts: Facts) -> dict[str, object]:
    as_it_is = Whole(site, facts)
    wrong = {}
    for key in KEYS:
        other = facts.model_copy(update={key: SPECS[key].other(facts)})
        lands = document.is_set(facts, key) or SPECS[key].derived
        read = as_it_is.differs(Whole(site, other, as_it_is)) if lands else {}
        if told(site, facts, key) != read:
            wrong[key] = (told(site, facts, key), read)
    return wrong


POSTS = 24


@pytest.fixture
def short_lists(monkeypatch):
    """A list of news in pages of ten, so that fewer posts than twenty a page make several."""
    for module in (pagination, groups, news, renderer):
        monkeypatch.setattr(module, "POSTS_A_PAGE", 10)


def add_odd_pages(site: Site) -> None:
    """Pages that name other pages whose names and descriptions hold fill-ins; a long list of news."""
    top = add_page(site, {"path": "/odd/", "title": "{tagline} at the top", "in_menu": True}).page_id
    below = add_page(site, {"path": "/odd/one/", "title": "One", "parent": top, "summary": "By {site}."}).page_id
    add_page(site, {"path": "/odd/one/two/", "title": "Two in {year}", "parent": below, "body": "Of {site}."})
    add_page(site, {"path": "/odd/plain/", "title": "Plain", "body": "Nothing."})
    add_page(site, {"path": "/odd/none/", "title": f"All of {site.facts.name}"})
    for page, path in Revision.objects.in_draft_of(site).filter(kind="news").values_list("page_id", "path"):
        change_page(site, page, {"title": "News of {site}", "path": path})
    parent = add_page(site, {"path": "/odd/dull/", "title": "Dull"}).page_id
    add_page(site, {"path": "/odd/dull/child/", "title": "Child", "parent": parent, "body": "Plain."})
    for n in range(POSTS):
        body = "{tagline}, says {site}." if n == 3 else "Since {year:2019}." if n == 23 else ""
        title = "P {year}" if n == 20 else f"P{n}"
        post = {
            "path": f"/x/{n}/",
            "title": title,
            "kind": "post",
            "body": body,
            "published": date(2026, 1, 1 + n % 28),
        }
        add_page(site, post)


ODD = {"quillmere": "© {year} {site}", "silberpfad": "{tagline}", "narjis": "Plain"}


@pytest.mark.parametrize("slug", ODD)
def test_on_the_demo_as_it_is(demo_sites, slug):
    assert disagreements(demo_sites[slug], demo_sites[slug].facts) == {}


@pytest.mark.parametrize("slug", sample(list(ODD), 1, 2))
def test_on_the_demo_with_odd_pages(demo_sites, short_lists, slug):
    site = demo_sites[slug]
    add_odd_pages(site)
    site.refresh_from_db()
    assert disagreements(site, site.facts.model_copy(update={"footer_text": ODD[slug]})) == {}


def test_every_site_of_the_demo_is_tried(demo_sites):
    assert demo_sites.keys() == ODD.keys()


def test_on_a_bare_site(owner):
    site = make_site(owner, {"name": "Bare"})
    assert disagreements(site, site.facts) == {}
    facts = site.facts.model_copy(update={"tagline": "T", "time_zone": "Pacific/Auckland"})
    assert disagreements(site, facts) == {}


def test_what_colours_and_clocks_reach_where_nothing_was_drawn_yet(owner):
    site = make_site(owner, {"name": "Bare"})
    assert {"tab", "share", "message", "manifest", "header", "links", "not_found"} <= set(
        told(site, site.facts, "brand_colour")
    )
    assert {"tab", "share", "message", "manifest"} <= set(told(site, site.facts, "typefaces"))
    assert {"share", "message"} <= set(told(site, site.facts, "icon"))
    assert "message" in told(site, site.facts, "language")
    assert "feed" not in told(site, site.facts, "time_zone")
    add_page(site, {"path": "/first/", "title": "First", "kind": "post", "published": date(2026, 4, 1)})
    site.refresh_from_db()
    assert "feed" in told(site, site.facts, "time_zone")
    assert told(site, site.facts, "tagline") == {}
    assert told(site, site.facts, "logo_plate") == {}


def test_groups_count_every_page_once(demo_sites):
    for site in Site.objects.all():
        add_odd_pages(site)
        site.refresh_from_db()
        assert sum(group.count for group in groups_of(site)) == len(Renderer(draft_of(site), MOMENT).paths())


def test_a_changed_page_is_counted_anew(site):
    assert told(site, site.facts, "name")["text"] == 2
    page = draft_of(site).revisions.get(path="/about/people/")
    change_page(site, page.page_id, {"body": "At {site}."})
    site.refresh_from_db()
    assert told(site, site.facts, "name")["text"] == 3
    assert [one.number for one in ReachFinder(site, site.facts).of_fact("name").places if one.place is Place.TAB] == [5]


def test_a_change_reaches_where_the_two_values_differ(site):
    finder = ReachFinder(site, site.facts)
    assert finder.of_value("tagline", site.facts.tagline).places == ()
    reached = {one.place for one in finder.of_value("tagline", "").places}
    assert {Place.HEADER, Place.TAB, Place.SEARCH, Place.FEED} <= reached


def bytes_that_differ(site: Site, facts: Facts, key: str, as_it_is: Whole) -> tuple[int, set[str]]:
    """How many pages, and which files, are not the very same bytes with another value of a fact."""
    other = Whole(site, facts.model_copy(update={key: SPECS[key].other(facts)}), as_it_is)
    pages = sum(as_it_is.bodies[path] != other.bodies[path] for path in as_it_is.bodies)
    return pages, {name for name, body in as_it_is.raw_files.items() if other.raw_files[name] != body}


# What differs there is the address of the stylesheet, and a colour that nothing of theirs is drawn in.
UNSEEN = {"accent_colour": {"not_found", "message"}}


@pytest.mark.parametrize("slug", ["quillmere", "silberpfad", "narjis"])
def test_whatever_changes_by_a_byte_is_said_and_nothing_else(demo_sites, slug):
    site = demo_sites[slug]
    facts, wrong = site.facts, {}
    as_it_is = Whole(site, facts)
    for key in KEYS:
        if not (document.is_set(facts, key) or SPECS[key].derived):
            continue
        pages, files = bytes_that_differ(site, facts, key, as_it_is)
        said = told(site, facts, key)
        named = {place.place.value for place in FILE_PLACES if place.place.value in said}
        files -= UNSEEN.get(key, set())
        if (said.get("pages", 0), named) != (pages, files):
            wrong[key] = {"said": (said.get("pages", 0), named), "differ": (pages, files)}
    assert wrong == {}


def test_what_another_process_read_is_not_read_again(site, monkeypatch):
    before = ReachFinder(site, site.facts).of_value("name", "Another name")
    # As a process that has read nothing itself.
    reaches._READINGS.clear()
    reaches._REACHES.clear()
    read = []
    own = reaches.read_state
    monkeypatch.setattr(reaches, "read_state", lambda *given: read.append(given) or own(*given))
    assert ReachFinder(site, site.facts).of_value("name", "Another name") == before
    assert [facts.name for _, facts, _ in read] == ["Another name"]
    Site.objects.filter(pk=site.pk).update(pages_revision=site.pages_revision + 1)
    site.refresh_from_db()
    ReachFinder(site, site.facts).of_value("name", "Another name")
    assert len(read) == 3
