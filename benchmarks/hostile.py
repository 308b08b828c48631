"""What strangers and helpers could do to the others: hostile pictures, slow clients, a desk full of work.

Each time the public home page is asked for meanwhile, by another process, and compared with how it answers when
nothing else happens. Both are measured in turn, several times: a shared machine is at times half as fast, for seconds.
"""

import itertools
import json
import resource
import socket
import statistics
import subprocess
import sys
import tempfile
import threading
import time
from collections.abc import Callable, Iterator
from contextlib import AbstractContextManager, ExitStack, contextmanager, suppress
from functools import partial
from pathlib import Path
from typing import Any

import psutil

from benchmarks.figures import Figure, p95
from tests.support.hostile_pictures import hostile_pictures
from tests.support.server import TOP, Caller, Server, make_data

_EDGE = "hestor-benchmark"
_HOST = b"Host: quillmere.localhost\r\n"
_FAILED = 500
_HELD, _HELD_SECONDS = 1_000, 30


def _asked(server: Server, seconds: float) -> list[float]:
    """How long the home page takes, over and over, in this process."""
    taken, end = [], time.monotonic() + seconds
    while time.monotonic() < end:
        start = time.perf_counter()
        server.get("quillmere.localhost", "/")
        taken.append((time.perf_counter() - start) * 1000)
        time.sleep(0.01)
    return taken


class Visitor:
    """Asks for the home page in a process of its own until it is told to stop."""

    def __init__(self, server: Server) -> None:
        command = [sys.executable, "-m", "benchmarks.hostile", str(server.port), str(server.data)]
        self._process = subprocess.Popen(command, cwd=TOP, stdin=subprocess.PIPE, stdout=subprocess.PIPE, text=True)

    def times(self) -> list[float]:
        out, _ = self._process.communicate("stop\n")
        return [float(one) for one in json.loads(out)]


def _visit_until_told(port: int, data: str) -> None:
    server, taken, told = Server(Path(data), port=port), [], threading.Event()
    threading.Thread(target=lambda: (sys.stdin.readline(), told.set()), daemon=True).start()
    while not told.is_set():
        taken += _asked(server, 0.2)
    print(json.dumps(taken))


def _visited(server: Server, seconds: float = 3) -> float:
    visitor = Visitor(server)
    time.sleep(seconds)
    return p95(visitor.times())


def _ratio(
    server: Server, load: Callable[[], AbstractContextManager[object]], rounds: int = 5, seconds: float = 3
) -> float:
    """How many times longer a visitor waits under a load of some seconds than without: the median of pairs in turn."""
    pairs = []
    for _ in range(rounds):
        idle = _visited(server)
        with load():
            time.sleep(0.3)
            pairs.append(_visited(server, seconds) / idle)
    return statistics.median(pairs)


def _form(name: str, body: bytes) -> bytes:
    head = f'--{_EDGE}\r\nContent-Disposition: form-data; name="file"; filename="{name}"\r\n\r\n'
    return head.encode() + body + f"\r\n--{_EDGE}--\r\n".encode()


class Uploader:
    """Sends pictures, and has all made of those that are let in that can be made of a picture."""

    def __init__(self, server: Server) -> None:
        self._server, self._caller = server, Caller(server)
        self.slowest, self.failed, self.sent, self.worst = 0.0, 0, 0, ""

    def _timed(self, what: str, method: str, path: str, body: bytes | None, kind: str) -> bytes:
        headers = {"Content-Type": kind, "Cookie": self._caller.cookie}
        start = time.perf_counter()
        with self._server.ask(method, "localhost", path, body, **headers) as answer:
            read = answer.read()
        taken = time.perf_counter() - start
        self.sent += 1
        self.failed += answer.status >= _FAILED
        if taken > self.slowest:
            self.slowest, self.worst = taken, f"{what} {method} {path}"
        return read

    def send(self, name: str, body: bytes) -> None:
        form = f"multipart/form-data; boundary={_EDGE}"
        answer = self._timed(name, "POST", "/api/sites/quillmere/pictures", _form(name, body), form)
        made = json.loads(answer).get("picture")
        if made:
            self._timed(name, "GET", made["thumbnail"], None, "")
            facts: dict[str, Any] = {"logo": {"picture": made["key"]}, "icon": {"source": "logo"}}
            facts["share_picture"] = {"picture": made["key"]}
            typed = json.dumps({"facts": facts}).encode()
            self._timed(name, "POST", "/api/sites/quillmere/brand", typed, "application/json")


def _workers(server: Server) -> dict[int, int]:
    """The workers' own memory in bytes, by process; the sandbox's processes are their children."""
    return {one.pid: one.memory_info().rss for one in psutil.Process(server.group).children()}


