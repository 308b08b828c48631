"""One site of 100,000 pages on the real server: its lists a part at a time, publishing, reach, memory, the site map."""

import os
import re
import tempfile
import time
from collections import Counter
from collections.abc import Iterator
from pathlib import Path
from statistics import median
from typing import Any

from benchmarks import sites
from benchmarks.figures import Figure, quietest, times
from benchmarks.memory import Started, unique
from tests.support.server import OWNER, Caller, Server, make_data

PAGES = 100_000
_SITE = f"bench-{PAGES}"
_API = f"/api/sites/{_SITE}"


def fill(data: Path) -> None:
    """Adds the site to the demo's data, published once."""
    os.environ |= {"DATA": str(data), "DJANGO_SETTINGS_MODULE": "hestor.config.settings"}
    import django

    django.setup()
    from django.db import connections

    from hestor import query_statistics
    from hestor.accounts.models import Account
    from hestor.sites.services.creation import make_site

    owner = Account.objects.get(email=OWNER)
    sites.fill_site(make_site(owner, {"name": f"Site of {PAGES}"}, _SITE), owner, PAGES)
    # As the server does each hour.
    query_statistics.refresh()
    connections.close_all()


class _Writer:
    """Somebody who changes a page of the draft between any two looks, so that nothing counted before is still right."""

    def __init__(self, caller: Caller) -> None:
        self.caller = caller
        self._page = self.get("/tree?sought=/p4/40004/")["rows"][0]["id"]
        self._written = 0

    def get(self, path: str) -> Any:
        status, said = self.caller.call("GET", f"{_API}{path}")
        if status != 200:
            raise RuntimeError(f"{path} answered {status}")
        return said

    def write(self) -> None:
        self._written += 1
        revision = str(self.get("/style")["revision"])
        title = {"title": f"Written {self._written}"}
        self.caller.call("PATCH", f"{_API}/pages/{self._page}", title, **{"If-Match": revision})

    def after_a_write(self, path: str, rounds: int = 7) -> float:
        """The median time of a call right after a page was changed, in milliseconds."""

        def look(_: int) -> float:
            self.write()
            start = time.perf_counter()
            self.get(path)
            return (time.perf_counter() - start) * 1000

        return median([look(number) for number in range(rounds + 1)][1:])


def _whole_titles(writer: _Writer) -> float:
    """From a change to the last of the calls after which the titles of all pages are looked over, in seconds."""
    writer.write()
    start = time.perf_counter()
    while not writer.get("/titles?count=1")["is_whole"]:
        pass
    return time.perf_counter() - start


def _reach(caller: Caller) -> float:
    def round_(number: int) -> list[float]:
        def ask(n: int) -> None:
            caller.call("POST", f"{_API}/reach", {"keys": ["name"], "facts": {"tagline": f"Typed {number} {n}"}})

        return times(ask, 9, warm=1)

    return median(quietest(round_, 6))


def _publish(caller: Caller) -> float:
    def publish(number: int) -> float:
        caller.write(_SITE, name=f"Name {number}")
        return times(lambda _: caller.call("POST", f"{_API}/editions"), 1, warm=0)[0]

    return median([publish(number) for number in range(16)][1:])


def _map_faults(server: Server) -> int:
    """How many addresses the site map's files name twice, or not at all."""

    def listed(path: str) -> list[str]:
        status, body = server.get(f"{_SITE}.localhost", path)
        if status != 200:
            raise RuntimeError(f"{path} answered {status}")
        return re.findall(r"<loc>https?://[^/]+([^<]*)</loc>", body.decode())

    named = Counter(path for part in listed("/sitemap.xml") for path in listed(part))
    twice = sum(count - 1 for count in named.values())
    return twice + abs(PAGES - sum(not re.search(r"^/news/\d+/$", path) for path in named))


def measure() -> Iterator[Figure]:
    """Starts the server with the site and measures from outside."""
    with tempfile.TemporaryDirectory() as folder:
        data = make_data(Path(folder) / "data")
        fill(data)
        with Started(data, workers=2) as server:
            caller = Caller(server)
            writer = _Writer(caller)
            yield Figure("100,000 pages: publish a name, through the API", _publish(caller), "ms", 100)
            for name, path in (
                ("pages", "/tree?count=200"),
                ("pages found by a word", "/tree?count=200&sought=40004"),
                ("titles", "/titles?count=100"),
                ("what is still to say", "/unsaid"),
                ("the review", "/changes?count=100"),
            ):
                taken = writer.after_a_write(path)
                yield Figure(f"100,000 pages: first rows of {name}, after a page changed", taken, "ms", 300)
            yield Figure("100,000 pages: all titles looked over, after a page changed", _whole_titles(writer), "s")
            yield Figure("100,000 pages: reach of one fact", _reach(caller), "ms", 60)
            yield Figure("100,000 pages: addresses that the site map names wrongly", _map_faults(server), "", 0)
            yield Figure("100,000 pages: unique memory of the heavier worker", unique(server)[-1], "MB", 150)
