"""Files in front, through a real nginx: the same answers as Hestor's own, one edition at a time, whatever happens."""

import http.client
import json
import os
import re
import shutil
import signal
import time
from collections.abc import Iterator
from html import unescape
from pathlib import Path
from threading import Event, Thread

import pytest

from hestor.edge_cache import cleaning
from tests.support.kills import killed
from tests.support.nginx import NGINX, Nginx, ask
from tests.support.sampling import LONG, sample
from tests.support.server import Caller, Server, copy_data, environment, free_port, said_by
from tests.support.template import DEMO

pytestmark = pytest.mark.skipif(NGINX is None, reason="nginx is not installed")
SITES = ("quillmere", "silberpfad", "narjis")
# The last two ask in roundabout ways.
CODINGS = ("", "gzip", "br", "gzip, deflate, br", "br;q=0, gzip")


@pytest.fixture
def front(tmp_path) -> Path:
    return tmp_path / "front"


@pytest.fixture
def server(tmp_path, front) -> Iterator[Server]:
    public = str(free_port())
    more = {"HESTOR_FRONT": str(front), "HESTOR_NOW": "", "HESTOR_PUBLIC_PORT": public}
    with Server(copy_data(DEMO, tmp_path / "data"), more=more, workers=2) as running:
        yield running


@pytest.fixture
def nginx(tmp_path, server) -> Iterator[Nginx]:
    with Nginx(tmp_path / "nginx", server, port=int(server.more["HESTOR_PUBLIC_PORT"])) as running:
        yield running


def assets_of(server: Server, site: str, page: str) -> list[str]:
    """The addresses on this site that a page names: links, files, each width of its pictures."""
    html = ask(server.port, f"{site}.localhost", page)[2].decode()
    named = re.findall(r'(?:href|src)="(/[^"/][^"]*)"', html)
    widths = [one.split()[0] for listed in re.findall(r'srcset="([^"]*)"', html) for one in listed.split(", ")]
    return [unescape(path) for path in (*named, *widths)]


def paths_of(server: Server, site: str) -> list[str]:
    """Every address of a site that its sitemap and its pages name, and some that are none."""
    sitemap = ask(server.port, f"{site}.localhost", "/sitemap.xml")[2].decode()
    base = f"http://{site}.localhost:{server.more['HESTOR_PUBLIC_PORT']}"
    pages = [piece.partition("</loc>")[0].removeprefix(base) for piece in sitemap.split("<loc>")[1:]]
    local = [path for page in pages for path in assets_of(server, site, page)]
    more = ["/feed.xml", "/robots.txt", "/site.webmanifest", "/favicon.ico", "/events.ics", "/contact.vcf", "/about"]
    odd = [
        "/nowhere/",
        "/about/=page",
        "/=page",
        "/pages/",
        "/about//",
        "//about/",
        "/about/?a=b",
        "/sent/",
    ]
    return list(dict.fromkeys([*pages, *local, "/sitemap.xml", *more, *odd]))


def codings_of(site: str, number: int) -> tuple[str, ...]:
    """How an address is asked for: of one site in three ways, each fifth in the roundabout ones, too; of the others in
    one way after the other."""
    if site == SITES[0]:
        return CODINGS if number % 5 == 0 else CODINGS[:3]
    return (CODINGS[number % 3],)


def is_laid(front: Path, site: str) -> bool:
    return (front / "hosts" / f"{site}.localhost").exists()


def test_every_address_of_the_demo_is_answered_the_same_both_ways(server, nginx, front):
    laid = 0
    for site in SITES:
        host = f"{site}.localhost:{nginx.port}"
        for number, path in enumerate(paths_of(server, site)[:: 1 if LONG else 4]):
            for coding in codings_of(site, number):
                own = ask(server.port, host, path, Accept_Encoding=coding)
                first, again = (ask(nginx.port, host, path, Accept_Encoding=coding) for _ in range(2))
                if "private" in dict(own[1]).get("cache-control", ""):
                    # A form has a stamp of its own each time.
                    continue
                for answer in (first, again):
                    assert (answer[0], answer[2]) == (own[0], own[2]), (site, path, coding)
                    assert set(answer[1]) ^ set(own[1]) == set(), (site, path, coding)
                if number % 3:
                    # What is asked in part, or only if it changed, is tried of each third address.
                    continue
                etag = dict(own[1]).get("etag", "")
                for method, more in (("HEAD", {}), ("GET", {"If_None_Match": etag}), ("GET", {"Range": "bytes=0-9"})):
                    asked = {"Accept_Encoding": coding, **more}
                    assert ask(nginx.port, host, path, method, **asked) == ask(server.port, host, path, method, **asked)
        laid += is_laid(front, site)
    assert laid == len(SITES)
    # A folder a site, or two where a quarter of an hour ended meanwhile; not one for each request.
    assert len(list((front / "editions").glob("*/*"))) <= 2 * len(SITES)
    # What was seen stays there with Hestor gone. A quarter of an hour may just have ended, so it is seen once more.
    for site in SITES:
        ask(nginx.port, f"{site}.localhost:{nginx.port}", "/")
    server.kill()
    for site in SITES:
        assert ask(nginx.port, f"{site}.localhost:{nginx.port}", "/")[0] == 200


