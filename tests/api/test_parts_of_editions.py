"""Editions deepened: called something, held beside each other, brought back in part."""

import pytest

from hestor.sites.models import Revision
from hestor.sites.services.facts import write_facts
from hestor.sites.services.pages import add_page, change_page, remove_page
from hestor.sites.services.publishing import publish
from tests.conftest import NOW

pytestmark = pytest.mark.django_db
URL = "/api/sites/seeds/editions"


def page(path):
    return Revision.objects.get(path=path, in_draft=True).page_id


@pytest.fixture
def three(site, owner):
    """A site with three editions: another tagline and text, then another name, a page more and one less."""
    write_facts(site, {"tagline": "Lend"}, site.revision)
    change_page(site, page("/about/people/"), {"body": "Fifteen."})
    publish(site.pk, owner, NOW)
    site.refresh_from_db()
    write_facts(site, {"name": "Seed House"}, site.revision)
    add_page(site, {"path": "/new/", "title": "New", "body": "x"})
    remove_page(site, page("/about/people/"))
    publish(site.pk, owner, NOW)
    site.refresh_from_db()
    return site


def part(desk, site, number, revision=None, **wanted):
    site.refresh_from_db()
    headers = {"if-match": str(site.revision if revision is None else revision)}
    return desk.post(f"{URL}/{number}/restore-part", wanted, "application/json", headers=headers)


def test_any_two_are_held_beside_each_other(desk, three):
    found = desk.get(f"{URL}/1/compared?other=3").json()
    assert {(one["kind"], one["key"], one["old"], one["new"]) for one in found["changes"]} == {
        ("fact", "tagline", "Borrow", "Lend"), ("fact", "name", "Seed Library", "Seed House"),
        ("page_added", "/new/", "", "New"), ("page_removed", "/about/people/", "People", ""),
    }  # fmt: skip
    back = desk.get(f"{URL}/3/compared?other=1").json()["changes"]
    assert {(one["key"], one["old"]) for one in back if one["kind"] == "fact"} == {
        ("tagline", "Lend"),
        ("name", "Seed House"),
    }
    assert desk.get(f"{URL}/2/compared?other=2").json()["changes"] == []
    assert desk.get(f"{URL}/2/compared?other=9").status_code == 404


def test_one_fact_comes_back_and_nothing_else(desk, three):
    said = part(desk, three, 1, fact="name").json()
    assert said["changed"] == ["name"]
    three.refresh_from_db()
    assert (three.facts.name, three.facts.tagline) == ("Seed Library", "Lend")
    assert part(desk, three, 1, revision=1, fact="name").status_code == 412
    assert part(desk, three, 1, fact="nonsense").status_code == 404
    assert part(desk, three, 1, fact="notices_email").status_code == 404


def test_one_page_comes_back_as_it_was(desk, three):
    assert part(desk, three, 1, page="/about/people/").json()["changed_pages"] == 1
    assert Revision.objects.get(path="/about/people/", in_draft=True).text.body == "Fourteen."
    assert part(desk, three, 2, page="/about/people/").status_code == 200
    assert Revision.objects.get(path="/about/people/", in_draft=True).text.body == "Fifteen."
    assert part(desk, three, 3, page="/about/people/").status_code == 404


def test_a_page_that_has_not_changed_is_left_alone(desk, three):
    before = three.revision
    assert part(desk, three, 3, page="/new/").json()["changed_pages"] == 0
    three.refresh_from_db()
    assert three.revision == before


def test_what_is_live_and_comes_back_is_no_change(desk, three):
    change_page(three, page("/new/"), {"body": "y"})
    assert part(desk, three, 3, page="/new/").json()["changed_pages"] == 0
    assert Revision.objects.get(path="/new/", in_draft=True).live_from == 3


def test_another_page_at_the_address_is_not_overwritten(desk, three):
    add_page(three, {"path": "/about/people/", "title": "Others", "body": "z"})
    answer = part(desk, three, 1, page="/about/people/")
    assert (answer.status_code, answer.json()["errors"][0]["field"]) == (422, "path")
    assert Revision.objects.get(path="/about/people/", in_draft=True).title == "Others"


def test_an_edition_is_called_something(desk, three):
    answer = desk.patch(f"{URL}/2", {"label": " Before the summer "}, "application/json")
    assert (answer.status_code, answer.json()["label"]) == (200, "Before the summer")
    assert [one["label"] for one in desk.get(URL).json()] == ["", "Before the summer", ""]
    assert desk.patch(f"{URL}/2", {"label": "x" * 81}, "application/json").status_code == 422
    assert desk.patch(f"{URL}/9", {"label": "x"}, "application/json").status_code == 404
