"""What the server's processes weigh after minutes of mixed use: the desk and the public sites, driven side by side."""

import itertools
import json
import random
import subprocess
import sys
import tempfile
import threading
import time
from collections.abc import Iterable, Iterator
from contextlib import suppress
from pathlib import Path
from typing import Any

import psutil

from benchmarks.figures import Figure
from tests.support.pictures import png
from tests.support.server import TOP, Caller, Server, environment, make_data

SECONDS = 150
_SITES = ("quillmere", "silberpfad", "narjis")


def _visit(caller: Caller, site: str, number: int) -> None:
    server = caller.server
    _, body = server.get(f"{site}.localhost", "/sitemap.xml")
    paths = [part.split("</loc>")[0].split(str(server.port))[1] for part in body.decode().split("<loc>")[1:]]
    for path in [*paths, "/feed.xml", "/site.webmanifest", "/favicon.ico", "/nowhere/"]:
        server.get(f"{site}.localhost", path, **{"Accept-Encoding": random.choice(("br", "gzip", ""))})


def _type(caller: Caller, site: str, number: int) -> None:
    facts = {"name": f"Typed {number}", "brand_colour": f"#{number * 7919 % 0xFFFFFF:06x}"}
    caller.call("POST", f"/api/sites/{site}/proofs", {"facts": facts})
    caller.call("POST", f"/api/sites/{site}/reach", {"facts": facts})
    caller.call("POST", f"/api/sites/{site}/brand", {"facts": facts})


def _browse(caller: Caller, site: str, number: int) -> None:
    for path in ("style", "pages", "pictures", "changes", "editions", "brand", "proofs"):
        caller.call("GET", f"/api/sites/{site}/{path}")
    for picture in caller.call("GET", f"/api/sites/{site}/pictures")[1]["pictures"]:
        caller.server.get("localhost", picture["thumbnail"], Cookie=caller.cookie)
    for typed in ("l", "lon", "qui", "z"):
        caller.call("GET", f"/api/towns?q={typed}")
        caller.call("GET", f"/api/languages?q={typed}")


def _publish(caller: Caller, site: str, number: int) -> None:
    caller.write(site, tagline=f"Edition {number}", brand_colour=f"#{number * 104729 % 0xFFFFFF:06x}")
    caller.call("POST", f"/api/sites/{site}/editions")


def _upload(caller: Caller, site: str, number: int) -> None:
    caller.upload(site, f"{number % 40}.png", png(900, 700, number % 40))


def _drive(server: Server, seconds: float) -> int:
    """Uses desk and sites at once, as several people would; says how many rounds that were."""
    done = itertools.count()
    end = time.monotonic() + seconds

    def person(seed: int) -> None:
        caller, chance = Caller(server), random.Random(seed)
        while time.monotonic() < end:
            work = chance.choices((_visit, _type, _browse, _publish, _upload), (8, 8, 3, 1, 1))[0]
            work(caller, chance.choice(_SITES), chance.randrange(1_000_000))
            next(done)

    people = [threading.Thread(target=person, args=(seed,)) for seed in range(4)]
    for one in people:
        one.start()
    for one in people:
        one.join()
    return next(done)


def _weighed(processes: Iterable[psutil.Process]) -> Iterator[Any]:
    """The memory of processes; a sandbox that has done its share of work ends, and is another one then."""
    for process in processes:
        with suppress(psutil.NoSuchProcess):
            yield process.memory_full_info()


def unique(server: Server) -> list[float]:
    """The memory that each worker has for itself alone, in MB (Linux's USS)."""
    workers = psutil.Process(server.group).children(recursive=True)
    return sorted(memory.uss / 1_000_000 for memory in _weighed(workers))


def _all(server: Server) -> float:
    """The memory of all processes, what they share counted once, in MB (Linux's PSS)."""
    first = psutil.Process(server.group)
    return sum(memory.pss for memory in _weighed((first, *first.children(recursive=True)))) / 1_000_000


class Started(Server):
    """Started as `make demo` starts it: a fork would share its memory with what it was forked from."""

    def start(self) -> "Server":
        own = {**environment(self.data, self.port, self.demo, self.workers), **self.more}
        command = [sys.executable, "-m", "gunicorn", "-c", "hestor/config/server.py"]
        self.group = subprocess.Popen(command, cwd=TOP, env=own, start_new_session=True).pid
        while not self._is_up():
            time.sleep(0.1)
        return self

    def _is_up(self) -> bool:
        try:
            return self.get("127.0.0.1", "/api/session")[0] == 200
        except OSError:
            return False


def measure() -> Iterator[Figure]:
    """Drives a server of two workers with an idle queue, then weighs it."""
    with tempfile.TemporaryDirectory() as folder, Started(make_data(Path(folder) / "data"), workers=2) as server:
        idle = unique(server)[-1]
        rounds = _drive(server, SECONDS)
        yield Figure("unique memory of a worker that has just started", idle, "MB")
        yield Figure(
            f"unique memory of the heavier worker after {SECONDS} s of mixed use", unique(server)[-1], "MB", 150
        )
        yield Figure(f"memory of all processes after {SECONDS} s of mixed use", _all(server), "MB", 400)
        yield Figure("rounds of mixed use meanwhile", rounds, "")


if __name__ == "__main__":
    for found in measure():
        print(json.dumps(found.document()))
