"""The real server, as `make demo` starts it, on a port and a data folder of its own."""

import atexit
import fcntl
import json
import os
import shutil
import signal
import socket
import subprocess
import sys
import tempfile
import time
from dataclasses import dataclass, field
from functools import lru_cache
from http.client import HTTPResponse
from http.cookies import SimpleCookie
from pathlib import Path
from threading import Lock, Thread
from typing import Any
from urllib.error import HTTPError
from urllib.parse import urlencode
from urllib.request import HTTPRedirectHandler, Request, build_opener, urlopen

from tests.support import databases

TOP = Path(__file__).parents[2]
OWNER = "owner@quillmere.example"
PASSWORD = "demo-seedling-42"


_PORTS: set[int] = set()


def free_port() -> int:
    """A port that nobody listens at, and that was not given before."""
    while True:
        with socket.socket() as probe:
            probe.bind(("127.0.0.1", 0))
            port = probe.getsockname()[1]
        if port not in _PORTS:
            _PORTS.add(port)
            return port


def environment(data: Path, port: int = 8000, demo: bool = True, workers: int = 1) -> dict[str, str]:
    own = {"DATA": str(data), "PORT": str(port), "DJANGO_SETTINGS_MODULE": "hestor.config.settings"}
    # What a test expects of a year must not end with it.
    own |= {"HESTOR_NOW": "2026-11-25T12:00:00+00:00"}
    # As scripts/serve sets them.
    own |= {"MALLOC_ARENA_MAX": "2", "MALLOC_TRIM_THRESHOLD_": "131072"}
    own |= databases.environment(data)
    return {**os.environ, **own, "HESTOR_DEMO": "1" if demo else "0", "HESTOR_WORKERS": str(workers)}


def manage(data: Path, *command: str, demo: bool = True) -> str:
    """What a command of `manage.py` prints; raises ``CalledProcessError`` if it fails."""
    return said_by(environment(data, demo=demo), *command)


def make_data(folder: Path, demo: bool = True) -> Path:
    folder.mkdir(parents=True, exist_ok=True)
    databases.make(folder)
    manage(folder, "migrate", "--verbosity", "0")
    if demo:
        manage(folder, "load_demo")
    return folder


def copy_data(template: Path, folder: Path) -> Path:
    shutil.copytree(template, folder, dirs_exist_ok=True)
    databases.copy(template, folder)
    return folder


class _Stay(HTTPRedirectHandler):
    """Follows nothing."""

    def http_error_303(self, req, fp, code, msg, headers):
        return fp


_STAYS = build_opener(_Stay)


def _open_nursery(path: Path, crowded: bool) -> None:
    """Starts the process of which servers are forks, and waits until it can be asked."""
    own = environment(Path(tempfile.mkdtemp(prefix="hestor-nursery-")))
    command = [sys.executable, "-m", "tests.support.nursery", str(path), *(["crowded"] if crowded else [])]
    # It may outlive this process, if others still ask.
    child = os.posix_spawn(sys.executable, command, {**own, "PYTHONPATH": str(TOP)})
    while not path.exists():
        if os.waitpid(child, os.WNOHANG)[0]:
            raise RuntimeError("the process that servers are forks of ended at once")
        time.sleep(0.02)


@lru_cache(maxsize=1)
def _nursery() -> socket.socket:
    """Leads to the nursery: one for all of pytest's processes, which is opened by the first that needs it.

    Only they are a crowd: what a benchmark measures is the server as it stands back for others.
    """
    given = os.environ.get("TESTS_NURSERY")
    folder = Path(given or tempfile.mkdtemp(prefix="hestor-tests-"))
    if not given:
        atexit.register(shutil.rmtree, folder, ignore_errors=True)
    path = folder / "nursery"
    line = socket.socket(socket.AF_UNIX)
    with (folder / "lock").open("w") as lock:
        fcntl.flock(lock, fcntl.LOCK_EX)
        while line.connect_ex(str(path)):
            path.unlink(missing_ok=True)
            _open_nursery(path, crowded=bool(given))
    return line


_ONCE = Lock()


def _asked() -> socket.socket:
    """The line to the nursery; threads wait for each other."""
    with _ONCE:
        return _nursery()


def prepare() -> None:
    """Has the nursery opened in a thread, while other tests run: that takes a quarter of a minute."""
    Thread(target=_asked, daemon=True).start()


def _fork(wanted: dict[str, str], **more: Any) -> int:
    nursery = _asked()
    nursery.sendall(json.dumps({"environment": wanted, **more}).encode() + b"\n")
    with nursery.makefile("r") as answers:
        return int(answers.readline())


