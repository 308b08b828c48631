"""The desk in the browser: the weight of its first load, and a keystroke to its proof."""

import gzip
import re
import statistics
import tempfile
from collections.abc import Iterator
from pathlib import Path

from playwright.sync_api import Page, sync_playwright

from benchmarks.figures import Figure
from tests.support.chromium import ARGUMENTS, CHROMIUM
from tests.support.server import OWNER, PASSWORD, TOP, Server, make_data

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
    page.goto(server.desk)
    page.get_by_label("Email", exact=True).fill(OWNER)
    page.get_by_label("Password", exact=True).fill(PASSWORD)
    page.get_by_role("button", name="Sign in").click()
    page.locator('[aria-labelledby="fact-name"] figure').nth(1).wait_for()
    # At the very first visit the marks' files are still being made; typing comes after.
    page.wait_for_load_state("networkidle")


def _keystrokes() -> list[float]:
    with tempfile.TemporaryDirectory() as folder, sync_playwright() as playwright:
        browser = playwright.chromium.launch(executable_path=CHROMIUM, args=ARGUMENTS)
        with Server(make_data(Path(folder) / "data")) as server:
            page = browser.new_page(viewport={"width": 1280, "height": 800})
            _open_sheet(page, server)
            taken = [page.evaluate(_KEYSTROKE, f"Typed{'x' * n}") for n in range(60)]
        browser.close()
    return taken[5:]


def measure() -> Iterator[Figure]:
    """Weighs the built scripts and types in a real browser."""
    yield Figure("first load of the desk, script, gzip", _script_weight(), "kB", 220)
    taken = _keystrokes()
    yield Figure("keystroke to drawn proof in the browser, median", statistics.median(taken), "ms")
    yield Figure("keystroke to drawn proof in the browser, p95", statistics.quantiles(taken, n=20)[-1], "ms", 150)
