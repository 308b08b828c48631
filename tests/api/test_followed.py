"""A site that follows another one in a bundle is proposed what that one publishes later, once, and never by itself."""

import pytest

from hestor.accounts.models import Account
from hestor.core.roles import Role
from hestor.sites.models import Following, Site
from hestor.sites.services.creation import make_site
from hestor.sites.services.facts import write_facts
from hestor.sites.services.publishing import publish
from tests.conftest import NOW

pytestmark = pytest.mark.django_db


@pytest.fixture
def pond(site, desk):
    owner = Account.objects.get(email=f"{Role.OWNER}@people.example")
    pond = make_site(owner, {"name": "Pond"}, "pond")
    given = {"source": "seeds", "sites": ["pond"], "bundles": ["look"], "follows": True}
    assert desk.post("/api/several-sites/give", given, "application/json").status_code == 200
    return Site.objects.get(pk=pond.pk)


def say(slug, **facts):
    site = Site.objects.get(slug=slug)
    return write_facts(site, facts, site.revision)


def published(site, owner, **facts):
    say(site.slug, **facts)
    publish(site.pk, owner, NOW)


def proposed(desk):
    (one,) = desk.get("/api/sites/pond/followed").json()
    return {change["key"]: (change["old"], change["new"]) for change in one["changes"]}


def settle(desk, take, revision=None):
    (one,) = desk.get("/api/sites/pond/followed").json()
    now = str(revision or Site.objects.get(slug="pond").revision)
    body = {"take": take}
    return desk.post(
        f"/api/sites/pond/followed/{one['id']}", body, "application/json", headers={"If-Match": now}
    ).status_code


def colour():
    return Site.objects.get(slug="pond").facts.brand_colour


def test_only_what_is_published_later_is_proposed_and_nothing_else(desk, site, pond, owner):
    assert proposed(desk) == {}
    say("seeds", brand_colour="#123456", tagline="Not of the look")
    assert proposed(desk) == {}
    before = colour()
    publish(site.pk, owner, NOW)
    assert proposed(desk) == {"brand_colour": (before, "#123456")}
    assert colour() == before


def test_what_is_taken_over_stands_in_the_draft_and_is_proposed_once(desk, site, pond, owner):
    published(site, owner, brand_colour="#123456")
    assert settle(desk, take=True, revision=99) == 412
    assert settle(desk, take=True) == 200
    assert (colour(), proposed(desk)) == ("#123456", {})
    say("pond", brand_colour="#654321")
    published(site, owner, accent_colour="#abcdef")
    assert set(proposed(desk)) == {"accent_colour"}


def test_what_is_left_is_not_proposed_again_before_it_changes(desk, site, pond, owner):
    before = colour()
    published(site, owner, brand_colour="#123456")
    assert settle(desk, take=False) == 200
    published(site, owner, tagline="Another edition")
    assert (colour(), proposed(desk)) == (before, {})
    published(site, owner, brand_colour="#222222")
    assert set(proposed(desk)) == {"brand_colour"}


def test_who_follows_no_more_or_a_site_that_is_gone_hears_nothing(desk, site, pond, owner):
    published(site, owner, brand_colour="#123456")
    Site.objects.filter(pk=site.pk).update(deleted=NOW)
    assert desk.get("/api/sites/pond/followed").json() == []
    Site.objects.filter(pk=site.pk).update(deleted=None)
    (one,) = desk.get("/api/sites/pond/followed").json()
    assert desk.delete(f"/api/sites/pond/followed/{one['id']}").status_code == 204
    assert desk.get("/api/sites/pond/followed").json() == []


def test_another_source_takes_the_place_of_the_one_before(desk, pond):
    owner = Account.objects.get(email=f"{Role.OWNER}@people.example")
    make_site(owner, {"name": "Orchard"}, "orchard")
    given = {"source": "orchard", "sites": ["pond", "orchard"], "bundles": ["look"], "follows": True}
    assert desk.post("/api/several-sites/give", given, "application/json").status_code == 200
    assert [one.source.slug for one in Following.objects.all()] == ["orchard"]
