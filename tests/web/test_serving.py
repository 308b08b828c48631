import gzip
import re
from datetime import UTC, date, datetime

import brotli
import pytest
from cachetools import LRUCache
from django.test import Client

from hestor.core.events.schedule import Schedule
from hestor.core.reading.page import PageReading
from hestor.rendering import sitemap
from hestor.sites.models import Site
from hestor.sites.services.events import add_event
from hestor.sites.services.facts import write_facts
from hestor.sites.services.pages import add_page
from hestor.sites.services.publishing import publish
from hestor.web import serving
from tests.conftest import NOW
from tests.support import caches


def test_pages_revalidate_by_a_strong_validator(public, site):
    first = public.get("/about/")
    etag = first["etag"]
    assert etag.startswith('"')
    assert first["cache-control"] == "no-cache"
    again = public.get("/about/", headers={"if-none-match": etag})
    assert (again.status_code, again.content, again["etag"]) == (304, b"", etag)
    for header in (f'"x", {etag}', f"W/{etag}", "*"):
        assert public.get("/about/", headers={"if-none-match": header}).status_code == 304
    assert public.get("/about/", headers={"if-none-match": '"other"'}).status_code == 200


def test_a_new_edition_is_public_at_once(public, site, owner):
    etag = public.get("/")["etag"]
    write_facts(site, {"name": "Bean House"}, site.revision)
    publish(site.pk, owner, NOW)
    fresh = public.get("/", headers={"if-none-match": etag})
    assert fresh.status_code == 200
    assert "Bean House" in fresh.content.decode()


def test_files_named_by_their_content_are_kept_for_good(public, site, owner):
    url = public.get("/").content.decode().split('rel="stylesheet" href="')[1].split('"')[0]
    assert public.get(url)["cache-control"] == "public, max-age=31536000, immutable"
    write_facts(site, {"brand_colour": "#112233"}, site.revision)
    publish(site.pk, owner, NOW)
    assert url not in public.get("/").content.decode()
    assert public.get(url).status_code == 200


@pytest.mark.parametrize(
    ("accepts", "coding", "decode"),
    [
        ("br, gzip", "br", brotli.decompress),
        ("gzip;q=0.5", "gzip", gzip.decompress),
        ("br;q=0, gzip", "gzip", gzip.decompress),
        ("br;q=0.5, gzip;q=0.8", "gzip", gzip.decompress),
        ("gzip, br", "br", brotli.decompress),
        ("*", "br", brotli.decompress),
        ("*;q=0.1, br;q=0", "gzip", gzip.decompress),
        ("identity, gzip;q=0.5", None, bytes),
        ("gzip;q=many", None, bytes),
        ("identity", None, bytes),
        ("", None, bytes),
    ],
)
def test_answers_are_compressed_as_the_visitor_takes_them(public, site, accepts, coding, decode):
    plain = public.get("/about/")
    answer = public.get("/about/", headers={"accept-encoding": accepts})
    assert answer.headers.get("content-encoding") == coding
    assert decode(answer.content) == plain.content
    assert (answer["etag"] == plain["etag"]) == (coding is None)
    assert answer["vary"] == "Accept-Encoding"


@pytest.mark.parametrize("path", ["/", "/nowhere/", "/feed.xml", "/site.webmanifest", "/robots.txt"])
def test_headers_of_the_public_site(public, site, path):
    answer = public.get(path)
    policy = answer["content-security-policy"]
    assert "default-src 'none'" in policy
    # A script of its own, so that menus close; checkers that run in a page may read the robots file.
    assert "script-src 'self';" in policy
    assert "connect-src 'self';" in policy
    assert "unsafe" not in policy
    assert "frame-ancestors 'none'" in policy
    assert (answer["x-content-type-options"], answer["x-frame-options"]) == ("nosniff", "DENY")
    assert not answer.cookies


@pytest.mark.parametrize("path", ["/", "/seeds/style", "/api/session", "/api/sites", "/api/nowhere"])
def test_headers_of_the_desk(site, path):
    answer = Client(headers={"host": "localhost"}).get(path)
    assert "default-src 'none'" in answer["content-security-policy"]
    assert "unsafe" not in answer["content-security-policy"]
    assert "frame-ancestors 'none'" in answer["content-security-policy"]
    assert (answer["x-content-type-options"], answer["x-frame-options"]) == ("nosniff", "DENY")
    assert answer["cache-control"] == "no-store"


@pytest.mark.parametrize(
    ("host", "status"),
    [
        ("seeds.example", 200),
        ("SEEDS.example:8000", 200),
        ("seeds.example.", 200),
        ("seeds.localhost", 301),
        ("www.seeds.example", 301),
        ("other.localhost", 404),
        ("evil.example", 404),
        ("a.seeds.localhost", 404),
        ("seeds.localhost@evil", 404),
    ],
)
def test_hosts(site, host, status):
    Site.objects.filter(pk=site.pk).update(domain="seeds.example")
    assert Client(headers={"host": host}).get("/about/").status_code == status


@pytest.mark.parametrize("method", ["post", "put", "patch", "delete", "options"])
def test_visitors_only_read(public, site, method):
    answer = getattr(public, method)("/")
    assert (answer.status_code, answer["allow"]) == (405, "GET, HEAD")


def test_head_says_what_get_would(public, site):
    head, get = public.head("/about/"), public.get("/about/")
    assert head.content == b""
    assert (head["etag"], head["content-length"]) == (get["etag"], get["content-length"])


def test_a_missing_slash_is_put_right_and_does_not_lead_off_the_site(public, site):
    assert public.get("/about")["location"] == "/about/"
    assert public.get("/", PATH_INFO="//evil.example/about").status_code == 404


