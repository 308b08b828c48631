import os
from collections.abc import Iterator
from pathlib import Path

import pytest
from playwright.sync_api import Browser, BrowserContext, Page, expect, sync_playwright

from tests.support.chromium import ARGUMENTS, CHROMIUM
from tests.support.server import TOP, Server, copy_data, make_data
from tests.support.template import DEMO, sessions_of

# Playwright's driver keeps an event loop running in this thread; these tests don't use Django's ORM in it.
os.environ["DJANGO_ALLOW_ASYNC_UNSAFE"] = "true"
AXE = (TOP / "frontend" / "node_modules" / "axe-core" / "axe.min.js").read_text
# Long enough for a machine that is busy with other things; what fails waits for nothing.
expect.set_options(timeout=20_000)


def pytest_collection_modifyitems(items):
    for item in items:
        if "tests/browser/" in str(item.path):
            item.add_marker(pytest.mark.browser)


@pytest.fixture(scope="session")
def browser() -> Iterator[Browser]:
    with sync_playwright() as playwright:
        launched = playwright.chromium.launch(executable_path=CHROMIUM, args=ARGUMENTS)
        yield launched
        launched.close()


@pytest.fixture(scope="session")
def demo_data() -> Path:
    """The demo as loaded; `make test-data` makes it."""
    if not (DEMO / "sessions.json").exists():
        pytest.fail("The demo's data for tests is missing: run make test-data.")
    return DEMO


@pytest.fixture
def server(demo_data, tmp_path) -> Iterator[Server]:
    """A server of the demo, with data that only this test changes."""
    with Server(copy_data(demo_data, tmp_path / "data")) as running:
        yield running


@pytest.fixture(scope="session")
def shared_server(demo_data, tmp_path_factory) -> Iterator[Server]:
    """A server of the demo for tests that only look."""
    with Server(copy_data(demo_data, tmp_path_factory.mktemp("shared") / "data")) as running:
        yield running


@pytest.fixture(scope="session")
def bare_data(tmp_path_factory) -> Path:
    """What a server has that nobody has set up yet."""
    return make_data(tmp_path_factory.mktemp("bare") / "data", demo=False)


@pytest.fixture
def bare_server(bare_data, tmp_path) -> Iterator[Server]:
    """A server that nobody has set up yet."""
    with Server(copy_data(bare_data, tmp_path / "data"), demo=False) as running:
        yield running


class Person:
    """Someone at a browser of their own. Whatever goes wrong unseen in the page fails the test."""

    def __init__(self, context: BrowserContext, server: Server) -> None:
        self.context = context
        self.server = server
        self.page: Page = context.new_page()
        self.wrong: list[str] = []
        self.page.on("pageerror", lambda error: self.wrong.append(str(error)))
        self.page.on("console", self._console)

    def _console(self, message) -> None:
        # A refusal that a test provokes shows as a failed load; everything else is a mistake.
        if message.type == "error" and "Failed to load resource" not in message.text:
            self.wrong.append(message.text)

    def sign_in(self, role: str = "owner") -> "Person":
        """Plants the cookie of a session that is there already; ``test_sites`` signs in by hand."""
        name = f"hestor-session-{self.server.port}"
        self.context.add_cookies(
            [{"name": name, "value": sessions_of(self.server.data)[role], "url": self.server.desk}]
        )
        return self

    def open(self, site: str = "quillmere", view: str = "style") -> "Person":
        self.page.goto(f"{self.server.desk}/{site}/{view}")
        expect(self.page.locator("h1").first).to_be_visible()
        return self

    def fact(self, name: str):
        return self.page.get_by_role("group", name=name, exact=True)

    def field(self, name: str):
        return self.fact(name).get_by_role("textbox", name=name, exact=True)

    def proof(self, fact: str, place: str):
        return self.fact(fact).get_by_role("figure").filter(has_text=place)

    def faults(self) -> list[str]:
        """What axe finds wrong for people who use assistive technology (WCAG 2.2 A and AA, and good practice)."""
        if not self.page.evaluate("typeof axe !== 'undefined'"):
            self.page.evaluate(AXE())
        found = self.page.evaluate("axe.run(document, {resultTypes: ['violations']}).then(r => r.violations)")
        return [f"{v['id']}: {n['target']} {n['failureSummary']}" for v in found for n in v["nodes"]]

    def overflows(self) -> int:
        """How many pixels the page is wider than its window."""
        return self.page.evaluate("document.documentElement.scrollWidth - innerWidth")

    def wrong_at_any_width(self) -> list[str]:
        """What is wrong with the page as it stands, on a phone and on a desk's screen; the window stays as it is."""
        window = self.page.viewport_size
        wrong = []
        for width in (390, 1280):
            self.page.set_viewport_size({"width": width, "height": 800})
            wrong += self.faults() + ([f"wider than {width}"] if self.overflows() else [])
        self.page.set_viewport_size(window)
        return wrong


@pytest.fixture
def people(browser) -> Iterator:
    """Makes persons: `people(server, width=390, dark=True)`."""
    made: list[Person] = []

    def make(server: Server, width: int = 1280, height: int = 800, dark: bool = False, **more) -> Person:
        context = browser.new_context(
            viewport={"width": width, "height": height},
            color_scheme="dark" if dark else "light",
            locale="en-GB",
            **more,
        )
        made.append(Person(context, server))
        return made[-1]

    yield make
    wrong = [fault for person in made for fault in person.wrong]
    for person in made:
        person.context.close()
    assert wrong == []


@pytest.fixture
def owner(server, people) -> Person:
    """The owner, signed in, with nothing open yet."""
    return people(server).sign_in()


@pytest.fixture
def owner_desk(owner) -> Person:
    """The owner with the house style of Quillmere open."""
    return owner.open()