def said_by(wanted: dict[str, str], *command: str) -> str:
    """What a command of `manage.py` prints, in an environment; raises ``CalledProcessError`` if it fails."""
    with tempfile.NamedTemporaryFile("r") as output:
        status = _fork(wanted, command=command, output=output.name)
        said = output.read()
    if status:
        raise subprocess.CalledProcessError(status, command, said)
    return said


def _answers(port: int) -> bool:
    with socket.socket() as probe:
        return probe.connect_ex(("127.0.0.1", port)) == 0


@dataclass
class Server:
    """One running server. `kill` ends it as a loss of power would: without a word."""

    data: Path
    demo: bool = True
    port: int = field(default_factory=free_port)
    group: int | None = None
    workers: int = 1
    more: dict[str, str] = field(default_factory=dict)
    address: str = "127.0.0.1"

    @property
    def desk(self) -> str:
        return f"http://localhost:{self.port}"

    def site(self, slug: str) -> str:
        return f"http://{slug}.localhost:{self.port}"

    def start(self) -> "Server":
        self.group = _fork({**environment(self.data, self.port, self.demo, self.workers), **self.more})
        deadline = time.monotonic() + 30
        while time.monotonic() < deadline:
            try:
                if self.get("127.0.0.1", "/api/session")[0] == 200:
                    return self
            except OSError:
                time.sleep(0.05)
        raise RuntimeError("the server did not start within 30 seconds")

    def _end(self, how: signal.Signals) -> None:
        if self.group:
            os.killpg(self.group, how)
            deadline = time.monotonic() + 20
            while _answers(self.port) and time.monotonic() < deadline:
                time.sleep(0.01)
            self.group = None

    def stop(self) -> None:
        self._end(signal.SIGTERM)

    def kill(self) -> None:
        self._end(signal.SIGKILL)

    def ask(self, method: str, host: str, path: str, body: bytes | None = None, **headers: str) -> HTTPResponse:
        """One request, as a client sends it that does not resolve ``*.localhost``; refusals are answers too."""
        sent = {"Host": f"{host}:{self.port}", **headers}
        request = Request(f"http://{self.address}:{self.port}{path}", body, sent, method=method)
        try:
            return urlopen(request, timeout=60)
        except HTTPError as refusal:
            return refusal

    def get(self, host: str, path: str, **headers: str) -> tuple[int, bytes]:
        with self.ask("GET", host, path, **headers) as answer:
            return answer.status, answer.read()

    def send_form(self, host: str, path: str, fields: dict[str, str]) -> int:
        """Sends a form of a public page, as a browser does; gives the status of the answer itself."""
        request = Request(
            f"http://127.0.0.1:{self.port}{path}", urlencode(fields).encode(), {"Host": f"{host}:{self.port}"}
        )
        with _STAYS.open(request, timeout=60) as answer:
            return answer.status

    def __enter__(self) -> "Server":
        return self.start()

    def __exit__(self, *_: object) -> None:
        self.kill()


class Caller:
    """A program that calls the desk's API, as `contract.md` says it may."""

    def __init__(self, server: Server, email: str = OWNER) -> None:
        self.server = server
        self.cookie = ""
        self.call("POST", "/api/session", {"email": email, "password": PASSWORD})

    def call(self, method: str, path: str, body: Any = None, **headers: str) -> tuple[int, Any]:
        sent = {"Content-Type": "application/json", "Cookie": self.cookie, **headers}
        data = json.dumps(body).encode() if body is not None else None
        with self.server.ask(method, "localhost", path, data, **sent) as answer:
            for value in answer.headers.get_all("Set-Cookie") or ():
                for name, morsel in SimpleCookie(value).items():
                    if "session" in name:
                        self.cookie = f"{name}={morsel.value}"
            raw = answer.read()
            return answer.status, json.loads(raw) if raw else None

    def upload(self, site: str, name: str, body: bytes) -> tuple[int, Any]:
        """Sends a picture, as a form does."""
        edge = "hestor-upload"
        head = f'--{edge}\r\nContent-Disposition: form-data; name="file"; filename="{name}"\r\n\r\n'
        form = head.encode() + body + f"\r\n--{edge}--\r\n".encode()
        sent = {"Content-Type": f"multipart/form-data; boundary={edge}", "Cookie": self.cookie}
        with self.server.ask("POST", "localhost", f"/api/sites/{site}/pictures", form, **sent) as answer:
            return answer.status, json.loads(answer.read())

    def write(self, site: str, **facts: str) -> Any:
        revision = self.call("GET", f"/api/sites/{site}/style")[1]["revision"]
        return self.call("PATCH", f"/api/sites/{site}/style", {"facts": facts}, **{"If-Match": str(revision)})
