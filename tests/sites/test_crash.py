"""The server is killed at random moments; afterwards each site shows one whole edition, and no draft is lost."""

import http.client
import random
import threading
import time
from contextlib import suppress

import pytest

from hestor.core.reading.page import PageReading
from tests.support.sampling import LONG
from tests.support.server import Caller, Server, copy_data
from tests.support.template import DEMO

PUBLISHES, KILLS = (20, 3) if LONG else (4, 1)
PATHS = ["/", "/borrowing/", "/growing/beans-and-peas/", "/news/", "/contact/"]
LOST = (OSError, http.client.HTTPException)


class Work(threading.Thread):
    """Writes a name and publishes it, over and over; remembers what the server confirmed."""

    def __init__(self, caller: Caller, draft: int, live: int) -> None:
        super().__init__()
        self.caller, self.number = caller, draft
        self.tried = self.kept = draft
        self.published = live

    def run(self) -> None:
        with suppress(*LOST):
            while True:
                self.tried = self.number = self.number + 1
                status, _ = self.caller.write("quillmere", name=f"Name {self.number}")
                assert status == 200
                self.kept = self.number
                status, _ = self.caller.call("POST", "/api/sites/quillmere/editions")
                assert status == 201
                self.published = self.number


def shown(server: Server) -> set[int]:
    """The numbers that the public pages show: exactly one, if all are of one edition."""
    names = set()
    for path in PATHS:
        status, body = server.get("quillmere.localhost", path)
        page = PageReading(body)
        assert status == 200
        assert page.site_name in page.title
        assert page.site_name in page.footer
        names.add(page.site_name)
    return {int(name.split()[-1]) for name in names}


@pytest.mark.xdist_group("crash")
def test_killing_the_server_while_publishing(tmp_path):
    chance = random.Random(2026)
    with Server(copy_data(DEMO, tmp_path / "data")) as server:
        caller = Caller(server)
        caller.write("quillmere", name="Name 0")
        caller.call("POST", "/api/sites/quillmere/editions")
        draft = live = kills = 0
        while draft < PUBLISHES:
            work = Work(caller, draft, live)
            work.start()
            time.sleep(0.15 + chance.random() * 0.5)
            server.kill()
            work.join(timeout=30)
            kills += 1
            server.start()
            (live,) = shown(server)
            facts = caller.call("GET", "/api/sites/quillmere/style")[1]["facts"]
            draft = int(facts["name"].split()[-1])
            assert live in (work.published, work.kept)
            assert draft in (work.kept, work.tried)
            assert live <= draft
        assert kills >= KILLS
