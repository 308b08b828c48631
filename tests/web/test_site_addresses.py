"""One canonical address for a site; all others lead to it, those it had before too."""

from datetime import UTC, datetime, timedelta

import pytest
from django.test import Client

from hestor.accounts.models import Account
from hestor.core.errors import InvalidInput
from hestor.core.site_address import SiteAddress
from hestor.mail import dns
from hestor.mail.selectors.letters import own_address
from hestor.mail.services import domains
from hestor.sites.models import FormerHost, Site
from hestor.sites.selectors.addresses import base_of, proof_of
from hestor.sites.services.address import confirm, set_address
from hestor.sites.services.creation import make_site
from hestor.sites.services.facts import write_facts
from hestor.sites.services.removal import delete_site, purge
from hestor.web import serving

pytestmark = pytest.mark.django_db
NOW = datetime(2026, 5, 1, 12, tzinfo=UTC)


def at(host, path="/about/"):
    answer = Client(headers={"host": f"{host}:8000"}).get(path)
    return answer.status_code, answer.headers.get("Location", "").replace(":8000", "")


def give(site, *given, seen=True):
    found = set_address(site.pk, SiteAddress(*given), NOW)
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


OWN = "quillmere-seeds.example"


def answers(monkeypatch, **found):
    """A name service that says of an own domain where it leads, and what its text record is."""
    monkeypatch.setattr(dns, "addresses", lambda host: found["leads"])
    monkeypatch.setattr(dns, "texts", lambda host: found["texts"] if host == f"_hestor.{OWN}" else ())


def test_a_domain_is_led_to_once_it_leads_here_and_is_proven(site, settings, monkeypatch):
    settings.SERVER_ADDRESSES = ["192.0.2.80"]
    word = f"hestor={proof_of(site)}"
    give(site, "seeds", OWN, seen=False)
    for leads, texts in (
        (("192.0.2.80",), ()),
        (("192.0.2.80",), None),
        (("192.0.2.80",), (word[:-1],)),
        (("198.51.100.1",), (word,)),
        (None, (word,)),
        ((), (word,)),
    ):
        answers(monkeypatch, leads=leads, texts=texts)
        domains.confirm_waiting()
        assert at("seeds.localhost")[0] == 200, (leads, texts)
    answers(monkeypatch, leads=("192.0.2.80",), texts=("v=spf1 -all", word))
    domains.confirm_waiting()
    assert at("seeds.localhost") == (301, f"http://{OWN}/about/")
    assert at(f"www.{OWN}") == (301, f"http://{OWN}/about/")


def test_the_word_of_another_site_proves_nothing(site, owner, settings, monkeypatch):
    settings.SERVER_ADDRESSES = ["192.0.2.80"]
    other = make_site(owner, {"name": "Other"}, "other")
    give(site, "seeds", OWN, seen=False)
    answers(monkeypatch, leads=("192.0.2.80",), texts=(f"hestor={proof_of(other)}",))
    domains.confirm_waiting()
    assert at("seeds.localhost")[0] == 200


@pytest.mark.parametrize("host", [OWN, f"www.{OWN}", "address-only.example", "what.example"])
def test_whoever_only_says_to_come_by_a_domain_confirms_nothing(site, host):
    give(site, "seeds", host.removeprefix("www."), host.startswith("www."), seen=False)
    for _ in range(2):
        # Led on for now only: once it is proven, it is the address.
        assert at(host) == (307, "http://seeds.localhost/about/")
    assert at("seeds.localhost")[0] == 200
    site.refresh_from_db()
    assert not site.domain_confirmed
    assert own_address(site) == "notices@seeds.localhost"


@pytest.mark.parametrize(
    "domain", ["desk.example.org", "example.org", "org", "sites.example.org", "x.sites.example.org"]
)
def test_the_desks_own_host_and_what_it_is_below_is_nobodys(site, settings, domain):
    settings.DESK_HOST, settings.SITES_DOMAIN = "desk.example.org", "sites.example.org"
    with pytest.raises(InvalidInput) as refused:
        set_address(site.pk, SiteAddress("seeds", domain), NOW)
    assert [one.field for one in refused.value.problems] == ["domain"]


def test_what_was_given_up_rests_for_others_and_not_for_who_had_it(site, owner):
    stranger = Account.objects.create_user("stranger@example.org", "a-long-enough-one")
    give(site, "beans", OWN)
    give(site, "peas")
    theirs = make_site(stranger, {"name": "Theirs"}, "theirs")
    for address, code in ((("beans",), "slug_rests"), (("theirs", OWN), "domain_rests")):
        with pytest.raises(InvalidInput) as refused:
            set_address(theirs.pk, SiteAddress(*address), NOW)
        assert [one.code for one in refused.value.problems] == [code]
    with pytest.raises(InvalidInput):
        make_site(stranger, {"name": "Beans"}, "beans")
    # One that nobody chose is another one.
    assert make_site(stranger, {"name": "Beans"}).slug == "beans-2"
    mine = make_site(owner, {"name": "Mine"}, "beans")
    give(mine, "beans", OWN)
    give(mine, "mine")
    assert set_address(theirs.pk, SiteAddress("beans", OWN), NOW + timedelta(days=91)).slug == "beans"


def test_what_was_deleted_for_good_rests_too(site, owner):
    give(site, "seeds", OWN)
    delete_site(site, NOW)
    purge(NOW + timedelta(days=31))
    stranger = Account.objects.create_user("stranger@example.org", "a-long-enough-one")
    theirs = make_site(stranger, {"name": "Theirs"}, "theirs")
    with pytest.raises(InvalidInput):
        set_address(theirs.pk, SiteAddress("seeds", OWN), NOW + timedelta(days=60))
    assert set_address(theirs.pk, SiteAddress("seeds", OWN), NOW + timedelta(days=130)).slug == "seeds"


def test_the_desks_policy_is_as_long_however_many_domains_there_are(desk, site, owner):
    before = len(desk.get("/").headers["Content-Security-Policy"])
    for number in range(40):
        give(make_site(owner, {"name": "S"}, f"s{number}"), f"s{number}", f"{'long' * 15}.{number}.example")
    policy = desk.get("/").headers["Content-Security-Policy"]
    assert len(policy) == before
    assert ".example" not in policy


def test_a_preview_is_seen_below_the_common_domain_alone(desk, site):
    give(site, "seeds", OWN, False, "/seeds")
    address = desk.get("/api/sites/seeds/preview").json()["address"]
    assert address.startswith("http://seeds.localhost:8000/_preview/")
    path = address.removeprefix("http://seeds.localhost:8000")
    assert at("seeds.localhost", path)[0] == 200
    assert at(OWN, path)[0] == 404


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
    write_facts(site, {"name": "Bean Bank"}, site.revision)
    site.refresh_from_db()
    assert (site.slug, site.facts.name) == ("seeds", "Bean Bank")
    give(site, "beans")
    site.refresh_from_db()
    assert (site.slug, site.facts.name) == ("beans", "Bean Bank")


def test_what_another_site_has_is_refused(site, owner):
    give(site, "seeds", "example.org")
    other = make_site(owner, {"name": "Other"}, "other")
    with pytest.raises(InvalidInput) as refused:
        set_address(other.pk, SiteAddress("seeds", "example.org"), NOW)
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
        ("_hestor.quillmere-seeds.example", "TXT", ["hestor=*"]),
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