DRAWING = b'<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 40 30"><path d="M4 4h30v20H4z" fill="#0b6e4f"/></svg>'


def test_a_drawing_in_a_text_is_one_for_each_visitor(server, nginx):
    caller = Caller(server)
    key = caller.upload("quillmere", "bean.svg", DRAWING)[1]["picture"]["key"]
    page = {"path": "/drawn/", "title": "Drawn", "body": f"![A bean](/_hestor/pic-{key})"}
    assert caller.call("POST", "/api/sites/quillmere/pages", page)[0] == 201
    assert caller.call("POST", "/api/sites/quillmere/editions")[0] == 201
    host = f"quillmere.localhost:{nginx.port}"
    (address,) = (one for one in assets_of(server, "quillmere", "/drawn/") if key in one)
    for _ in range(3):
        # The second visitor gets it from a file.
        status, headers, _ = ask(nginx.port, host, address)
        assert (status, dict(headers)["content-type"]) == (200, "image/svg+xml")


def test_after_a_restore_nobody_gets_what_was_lost(server, nginx, tmp_path):
    host = f"quillmere.localhost:{nginx.port}"
    paths = ("/", "/about/", "/feed.xml", "/site.webmanifest")
    kept = {path: ask(server.port, host, path) for path in paths}
    kept_data = copy_data(server.data, tmp_path / "kept")
    _name(server, "quillmere", "The lost edition")
    for path in paths * 2:
        assert b"The lost edition" in ask(nginx.port, host, path)[2]
    server.kill()
    shutil.rmtree(server.data)
    copy_data(kept_data, server.data)
    server.start()
    for path in paths * 2:
        assert ask(nginx.port, host, path) == kept[path]
    # The next edition has the number of the lost one.
    _name(server, "quillmere", "The next edition")
    for path in paths * 2:
        assert b"The next edition" in ask(nginx.port, host, path)[2]


def test_after_a_start_nobody_is_led_to_what_other_code_laid_down(server, nginx, front):
    host = f"quillmere.localhost:{nginx.port}"
    own = ask(nginx.port, host, "/about/")
    (page,) = front.glob("sites/*/*/pages/about/=page")
    (link,) = {one.parents[2] for one in [page]}
    # As another version would have laid it down, in a folder of its own.
    shutil.copytree(link.resolve(), link.resolve().with_name("former"), copy_function=shutil.copyfile)
    (link.resolve().with_name("former") / "pages" / "about" / "=page").write_bytes(b"<p>As it was before")
    former = link.resolve().with_name("former")
    link.unlink()
    link.symlink_to(former)
    assert ask(nginx.port, host, "/about/")[2] == b"<p>As it was before"
    server.kill()
    server.start()
    assert ask(nginx.port, host, "/about/") == own
    assert ask(nginx.port, host, "/about/") == own


def test_what_is_sent_by_visitors_reaches_hestor(server, nginx):
    host = f"quillmere.localhost:{nginx.port}"
    assert ask(nginx.port, host, "/about/")[0] == 200
    for method in ("POST", "PUT", "DELETE"):
        both = [ask(port, host, "/about/", method, b"a=b") for port in (server.port, nginx.port)]
        assert both[0] == both[1]


def _name(server: Server, site: str, name: str) -> None:
    caller = Caller(server)
    assert caller.write(site, name=name)[0] == 200
    assert caller.call("POST", f"/api/sites/{site}/editions")[0] == 201


