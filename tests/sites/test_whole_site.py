"""A whole site out and in: as files that any server hands out, and as a package without loss."""

import json
import zipfile
from functools import partial
from http.server import SimpleHTTPRequestHandler, ThreadingHTTPServer
from io import BytesIO
from threading import Thread
from urllib.error import HTTPError
from urllib.parse import urljoin, urlsplit
from urllib.request import urlopen

import pytest
from lxml import html as lxml_html

from hestor import clock
from hestor.core.errors import InvalidInput, NotFound
from hestor.core.pages import package
from hestor.rendering import Renderer
from hestor.sites.models import Page, RestingHost, Site
from hestor.sites.selectors import whole_site
from hestor.sites.selectors.changes import changes_of
from hestor.sites.selectors.states import draft_of
from hestor.sites.services import from_package
from hestor.sites.services.publishing import publish
from tests.conftest import NOW

pytestmark = pytest.mark.django_db(databases=["default", "towns"])


@pytest.fixture
def demo(demo_sites) -> Site:
    return demo_sites["quillmere"]


def _files(found) -> dict[str, bytes]:
    return dict(found)


def test_the_files_are_the_pages_that_visitors_get(demo, tmp_path):
    files = _files(whole_site.static_files(demo, demo.live_number))
    assert {
        "index.html",
        "404.html",
        "feed.xml",
        "sitemap.xml",
        "robots.txt",
        "favicon.ico",
        "events.ics",
    } <= files.keys()
    for name, body in files.items():
        target = tmp_path / "out" / name
        target.parent.mkdir(parents=True, exist_ok=True)
        target.write_bytes(body)
    assert b"<form" not in b"".join(body for name, body in files.items() if name.endswith(".html"))
    server = ThreadingHTTPServer(("127.0.0.1", 0), partial(SimpleHTTPRequestHandler, directory=tmp_path / "out"))
    Thread(target=server.serve_forever, daemon=True).start()
    try:
        _look_at_all(f"http://127.0.0.1:{server.server_port}", demo)
    finally:
        server.shutdown()
        server.server_close()


def _look_at_all(base: str, site: Site) -> None:
    """Follows every link from the home page, as a browser does; none may lead nowhere."""
    own = f"http://{site.slug}.localhost:8000/"
    waiting, seen, pages = [f"{base}/"], set(), 0
    while waiting:
        url = waiting.pop()
        if url in seen:
            continue
        seen.add(url)
        try:
            answer = urlopen(url)
        except HTTPError as error:
            raise AssertionError(f"{url} leads nowhere: {error}") from error
        with answer:
            body = answer.read()
            is_page = "html" in answer.headers["Content-Type"]
        if not is_page or b"http-equiv" in body[:200]:
            continue
        pages += 1
        for node in lxml_html.fromstring(body).iter():
            for name in ("href", "src"):
                link = (node.get(name) or "").replace(own, "/")
                target = urlsplit(urljoin(url, link))
                if link and f"{target.scheme}://{target.netloc}" == base:
                    waiting.append(urljoin(url, link).partition("#")[0])
    assert pages > 25


def test_a_package_comes_in_elsewhere_without_loss(demo, owner):
    publish_all(demo, owner)
    before = _files(whole_site.package_of_edition(demo, demo.live_number))
    rendered = _rendered(demo)
    body = package.zipped(before.items())
    _away(demo)
    made, report = from_package.take_in(owner, body)
    assert report.problems == []
    assert made.slug == "quillmere"
    after = _files(whole_site.package_of_draft(made))
    said, again = (json.loads(files.pop("hestor.json")) for files in (before, after))
    assert after == before
    said["edition"] = None
    assert again == said
    assert _rendered(made) == rendered


def publish_all(site: Site, owner) -> None:
    if changes_of(site):
        publish(site.pk, owner, NOW)
    site.refresh_from_db()


def _rendered(site: Site) -> dict[str, bytes]:
    renderer = Renderer(draft_of(site), clock.now())
    return {path: renderer.respond(path).body for path in [*renderer.paths(), "/feed.xml", "/site.webmanifest"]}


def _away(site: Site) -> None:
    """As on another machine: nothing of the site is here."""
    from hestor.sites.services import removal

    removal._purge(site, NOW)
    RestingHost.objects.all().delete()


def test_beside_itself_it_is_another_site(demo, owner):
    body = package.zipped(whole_site.package_of_draft(demo))
    made, report = from_package.take_in(owner, body)
    assert report.problems == []
    assert made.slug != demo.slug
    assert made.identity != demo.identity
    assert Page.objects.filter(site=made).count() == draft_of(demo).revisions.count()


def _zip(**files: bytes) -> bytes:
    return package.zipped((name.replace("_json", ".json"), body) for name, body in files.items())


@pytest.mark.parametrize(
    ("body", "code"),
    [
        (b"no zip at all", "package_none"),
        (_zip(other=b"x"), "package_none"),
        (_zip(hestor_json=b"{"), "package_unreadable"),
        (_zip(hestor_json=b"[]"), "package_unreadable"),
        (_zip(hestor_json=b'{"hestor": 99}'), "package_later"),
        (_zip(hestor_json=b'{"hestor": 1, "facts": {"version": 1, "name": {"a": 1}}}'), "package_unreadable"),
        (_zip(hestor_json=b'{"hestor": 1, "facts": {"version": "x"}}'), "package_unreadable"),
        (_zip(hestor_json=b"[" * 100_000), "package_unreadable"),
    ],
)
def test_what_is_no_package_is_refused_and_makes_no_site(owner, body, code, settings):
    settings.NEW_SITES = "everyone"
    with pytest.raises(InvalidInput) as refused:
        from_package.take_in(owner, body)
    assert [problem.code for problem in refused.value.problems] == [code]
    assert not Site.objects.exists()


def test_facts_that_no_owner_could_say_are_left_out_and_told(demo, owner):
    files = _files(whole_site.package_of_draft(demo))
    said = json.loads(files["hestor.json"])
    said["facts"]["tagline"] = "A\u202eB"
    said["facts"]["logo"] = {"picture": "f" * 32, "trim": None, "recolour": "", "description": ""}
    files["hestor.json"] = json.dumps(said).encode()
    made, report = from_package.take_in(owner, package.zipped(files.items()))
    assert {name for name, _ in report.problems} == {"hestor.json"}
    assert {problem.code for _, problem in report.problems} >= {"bidi_control", "picture_unknown"}
    assert (made.facts.tagline, made.facts.logo) == ("", None)
    assert made.facts.footer_text == demo.facts.footer_text


def test_an_edition_that_is_not_there(demo):
    for made in (whole_site.static_files, whole_site.package_of_edition):
        with pytest.raises(NotFound):
            made(demo, 99)


def test_the_zip_of_files_can_be_read(demo):
    with zipfile.ZipFile(BytesIO(package.zipped(whole_site.static_files(demo, 1)))) as archive:
        assert archive.testzip() is None