def _pictures(server: Server) -> Iterator[Figure]:
    idle = _visited(server)
    pictures = list(hostile_pictures(number=int(time.time())))
    before, most = _workers(server), 0
    visitor, uploader = Visitor(server), Uploader(server)
    for name, body in pictures:
        uploader.send(name, body)
        most = max(most, *(now - before.get(pid, now) for pid, now in _workers(server).items()))
    p = p95(visitor.times())
    idle = (idle + _visited(server)) / 2
    lost = len(set(before) - set(_workers(server)))
    print(f"  {uploader.sent} calls; slowest: {uploader.worst}", file=sys.stderr)
    yield Figure("hostile pictures: slowest answer", uploader.slowest, "s", 3)
    yield Figure("hostile pictures: answers of 500 and more", uploader.failed, "", 0)
    yield Figure("hostile pictures: workers lost", lost, "", 0)
    yield Figure("hostile pictures: a worker's memory above idle, most", most / 1_000_000, "MB", 250)
    yield Figure("hostile pictures: public page meanwhile, p95, ratio to idle", p / idle, "times", 2)


@contextmanager
def _lines(server: Server, count: int, sent: bytes) -> Iterator[list[socket.socket]]:
    with ExitStack() as stack:
        lines = [stack.enter_context(socket.create_connection(("127.0.0.1", server.port))) for _ in range(count)]
        for line in lines:
            line.setsockopt(socket.SOL_SOCKET, socket.SO_RCVBUF, 1024)
            line.sendall(sent)
        yield lines


@contextmanager
def _at_it(work: Callable[[threading.Event], object], count: int = 1) -> Iterator[None]:
    """Threads that work until the end."""
    told = threading.Event()
    threads = [threading.Thread(target=work, args=(told,)) for _ in range(count)]
    for thread in threads:
        thread.start()
    try:
        yield
    finally:
        told.set()
        for thread in threads:
            thread.join()


@contextmanager
def _dripping(server: Server, sent: bytes) -> Iterator[None]:
    with _lines(server, 200, sent) as lines:

        def drip(told: threading.Event) -> None:
            while not told.wait(0.5):
                for line in lines:
                    with suppress(OSError):
                        line.send(b"x")

        with _at_it(drip):
            yield


def _held_open(server: Server) -> Iterator[Figure]:
    """Connections that send nothing for half a minute; a connection that is idle for so long is closed."""
    most = resource.getrlimit(resource.RLIMIT_NOFILE)[1]
    resource.setrlimit(resource.RLIMIT_NOFILE, (min(4096, most), most))
    figure = _ratio(server, lambda: _lines(server, _HELD, b""), rounds=3, seconds=_HELD_SECONDS)
    yield Figure(f"{_HELD:,} connections held open: public page, p95, ratio to idle", figure, "times", 2)


def _slow_clients(server: Server) -> Iterator[Figure]:
    half = b"GET / HTTP/1.1\r\n" + _HOST + b"X: "
    picture = server.get("quillmere.localhost", "/")[1].decode().partition('og:image" content="')[2].partition('"')[0]
    path = picture.partition(str(server.port))[2].encode()
    unread = b"GET " + path + b" HTTP/1.1\r\n" + _HOST + b"\r\n"
    for what, number, sent in (("8 half sent", 8, half), ("200 idle", 200, b""), ("12 not reading", 12, unread)):
        figure = _ratio(server, partial(_lines, server, number, sent))
        yield Figure(f"slow clients: {what}: public page, p95, ratio to idle", figure, "times", 2)
    yield from _held_open(server)
    figure = _ratio(server, partial(_dripping, server, half))
    yield Figure("slow clients: 200 dripping: public page, p95, ratio to idle", figure, "times", 2)


def _busy_desk(server: Server) -> Iterator[Figure]:
    numbers = itertools.count()

    def work(told: threading.Event) -> None:
        caller = Caller(server)
        while not told.is_set():
            number = next(numbers)
            facts = {"name": f"Typed {number}", "brand_colour": f"#{number * 104_729 % 0xFFFFFF:06x}"}
            caller.call("POST", "/api/sites/quillmere/proofs", {"facts": facts})

    figure = _ratio(server, lambda: _at_it(work, 20))
    yield Figure("20 at work at the desk: public page, p95, ratio to idle", figure, "times", 2)


def measure() -> Iterator[Figure]:
    """Runs all against one server of two workers."""
    with tempfile.TemporaryDirectory() as folder, Server(make_data(Path(folder) / "data"), workers=2) as server:
        _asked(server, 1)
        yield Figure("public page with nothing else to do, p95", _visited(server), "ms")
        yield from _slow_clients(server)
        yield from _busy_desk(server)
        yield from _pictures(server)


if __name__ == "__main__":
    _visit_until_told(int(sys.argv[1]), sys.argv[2])
