import os
from collections.abc import Iterator
from pathlib import Path

import pytest
from playwright.sync_api import Browser, BrowserContext, Locator, Page, expect, sync_playwright

from hestor import translations
from hestor.core.facts.document import SPECS
from tests.support.chromium import ARGUMENTS, CHROMIUM
from tests.support.server import TOP, Server, copy_data, prepare
from tests.support.template import BARE, DEMO, sessions_of

# Playwright's driver keeps an event loop running in this thread; these tests don't use Django's ORM in it.
os.environ["DJANGO_ALLOW_ASYNC_UNSAFE"] = "true"
AXE = (TOP / "frontend" / "node_modules" / "axe-core" / "axe.min.js").read_text
# Long enough for a machine that is busy with other things; what fails waits for nothing.
expect.set_options(timeout=20_000)


FAILED = pytest.StashKey[bool]()


def _parts_of_facts() -> dict[str, str]:
    """The part of the sheet that each fact stands in, by what it is called in any of the desk's languages."""
    parts = {}
    for language in translations.languages("desk"):
        names = translations.catalogue("desk", language)
        for key, spec in SPECS.items():
            row = SPECS[spec.within] if spec.within else spec
            parts[names[f"fact.{key}"]] = "needed" if row.needed else row.band.value
    return parts


PARTS = _parts_of_facts()
# Opens a part of the sheet as a person does: by its line, or on a phone in the row of parts.
UNFOLD = """part => (
  document.querySelector(`section#${part} > button[aria-expanded=false]`) ??
  document.querySelector(`nav.sticky a[href$="#${part}"]:not([aria-current])`)
)?.click()"""


@pytest.hookimpl(wrapper=True)
def pytest_runtest_makereport(item):
    report = yield
    if report.failed:
        item.stash[FAILED] = True
    return report


def pytest_collection_modifyitems(items):
    for item in items:
        if "tests/browser/" in str(item.path):
            item.add_marker(pytest.mark.browser)


def pytest_collection_finish(session):
    wanted = any(item.get_closest_marker("browser") for item in session.items)
    if wanted and not session.config.option.collectonly:
        prepare()


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


@pytest.fixture
def bare_server(tmp_path) -> Iterator[Server]:
    """A server that nobody has set up yet."""
    with Server(copy_data(BARE, tmp_path / "data"), demo=False) as running:
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

    def go_to(self, view: str) -> "Person":
        """Follows the desk's own menu, which loads nothing that is there already."""
        self.page.get_by_role("banner").get_by_role("link", name=view, exact=True).click()
        return self

    def switch_to(self, site: str) -> "Person":
        self.page.get_by_role("button", name="Open site").click()
        self.page.get_by_role("menuitem", name=site).click()
        return self

    def writes(self, **facts: object) -> "Person":
        """Writes facts of Quillmere without the desk, for a test that begins where they stand in the draft."""
        style, asked = f"{self.server.desk}/api/sites/quillmere/style", self.context.request
        revision = str(asked.get(style).json()["revision"])
        assert asked.patch(style, data={"facts": facts}, headers={"If-Match": revision}).ok
        return self

    def unfold(self, part: str) -> "Person":
        """Opens a part of the sheet, by its name in addresses, unless it is open."""
        narrow = (self.page.viewport_size or {"width": 1280})["width"] < 900
        self.page.locator("section[aria-labelledby$='-title']" if narrow else "section#address").first.wait_for()
        if narrow or self.page.locator(f"section#{part} > button[aria-expanded=false]").count():
            self.page.evaluate(UNFOLD, part)
        return self

    def fact(self, name: str):
        if "/style" in self.page.url and name in PARTS:
            self.unfold(PARTS[name])
        return self.page.get_by_role("group", name=name, exact=True)

    def field(self, name: str):
        return self.fact(name).get_by_role("textbox", name=name, exact=True)

    def proof(self, fact: str, place: str):
        return self.fact(fact).get_by_role("figure").filter(has_text=place)

    def faults(self, *parts: Locator) -> list[str]:
        """What axe finds wrong for people who use assistive technology (WCAG 2.2 A and AA, and good practice).

        In the whole page, or in what a test has to do with: the house style takes axe two seconds, and is looked
        through whole in ``test_everyone``.
        """
        if not self.page.evaluate("typeof axe !== 'undefined'"):
            self.page.evaluate(AXE())
        run = "part => axe.run(part, {resultTypes: ['violations']}).then(r => r.violations)"
        looked = [part.first.evaluate(run) for part in parts or (self.page.locator("html"),)]
        return [
            f"{v['id']}: {n['target']} {n['failureSummary']}" for found in looked for v in found for n in v["nodes"]
        ]

    def wait_until(self, true: str, given: object = None) -> None:
        """Waits until a function of JavaScript says so. (Playwright's own waiting evaluates text, which the desk's
        policy forbids.)"""
        for _ in range(400):
            if self.page.evaluate(true, given):
                return
            self.page.wait_for_timeout(50)
        raise AssertionError(f"not so within 20 seconds: {true}")

    def overflows(self) -> int:
        """How many pixels the page is wider than its window."""
        return self.page.evaluate("document.documentElement.scrollWidth - innerWidth")

    def wrong_at_any_width(self, *parts: Locator) -> list[str]:
        """What is wrong with the page, or with parts of it, on a phone and on a desk's screen; the window stays as it
        is."""
        window = self.page.viewport_size
        wrong = []
        for width in (390, 1280):
            self.page.set_viewport_size({"width": width, "height": 800})
            wrong += self.faults(*parts) + ([f"wider than {width}"] if self.overflows() else [])
        self.page.set_viewport_size(window)
        return wrong


