"""Walks of owners through the desk in a real browser, counted in clicks."""

import tempfile
from collections.abc import Callable, Iterator
from pathlib import Path

from playwright.sync_api import Browser, Locator, Page, expect, sync_playwright

from benchmarks.figures import Figure
from tests.support.chromium import ARGUMENTS, CHROMIUM
from tests.support.pictures import png
from tests.support.server import OWNER, PASSWORD, Server, make_data

SITES = 10
WIDE, PHONE = 1280, 390


class Hand:
    """A hand that counts what it does: each click, and each choice out of a list, is one.

    ``scrolled`` is how far it scrolled to what it clicked, in pixels.
    """

    def __init__(self, page: Page) -> None:
        self.page = page
        self.count = 0
        self.scrolled = 0.0

    def clicks(self, target: Locator) -> None:
        """Clicks something, once it is in sight."""
        target.wait_for()
        before = self.page.evaluate("scrollY")
        target.scroll_into_view_if_needed()
        self.scrolled += abs(self.page.evaluate("scrollY") - before)
        target.click()
        self.count += 1

    def says(self, field: Locator, words: str) -> None:
        """Clicks into a field and types."""
        self.clicks(field)
        field.press_sequentially(words)

    def chooses(self, target: Locator, label: str) -> None:
        """Chooses one of a list."""
        target.select_option(label=label)
        self.count += 1

    def picks(self, target: Locator, file: bytes) -> None:
        """Clicks what asks for a file, and picks one in the window that the system opens."""
        with self.page.expect_file_chooser() as asked:
            self.clicks(target)
        asked.value.set_files({"name": "logo.png", "mimeType": "image/png", "buffer": file})
        self.count += 1


def _further_sites(page: Page, server: Server) -> None:
    for number in range(1, SITES):
        made = page.request.post(f"{server.desk}/api/sites", data={"name": f"Garden {number}"})
        assert made.ok, made.text()


def _signed_in(browser: Browser, server: Server, width: int) -> Page:
    page = browser.new_page(viewport={"width": width, "height": 800}, has_touch=width < WIDE)
    page.goto(server.desk)
    page.get_by_label("Email", exact=True).fill(OWNER)
    page.get_by_label("Password", exact=True).fill(PASSWORD)
    page.get_by_role("button", name="Sign in").click()
    page.get_by_role("heading", name="All your sites").wait_for()
    return page


def _bundle(page: Page, server: Server) -> tuple[int, int]:
    """A look for all sites, live: the clicks that it takes, and those that take it back in all drafts."""
    page.goto(f"{server.desk}/all-sites")
    hand = Hand(page)
    hand.clicks(page.get_by_role("button", name="Tick all"))
    bar = page.get_by_role("region", name="Ticked sites")
    hand.clicks(bar.get_by_role("button", name="Copy look or manners …"))
    hand.chooses(bar.get_by_label("As on"), "Quillmere Seed Library · quillmere.localhost")
    hand.clicks(bar.get_by_role("button", name="Copy to"))
    undo = Hand(page)
    undo.clicks(page.get_by_role("button", name="Undo"))
    page.get_by_text("Undone in the drafts").wait_for()
    page.get_by_role("button", name="Redo").click()
    page.get_by_text("Changed in the drafts").wait_for()
    hand.clicks(bar.get_by_role("button", name="Review"))
    review = page.get_by_role("region", name="What changes")
    hand.clicks(review.get_by_role("button", name="Publish"))
    expect(review.get_by_text("is live")).to_have_count(SITES + 1, timeout=60_000)
    return hand.count, undo.count


def _logo(page: Page, server: Server) -> int:
    """Another logo on another site than the one that was open last, live: the clicks that it takes."""
    page.goto(f"{server.desk}/quillmere/style")
    page.locator("[data-field=name]").wait_for()
    hand = Hand(page)
    hand.clicks(page.get_by_role("button", name="Open site"))
    hand.clicks(page.get_by_role("menuitem", name="Garden 2"))
    logo = page.get_by_role("group", name="Logo", exact=True)
    hand.picks(logo.get_by_role("button", name="Upload a logo"), png(300, 80))
    expect(logo).to_contain_text("Saved")
    hand.clicks(page.get_by_role("button", name="Review and publish"))
    hand.clicks(page.get_by_role("button", name="Publish the first edition"))
    page.get_by_role("heading", name="is live").wait_for()
    return hand.count


