"""Public pages with content that owners make: deep menus, wide tables, every pair of typefaces, late fonts."""

import time
from collections.abc import Iterator

import pytest
from playwright.sync_api import expect

from hestor.core.imaging.typefaces import PAIRS
from tests.support.sampling import sample
from tests.support.server import Caller, Server, copy_data

WIDE = "|" + "|".join(f"a rather long heading {n}" for n in range(9)) + "|\n" + "|-" * 9 + "|\n" + "|x" * 9 + "|\n"
TEXT = f"### Begins small\n\n{WIDE}\n\n    {'code_without_a_space' * 12}\n\nSee www.quillmere-seeds.example/list.\n"
SHIFTS = """
window.shifted = 0;
new PerformanceObserver((list) => { for (const entry of list.getEntries()) window.shifted += entry.value; })
  .observe({ type: "layout-shift", buffered: true });
"""
# Those that stand in are on the machine, and need no leave to be late.
SWAPPED = "[...document.fonts].every((one) => / [12]\\W*$/.test(one.family) || one.display === 'swap')"
LATE = 0.4
MOST_SHIFT = 0.05


@pytest.fixture(scope="module")
def lived_in(demo_data, tmp_path_factory) -> Iterator[Server]:
    """The demo, after its owner nested pages deeper, wrote a wide table, and moved a page."""
    with Server(copy_data(demo_data, tmp_path_factory.mktemp("lived") / "data")) as server:
        caller = Caller(server)
        pages = {page["path"]: page for page in caller.call("GET", "/api/sites/quillmere/pages")[1]}
        guide = pages["/growing/saving-tomato-seed/"]["id"]
        deep = {"path": "/growing/deep/", "title": "Yellow ones", "parent": guide, "in_menu": True}
        for given in (deep, {"path": "/wide/", "title": "All kinds", "body": TEXT}):
            assert caller.call("POST", "/api/sites/quillmere/pages", given)[0] == 201
        last = pages["/contact/"]["id"]
        nested = {"path": "/contact/way/", "title": "How to find the old school", "parent": last, "in_menu": True}
        assert caller.call("POST", "/api/sites/quillmere/pages", nested)[0] == 201
        assert caller.call("PATCH", f"/api/sites/quillmere/pages/{last}", {"path": "/find-us/"})[0] == 200
        assert caller.call("POST", "/api/sites/quillmere/editions")[0] == 201
        yield server


@pytest.mark.parametrize("scripts", [True, False])
def test_an_entry_of_the_third_level_can_be_opened(lived_in, people, scripts):
    page = people(lived_in, java_script_enabled=scripts).page
    page.goto(lived_in.site("quillmere") + "/")
    page.get_by_text("More under Growing").locator("..").click()
    page.get_by_text("More under Tomatoes").locator("..").click()
    page.get_by_role("link", name="Yellow ones").click()
    expect(page.get_by_role("heading", level=1)).to_have_text("Yellow ones")


@pytest.mark.parametrize("width", [360, 390, 700, 842, 880, 914, 1280])
def test_no_open_menu_runs_past_the_edge_or_breaks_the_row(lived_in, people, width):
    person = people(lived_in, width=width)
    person.page.goto(lived_in.site("quillmere") + "/")
    entries = person.page.locator("header nav > ul > li")
    before = entries.evaluate_all("all => all.map(one => one.offsetTop)")
    for summary in person.page.locator("header nav > ul > li > details > summary").all():
        summary.click()
        assert person.overflows() == 0
        panel = person.page.locator("header nav details[open] > ul").first.bounding_box()
        assert panel["x"] >= 0
        assert panel["x"] + panel["width"] <= width
        assert entries.evaluate_all("all => all.map(one => one.offsetTop)") == before


def test_escape_and_a_click_elsewhere_close_a_menu(lived_in, people):
    page = people(lived_in).page
    page.goto(lived_in.site("quillmere") + "/")
    summary = page.get_by_text("More under Growing").locator("..")
    link = page.get_by_role("link", name="Squash")
    summary.focus()
    page.keyboard.press("Enter")
    expect(link).to_be_visible()
    page.keyboard.press("Tab")
    page.keyboard.press("Escape")
    expect(link).to_be_hidden()
    assert summary.evaluate("one => one === document.activeElement")
    summary.click()
    page.locator("h1").click()
    expect(link).to_be_hidden()
    summary.click()
    for _ in range(12):
        page.keyboard.press("Tab")
    expect(link).to_be_hidden()


