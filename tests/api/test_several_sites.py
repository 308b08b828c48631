"""A round of all sites, and acts on several of them at once."""

import io
import zipfile

import pytest

from hestor.accounts.models import Account
from hestor.core.facts.bundles import Bundle, facts_of
from hestor.core.roles import Role
from hestor.sites.models import Membership, Site
from hestor.sites.services.creation import make_site
from hestor.sites.services.facts import write_facts

pytestmark = pytest.mark.django_db(databases=["default", "towns"])


@pytest.fixture
def three(site, desk):
    """The site of seeds and two more, of whoever is at the desk; the first looks unlike them."""
    account = Account.objects.get(email=f"{Role.OWNER}@people.example")
    others = [make_site(account, {"name": name}, slug) for name, slug in (("Orchard", "orchard"), ("Pond", "pond"))]
    write_facts(site, {"brand_colour": "#7a2e4d", "language": "cy", "header_arrangement": "centred"}, site.revision)
    return [Site.objects.get(pk=one.pk) for one in (site, *others)]


def post(desk, what, **body):
    return desk.post(f"/api/several-sites/{what}", body, "application/json")


def said(slug, *keys):
    facts = Site.objects.get(slug=slug).facts
    return tuple(getattr(facts, key) for key in keys)


def everything():
    return {site.slug: site.facts for site in Site.objects.all()}


def test_a_fact_is_said_on_several_and_taken_back_at_once(desk, three):
    before = everything()
    answer = post(desk, "say", sites=["orchard", "pond"], facts={"phone": "+44 1632 960018"})
    assert answer.status_code == 200
    assert (said("orchard", "phone"), said("pond", "phone"), said("seeds", "phone")) == (
        ("+44 1632 960018",),
        ("+44 1632 960018",),
        ("",),
    )
    after = everything()
    back = post(desk, "take-back", done=answer.json()["done"])
    assert everything() == before
    post(desk, "take-back", done=back.json()["done"])
    assert everything() == after


def test_a_bundle_goes_to_others_and_nothing_else_does(desk, three):
    answer = post(desk, "give", source="seeds", sites=["seeds", "orchard", "pond"], bundles=["look"])
    assert [one["site"] for one in answer.json()["done"]] == ["orchard", "pond"]
    assert said("pond", "name", "brand_colour", "header_arrangement") == ("Pond", "#7a2e4d", "centred")
    assert said("pond", "language") != ("cy",)
    for key in facts_of(Bundle.LOOK):
        assert said("pond", key) == said("seeds", key), key
    assert post(desk, "give", source="seeds", sites=["pond"], bundles=[]).status_code == 422


def test_one_that_cannot_say_it_keeps_all_from_it(desk, three):
    before = everything()
    refused = post(desk, "say", sites=["orchard", "pond"], facts={"phone": "not a number \u0000"})
    assert refused.status_code == 422
    assert refused.json()["errors"][0]["field"] == "phone"
    assert everything() == before


def test_what_was_changed_since_is_not_taken_back(desk, three):
    done = post(desk, "say", sites=["orchard", "pond"], facts={"tagline": "Together"}).json()["done"]
    pond = Site.objects.get(slug="pond")
    write_facts(pond, {"tagline": "By ourselves"}, pond.revision)
    assert post(desk, "take-back", done=done).status_code == 412
    assert (said("orchard", "tagline"), said("pond", "tagline")) == (("Together",), ("By ourselves",))


@pytest.mark.parametrize("what", ["say", "give", "publish"])
def test_a_site_that_is_not_yours_keeps_all_from_it(desk, three, what):
    Membership.objects.filter(site=three[2]).update(role=Role.VIEWER)
    before = everything()
    body = {
        "say": {"sites": ["orchard", "pond"], "facts": {"tagline": "Mine"}},
        "give": {"source": "seeds", "sites": ["orchard", "pond"], "bundles": ["look"]},
        "publish": {"sites": [{"site": slug, "revision": 1} for slug in ("orchard", "pond")]},
    }
    assert post(desk, what, **body[what]).status_code == 403
    assert everything() == before
    assert Site.objects.get(slug="orchard").live_number == 0


def test_each_is_published_by_itself_as_it_was_reviewed(desk, three):
    orchard, pond = (Site.objects.get(slug=slug) for slug in ("orchard", "pond"))
    write_facts(pond, {"tagline": "Changed meanwhile"}, pond.revision)
    sites = [{"site": one.slug, "revision": one.revision} for one in (orchard, pond)]
    published, refused = post(desk, "publish", sites=sites).json()
    assert (published["number"], published["why"]) == (1, "")
    assert refused["number"] is None
    assert "changed" in refused["why"]


def test_the_round_says_what_differs_and_who_published_last(desk, three):
    rows = {row["slug"]: row for row in desk.get("/api/several-sites").json()}
    assert set(rows) == {"seeds", "orchard", "pond"}
    assert rows["pond"] == {"slug": "pond", "strays": None, "last": None}
    progress = {"done": 0, "total": 1}
    while progress["done"] < progress["total"]:
        progress = desk.post("/api/sites/seeds/sweep/step").json()
    strays = len(desk.get("/api/sites/seeds/sweep").json()["strays"])
    seeds = {row["slug"]: row for row in desk.get("/api/several-sites").json()}["seeds"]
    assert seeds["strays"] == strays
    assert seeds["last"]["number"] == 1
    assert seeds["last"]["by"]


def test_several_are_exported_as_one_file_of_packages(desk, three):
    answer = desk.get("/api/several-sites/packages.zip?sites=seeds&sites=pond")
    assert answer.status_code == 200
    whole = zipfile.ZipFile(io.BytesIO(b"".join(answer.streaming_content)))
    assert whole.namelist() == ["seeds-draft.zip", "pond-draft.zip"]
    inner = zipfile.ZipFile(io.BytesIO(whole.read("pond-draft.zip")))
    assert "pages/index.md" in inner.namelist()
    assert desk.get("/api/several-sites/packages.zip?sites=seeds&sites=nobody").status_code == 404
