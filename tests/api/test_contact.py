"""The calls about how a site is reached, and what an owner says once for all sites."""

import pytest

from hestor.core.roles import Role
from hestor.mail import dns
from hestor.sites.models import Membership, Revision, Site
from hestor.sites.services.creation import make_site
from hestor.sites.services.facts import write_facts

pytestmark = pytest.mark.django_db


@pytest.fixture
def client(person):
    dns.clear_cache()
    return person(Role.OWNER)


def check(client, email: str) -> dict:
    return client.post("/api/sites/seeds/contact/check", {"email": email}, "application/json").json()


@pytest.mark.parametrize(
    ("email", "takes", "codes"),
    [
        ("hello@quillmere-seeds.example", "yes", []),
        ("hello@null-mail.example", "refuses", ["mail_refuses"]),
        ("hello@nobody-knows.example", "unknown", []),
        ("ada.marrow@gmail.com", "unknown", ["email_free", "email_one_person"]),
        ("hello@gmial.com", "unknown", ["email_slip"]),
        ("hello", "unknown", []),
        ("", "unknown", []),
    ],
)
def test_an_address_is_looked_at_with_its_domain(client, email, takes, codes):
    found = check(client, email)
    assert (found["takes"], [one["code"] for one in found["notices"]]) == (takes, codes)
    assert bool(found["errors"]) == (email == "hello")


def test_on_the_sites_own_domain_who_may_send_is_asked_about(client, site):
    Site.objects.update(domain="silberpfad.example")
    assert [one["code"] for one in check(client, "a@silberpfad.example")["notices"]] == ["dmarc_missing"]
    Site.objects.update(domain="spf-twice.example")
    assert "spf_twice" in [one["code"] for one in check(client, "a@spf-twice.example")["notices"]]


def details(client, **given) -> dict:
    answer = client.post("/api/sites/seeds/contact/details", given, "application/json")
    assert answer.status_code == 200, answer.content
    return answer.json()


TROGEN = {"country": "CH", "street": ["Weg 1"], "locality": "Trogen"}


def test_numbers_and_addresses_are_shown_as_pages_will(client):
    found = details(client, phone="044 668 18 00", postal_address=TROGEN)
    assert (found["country"], found["phone"], found["phone_abroad"]) == ("CH", "044 668 18 00", "+41 44 668 18 00")
    assert found["address"] == ["Weg 1", "Trogen", "Switzerland"]
    assert [[part["field"] for part in line] for line in found["form"]] == [["street"], ["postcode", "locality"]]
    assert [one["field"] for one in found["notices"]] == ["postal_address.postcode"]
    found = details(client, phone="01174960214")
    assert (found["country"], found["phone"], found["address"]) == ("GB", "0117 496 0214", [])


@pytest.mark.parametrize("odd", [5, [], {"country": 5}, {"country": "XX"}, "text", {"country": "GB", "street": "x"}])
def test_what_cannot_be_read_costs_nothing(client, odd):
    assert details(client, phone=odd, postal_address=odd)["phone"] == ""


def test_contact_page_and_imprint_are_added_once(client, site):
    state = client.get("/api/sites/seeds/contact").json()
    assert (state["page"], state["imprint_asked"]) == ("", False)
    for _ in range(2):
        state = client.post("/api/sites/seeds/contact/pages", {"kind": "contact"}, "application/json").json()
    assert state["page"] == "/contact/"
    assert Revision.objects.in_draft_of(site).filter(kind="contact").count() == 1
    site.refresh_from_db()
    write_facts(site, {"language": "de-CH", "time_zone": "Europe/Zurich"}, site.revision)
    state = client.post("/api/sites/seeds/contact/pages", {"kind": "imprint"}, "application/json").json()
    assert (state["imprint"], state["imprint_asked"], state["country"]) == ("/impressum/", True, "CH")
    assert state["imprint_lacks"] == ["legal_name", "postal_address", "contact_email"]
    assert not Revision.objects.in_draft_of(site).get(kind="imprint").in_menu


@pytest.fixture
def three_sites(site, client):
    """The caller's three sites: one says nothing, one something else, one is another owner's as well."""
    account = Membership.objects.get(site=site, account__email="owner@people.example").account
    other, third = make_site(account, {"name": "Other"}, "other"), make_site(account, {"name": "Third"}, "third")
    write_facts(third, {"legal_name": "Third Ltd"}, third.revision)
    return site, other, third


def keep(client, value, sites, key="legal_name"):
    return client.put(f"/api/account/defaults/{key}", {"value": value, "sites": sites}, "application/json")


def name_of(slug: str) -> str:
    return Site.objects.get(slug=slug).facts.legal_name


def test_a_fact_for_all_sites_is_followed_by_those_that_say_the_same(client, three_sites):
    shown = client.get("/api/account/defaults/legal_name").json()
    assert [(one["slug"], one["is_same"], one["is_unsaid"]) for one in shown["sites"]] == [
        ("other", False, True), ("seeds", False, True), ("third", False, False),
    ]  # fmt: skip
    keep(client, "The Association", ["other", "seeds"])
    assert [name_of(slug) for slug in ("other", "seeds", "third")] == ["The Association"] * 2 + ["Third Ltd"]
    shown = keep(client, "The Society", ["other"]).json()
    assert {one["slug"]: one["is_same"] for one in shown["sites"]} == {"other": True, "seeds": False, "third": False}
    seen = client.get("/api/sites/third/defaults").json()
    assert (seen["values"], seen["differing"], seen["mine"]) == ({"legal_name": "The Society"}, ["legal_name"], True)
    # A site goes by what its first owner says.
    assert client.get("/api/sites/seeds/defaults").json()["mine"] is False


def test_a_new_site_begins_with_what_is_said_for_all(client, three_sites):
    keep(client, "The Association", [])
    address = {"country": "GB", "street": ["The Green"], "locality": "Quillmere", "postcode": "GL99 9ZZ"}
    assert keep(client, address, [], "postal_address").status_code == 200
    account = Membership.objects.get(site__slug="other").account
    made = make_site(account, {"name": "Fourth"}, "fourth")
    assert (made.facts.legal_name, made.facts.postal_address.locality) == ("The Association", "Quillmere")


def test_what_cannot_be_kept_is_kept_nowhere(client, three_sites):
    assert keep(client, "x" * 500, ["other"]).status_code == 422
    assert keep(client, "The Association", ["other", "elsewhere"]).status_code == 404
    assert keep(client, "Name", [], key="name").status_code == 404
    assert name_of("other") == ""
    assert client.get("/api/account/defaults").json() == []


def test_letting_a_default_go_changes_no_site(client, three_sites):
    keep(client, "The Association", ["other"])
    assert client.delete("/api/account/defaults/legal_name").status_code == 204
    assert (client.get("/api/account/defaults").json(), name_of("other")) == ([], "The Association")