@pytest.mark.parametrize("width", [1280, 390])
def test_what_is_too_wide_scrolls_in_itself_by_keyboard(lived_in, people, width):
    person = people(lived_in, width=width)
    page = person.page
    page.goto(lived_in.site("quillmere") + "/wide/")
    assert person.overflows() == 0
    boxes = page.get_by_role("group", name="Scrolls sideways")
    expect(boxes).to_have_count(2)
    for box in boxes.all():
        box.focus()
        page.keyboard.press("ArrowRight")
        page.wait_for_timeout(300)
        assert box.evaluate("one => one.scrollLeft") > 0
    assert page.locator("article :is(h2, h3)").evaluate_all("all => all.map(one => one.tagName)") == ["H2"]
    assert person.faults() == []


def test_only_the_current_entry_looks_current_in_forced_colours(lived_in, people):
    page = people(lived_in, forced_colors="active").page
    page.goto(lived_in.site("quillmere") + "/borrowing/")
    ground = page.evaluate("getComputedStyle(document.body).backgroundColor")
    entries = page.locator("header nav > ul > li > a")
    lines = entries.evaluate_all("all => all.map(one => [one.textContent, getComputedStyle(one).borderBottomColor])")
    assert [name for name, line in lines if line != ground] == ["Borrowing"]


def test_a_page_prints_on_as_few_sheets_as_its_text_needs(lived_in, people):
    page = people(lived_in).page
    page.goto(lived_in.site("quillmere") + "/hours/")
    page.emulate_media(media="print")
    expect(page.get_by_role("link", name="News feed")).to_be_hidden()
    # An A4 sheet within its margins, in CSS pixels.
    assert page.evaluate("document.body.scrollHeight") < 980
    soft = page.locator(".footer-line").evaluate("one => getComputedStyle(one).color")
    assert soft == "rgb(58, 58, 58)"


@pytest.mark.parametrize(("width", "hyphens"), [(390, "auto"), (1280, "manual")])
def test_phones_part_long_words_of_a_text_but_no_code(lived_in, people, width, hyphens):
    page = people(lived_in, width=width).page
    page.goto(lived_in.site("quillmere") + "/wide/")
    set_in = "one => [getComputedStyle(one).hyphens, one.closest('[lang]').lang]"
    assert page.locator(".prose p").first.evaluate(set_in) == [hyphens, "en-GB"]
    assert page.locator(".prose code").first.evaluate(set_in) == ["manual", "en-GB"]


def test_a_moved_page_is_found_at_its_former_address(lived_in, people):
    page = people(lived_in).page
    page.goto(lived_in.site("quillmere") + "/contact/?from=card")
    assert page.url == lived_in.site("quillmere") + "/find-us/?from=card"


def shift_with_late_fonts(person, address: str) -> float:
    def late(route) -> None:
        time.sleep(LATE)
        route.continue_()

    page = person.page
    page.route("**/*.woff2", late)
    page.add_init_script(SHIFTS)
    page.goto(address)
    page.evaluate("document.fonts.ready.then(() => undefined)")
    page.wait_for_timeout(100)
    # The text can be read before they come.
    assert page.evaluate(SWAPPED)
    return page.evaluate("window.shifted")


SET = [
    (slug, path, width)
    for slug, path in (("quillmere", "/wide/"), ("silberpfad", "/preise/"), ("narjis", "/menu/"))
    for width in (1280, 390)
]


@pytest.mark.parametrize(("slug", "path", "width"), sample(SET, 0, 3, 5))
def test_texts_hardly_move_when_their_fonts_come_late(lived_in, people, slug, path, width):
    assert shift_with_late_fonts(people(lived_in, width=width), lived_in.site(slug) + path) <= MOST_SHIFT


@pytest.mark.long
def test_texts_hardly_move_in_any_pair_of_typefaces(server, people):
    caller = Caller(server)
    shifts = {}
    for pair in PAIRS:
        revision = caller.call("GET", "/api/sites/quillmere/style")[1]["revision"]
        given = {"facts": {"typefaces": pair}}
        assert caller.call("PATCH", "/api/sites/quillmere/style", given, **{"If-Match": str(revision)})[0] == 200
        caller.call("POST", "/api/sites/quillmere/editions")
        shifts[pair] = shift_with_late_fonts(people(server, width=390), server.site("quillmere") + "/borrowing/")
    assert {pair: shift for pair, shift in shifts.items() if shift > MOST_SHIFT} == {}


def test_an_arabic_page_loads_no_latin_typeface(lived_in, people):
    page = people(lived_in).page
    page.goto(lived_in.site("narjis") + "/menu/")
    page.evaluate("document.fonts.ready.then(() => undefined)")
    loaded = page.evaluate("performance.getEntriesByType('resource').map(one => one.name)")
    fonts = [name for name in loaded if name.endswith("woff2")]
    assert fonts
    assert all("naskh" in name for name in fonts)
