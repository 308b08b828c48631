"""One canonical address for a site; all others lead to it, those it had before too."""

import pytest
from django.test import Client

from hestor.core.errors import InvalidInput
from hestor.core.site_address import SiteAddress
from hestor.sites.models import FormerHost, Site
from hestor.sites.selectors.addresses import base_of
from hestor.sites.services.address import confirm, set_address
from hestor.sites.services.creation import make_site
from hestor.sites.services.facts import write_facts
from hestor.web import serving

pytestmark = pytest.mark.django_db


def at(host, path="/about/"):
    answer = Client(headers={"host": f"{host}:8000"}).get(path)
    return answer.status_code, answer.headers.get("Location", "").replace(":8000", "")


def give(site, *given, seen=True):
    found = set_address(site.pk, SiteAddress(*given))
    if seen:
        confirm(found)
    return found


def test_another_short_address_leads_on_until_somebody_takes_the_old_one(site, owner):
    give(site, "beans")
    assert at("beans.localhost")[0] == 200
    assert at("seeds.localhost", "/about/?x=1") == (301, "http://beans.localhost/about/?x=1")
    assert FormerHost.objects.get().host == "seeds.localhost"
    other = make_site(owner, {"name": "Other"}, "seeds")
    assert at("seeds.localhost")[0] == 404
    give(other, "peas")
    # The site that had it last is the one that it leads to.
    assert at("seeds.localhost")[1].startswith("http://peas.localhost")
    give(other, "seeds")
    assert at("peas.localhost")[1].startswith("http://seeds.localhost")


def test_a_domain_is_led_to_once_it_was_seen_to_lead_here(site):
    give(site, "seeds", "example.org", seen=False)
    assert at("seeds.localhost")[0] == 200
    # A visitor who comes by it shows that it does.
    assert at("example.org")[0] == 200
    assert at("seeds.localhost") == (301, "http://example.org/about/")
    assert at("www.example.org") == (301, "http://example.org/about/")


def test_whoever_only_says_to_come_by_a_domain_confirms_nothing(site):
    # The name service says that this one leads to another server.
    give(site, "seeds", "address-only.example", seen=False)
    assert at("address-only.example")[0] == 200
    assert at("seeds.localhost")[0] == 200
    site.refresh_from_db()
    assert not site.domain_confirmed


def test_with_www_and_without(site):
    give(site, "seeds", "example.org", True)
    assert at("www.example.org")[0] == 200
    assert at("example.org") == (301, "http://www.example.org/about/")
    give(site, "seeds", "example.org", False)
    assert at("www.example.org") == (301, "http://example.org/about/")


def test_a_site_in_a_folder_writes_all_its_addresses_with_it(site, owner):
    give(site, "seeds", "example.org", False, "/seeds")
    site.refresh_from_db()
    assert base_of(site) == "http://example.org:8000/seeds"
    assert at("example.org", "/about/") == (301, "http://example.org/seeds/about/")
    assert at("example.org", "/seeds") == (301, "http://example.org/seeds/")
    assert at("seeds.localhost", "/about/") == (301, "http://example.org/seeds/about/")
    visitor = Client(headers={"host": "example.org:8000"})
    page = visitor.get("/seeds/about/")
    html = page.content.decode()
    assert page.status_code == 200
    assert '<link rel="canonical" href="http://example.org:8000/seeds/about/">' in html
    for piece in ('href="/seeds/news/"', 'href="/seeds/_hestor/style-', 'href="/seeds/site.webmanifest"'):
        assert piece in html
    for found in __import__("re").findall(r'(?:href|src)="(/[^"#]*)"', html):
        assert visitor.get(found).status_code == 200, found
    assert "<loc>http://example.org:8000/seeds/news/</loc>" in visitor.get("/seeds/sitemap.xml").content.decode()


def test_the_name_never_changes_the_address_nor_the_other_way_round(site):
    write_facts(site.pk, {"name": "Bean Bank"}, site.revision)
    site.refresh_from_db()
    assert (site.slug, site.facts.name) == ("seeds", "Bean Bank")
    give(site, "beans")
    site.refresh_from_db()
    assert (site.slug, site.facts.name) == ("beans", "Bean Bank")


def test_what_another_site_has_is_refused(site, owner):
    give(site, "seeds", "example.org")
    other = make_site(owner, {"name": "Other"}, "other")
    with pytest.raises(InvalidInput) as refused:
        set_address(other.pk, SiteAddress("seeds", "example.org"))
    assert [one.code for one in refused.value.problems] == ["slug_taken", "domain_taken"]
    assert Site.objects.get(pk=other.pk).domain is None


def test_the_api_says_what_to_enter_and_where_it_leads(desk, site, settings):
    settings.SERVER_ADDRESSES = ["192.0.2.80"]
    change = {"domain": "https://www.quillmere-seeds.example/"}
    said = desk.patch("/api/sites/seeds/address", change, "application/json").json()
    assert (said["domain"], said["with_www"], said["leads"], said["in_use"]) == (
        "quillmere-seeds.example", True, "here", True,
    )  # fmt: skip
    assert said["base"] == "http://www.quillmere-seeds.example:8000/"
    assert [(one["host"], one["kind"], one["found"]) for one in said["records"]] == [
        ("quillmere-seeds.example", "A", ["192.0.2.80"]),
        ("www.quillmere-seeds.example", "CNAME", ["192.0.2.80"]),
    ]
    for domain, leads in (
        ("address-only.example", "elsewhere"),
        ("x.missing.example", "nowhere"),
        ("what.example", "unknown"),
    ):
        said = desk.patch("/api/sites/seeds/address", {"domain": domain}, "application/json").json()
        assert (said["leads"], said["in_use"], said["base"]) == (leads, False, "http://seeds.localhost:8000/")
    refused = desk.patch("/api/sites/seeds/address", {"domain": "no domain"}, "application/json")
    assert (refused.status_code, refused.json()["errors"][0]["field"]) == (422, "domain")
    serving.clear_caches()