def test_a_repeated_view_asks_the_database_once(public, site, django_assert_num_queries):
    public.get("/about/")
    with django_assert_num_queries(1):
        public.get("/about/")


def test_what_is_cached_is_bounded(monkeypatch, public, site):
    small = LRUCache(1, serving._weight)
    monkeypatch.setattr(serving, "_RESPONSES", small)
    assert public.get("/about/").status_code == 200
    assert len(small) == 0


def test_paths_that_nobody_wrote_are_not_cached(public, site):
    before = len(serving._RESPONSES)
    for n in range(20):
        public.get(f"/nowhere-{n}/")
    assert len(serving._RESPONSES) == before


def test_a_redirect_keeps_the_query(public, site):
    answer = public.get("/about?from=post&q=%C3%BC")
    assert (answer.status_code, answer["location"]) == (301, "/about/?from=post&q=%C3%BC")
    assert public.get("/about")["location"] == "/about/"


def test_a_host_that_nobody_has_is_kept_by_no_cache(site):
    for host in ("nobody.localhost", "other.example"):
        answer = Client(headers={"host": host}).get("/")
        assert (answer.status_code, answer["cache-control"]) == (404, "no-store")


def test_a_later_post_is_held_back_until_its_day_on_the_sites_own_clock(public, site, owner, settings):
    write_facts(site, {"time_zone": "Pacific/Auckland"}, site.revision)
    add_page(site, {"path": "/news/later/", "title": "Later", "kind": "post", "published": date(2026, 5, 9)})
    publish(site.pk, owner, NOW)

    def seen_at(moment: datetime) -> set[bool]:
        settings.FIXED_NOW = moment
        lists = [b"/news/later/" in public.get(path).content for path in ("/", "/news/", "/feed.xml", "/sitemap.xml")]
        return {*lists, public.get("/news/later/").status_code == 200}

    assert seen_at(NOW) == {False}
    assert seen_at(datetime(2026, 5, 8, 11, 59, tzinfo=UTC)) == {False}
    # Midnight in Auckland, without anybody publishing.
    assert seen_at(datetime(2026, 5, 8, 12, 0, tzinfo=UTC)) == {True}
    assert seen_at(NOW) == {False}


def test_open_now_turns_by_itself_and_what_was_cached_is_not_said_too_long(public, site, owner, settings):
    hours = {"week": {"fri": [{"opens": "09:00", "closes": "12:00"}]}}
    write_facts(site, {"opening_hours": hours}, site.revision)
    add_page(site, {"path": "/hours/", "title": "Hours", "body": "{hours}"})
    publish(site.pk, owner, NOW)

    def said(moment: str) -> str:
        settings.FIXED_NOW = datetime.fromisoformat(moment)
        return PageReading(public.get("/hours/").content).texts(".hours .status")[0]

    # Summer time: eight in Greenwich is nine in London.
    assert said("2026-05-01T07:59:00+00:00") == "Closed now. Opens today at 09:00"
    assert said("2026-05-01T08:00:00+00:00") == said("2026-05-01T10:59:00+00:00") == "Open now, until 12:00"
    assert said("2026-05-01T11:00:00+00:00") == "Closed now. Opens 8 May 2026 at 09:00"
    assert said("2026-05-02T11:00:00+00:00") == "Closed now. Opens Friday at 09:00"


@pytest.mark.parametrize("where", ["body", "footer"])
def test_days_to_a_day_are_counted_on_the_sites_own_clock(public, site, owner, settings, where):
    text = "Still {days:2026-05-08}."
    write_facts(
        site, {"time_zone": "Pacific/Auckland", "footer_text": text if where == "footer" else ""}, site.revision
    )
    if where == "body":
        add_page(site, {"path": "/fair/", "title": "Fair", "body": text})
    publish(site.pk, owner, NOW)

    def left(moment: str) -> str:
        settings.FIXED_NOW = datetime.fromisoformat(moment)
        return re.search(r"Still ([^.]*)\.", public.get("/fair/" if where == "body" else "/").content.decode())[1]

    # Midnight in Auckland is noon in Greenwich, in May.
    assert left("2026-05-06T11:59:00+00:00") == "2 days"
    assert left("2026-05-06T12:00:00+00:00") == "1 day"
    assert left("2026-05-07T12:00:00+00:00") == left("2026-12-01T12:00:00+00:00") == "0 days"


def test_what_is_over_leaves_the_list_at_the_sites_own_midnight(public, site, owner, settings):
    add_event(site, "Swap", Schedule(starts=date(2026, 5, 8)))
    publish(site.pk, owner, NOW)

    def ahead(moment: str) -> bool:
        settings.FIXED_NOW = datetime.fromisoformat(moment)
        return "Swap" in PageReading(public.get("/events/").content).texts("main h3")

    assert [ahead(f"2026-05-{at}:00+00:00") for at in ("01T12:00", "08T22:59", "08T23:00")] == [True, True, False]
    assert public.get("/events.ics")["content-type"] == "text/calendar; charset=utf-8"


def test_the_files_of_a_large_site_map_are_served(public, site, monkeypatch):
    whole = public.get("/sitemap.xml").content.decode().count("<url>")
    caches.forget()
    monkeypatch.setattr(sitemap, "MOST", 1)
    monkeypatch.setattr(sitemap, "A_PART", 2)
    index = public.get("/sitemap.xml")
    assert (index.status_code, index["Content-Type"]) == (200, "application/xml; charset=utf-8")
    parts = re.findall(r"<loc>http://seeds\.localhost:8000(/sitemap-\d+\.xml)</loc>", index.content.decode())
    assert len(parts) == -(-whole // 2)
    assert sum(public.get(part).content.decode().count("<url>") for part in parts) == whole
    assert public.get("/sitemap-99.xml").status_code == 404
