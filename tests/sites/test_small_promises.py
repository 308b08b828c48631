"""Promises that no other test would miss: each was broken once on purpose, and this is what noticed."""

from datetime import date, timedelta

import pytest

from hestor import clock
from hestor.rendering import Renderer
from hestor.sites.models import Revision, Site
from hestor.sites.selectors.changes import changes_of
from hestor.sites.selectors.states import edition_of, live_edition
from hestor.sites.services.pages import add_page, change_page
from hestor.sites.services.publishing import publish, restore
from tests.conftest import NOW

pytestmark = pytest.mark.django_db


def press_of(site: Site) -> Renderer:
    site = Site.objects.get(pk=site.pk)
    return Renderer(edition_of(site, live_edition(site), NOW), NOW)


def page(path: str) -> int:
    return Revision.objects.get(path=path, in_draft=True).page_id


def test_a_page_that_is_held_back_stays_as_visitors_see_it(site, owner):
    change_page(site, page("/about/"), {"body": "Held words."})
    change_page(site, page("/about/people/"), {"body": "Sixteen."})
    keys = {(one.kind, one.key) for one in changes_of(Site.objects.get(pk=site.pk))}
    assert ("page_changed", "/about/") in keys
    publish(site.pk, owner, NOW, held={("page_changed", "/about/")})
    renderer = press_of(site)
    about = renderer.respond("/about/")
    assert (about.status, b"This is Seed Library." in about.body) == (200, True)
    assert b"Held words." not in about.body
    assert b"Sixteen." in renderer.respond("/about/people/").body
    # And the next edition, with nothing held, takes it.
    publish(site.pk, owner, NOW)
    assert b"Held words." in press_of(site).respond("/about/").body


def test_a_deletion_that_is_held_back_leaves_the_page_to_visitors(site, owner):
    from hestor.sites.services.pages import remove_page

    remove_page(site, page("/about/people/"))
    change_page(site, page("/about/"), {"body": "Else."})
    publish(site.pk, owner, NOW, held={("page_removed", "/about/people/")})
    assert press_of(site).respond("/about/people/").status == 200


def test_programs_that_search_are_kept_out_of_previews(site):
    lines = press_of(site).respond("/robots.txt").body.decode().splitlines()
    assert lines[:2] == ["User-agent: *", "Disallow: /_preview/"]


def test_what_is_brought_back_was_worded_when_it_was_brought_back(site, owner, monkeypatch):
    first = Revision.objects.get(path="/about/", live_from=1).worded
    change_page(site, page("/about/"), {"body": "Else."})
    publish(site.pk, owner, NOW)
    later = clock.now() + timedelta(days=3)
    monkeypatch.setattr(clock, "now", lambda: later)
    restore(site.pk, 1)
    back = Revision.objects.get(path="/about/", in_draft=True)
    # Feed readers are to fetch it anew.
    assert (back.text.body, back.worded) == ("This is {site}.", later)
    assert back.worded > first


@pytest.mark.parametrize("number", range(4))
def test_posts_of_one_day_follow_each_other_as_they_are_listed(site, owner, number):
    day = date(2026, 4, 20)
    for name in "abcd":
        post = {"path": f"/news/{name}/", "title": f"Post {name}", "body": name, "kind": "post", "published": day}
        add_page(site, post)
    publish(site.pk, owner, NOW)
    renderer = press_of(site)
    listed = [one.path for one in renderer.state.posts(0, 10)]
    assert listed == ["/news/a/", "/news/b/", "/news/c/", "/news/d/", "/news/first/"]
    older, newer = renderer.state.around(renderer.state.page(listed[number]))
    assert older[0] == listed[number + 1]
    assert (newer[0] if newer else None) == (listed[number - 1] if number else None)
