"""What becomes of a page's address, its identity and its wording, when things about it change."""

from datetime import UTC, date, datetime, timedelta

import pytest

from hestor.core.errors import InvalidInput
from hestor.rendering import Renderer
from hestor.sites.models import Edition, Page, Revision
from hestor.sites.selectors.states import draft_of, edition_of
from hestor.sites.services.pages import add_page, change_page, remove_page
from hestor.sites.services.publishing import publish, restore
from tests.conftest import NOW

pytestmark = pytest.mark.django_db


def at(site, path: str) -> int:
    return Revision.objects.in_draft_of(site).get(path=path).page_id


def move(site, owner, *steps: tuple[str, str]) -> Renderer:
    """The live site, after pages were moved and published, step by step."""
    for old, new in steps:
        change_page(site, at(site, old), {"path": new})
        publish(site.pk, owner, NOW)
    site.refresh_from_db()
    return Renderer(edition_of(site, Edition.objects.get(site=site, number=site.live_number)), NOW)


def leads(renderer: Renderer, path: str) -> tuple[int, str]:
    answer = renderer.respond(path)
    return answer.status, answer.location


def test_every_former_address_leads_to_the_page_at_once(site, owner):
    live = move(site, owner, ("/about/", "/us/"), ("/us/", "/who-we-are/"))
    for former in ("/about/", "/about", "/us/", "/us"):
        assert leads(live, former) == (301, "/who-we-are/")
    assert leads(live, "/about/people/") == (200, "")


def test_moving_to_and_fro_never_leads_in_a_circle(site, owner):
    live = move(site, owner, ("/about/", "/us/"), ("/us/", "/about/"))
    assert (leads(live, "/about/"), leads(live, "/us/")) == ((200, ""), (301, "/about/"))


def test_two_pages_that_changed_places_are_each_where_they_are(site, owner):
    people = "/about/people/"
    live = move(site, owner, ("/about/", "/x/"), (people, "/about/"), ("/x/", people))
    for path in ("/about/", people):
        assert leads(live, path) == (200, "")
    assert leads(live, "/x/") == (301, people)


def test_an_address_is_whose_takes_it_then_whose_had_it_last(site, owner):
    move(site, owner, ("/about/", "/us/"))
    other = add_page(site, {"path": "/about/", "title": "Another"}).page_id
    publish(site.pk, owner, NOW)
    live = move(site, owner)
    assert leads(live, "/about/") == (200, "")
    change_page(site, other, {"path": "/another/"})
    publish(site.pk, owner, NOW)
    assert leads(move(site, owner), "/about/") == (301, "/another/")
    remove_page(site, other)
    publish(site.pk, owner, NOW)
    live = move(site, owner)
    assert (leads(live, "/about/"), leads(live, "/another/")) == ((301, "/us/"), (404, ""))


def test_the_draft_leads_on_and_an_old_edition_knows_no_later_address(site, owner):
    change_page(site, at(site, "/about/"), {"path": "/us/"})
    site.refresh_from_db()
    assert leads(Renderer(draft_of(site), NOW), "/about/") == (301, "/us/")
    publish(site.pk, owner, NOW)
    first = Renderer(edition_of(site, Edition.objects.get(site=site, number=1)), NOW)
    assert (leads(first, "/about/"), leads(first, "/us/")) == ((200, ""), (404, ""))


def test_a_list_of_news_takes_its_further_pages_along(site, owner):
    for n in range(25):
        add_page(site, {"path": f"/p/{n}x/", "title": "P", "kind": "post", "published": date(2026, 1, 1)})
    live = move(site, owner, ("/news/", "/letters/"))
    assert leads(live, "/news/2/") == leads(live, "/news/2") == (301, "/letters/2/")
    assert leads(live, "/letters/2") == (301, "/letters/2/")
    assert leads(live, "/news/3/") == (404, "")


@pytest.mark.parametrize(("path", "refused"), [("/news/2/", True), ("/news/31/", True), ("/news/2/a/", False)])
def test_no_page_takes_the_address_of_a_further_page_of_the_news(site, path, refused):
    if not refused:
        assert add_page(site, {"path": path, "title": "X"})
        return
    with pytest.raises(InvalidInput) as caught:
        add_page(site, {"path": path, "title": "X"})
    assert [problem.code for problem in caught.value.problems] == ["path_numbered"]


def test_the_news_do_not_move_to_where_a_page_would_be_in_the_way(site):
    add_page(site, {"path": "/letters/2/", "title": "X"})
    with pytest.raises(InvalidInput) as caught:
        change_page(site, at(site, "/news/"), {"path": "/letters/"})
    assert [problem.params["path"] for problem in caught.value.problems] == ["/letters/2/"]


def test_a_post_without_a_day_is_refused(site):
    with pytest.raises(InvalidInput) as caught:
        add_page(site, {"path": "/news/x/", "title": "X", "kind": "post"})
    assert [(problem.field, problem.code) for problem in caught.value.problems] == [("published", "post_undated")]


def test_identity_stays_and_wording_changes_with_the_words_alone(site, owner, settings):
    page = at(site, "/news/first/")
    identity = Page.objects.get(pk=page).identity

    def worded_after(hours: int, **values: object) -> datetime:
        settings.FIXED_NOW = NOW + timedelta(hours=hours)
        change_page(site, page, values)
        return Revision.objects.in_draft_of(site).get(page_id=page).worded

    first = worded_after(1, title="Second thoughts")
    assert first == NOW + timedelta(hours=1)
    assert worded_after(2, path="/news/second/") == first
    assert worded_after(3, published=date(2026, 4, 2)) == first
    assert worded_after(4, body="New words.") == NOW + timedelta(hours=4)
    publish(site.pk, owner, NOW)
    settings.FIXED_NOW = later = NOW + timedelta(hours=9)
    restore(site.pk, 1)
    assert Revision.objects.in_draft_of(site).get(page_id=page).worded == later
    assert Page.objects.get(pk=page).identity == identity
    assert later.tzinfo is UTC
