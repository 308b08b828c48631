"""Consistency: pages by whomever they were made, a site's own pages, and how rightly strays are told."""

import tempfile
import time
from collections.abc import Iterator
from datetime import date
from functools import partial
from html.parser import HTMLParser
from pathlib import Path
from statistics import median
from threading import Event, Thread

from benchmarks.figures import Figure, least, p95, times
from benchmarks.sites import LARGE, fill
from hestor.core.sweep.files import Files
from hestor.core.sweep.folder import sweep
from hestor.core.sweep.style import read
from hestor.core.sweep.zipped import unpack
from tests.api.test_check import zipped
from tests.support.labelled import Sown, scores, sites
from tests.support.server import Caller, Server, make_data
from tests.sweep.test_hostile import PIECES, swept

_SITE = f"bench-{LARGE}"
_PAGES, _ZIPPED = 1_000, 500
_TODAY = date(2026, 5, 3)
_SENTENCES = (
    "Seed number {n} keeps best where it is cool and dry, in a paper bag with the name of the plant on it.",
    "Whoever borrowed packet {n} in the spring brings some of it back in the autumn, and nobody asks how much.",
    "The beans of row {n} were sown by the school, and the children wrote their names on wooden labels.",
    "On shelf {n} stand the tall jars with peas, which are counted twice a year by two of the volunteers.",
)


def _made(count: int) -> tuple[Sown, dict[str, bytes]]:
    """A site of so many pages, most of which agree: each has words of its own within what all share."""
    site = next(sites())
    kept = {name: raw for name, raw in site.files.items() if not name.endswith(".html")}
    frame = site.files["0.html"].decode()
    strays = [name for name in site.files if name.endswith(".html")]
    for number in range(count):
        own = "".join(f"<p>{sentence.format(n=number * 7 + at)}</p>" for at, sentence in enumerate(_SENTENCES * 4))
        page = site.files[strays[number % len(strays)]].decode() if number % 20 == 0 else frame
        kept[f"p{number}.html"] = (
            page.replace("<main>", f"<main>{own}").replace("<title>", f"<title>{number} ").encode()
        )
    return site, kept | {
        name: site.files[name] for name in ("index.html", "0.html", "1.html", "2.html", "3.html", "4.html")
    }


def _ratio() -> float:
    """A sweep of a thousand pages, as a ratio to the tokenizer's reading of the same HTML and nothing else."""
    site, files = _made(_PAGES)
    style = read(site.style()).style
    texts = [raw.decode() for name, raw in files.items() if name.endswith(".html")]
    seen = Files(tuple(files), files.__getitem__)
    sweep(Files(tuple(site.files), site.files.__getitem__), style, _TODAY)

    def bare() -> None:
        for text in texts:
            parser = HTMLParser(convert_charrefs=False)
            parser.feed(text)
            parser.close()

    parsed, swept_all = [], []
    for _ in range(12):
        parsed.append(least(bare, 1))
        swept_all.append(least(lambda: sweep(seen, style, _TODAY), 1))
    return min(swept_all) / min(parsed)


def _foreign() -> float:
    """A ZIP of somebody's pages unpacked and swept, in seconds."""
    site, files = _made(_ZIPPED)
    raw = zipped(files)
    begun = time.perf_counter()
    sweep(unpack(raw).as_files(), read(site.style()).style, _TODAY)
    return time.perf_counter() - begun


def _whole(caller: Caller) -> float:
    """All pages of a site, step by step, in seconds."""
    begun = time.perf_counter()
    while True:
        progress = caller.call("POST", f"/api/sites/{_SITE}/sweep/step")[1]
        if progress["done"] >= progress["total"]:
            return time.perf_counter() - begun


def _beside(server: Server, over: Event, taken: list[float]) -> None:
    """What somebody else at the desk waits for a call meanwhile."""
    caller = Caller(server)
    while not over.is_set():
        begun = time.perf_counter()
        caller.call("GET", f"/api/sites/{_SITE}/style")
        taken.append((time.perf_counter() - begun) * 1000)
        time.sleep(0.2)


def _own(server: Server) -> Iterator[Figure]:
    caller = Caller(server)
    over, waited = Event(), []
    beside = Thread(target=_beside, args=(server, over, waited))
    beside.start()
    first = _whole(caller)
    over.set()
    beside.join()
    yield Figure(f"sweep of {LARGE} own pages, step by step", first, "s", 60)
    yield Figure("a call of the desk meanwhile, p95", p95(waited), "ms")
    again = []
    for number in range(3):
        page = caller.call("GET", f"/api/sites/{_SITE}/pages")[1][number + 1]["id"]
        body = {"pages": [{"page": page, "body": f"Other words {number}."}]}
        caller.call("POST", f"/api/sites/{_SITE}/sweep/words", body)
        again.append(_whole(caller))
    yield Figure("sweep again after one page changed, ratio to the first", median(again) / first, "", 1 / 50)


def _longer() -> float:
    """How many times longer a page takes that is ten times as long, made of the piece for which it is worst."""
    worst = 0.0
    for piece in PIECES:
        swept(piece, 400)
        short = long = 9e9
        # In turn, so that a while in which the machine is slow falls on both.
        for _ in range(4):
            short = min(short, least(partial(swept, piece, 400), 2))
            long = min(long, least(partial(swept, piece, 4_000), 1))
        # Of what takes hardly any time only the noise would be told.
        worst = max(worst, long / max(short, 0.02))
    return worst


def _board(caller: Caller) -> float:
    """Every place at once, of a page with each name new, on the server."""

    def look(number: int) -> None:
        asked = {
            "path": "/about/",
            "at": "",
            "facts": {"name": f"Seed House {number}"},
            "places": None,
            "edition": None,
        }
        assert caller.call("POST", "/api/sites/quillmere/proofs", asked)[0] == 200

    return p95(times(look, 30))


def measure() -> Iterator[Figure]:
    """All figures of this part."""
    # First, as on the command line: what else a process has read weighs on it.
    yield Figure(f"sweep of {_PAGES} pages, ratio to bare parsing", _ratio(), "", 3)
    yield Figure("sweep of a page ten times longer, the worst of its pieces", _longer(), "times", 12)
    yield Figure(f"somebody's ZIP of {_ZIPPED} pages", _foreign(), "s", 10)
    found = scores(sites())
    yield Figure("strays not found, the worst kind", 1 - min(one.recall for one in found.values()), "", 0.05)
    yield Figure(
        "spots wrongly called strays, the worst kind", 1 - min(one.precision for one in found.values()), "", 0.03
    )
    with tempfile.TemporaryDirectory() as folder:
        data = make_data(Path(folder) / "data")
        fill(data)
        with Server(data) as server:
            yield Figure("the board, all places, p95", _board(Caller(server)), "ms", 300)
            yield from _own(server)
