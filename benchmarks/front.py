"""Files in front: nginx with what Hestor laid down, beside the same nginx with the same bare file."""

import re
import shutil
import statistics
import subprocess
import tempfile
import time
from collections.abc import Iterator
from pathlib import Path

from benchmarks.figures import Figure, p95
from benchmarks.sites import LARGE, fill
from tests.support.nginx import NGINX, Nginx, ask
from tests.support.server import Caller, Server, free_port, make_data

_SITE = f"bench-{LARGE}"
_ROUNDS, _SECONDS = 5, 3
_BARE = """
server {{
    listen {port};
    server_name bare;
    root {folder}/bare;
    gzip_static on;
    etag on;
    types {{}}
    default_type "text/html; charset=utf-8";
}}
"""


def _rate(port: int, host: str, path: str) -> float:
    """Requests a second of 16 connections, compressed."""
    command = ["wrk", "-t2", "-c16", f"-d{_SECONDS}s", "-H", f"Host: {host}", "-H", "Accept-Encoding: gzip"]
    said = subprocess.run([*command, f"http://127.0.0.1:{port}{path}"], capture_output=True, text=True, check=True)
    if "Non-2xx" in said.stdout:
        raise RuntimeError(said.stdout)
    found = re.search(r"Requests/sec:\s+([\d.]+)", said.stdout)
    return float(found[1]) if found else 0.0


def _publish_times(caller: Caller, nginx: Nginx, host: str) -> list[float]:
    taken = []
    for turn in range(15):
        ask(nginx.port, host, "/")
        caller.write(_SITE, name=f"Name {turn}")
        begun = time.perf_counter()
        caller.call("POST", f"/api/sites/{_SITE}/editions")
        taken.append((time.perf_counter() - begun) * 1000)
    return taken


def _first_views(nginx: Nginx, host: str) -> list[float]:
    taken = []
    for number in range(300):
        begun = time.perf_counter()
        assert ask(nginx.port, host, f"/p{number * 2 % 8}/{number * 2}/", Accept_Encoding="gzip")[0] == 200
        taken.append((time.perf_counter() - begun) * 1000)
    return taken


def measure() -> Iterator[Figure]:
    """The figures; none where there is no nginx or no wrk."""
    if NGINX is None or shutil.which("wrk") is None:
        return
    with tempfile.TemporaryDirectory() as name:
        folder = Path(name)
        public, bare = free_port(), free_port()
        (folder / "bare").mkdir()
        data = make_data(folder / "data")
        fill(data)
        more = {"HESTOR_FRONT": str(folder / "front"), "HESTOR_NOW": "", "HESTOR_PUBLIC_PORT": str(public)}
        bare_server = _BARE.format(port=bare, folder=folder)
        with (
            Server(data, more=more, workers=2) as server,
            Nginx(folder / "nginx", server, port=public, more=bare_server) as nginx,
        ):
            host = f"{_SITE}.localhost:{public}"
            yield Figure("first view through nginx, p95", p95(_first_views(nginx, host)), "ms", 30)
            plain = ask(nginx.port, host, "/p0/0/", Accept_Encoding="")[2]
            coded = ask(nginx.port, host, "/p0/0/", Accept_Encoding="gzip")[2]
            (folder / "bare" / "page.html").write_bytes(plain)
            (folder / "bare" / "page.html.gz").write_bytes(coded)
            pairs = [(_rate(nginx.port, host, "/p0/0/"), _rate(bare, "bare", "/page.html")) for _ in range(_ROUNDS)]
            # A shared machine is at times half as fast, for seconds: only what both reach at their best compares them.
            best = max(own for own, _ in pairs)
            slower = max(plain_rate for _, plain_rate in pairs) / best
            yield Figure("a page seen before, bare nginx to nginx with files of Hestor", slower, "times", 1.25)
            yield Figure("requests a second of such a page", best, "1/s", None)
            times = _publish_times(Caller(server), nginx, host)
            yield Figure("publish on 10,000 pages with files in front", statistics.median(times), "ms", 50)
