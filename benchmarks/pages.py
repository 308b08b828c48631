"""Words on every page: the table of titles, a pattern changed, files taken in, and a text drawn while it is typed."""

import gzip
import re
import subprocess
import sys
import tempfile
import time
from collections.abc import Iterator
from pathlib import Path
from statistics import median

from playwright.sync_api import Browser, Page, sync_playwright

from benchmarks.figures import Figure, p95, times
from benchmarks.sites import LARGE, fill
from tests.support.chromium import ARGUMENTS, CHROMIUM
from tests.support.server import OWNER, PASSWORD, TOP, Caller, Server, make_data

_SITE = f"bench-{LARGE}"
_FILES = 1_000
_PARAGRAPH = (
    "Seed keeps best where it is cool, dry and *dark*. {site} lends it out, and every packet has "
    "[a number](/p1/) on it that you write into the red book.\n\n"
)
_LONG = (_PARAGRAPH * 200)[:20_000]


def _table(caller: Caller) -> float:
    """The first part of the table after a change, for which all of it is computed; in seconds."""
    taken = []
    for number in range(5):
        caller.write(_SITE, name=f"Table {number}")
        taken += times(lambda _: caller.call("GET", f"/api/sites/{_SITE}/titles?count=100"), 1, warm=0)
    return median(taken) / 1000


def _pattern(caller: Caller) -> float:
    """Another pattern for all titles, kept and published; in seconds."""

    def change(number: int) -> None:
        caller.write(_SITE, title_pattern=f"{{page}} · {{site}} {number}")
        caller.call("POST", f"/api/sites/{_SITE}/editions")

    return median(times(change, 7, warm=1)) / 1000


def _file(number: int) -> str:
    return f"---\ntitle: Page {number}\nsummary: About {number}.\norder: {number}\n---\n\n{_PARAGRAPH * 8}"


def _import() -> float:
    """Files of pages taken into a draft, as a ratio to reading their front matter and Markdown and nothing else."""
    import yaml
    from markdown_it import MarkdownIt

    from hestor.accounts.models import Account
    from hestor.core.pages.package import Package
    from hestor.sites.services.creation import make_site
    from hestor.sites.services.importing import take_in

    texts = {f"f{number % 20}/p{number}.md": _file(number) for number in range(_FILES)}

    def bare(_: int) -> None:
        reader = MarkdownIt("commonmark")
        for text in texts.values():
            _, head, body = text.split("---\n", 2)
            yaml.load(head, yaml.CSafeLoader)
            reader.render(body)

    owner = Account.objects.get(email=OWNER)
    ratios = []
    for number in range(3):
        site = make_site(owner, {"name": f"Import {number}"}, f"bench-import-{number}")
        begun = time.perf_counter()
        report = take_in(site, Package(texts))
        taken = (time.perf_counter() - begun) * 1000
        if len(report.added) != _FILES:
            raise RuntimeError(f"only {len(report.added)} files were taken: {report.problems[:3]}")
        ratios.append(taken / median(times(bare, 1, warm=0)))
    return median(ratios)


def _signed_in(browser: Browser, server: Server, width: int = 1280) -> Page:
    page = browser.new_page(viewport={"width": width, "height": 800})
    page.goto(f"{server.desk}/quillmere/pages")
    page.get_by_label("Email", exact=True).fill(OWNER)
    page.get_by_label("Password", exact=True).fill(PASSWORD)
    page.get_by_role("button", name="Sign in").click()
    page.get_by_role("link", name="Pages", exact=True).wait_for()
    return page


# From the click on the tab to the first row that is drawn; the browser's own clock.
_FIRST_ROWS = """async () => {
  const tab = [...document.querySelectorAll('a')].find((one) => one.pathname.endsWith('/pages/titles'));
  const start = performance.now();
  tab.click();
  while (!document.querySelector('[role=grid] [role=gridcell]')) await new Promise(requestAnimationFrame);
  return performance.now() - start;
}"""
_SCROLL = """async () => {
  const grid = document.querySelector('[role=grid]');
  const taken = [];
  let last = performance.now();
  for (let frame = 0; frame < 240; frame += 1) {
    grid.scrollTop += 100;
    const now = await new Promise(requestAnimationFrame);
    taken.push(now - last);
    last = now;
  }
  return taken.slice(10);
}"""