def test_a_new_edition_is_what_the_next_visitor_gets(server, nginx):
    host = f"quillmere.localhost:{nginx.port}"
    for turn in range(3):
        for path in ("/", "/about/", "/feed.xml"):
            ask(nginx.port, host, path)
        _name(server, "quillmere", f"Turn {turn}")
        for path in ("/", "/about/", "/feed.xml"):
            assert f"Turn {turn}".encode() in ask(nginx.port, host, path)[2]


def test_nobody_gets_an_old_page_after_publishing_however_many_read(server, nginx):
    """Readers note when they began; what began after a publishing was answered must say the new name."""
    host = f"quillmere.localhost:{nginx.port}"
    published, wrong, done = [0], [], Event()

    def read() -> None:
        # A pause, since what publishes is on the same machine.
        while not done.wait(0.005):
            least = published[0]
            status, _, body = ask(nginx.port, host, "/about/")
            said = int(body.partition(b"Turn ")[2][:4] or 0)
            if status != 200 or said < least:
                wrong.append((status, least, said))

    readers = [Thread(target=read) for _ in range(4)]
    for reader in readers:
        reader.start()
    try:
        for turn in range(1, 7):
            _name(server, "quillmere", f"Turn {turn:04}")
            published[0] = turn
    finally:
        done.set()
        for reader in readers:
            reader.join()
    assert wrong == []


def test_a_file_that_can_not_be_opened_after_all_is_asked_of_hestor(server, nginx, front):
    host = f"quillmere.localhost:{nginx.port}"
    before = [ask(nginx.port, host, path) for path in ("/about/", "/robots.txt")]
    laid = [*front.glob("editions/*/*/pages/about/=page"), *front.glob("editions/*/*/files/robots.txt")]
    for path in laid:
        path.unlink()
        # Is there when looked for, and no file when opened, as one whose link is taken away in between.
        os.mkfifo(path)
    assert len(laid) >= 2
    assert [ask(nginx.port, host, path) for path in ("/about/", "/robots.txt")] == before


@pytest.mark.parametrize("after", sample([0.0, 0.0005, 0.001, 0.002, 0.004, 0.008], 1, 4))
def test_killed_while_cleaning_nothing_is_missed(server, nginx, front, settings, after):
    host = f"quillmere.localhost:{nginx.port}"
    paths = paths_of(server, "quillmere")
    for path in paths:
        ask(nginx.port, host, path, Accept_Encoding="gzip")
    settings.FRONT = front
    killed(lambda: cleaning.clean(10), after)
    for number, path in enumerate(paths):
        for coding in ("gzip",) if number % 4 else ("", "gzip"):
            own, found = (ask(port, host, path, Accept_Encoding=coding) for port in (server.port, nginx.port))
            if "private" not in dict(own[1]).get("cache-control", ""):
                assert (found[0], found[2]) == (own[0], own[2]), (path, coding)


@pytest.mark.parametrize("moment", sample(range(6), 1, 4))
def test_killed_while_switching_there_is_one_whole_edition(server, nginx, moment):
    host = f"quillmere.localhost:{nginx.port}"
    ask(nginx.port, host, "/about/")
    caller = Caller(server)
    caller.write("quillmere", name="After the kill")
    publisher = Thread(target=lambda: _quietly(caller))
    publisher.start()
    publisher.join(0.004 + 0.012 * moment)
    server.kill()
    publisher.join()
    server.start()
    own = {path: ask(server.port, host, path) for path in ("/", "/about/", "/feed.xml")}
    for path, said in own.items():
        assert ask(nginx.port, host, path) == said
    names = {b"After the kill" in said[2] for said in own.values()}
    assert len(names) == 1


def _quietly(caller: Caller) -> None:
    try:
        caller.call("POST", "/api/sites/quillmere/editions")
    except (OSError, http.client.HTTPException, json.JSONDecodeError):
        return


def test_closed_deleted_and_moved_sites_are_not_handed_out(server, nginx):
    host = f"quillmere.localhost:{nginx.port}"
    caller = Caller(server)
    own = "/api/sites/quillmere"
    assert ask(nginx.port, host, "/about/")[0] == 200
    assert caller.call("PUT", f"{own}/closed", {})[0] == 200
    assert ask(nginx.port, host, "/about/")[0] == 503
    caller.call("DELETE", f"{own}/closed")
    assert ask(nginx.port, host, "/about/")[0] == 200
    assert caller.call("PATCH", f"{own}/address", {"slug": "seeds"})[0] == 200
    assert ask(nginx.port, host, "/about/")[0] == 301
    assert ask(nginx.port, f"seeds.localhost:{nginx.port}", "/about/")[0] == 200
    assert caller.call("DELETE", "/api/sites/seeds")[0] == 204
    assert ask(nginx.port, f"seeds.localhost:{nginx.port}", "/about/")[0] == 404


