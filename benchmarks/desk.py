"""The desk in the browser: the weight of its first load, and a keystroke to its proof."""

import gzip
import re
import statistics
import tempfile
import time
from collections.abc import Iterator
from pathlib import Path

from playwright.sync_api import Page, sync_playwright

from benchmarks.figures import Figure
from tests.support.chromium import ARGUMENTS, CHROMIUM
from tests.support.server import OWNER, PASSWORD, TOP, Server, make_data
from tests.support.small_controls import SMALL, VIEWS

_PUBLIC = TOP / "hestor" / "desk" / "dist" / "public" / "_desk"
# Types one letter and waits, frame by frame, until the proof of the page header says it.
_KEYSTROKE = """async (text) => {
  const field = document.querySelector('[data-field="name"]');
  const set = Object.getOwnPropertyDescriptor(HTMLTextAreaElement.prototype, 'value').set;
  const proof = () => document.querySelector('[aria-labelledby="fact-name"] figure:nth-of-type(2)').textContent;
  const start = performance.now();
  set.call(field, text);
  field.dispatchEvent(new Event('input', {bubbles: true}));
  while (!proof().includes(text) && performance.now() - start < 5000) await new Promise(requestAnimationFrame);
  return performance.now() - start;
}"""


def _script_weight() -> float:
    """What the desk's page asks for before it shows anything; words of other languages and rare editors come later."""
    asked = re.findall(r'(?:src|href)="/_desk/([^"]+\.js)"', (_PUBLIC.parents[1] / "index.html").read_text())
    return sum(len(gzip.compress((_PUBLIC / name).read_bytes(), 9)) for name in asked) / 1000


def _open_sheet(page: Page, server: Server) -> None:
    page.goto(f"{server.desk}/quillmere/style")
    page.get_by_label("Email", exact=True).fill(OWNER)
    page.get_by_label("Password", exact=True).fill(PASSWORD)
    page.get_by_role("button", name="Sign in").click()
    page.locator('[aria-labelledby="fact-name"] figure').nth(1).wait_for()
    # At the very first visit the marks' files are still being made; typing comes after.
    page.wait_for_load_state("networkidle")


def _usable(server: Server, page: Page) -> list[float]:
    """How many milliseconds pass from asking for the sheet until its first fact can be typed, the processor slowed."""
    slow = page.context.new_cdp_session(page)
    slow.send("Emulation.setCPUThrottlingRate", {"rate": 4})
    taken = []
    for _ in range(7):
        begin = time.perf_counter()
        page.goto(f"{server.desk}/quillmere/style", wait_until="commit")
        page.locator('[data-field="name"]').press_sequentially(".")
        taken.append((time.perf_counter() - begin) * 1000)
        page.keyboard.press("Control+z")
        page.wait_for_load_state("networkidle")
    slow.detach()
    return taken[1:]


def _small(server: Server, page: Page) -> int:
    """How many things that can be chosen are smaller than a fingertip allows, over all views on a phone."""
    page.set_viewport_size({"width": 390, "height": 844})
    small = 0
    for view in VIEWS:
        page.goto(f"{server.desk}/quillmere/{view}")
        page.wait_for_load_state("networkidle")
        small += len(page.evaluate(SMALL))
    return small


def _in_the_browser() -> tuple[list[float], list[float], int]:
    """Keystrokes, times until the sheet is usable, and how many controls are too small."""
    with tempfile.TemporaryDirectory() as folder, sync_playwright() as playwright:
        browser = playwright.chromium.launch(executable_path=CHROMIUM, args=ARGUMENTS)
        with Server(make_data(Path(folder) / "data")) as server:
            page = browser.new_page(viewport={"width": 1280, "height": 800})
            _open_sheet(page, server)
            taken = [page.evaluate(_KEYSTROKE, f"Typed{'x' * n}") for n in range(60)]
            usable, small = _usable(server, page), _small(server, page)
        browser.close()
    return taken[5:], usable, small


def measure() -> Iterator[Figure]:
    """Weighs the built scripts and types in a real browser."""
    yield Figure("first load of the desk, script, gzip", _script_weight(), "kB", 220)
    taken, usable, small = _in_the_browser()
    yield Figure("keystroke to drawn proof in the browser, median", statistics.median(taken), "ms")
    yield Figure("keystroke to drawn proof in the browser, p95", statistics.quantiles(taken, n=20)[-1], "ms", 150)
    yield Figure("sheet usable, processor slowed four times", statistics.median(usable), "ms", 1500)
    yield Figure("controls under 24 px at 390 px, all views", small, "", 0)
