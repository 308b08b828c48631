"""Who changed what, as the house style, the review, a page and an edition say it."""

import pytest

from hestor.accounts.models import Account
from hestor.core.roles import Role
from hestor.sites.models import Authorship, Revision, Site
from hestor.sites.services.pages import change_page
from tests.support.writing import revision, say, write

pytestmark = pytest.mark.django_db


@pytest.fixture
def tom(person):
    client = person(Role.EDITOR)
    Account.objects.filter(email="editor@people.example").update(name="Tom Hale")
    return client


def about(site) -> int:
    return Revision.objects.in_draft_of(site).get(path="/about/").page_id


def test_a_fact_says_who_changed_it_to_each_as_they_see_it(desk, tom, site):
    say(tom, tagline="By Tom")
    seen, own = (client.get("/api/sites/seeds/style").json()["authors"] for client in (desk, tom))
    assert (seen["tagline"]["by"], seen["tagline"]["own"]) == ("Tom Hale", False)
    assert own["tagline"]["own"] is True
    say(desk, tagline="By the owner")
    assert desk.get("/api/sites/seeds/style").json()["authors"]["tagline"]["own"] is True


def test_what_says_again_what_is_live_names_nobody(desk, tom, site):
    before = site.facts.tagline
    say(tom, tagline="By Tom")
    say(tom, tagline=before)
    assert desk.get("/api/sites/seeds/style").json()["authors"] == {}


def test_the_review_and_a_page_say_who(desk, tom, site):
    page = about(site)
    assert desk.get(f"/api/sites/seeds/pages/{page}").json()["author"] is None
    write(tom, page, body="Tom was here.")
    say(desk, tagline="By the owner")
    told = {one["key"]: one["author"] for one in desk.get("/api/sites/seeds/changes").json()["changes"]}
    assert (told["/about/"]["by"], told["/about/"]["own"]) == ("Tom Hale", False)
    assert told["tagline"]["own"] is True
    assert desk.get(f"/api/sites/seeds/pages/{page}").json()["author"]["by"] == "Tom Hale"


def test_a_page_that_goes_says_who_deleted_it(desk, tom, site):
    page = about(site)
    tom.delete(f"/api/sites/seeds/pages/{page}")
    told = {one["key"]: one for one in desk.get("/api/sites/seeds/changes").json()["changes"]}
    assert (told["/about/"]["kind"], told["/about/"]["author"]["by"]) == ("page_removed", "Tom Hale")


def test_an_edition_names_all_who_wrote_in_it_and_none_of_the_one_before(desk, tom, site):
    write(tom, about(site), body="Tom was here.")
    say(desk, tagline="By the owner")
    owner = Account.objects.get(email="owner@people.example").shown_name
    published = desk.post("/api/sites/seeds/editions")
    assert published.status_code == 201
    assert published.json()["writers"] == ["Tom Hale", owner]
    say(tom, tagline="By Tom")
    assert desk.post("/api/sites/seeds/editions").json()["writers"] == ["Tom Hale"]


def test_what_nobody_at_the_desk_wrote_is_nobodys(desk, tom, site):
    page = about(site)
    write(tom, page, body="Tom was here.")
    change_page(Site.objects.get(pk=site.pk), page, {"body": "A job was here."})
    assert desk.get(f"/api/sites/seeds/pages/{page}").json()["author"] is None


def test_one_who_left_is_named_no_more(desk, tom, site):
    say(tom, tagline="By Tom")
    Account.objects.filter(name="Tom Hale").delete()
    assert desk.get("/api/sites/seeds/style").json()["authors"]["tagline"]["by"] == ""
    assert Authorship.objects.get(key="tagline").at is not None


def test_a_conflict_names_who_wrote_meanwhile(desk, tom, site):
    stale = revision(desk)
    say(tom, tagline="By Tom")
    refused = desk.patch(
        "/api/sites/seeds/style", {"facts": {"tagline": "Mine"}}, "application/json", headers={"If-Match": stale}
    )
    assert refused.status_code == 412
    assert refused.json()["current"]["authors"]["tagline"]["by"] == "Tom Hale"


def test_bringing_an_edition_back_names_each_page_once(desk, tom, site):
    page = about(site)
    write(tom, page, body="Tom was here.")
    assert desk.post("/api/sites/seeds/editions").status_code == 201
    assert desk.post("/api/sites/seeds/editions/1/restore").status_code == 200
    assert desk.get(f"/api/sites/seeds/pages/{page}").json()["author"]["own"] is True
