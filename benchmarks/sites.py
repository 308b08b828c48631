"""The real server with small and large sites: publishing, first and repeated views, keystrokes to proofs."""

import gzip
import os
import re
import tempfile
from collections.abc import Iterator
from datetime import date, timedelta
from pathlib import Path
from statistics import median

from benchmarks.figures import Figure, p95, quietest, times
from hestor.core.pages import signature, tree_keys
from hestor.core.pages.fields import PageFields
from tests.support.server import OWNER, Caller, Server, make_data

SMALL, LARGE = 100, 10_000
_BODY = "Seed keeps best where it is cool, dry and dark. {site} lends it out.\n\n" * 6


def fill(data: Path) -> None:
    """Adds a small and a large site to the demo's data, published once."""
    os.environ |= {"DATA": str(data), "DJANGO_SETTINGS_MODULE": "hestor.config.settings"}
    import django

    django.setup()
    from django.db import connections

    from hestor import query_statistics
    from hestor.accounts.models import Account
    from hestor.sites.services.creation import make_site

    owner = Account.objects.get(email=OWNER)
    for count in (SMALL, LARGE):
        fill_site(make_site(owner, {"name": f"Site of {count}"}, f"bench-{count}"), owner, count)
    # As the server does each hour.
    query_statistics.refresh()
    connections.close_all()


# What decides the signatures of the pages that are written straight into the database.
_FIELDS = (
    PageFields(path="/x/", title="Page"),
    PageFields(path="/x/", title="Page", kind="post", published=date(2020, 1, 1)),
)


def _day(number: int) -> date:
    return date(2020, 1, 1) + timedelta(days=number % 2000)


def fill_site(site, owner, count: int) -> None:
    """Writes so many pages straight into a site's draft, every second one a post, and publishes it."""
    from datetime import UTC, datetime

    from hestor.core.text import markdown
    from hestor.sites.models import Page, Revision, Text
    from hestor.sites.services.pages import add_page
    from hestor.sites.services.publishing import publish

    tops = [add_page(site, {"path": f"/p{n}/", "title": f"Part {n}", "body": _BODY, "in_menu": True}) for n in range(8)]
    add_page(site, {"path": "/news/", "title": "News", "kind": "news", "in_menu": True})
    made = markdown.compile_text(_BODY)
    rest = count - len(tops) - 2
    places = dict(Revision.objects.in_draft_of(site).values_list("page_id", "place"))
    pages = Page.objects.bulk_create([Page(site=site) for _ in range(rest)])
    texts = Text.objects.bulk_create(
        [
            Text(body=_BODY, html=made.html, excerpt=made.excerpt, compiler=markdown.COMPILER_VERSION)
            for _ in range(rest)
        ]
    )
    Revision.objects.bulk_create(
        Revision(
            site=site,
            page=page,
            text=text,
            path=f"/news/{n}-x/" if n % 2 else f"/p{n % 8}/{n}/",
            title=f"Page {n}",
            kind="post" if n % 2 else "page",
            parent_id=None if n % 2 else tops[n % 8].page_id,
            published=_day(n) if n % 2 else None,
            place=tree_keys.post_key(_day(n), f"/news/{n}-x/")
            if n % 2
            else tree_keys.key_of(places[tops[n % 8].page_id], 0, f"/p{n % 8}/{n}/"),
            signature=signature.signature_of(_FIELDS[n % 2], made).text,
        )
        for n, (page, text) in enumerate(zip(pages, texts, strict=True))
    )
    publish(site.pk, owner, datetime.now(UTC))


def _publish_time(caller: Caller, slug: str, rounds: int = 15) -> float:
    """The median time to publish a change of name, through the API, in milliseconds."""
    taken = []
    for number in range(rounds):
        caller.write(slug, name=f"Name {number}")
        taken += times(lambda _: caller.call("POST", f"/api/sites/{slug}/editions"), 1, warm=0)
    return median(taken)


def _first_views(caller: Caller, server: Server) -> list[float]:
    host = f"bench-{LARGE}.localhost"
    taken: list[float] = []
    for round_ in range(8):
        caller.write(f"bench-{LARGE}", name=f"View {round_}")
        caller.call("POST", f"/api/sites/bench-{LARGE}/editions")
        taken += times(lambda n, r=round_: server.get(host, f"/p{(2 * n + 48 * r) % 8}/{2 * n + 48 * r}/"), 24, warm=0)
    return taken


# The places of the rows that are on screen while the name is typed.
_ON_SCREEN = [
    *({"place": place} for place in ("tab", "header", "manifest", "footer")),
    {"place": "search", "home": True},
]


def _keystrokes(caller: Caller, count: int) -> list[float]:
    path = f"/api/sites/bench-{count}/proofs"
    body = {"path": "/p1/", "places": _ON_SCREEN}
    return times(lambda n: caller.call("POST", path, {**body, "facts": {"name": f"Typed {n}"}}), 150)


def _reach(caller: Caller) -> list[float]:
    """The reach of one fact; each time with another tagline typed, so that nothing of it was counted before."""
    path = f"/api/sites/bench-{LARGE}/reach"

    def round_(number: int) -> list[float]:
        body = {"keys": ["name"]}
        return times(
            lambda n: caller.call("POST", path, {**body, "facts": {"tagline": f"Typed {number} {n}"}}), 9, warm=1
        )

    return quietest(round_, 12)


def _repeated(server: Server) -> float:
    """A repeated view, as a ratio to the server's empty answer (a method that no site takes), in the same run."""
    host = f"bench-{SMALL}.localhost"

    def view(_: int) -> None:
        server.get(host, "/p1/")

    def empty(_: int) -> None:
        server.ask("OPTIONS", host, "/p1/").close()

    pairs = [(median(times(view, 40)), median(times(empty, 40))) for _ in range(15)]
    return median(one / other for one, other in pairs)


def _weight(server: Server) -> float:
    """A page of the demo with its stylesheet, uncompressed, in kB; images and fonts are not counted."""

    def get(path: str) -> bytes:
        return server.get("quillmere.localhost", path)[1]

    body = get("/")
    urls = set(re.findall(r'href="(/_hestor/[^"]+\.css|/site.webmanifest)"', body.decode()))
    return (len(body) + sum(len(get(url)) for url in urls)) / 1000


def measure() -> Iterator[Figure]:
    """Starts the server with all sites and measures from outside."""
    with tempfile.TemporaryDirectory() as folder:
        data = make_data(Path(folder) / "data")
        fill(data)
        with Server(data) as server:
            caller = Caller(server)
            small, large = _publish_time(caller, f"bench-{SMALL}"), _publish_time(caller, f"bench-{LARGE}")
            yield Figure("publish a name, 10,000 pages, through the API", large, "ms", 1000)
            yield Figure("publish a name, 10,000 pages, ratio to 100 pages", large / small, "times", 2)
            yield Figure("first view of a page after publishing, p95", p95(_first_views(caller, server)), "ms", 25)
            yield Figure("repeated view, ratio to an empty answer", _repeated(server), "times", 3)
            for count, limit in ((SMALL, 25), (LARGE, 35)):
                taken = p95(_keystrokes(caller, count))
                yield Figure(f"keystroke to proofs on the server, {count:,} pages, p95", taken, "ms", limit)
            yield Figure(
                "reach of one fact, 10,000 pages, median of the quietest of 12 rounds", median(_reach(caller)), "ms", 30
            )
            yield Figure("a public page with its assets but fonts and images", _weight(server), "kB", 40)
            page = gzip.compress(server.get("quillmere.localhost", "/")[1])
            yield Figure("a public page's HTML alone, compressed", len(page) / 1000, "kB")