def test_drafts_and_previews_are_never_laid_down(server, nginx, front):
    caller = Caller(server)
    caller.write("quillmere", name="Only the draft says this")
    link = caller.call("GET", "/api/sites/quillmere/changes")[1]["preview_url"]
    path = link.partition(f":{nginx.port}")[2]
    host = f"quillmere.localhost:{nginx.port}"
    assert b"Only the draft says this" in ask(nginx.port, host, path)[2]
    ask(nginx.port, host, "/")
    found = [one for one in front.rglob("*") if one.is_file() and not one.is_symlink()]
    assert found
    assert not any(b"Only the draft says this" in one.read_bytes() for one in found)


@pytest.mark.skipif(os.geteuid() == 0, reason="root may write anywhere")
def test_a_folder_that_cannot_be_written_refuses_to_publish(server, nginx, front):
    host = f"quillmere.localhost:{nginx.port}"
    ask(nginx.port, host, "/about/")
    links = next((front / "sites").iterdir())
    links.chmod(0o500)
    caller = Caller(server)
    caller.write("quillmere", name="Unseen")
    status, said = caller.call("POST", "/api/sites/quillmere/editions")
    links.chmod(0o700)
    assert (status, said["code"]) == (503, "front_stuck")
    assert b"Unseen" not in ask(nginx.port, host, "/about/")[2]


def test_without_a_folder_that_can_be_written_hestor_serves_by_itself(tmp_path):
    blocked = tmp_path / "front"
    blocked.write_text("no folder")
    more = {"HESTOR_FRONT": str(blocked), "HESTOR_NOW": ""}
    with Server(copy_data(DEMO, tmp_path / "data"), more=more) as server:
        assert server.get("quillmere.localhost", "/about/")[0] == 200
        _name(server, "quillmere", "By itself")
        assert b"By itself" in server.get("quillmere.localhost", "/about/")[1]


def test_what_is_gone_from_the_folder_is_laid_down_again(server, nginx, front):
    host = f"quillmere.localhost:{nginx.port}"
    before = ask(nginx.port, host, "/about/")
    shutil.rmtree(front)
    assert ask(nginx.port, host, "/about/") == before
    assert ask(nginx.port, host, "/about/") == before
    assert is_laid(front, "quillmere")
    os.killpg(server.group, signal.SIGSTOP)
    try:
        assert ask(nginx.port, host, "/about/") == before
    finally:
        os.killpg(server.group, signal.SIGCONT)


def test_all_pages_are_laid_down_at_once_and_nothing_that_has_a_stamp(server, nginx, front):
    own = {**environment(server.data, server.port), **server.more}
    laid, _, of = said_by(own, "warm").split()[:3]
    # Contact pages with a form, and what has a policy of its own, are left to Hestor.
    assert 0 < int(of) - int(laid) <= 4
    for site in SITES:
        ask(nginx.port, f"{site}.localhost:{nginx.port}", "/")
    server.kill()
    assert ask(nginx.port, f"quillmere.localhost:{nginx.port}", "/growing/saving-tomato-seed/")[0] == 200


def test_what_nobody_is_led_to_goes_and_what_is_too_much(tmp_path, settings):
    settings.FRONT = tmp_path
    places = [tmp_path / "editions" / "1" / name for name in ("1-a", "2-b", "3-c")]
    for place in places:
        place.mkdir(parents=True)
        (place / "=page").write_bytes(b"x" * 1000)
    (tmp_path / "sites" / "1").mkdir(parents=True)
    (tmp_path / "sites" / "1" / "2026").symlink_to("../../editions/1/3-c")
    assert cleaning.clean(10_000) == 0
    # What was written a moment ago may be about to be linked.
    later = time.time() + 3600
    with pytest.MonkeyPatch.context() as patch:
        patch.setattr(cleaning.time, "time", lambda: later)
        assert cleaning.clean(10_000) == 2
    assert [place.exists() for place in places] == [False, False, True]
    assert cleaning.clean(10) == 1
