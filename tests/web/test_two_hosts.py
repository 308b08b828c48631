"""Two application hosts with one database and shared files: what one says the other says, and either may be lost."""

import os
import random
import secrets
import signal
import subprocess
import sys
import time
from collections.abc import Iterator
from contextlib import suppress
from dataclasses import dataclass, replace
from pathlib import Path

import pytest

from hestor.core.reading.page import PageReading
from tests.sites.test_crash import PATHS, Work, shown
from tests.support import databases
from tests.support.databases import postgresql_only
from tests.support.nginx import NGINX, Nginx, ask
from tests.support.pictures import png
from tests.support.server import TOP, Caller, Server, copy_data, environment, free_port
from tests.support.template import DEMO

ROUNDS, PORT = 6, 8000


def _ip(*words: str) -> bool:
    return subprocess.run(["ip", *words], capture_output=True).returncode == 0


def _can_make_hosts() -> bool:
    """Whether network namespaces can be made here, which takes root and iproute2."""
    name = f"h{secrets.token_hex(3)}x"
    try:
        made = _ip("netns", "add", name)
    except FileNotFoundError:
        return False
    _ip("netns", "del", name)
    return made


pytestmark = [postgresql_only, pytest.mark.xdist_group("hosts")]


@dataclass
class Host(Server):
    """A host of its own: a network namespace with an address of its own, and a folder that it shares with nobody."""

    name: str = ""

    @property
    def _cable(self) -> str:
        return f"{self.name}v"

    def connect(self, bridge: str) -> None:
        inner = f"{self.name}i"
        for words in (
            f"netns add {self.name}",
            f"link add {self._cable} type veth peer name {inner} netns {self.name}",
            f"link set {self._cable} master {bridge} up",
            f"-n {self.name} addr add {self.address}/24 dev {inner}",
            f"-n {self.name} link set {inner} up",
            f"-n {self.name} link set lo up",
        ):
            assert _ip(*words.split()), words

    def start(self) -> "Host":
        own = {**environment(self.data, PORT), **self.more, "HESTOR_BIND": self.address}
        command = ["ip", "netns", "exec", self.name, str(Path(sys.executable).with_name("gunicorn"))]
        with (self.data / "log").open("ab") as log:
            self._process = subprocess.Popen(
                [*command, "-c", "hestor/config/server.py"], cwd=TOP, env=own, start_new_session=True, stderr=log
            )
        self.group = self._process.pid
        deadline = time.monotonic() + 60
        while time.monotonic() < deadline:
            with suppress(OSError):
                if self.get("localhost", "/api/session")[0] == 200:
                    return self
            time.sleep(0.1)
        raise RuntimeError((self.data / "log").read_text())

    def cut(self) -> None:
        """Loses the network, in the middle of whatever goes on; nobody is told."""
        assert _ip("link", "set", self._cable, "down")

    def mend(self) -> None:
        assert _ip("link", "set", self._cable, "up")

    def kill(self) -> None:
        if self.group:
            with suppress(ProcessLookupError):
                os.killpg(self.group, signal.SIGKILL)
            self._process.wait()
            self.group = None


class WorkOfOneThatIsLost(Work):
    """The same until its host is lost, which may say last that it can't reach the database."""

    def run(self) -> None:
        with suppress(AssertionError, TypeError):
            super().run()


@pytest.fixture
def hosts(tmp_path) -> Iterator[tuple[Host, Host]]:
    """Two hosts of the demo on one network with the database."""
    if not _can_make_hosts():
        pytest.skip("no network namespaces can be made here: that takes root and iproute2")
    copied = copy_data(DEMO, tmp_path / "shared")
    # Names of links are short, and a host that was killed keeps its for a moment.
    prefix = f"h{secrets.token_hex(3)}"
    bridge = f"{prefix}b"
    # Several tests may have networks at the same time.
    network = f"10.97.{1 + secrets.randbelow(250)}"
    key = {"HESTOR_SECRET_KEY": (copied / "secret-key").read_text(), "HESTOR_FILES": str(copied)}
    # Files in front are handed out by the machine's own clock.
    key |= {"HESTOR_FRONT": str(tmp_path / "front"), "HESTOR_NOW": "", "HESTOR_PUBLIC_PORT": str(free_port())}
    key |= databases.environment(copied)
    key["HESTOR_DATABASE"] = key["HESTOR_DATABASE"].replace("127.0.0.1", f"{network}.1")
    made = []
    try:
        assert _ip("link", "add", bridge, "type", "bridge")
        assert _ip("addr", "add", f"{network}.1/24", "dev", bridge)
        assert _ip("link", "set", bridge, "up")
        for number in (1, 2):
            (tmp_path / f"host{number}").mkdir()
            host = Host(
                tmp_path / f"host{number}",
                port=PORT,
                address=f"{network}.{10 + number}",
                name=f"{prefix}{number}",
                more=key,
            )
            made.append(host)
            host.connect(bridge)
            host.start()
        yield made[0], made[1]
    finally:
        for host in made:
            host.kill()
            _ip("netns", "del", host.name)
        _ip("link", "del", bridge)