def _eight(page: Page, server: Server) -> tuple[int, float]:
    """From nothing to all that every site needs, live: the clicks, and the screens that are scrolled through.

    Language, time zone and dates come with the town.
    """
    page.goto(f"{server.desk}/new-site")
    hand = Hand(page)
    # The first field has the focus, and the keyboard leads on from field to field.
    page.get_by_label("What is the site called?").press_sequentially("Harrow Lane Bakery")
    town = page.get_by_role("combobox", name="In which town?")
    page.keyboard.press("Tab")
    town.press_sequentially("trogen")
    page.get_by_role("listbox").get_by_role("option").first.wait_for()
    for key in ("ArrowDown", "Enter"):
        page.keyboard.press(key)
    hand.clicks(page.get_by_role("button", name="Make the site"))
    hand.clicks(page.get_by_role("link", name="A tagline"))
    page.get_by_role("textbox", name="Tagline", exact=True).press_sequentially("Bread from Trogen")
    hand.picks(page.get_by_role("button", name="Upload a logo").first, png(300, 80))
    icon = page.get_by_role("group", name="Icon", exact=True)
    if icon.count() == 0:
        hand.clicks(page.get_by_role("button", name="Next: Icon").first)
    hand.clicks(icon.get_by_role("button", name="From the logo"))
    hand.says(page.get_by_role("textbox", name="Contact address", exact=True), "bread@harrow.example")
    page.get_by_text("✓ Saved").last.wait_for()
    hand.clicks(page.get_by_role("button", name="Review"))
    hand.clicks(page.get_by_role("button", name="Publish the first edition"))
    page.get_by_role("heading", name="is live").wait_for()
    size = page.viewport_size or {"height": 1}
    return hand.count, hand.scrolled / size["height"]


class Keys:
    """Somebody without a mouse, who counts each key but those of words."""

    def __init__(self, page: Page) -> None:
        self.page = page
        self.count = 0

    def press(self, *keys: str) -> None:
        """Presses keys, one after the other."""
        for key in keys:
            self.page.keyboard.press(key)
            self.count += 1

    def goes_to(self, target: Locator) -> None:
        """Presses Tab until something has the focus, once what leads there has come."""
        target.wait_for()
        self.page.wait_for_load_state("networkidle")
        for _ in range(100):
            if target.evaluate("it => it === document.activeElement"):
                return
            self.press("Tab")
        raise AssertionError(f"no Tab leads to {target}")


def _eight_by_keys(page: Page, server: Server) -> int:
    """The same by keyboard alone: the keys that it takes besides words."""
    page.goto(f"{server.desk}/new-site")
    keys = Keys(page)
    page.get_by_label("What is the site called?").press_sequentially("Harrow Lane Bakery")
    keys.press("Tab")
    page.keyboard.type("trogen")
    page.get_by_role("listbox").get_by_role("option").first.wait_for()
    keys.press("ArrowDown", "Enter")
    keys.goes_to(page.get_by_role("button", name="Make the site"))
    keys.press("Enter")
    keys.goes_to(page.get_by_role("link", name="A tagline"))
    keys.press("Enter")
    keys.goes_to(page.get_by_role("textbox", name="Tagline", exact=True))
    page.keyboard.type("Bread from Trogen")
    keys.goes_to(page.get_by_role("button", name="Upload a logo").first)
    with page.expect_file_chooser() as asked:
        keys.press("Enter")
    # In the system's window a file is chosen by its name.
    asked.value.set_files({"name": "logo.png", "mimeType": "image/png", "buffer": png(300, 80)})
    keys.count += 1
    keys.goes_to(page.get_by_role("group", name="Icon", exact=True).get_by_role("button", name="From the logo"))
    keys.press("Enter")
    keys.goes_to(page.get_by_role("textbox", name="Contact address", exact=True))
    page.keyboard.type("bread@harrow.example")
    page.get_by_text("✓ Saved").last.wait_for()
    keys.press("Control+k")
    page.get_by_role("combobox", name="Find").wait_for()
    page.keyboard.type("publish")
    page.get_by_role("option").first.wait_for()
    keys.press("Enter")
    publish = page.get_by_role("button", name="Publish the first edition")
    keys.goes_to(page.get_by_role("link", name="Skip to publishing"))
    keys.press("Enter")
    keys.goes_to(publish)
    keys.press("Enter")
    page.get_by_role("heading", name="is live").wait_for()
    return keys.count


def _walk(browser: Browser, walk: Callable[[Page, Server], tuple[float, ...]], width: int = WIDE) -> tuple[float, ...]:
    with tempfile.TemporaryDirectory() as folder, Server(make_data(Path(folder) / "data")) as server:
        page = _signed_in(browser, server, width)
        _further_sites(page, server)
        return walk(page, server)


def measure() -> Iterator[Figure]:
    """Walks each way once."""
    with sync_playwright() as playwright:
        browser = playwright.chromium.launch(executable_path=CHROMIUM, args=ARGUMENTS)
        bundle, undo = _walk(browser, _bundle)
        yield Figure(f"clicks: a look to {SITES} sites, live", bundle, "", 8)
        yield Figure("clicks: the same taken back in all drafts", undo, "", 1)
        (logo,) = _walk(browser, lambda page, server: (_logo(page, server),))
        yield Figure(f"clicks: a logo on the second of {SITES} sites, live", logo, "", 6)
        clicks, _ = _walk(browser, _eight)
        yield Figure("clicks: from nothing to eight facts live", clicks, "", 8)
        taps, screens = _walk(browser, _eight, PHONE)
        yield Figure("taps at 390 px: from nothing to eight facts live", taps, "", 10)
        yield Figure("screens scrolled at 390 px: from nothing to eight facts live", screens, "", 5)
        (keys,) = _walk(browser, lambda page, server: (_eight_by_keys(page, server),))
        yield Figure("keys besides words: from nothing to eight facts live", keys, "", 60)
        browser.close()
