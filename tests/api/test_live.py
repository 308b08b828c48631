"""The live edition looked at as visitors get it."""

import pytest

from hestor.sites.services.facts import write_facts
from hestor.sites.services.page_tree import delete
from hestor.sites.services.pages import add_page, change_page
from hestor.sites.services.publishing import publish
from hestor.web import serving
from tests.conftest import NOW

pytestmark = pytest.mark.django_db
URL = "/api/sites/seeds/sweep/live"


def look(desk, start=0):
    return desk.post(URL, {"start": start}, "application/json").json()


def test_every_page_agrees_as_visitors_get_it(desk, site):
    said = look(desk)
    assert (said["edition"], said["done"], said["total"], said["deviations"]) == (1, 5, 5, [])
    # What is only drafted is no concern of visitors.
    write_facts(site, {"name": "Seed House"}, site.revision)
    add_page(site, {"path": "/x/", "title": "X", "body": "Lorem ipsum dolor sit amet"})
    assert look(desk)["deviations"] == []


def test_pages_that_do_not_are_named_with_why(desk, site, owner, monkeypatch):
    write_facts(site, {"name": "Seed House"}, site.revision)
    add_page(site, {"path": "/x/", "title": "Old", "body": "The Seed Library lends."})
    publish(site.pk, owner, NOW)
    said = look(desk)
    assert [(one["page"], one["says"]) for one in said["deviations"]] == [("/x/", "Seed Library")]
    served = serving.live

    def stale(site, path, accepts, **_more):
        found = served(site, path, accepts)
        body = found.response.body.replace(b"Seed House", b"Seed Library") if path == "/about/" else found.response.body
        object.__setattr__(found.response, "body", body)
        return found

    monkeypatch.setattr(serving, "live", stale)
    assert {one["page"] for one in look(desk)["deviations"]} == {"/x/", "/about/"}


def test_long_ones_are_looked_at_in_steps(desk, site, owner):
    for number in range(30):
        add_page(site, {"path": f"/p{number}/", "title": f"Part {number}", "body": "Seed."})
    publish(site.pk, owner, NOW)
    first = look(desk)
    assert (first["done"], first["total"]) == (25, 35)
    assert look(desk, 25)["done"] == 35


def test_nothing_was_published_yet(desk, person, owner):
    from hestor.sites.services.creation import make_site

    make_site(owner, {"name": "Bare"}, "bare")
    assert desk.post("/api/sites/bare/sweep/live", {"start": 0}, "application/json").status_code in (200, 404)


def change(desk):
    return desk.get("/api/sites/seeds/sweep/change").json()


def test_a_date_that_loses_its_event_is_a_stray_of_an_untouched_page(desk, site, owner):
    fair = {"path": "/fair/", "title": "Fair", "kind": "event", "schedule": {"starts": "2099-06-01"}}
    event = add_page(site, fair)
    add_page(site, {"path": "/x/", "title": "X", "body": "Come on {next:fair}."})
    publish(site.pk, owner, NOW)
    assert change(desk)["made"] == []
    delete(site, event.page_id, NOW)
    assert [(one["page"], one["says"]) for one in change(desk)["made"]] == [("/x/", "{next:fair}")]


def test_the_review_says_which_strays_a_change_makes_and_ends(desk, site, owner):
    assert change(desk) == {"made": [], "ended": 0, "is_whole": True}
    page = add_page(site, {"path": "/x/", "title": "X", "body": "Lorem ipsum dolor sit amet, and more."})
    assert [(one["kind"], one["page"]) for one in change(desk)["made"]] == [("starter_text", "/x/")]
    publish(site.pk, owner, NOW)
    assert change(desk) == {"made": [], "ended": 0, "is_whole": True}
    change_page(site, page.page_id, {"body": "Words of its own."})
    assert (change(desk)["made"], change(desk)["ended"]) == ([], 1)
    # A new name makes strays of pages that nobody touched.
    change_page(site, page.page_id, {"body": "The Seed Library lends."})
    publish(site.pk, owner, NOW)
    site.refresh_from_db()
    write_facts(site, {"name": "Seed House"}, site.revision)
    assert [(one["kind"], one["says"]) for one in change(desk)["made"]] == [("former_name", "Seed Library")]
