"""Public pages as Lighthouse sees them on a phone, where it is installed (``make lighthouse``)."""

import json
import os
import re
import subprocess
import tempfile
from collections.abc import Iterator
from pathlib import Path

from benchmarks.figures import Figure
from tests.support.chromium import CHROMIUM
from tests.support.pictures import encoded, photograph
from tests.support.server import TOP, Caller, Server, make_data

_LIGHTHOUSE = TOP / "build" / "lighthouse" / "node_modules" / ".bin" / "lighthouse"
_CATEGORIES = "performance,accessibility,best-practices,seo"
_PHOTOS = 8
_MOST_SHIFT = 0.05
# A shared machine is slow for seconds at a time, so the best of a few counts.
_TRIES = 5


def _add_long_page(server: Server) -> str:
    """A long page with photographs, as owners write them; its address."""
    caller = Caller(server)
    parts = []
    for number in range(_PHOTOS):
        body = encoded(photograph(2400, 1600, number), "JPEG", quality=88)
        key = caller.upload("quillmere", f"{number}.jpg", body)[1]["picture"]["key"]
        words = "What came up in this bed, and what did not. " * 40
        parts.append(f"## Bed {number}\n\n![Bed {number} in June](/_hestor/pic-{key})\n\n{words}")
    page = {"path": "/beds/", "title": "A year in eight beds", "body": "\n\n".join(parts)}
    assert caller.call("POST", "/api/sites/quillmere/pages", page)[0] == 201
    assert caller.call("POST", "/api/sites/quillmere/editions")[0] == 201
    _make_files(server, "/beds/")
    return server.site("quillmere") + "/beds/"


def _make_files(server: Server, path: str) -> None:
    """Has the pictures of a page made, as its first visitor does; they are made once."""
    page = server.get("quillmere.localhost", path)[1].decode()
    for address in dict.fromkeys(re.findall(r"/_hestor/pic-[^ \",]+", page)):
        assert server.get("quillmere.localhost", address)[0] == 200


def _audited(address: str, folder: Path) -> tuple[float, float, str]:
    """Points short of 100 in all four categories together, layout shift, and what was found amiss."""
    report = folder / "report.json"
    subprocess.run(
        [_LIGHTHOUSE, address, "--quiet", "--output=json", f"--output-path={report}",
         "--chrome-flags=--headless --no-sandbox", f"--only-categories={_CATEGORIES}"],
        check=True, env={**os.environ, "CHROME_PATH": CHROMIUM}, capture_output=True,
    )  # fmt: skip
    found = json.loads(report.read_text())
    short = sum(100 - round(100 * (category["score"] or 0)) for category in found["categories"].values())
    audits = found["audits"]
    amiss = [name for name, audit in audits.items() if audit["score"] is not None and audit["score"] < 1]
    return short, audits["cumulative-layout-shift"]["numericValue"], " ".join(amiss)


def measure() -> Iterator[Figure]:
    """Each page at its best of a few tries."""
    if not _LIGHTHOUSE.exists():
        print("  Lighthouse is not installed (make lighthouse), so public pages are not audited.")
        return
    with tempfile.TemporaryDirectory() as folder, Server(make_data(Path(folder) / "data")) as server:
        pages = {f"home page of {slug}": server.site(slug) + "/" for slug in ("quillmere", "silberpfad", "narjis")}
        pages["post"] = server.site("quillmere") + "/news/great-drying-2026/"
        pages["long page with photographs"] = _add_long_page(server)
        for name, address in pages.items():
            tries = []
            while len(tries) < _TRIES and not any(short == 0 for short, _, _ in tries):
                tries.append(_audited(address, Path(folder)))
            short, shift, amiss = min(tries)
            if short:
                print(f"  {name}: {amiss}")
            yield Figure(f"Lighthouse, {name}: points short of four times 100", short, "points", 0)
            yield Figure(f"Lighthouse, {name}: layout shift", shift, "", _MOST_SHIFT)