def _write_and_publish(caller: Caller, number: int) -> None:
    assert caller.write("quillmere", name=f"Name {number}")[0] == 200
    assert caller.call("POST", "/api/sites/quillmere/editions")[0] == 201


def test_what_is_published_on_one_is_said_by_the_other_at_once(hosts):
    for number, (here, there) in enumerate([hosts, hosts[::-1]] * 3):
        _write_and_publish(Caller(here), number)
        assert shown(there) == shown(here) == {number}


def test_pictures_are_there_on_both(hosts):
    here, there = hosts
    status, made = Caller(here).upload("quillmere", "a.png", png(60, 40))
    assert status == 201
    listed = Caller(there).call("GET", "/api/sites/quillmere/pictures")[1]["pictures"]
    assert made["picture"] in listed
    cookie = {"Cookie": Caller(there).cookie}
    with there.ask("GET", "localhost", made["picture"]["thumbnail"], **cookie) as answer:
        assert (answer.status, answer.headers["Content-Type"]) == (200, "image/png")


@pytest.mark.skipif(NGINX is None, reason="nginx is not there")
@pytest.mark.parametrize("how", [Host.kill, Host.cut])
def test_visitors_notice_nothing_of_a_host_that_is_lost(hosts, tmp_path, how):
    """Through nginx, with files in front: what was read before and what never was, before and after a new edition."""
    here, there = hosts
    options = tuple(word for host in hosts for word in ("--host", f"{host.address}:{PORT}"))
    local = replace(here, more={**here.more, **databases.environment(Path(here.more["HESTOR_FILES"]))})
    port = int(here.more["HESTOR_PUBLIC_PORT"])
    with Nginx(tmp_path / "nginx", local, port=port, options=options):

        def read(path: str) -> str:
            status, _, body = ask(port, "quillmere.localhost", path)
            assert status == 200
            return PageReading(body).site_name

        for number, host in enumerate((here, there, here)):
            _write_and_publish(Caller(host), number)
            assert {read(path) for path in (*PATHS, *PATHS)} == {f"Name {number}"}
        how(here)
        assert {read(path) for path in (*PATHS, "/about/", "/growing/")} == {"Name 2"}
        _write_and_publish(Caller(there), 3)
        assert {read(path) for path in (*PATHS, "/about/")} == {"Name 3"}


def test_a_host_that_is_lost_while_publishing_costs_nothing(hosts):
    """Killed, or cut off from the network, in turn; nothing that was confirmed is lost, and the other goes on."""
    here, there = hosts
    chance = random.Random(2026)
    survivor = Caller(there)
    _write_and_publish(survivor, 0)
    draft = live = 0
    for number in range(ROUNDS):
        work = WorkOfOneThatIsLost(Caller(here), draft, live)
        work.start()
        time.sleep(0.3 + chance.random() * 0.6)
        if number % 2:
            here.cut()
        else:
            here.kill()
        # What the other has to say comes while the first is gone.
        (live,) = shown(there)
        facts = survivor.call("GET", "/api/sites/quillmere/style")[1]["facts"]
        draft = int(facts["name"].split()[-1])
        assert live in (work.published, work.kept, work.tried)
        assert draft in (work.kept, work.tried)
        draft = live = max(draft, work.tried) + 1
        _write_and_publish(survivor, draft)
        assert shown(there) == {draft}
        here.mend()
        here.kill()
        work.join(timeout=70)
        here.start()
        assert shown(here) == {draft}
    editions = survivor.call("GET", "/api/sites/quillmere/editions")[1]
    numbers = [one["number"] for one in editions]
    assert len(numbers) == len(set(numbers))