def person_at(
    browser: Browser, server: Server, width: int = 1280, height: int = 800, dark: bool = False, **more
) -> Person:
    """Somebody at a browser that knows nothing yet."""
    context = browser.new_context(
        viewport={"width": width, "height": height},
        color_scheme="dark" if dark else "light",
        locale="en-GB",
        **more,
    )
    return Person(context, server)


@pytest.fixture
def people(browser) -> Iterator:
    """Makes persons: `people(server, width=390, dark=True)`."""
    made: list[Person] = []

    def make(server: Server, **looks) -> Person:
        made.append(person_at(browser, server, **looks))
        return made[-1]

    yield make
    wrong = [fault for person in made for fault in person.wrong]
    for person in made:
        person.context.close()
    assert wrong == []


class UsedDesk:
    """A desk at which one test works after the other, so that the house style is loaded once for them. After a test
    that failed the next one gets a desk of its own."""

    def __init__(self, browser: Browser, folder: Path) -> None:
        self._browser, self._folder = browser, folder
        self._person: Person | None = None
        self._opened = 0

    def person(self) -> Person:
        if self._person is None:
            self._opened += 1
            running = Server(copy_data(DEMO, self._folder / str(self._opened))).start()
            self._person = person_at(self._browser, running).sign_in().open()
        elif "/style" not in self._person.page.url:
            self._person.go_to("House style")
        return self._person

    def leave(self) -> None:
        if self._person:
            self._person.context.close()
            self._person.server.kill()
            self._person = None


@pytest.fixture(scope="session")
def _used_desk(browser, demo_data, tmp_path_factory) -> Iterator[UsedDesk]:
    desk = UsedDesk(browser, tmp_path_factory.mktemp("used"))
    yield desk
    desk.leave()


@pytest.fixture
def used_desk(_used_desk, request) -> Iterator[Person]:
    """The owner with the house style of Quillmere open, as other tests left it: for those that change a fact whose
    former words they don't rely on, leave none refused, and say nothing of all changes together."""
    person = _used_desk.person()
    yield person
    wrong = person.wrong
    if wrong or request.node.stash.get(FAILED, False):
        _used_desk.leave()
    assert wrong == []


@pytest.fixture
def owner(server, people) -> Person:
    """The owner, signed in, with nothing open yet."""
    return people(server).sign_in()


@pytest.fixture
def owner_desk(owner) -> Person:
    """The owner with the house style of Quillmere open."""
    return owner.open()
