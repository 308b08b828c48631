"""Takes the pictures in docs/screenshots from a fresh demo: `make screenshots`."""

import tempfile
from collections.abc import Iterator
from contextlib import contextmanager
from pathlib import Path

from playwright.sync_api import Browser, Page, sync_playwright

from tests.support.chromium import ARGUMENTS, CHROMIUM
from tests.support.server import OWNER, PASSWORD, TOP, Server, make_data

FOLDER = TOP / "docs" / "screenshots"


@contextmanager
def _page(browser: Browser, width: int = 1280, dark: bool = False) -> Iterator[Page]:
    scheme = "dark" if dark else "light"
    context = browser.new_context(viewport={"width": width, "height": 800}, color_scheme=scheme, locale="en-GB")
    yield context.new_page()
    context.close()


_FETCHING = """() => [...document.querySelectorAll("p, span")].some((one) => {
  const { top, bottom } = one.getBoundingClientRect();
  return one.textContent.trim() === "Fetching …" && bottom > 0 && top < innerHeight;
})"""


def _shot(page: Page, name: str) -> None:
    page.wait_for_load_state("networkidle")
    for _ in range(100):
        if not page.evaluate(_FETCHING):
            break
        page.wait_for_timeout(100)
    page.evaluate("document.fonts.ready")
    page.wait_for_timeout(400)
    page.screenshot(path=FOLDER / f"{name}.png")


def _sign_in(page: Page, server: Server) -> None:
    page.goto(server.desk)
    page.get_by_label("Email", exact=True).fill(OWNER)
    page.get_by_label("Password", exact=True).fill(PASSWORD)
    page.get_by_role("button", name="Sign in").click()
    page.get_by_role("heading", name="All your sites").wait_for()


def _sites(page: Page) -> None:
    page.get_by_role("checkbox", name="Tick Quillmere").check()
    page.get_by_role("checkbox", name="Tick Uhrenwerkstatt").check()
    page.get_by_role("button", name="Sweep").click()
    page.get_by_text("spots differ").locator("visible=true").first.wait_for()
    page.get_by_role("button", name="Sweep").wait_for()
    _shot(page, "all-sites")
    page.get_by_role("link", name="Quillmere Seed Library").click()
    page.locator("[data-field=name]").wait_for()


def _brand(page: Page, server: Server) -> None:
    page.goto(f"{server.desk}/silberpfad/style")
    page.get_by_text("On dark backgrounds it stands on a light backing.").wait_for()
    page.evaluate("document.getElementById('fact-logo').closest('[role=group]').scrollIntoView()")
    _shot(page, "logo-and-icon")


def _words(page: Page, server: Server) -> None:
    page.goto(f"{server.desk}/quillmere/pages")
    page.get_by_role("checkbox", name="Tick Returning seed").check()
    page.get_by_role("region", name="Ticked pages").wait_for()
    _shot(page, "pages")
    page.get_by_role("link", name="Borrowing seed", exact=True).click()
    page.get_by_role("textbox", name="What it is about (Markdown)").wait_for()
    page.frame_locator("iframe").get_by_role("heading", level=1).wait_for()
    _shot(page, "editor")
    page.goto(f"{server.desk}/quillmere/pages/titles")
    page.get_by_role("button", name="Mend 1 Former name").click()
    page.get_by_role("region", name="What would change").wait_for()
    _shot(page, "titles")
    page.goto(f"{server.desk}/quillmere/style#frame")
    page.get_by_label("All in one line").check()
    page.get_by_text("3 changes not published").wait_for()
    page.evaluate("document.getElementById('frame').scrollIntoView()")
    page.wait_for_timeout(1500)
    _shot(page, "header")
    page.goto(f"{server.desk}/quillmere/editions")
    page.get_by_label("Compare with 1", exact=True).select_option(label="Edition 3")
    page.get_by_role("button", name="Bring this back as in edition 1").first.wait_for()
    page.get_by_label("Compare with 1", exact=True).scroll_into_view_if_needed()
    _shot(page, "compare")


def _in_arabic(page: Page, server: Server) -> None:
    page.get_by_label("Language · Sprache").select_option("ar")
    page.goto(f"{server.desk}/narjis/style")
    page.locator("[data-field=name]").wait_for()
    _shot(page, "house-style-arabic")
    page.get_by_label("Language · Sprache").select_option("en")
    page.wait_for_timeout(300)


def _contact(page: Page, server: Server) -> None:
    page.goto(f"{server.desk}/quillmere/style#contact")
    page.get_by_role("group", name="Address for notices").wait_for()
    page.get_by_role("group", name="Contact address").get_by_text("takes mail").wait_for()
    page.evaluate("document.getElementById('contact').scrollIntoView()")
    _shot(page, "contact")
    page.goto(f"{server.desk}/quillmere/mail?part=tray")
    page.get_by_role("button", name="Message from Ada Marrow").click()
    page.frame_locator("iframe").get_by_text("Crown Prince").wait_for()
    _shot(page, "mail-tray")


def _agreement(page: Page, server: Server) -> None:
    page.goto(f"{server.desk}/quillmere/consistency")
    page.get_by_text("pages agree").wait_for()
    _shot(page, "consistency")
    page.goto(f"{server.desk}/quillmere/proofs")
    page.get_by_label("Show where it lands").select_option(label="Tagline")
    page.get_by_label("Read from").select_option(label="both, side by side")
    page.get_by_role("region", name="Live, edition").get_by_role("figure").first.wait_for()
    _shot(page, "proofs")


def _desk(browser: Browser, server: Server) -> None:
    with _page(browser) as page:
        _sign_in(page, server)
        _sites(page)
        page.locator("[data-field=tagline]").fill("Borrow a packet, bring back a story")
        page.get_by_role("button", name="Open: Words and titles").click()
        page.locator("[data-field=footer_text]").fill("© {year:2019} {site}, in the old school")
        page.get_by_text("2 changes not published").wait_for()
        page.locator("[data-field=name]").focus()
        page.evaluate("scrollTo(0, 0)")
        _shot(page, "house-style")
        page.goto(f"{server.desk}/quillmere/review")
        _shot(page, "review")
        _agreement(page, server)
        _words(page, server)
        _brand(page, server)
        _contact(page, server)
        _in_arabic(page, server)
    with _page(browser, width=390, dark=True) as page:
        _sign_in(page, server)
        page.goto(f"{server.desk}/quillmere/style")
        page.locator("[data-field=name]").wait_for()
        _shot(page, "house-style-phone-dark")


def _public(browser: Browser, server: Server) -> None:
    for name, slug, path, width, dark in (
        ("public-page", "quillmere", "/", 1280, False),
        ("public-page-phone-dark", "narjis", "/", 390, True),
        ("public-events", "quillmere", "/swap-days/2026-12/", 1280, False),
        ("public-contact", "quillmere", "/contact/", 1280, False),
    ):
        with _page(browser, width, dark) as page:
            page.goto(server.site(slug) + path)
            _shot(page, name)


def main() -> None:
    """Starts the demo, takes every picture, stops it."""
    FOLDER.mkdir(parents=True, exist_ok=True)
    with tempfile.TemporaryDirectory() as folder, sync_playwright() as playwright:
        browser = playwright.chromium.launch(executable_path=CHROMIUM, args=ARGUMENTS)
        with Server(make_data(Path(folder) / "data"), port=8765) as server:
            _desk(browser, server)
            _public(browser, server)
        browser.close()


if __name__ == "__main__":
    main()