def _in_browser(browser: Browser, server: Server) -> tuple[float, float]:
    page = _signed_in(browser, server)
    taken = []
    for _ in range(4):
        page.goto(f"{server.desk}/{_SITE}/pages")
        page.get_by_role("link", name="Titles and descriptions").wait_for()
        page.wait_for_load_state("networkidle")
        taken.append(page.evaluate(_FIRST_ROWS))
    page.wait_for_load_state("networkidle")
    return median(taken[1:]), p95(page.evaluate(_SCROLL))


# Each says by one clock when a letter was typed, and when the page of the draft showed it.
_WATCH = """() => {
  window.seen = {};
  new MutationObserver(() => {
    for (const [word] of document.querySelector('main').textContent.matchAll(/typed\\d+q/g))
      window.seen[word] ??= performance.timeOrigin + performance.now();
  }).observe(document.querySelector('main'), {childList: true, subtree: true, characterData: true});
}"""

_ARM = """() => addEventListener('keydown', () => { window.at = performance.timeOrigin + performance.now(); },
  {once: true, capture: true})"""


def _keystrokes(browser: Browser, server: Server, caller: Caller) -> float:
    """From a letter typed into a text of 20,000 characters to the page that shows it; p95 in milliseconds."""
    pages = caller.call("GET", "/api/sites/quillmere/pages")[1]
    chosen = next(one for one in pages if one["path"] == "/borrowing/")
    revision = caller.call("GET", "/api/sites/quillmere/style")[1]["revision"]
    path = f"/api/sites/quillmere/pages/{chosen['id']}"
    caller.call("PATCH", path, {"body": _LONG}, **{"If-Match": str(revision)})
    page = _signed_in(browser, server, 1440)
    page.goto(f"{server.desk}/quillmere/pages/{chosen['id']}")
    text = page.get_by_role("textbox", name=re.compile("Markdown"))
    text.click()
    page.keyboard.press("Control+Home")
    page.wait_for_load_state("networkidle")
    frame = next(one for one in page.frames if "_preview" in one.url)
    frame.wait_for_selector("main p")
    frame.evaluate(_WATCH)
    typed = {}
    for number in range(45):
        page.keyboard.type(f" typed{number}")
        # As after a moment's thought: what was typed before is kept by now.
        page.wait_for_timeout(900)
        page.evaluate(_ARM)
        page.keyboard.press("q")
        typed[f"typed{number}q"] = page.evaluate("window.at")
        page.wait_for_timeout(450)
    seen = frame.evaluate("window.seen")
    return p95([seen[word] - at for word, at in list(typed.items())[5:]])


def _editor_weight() -> float:
    """The script of the editor of texts, fetched where it is used: what its entry imports that the desk did not."""
    folder = TOP / "hestor" / "desk" / "dist" / "public" / "_desk"
    entry = next(folder.glob("MarkdownEditor-*.js"))
    return len(gzip.compress(entry.read_bytes(), 9)) / 1000


def measure() -> Iterator[Figure]:
    """Starts the server with a large site and measures from outside, and in a browser."""
    with tempfile.TemporaryDirectory() as folder:
        data = make_data(Path(folder) / "data")
        # Django knows one folder of data a process, and other benchmarks have had theirs in this one.
        call = [sys.executable, "-m", "benchmarks.pages", str(data)]
        ratio = float(subprocess.run(call, check=True, capture_output=True, text=True, cwd=TOP).stdout)
        yield Figure(f"import of {_FILES:,} Markdown files, ratio to the bare parsing", ratio, "times", 3)
        with Server(data) as server, sync_playwright() as playwright:
            browser = playwright.chromium.launch(executable_path=CHROMIUM, args=ARGUMENTS)
            caller = Caller(server)
            yield Figure("title table of 10,000 pages, computed on the server", _table(caller), "s", 1)
            yield Figure("change of the title pattern on 10,000 pages, published", _pattern(caller), "s", 1)
            first, frames = _in_browser(browser, server)
            yield Figure("title table of 10,000 pages, first rows in the browser", first, "ms", 300)
            yield Figure("title table of 10,000 pages, frames while scrolling, p95", frames, "ms", 20)
            taken = _keystrokes(browser, server, caller)
            yield Figure("keystroke in a text of 20,000 characters to its drawn look, p95", taken, "ms", 150)
            browser.close()
    yield Figure("the editor's added script, gzip", _editor_weight(), "kB", 180)


if __name__ == "__main__":
    fill(Path(sys.argv[1]))
    print(_import())
