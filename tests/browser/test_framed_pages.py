"""A public page with all that may stand around it: readable and usable by keyboard, on all widths, light and dark."""

from itertools import product

import pytest
from playwright.sync_api import expect

from tests.rendering.test_valid_html import FRAMED
from tests.support.sampling import sample
from tests.support.server import Caller, Server, copy_data

LOOKS = [*product(("quillmere", "narjis"), (390, 1280), (True, False))]


@pytest.fixture(scope="module")
def framed(demo_data, tmp_path_factory):
    with Server(copy_data(demo_data, tmp_path_factory.mktemp("framed") / "data")) as server:
        caller = Caller(server)
        for site in ("quillmere", "narjis"):
            assert caller.write(site, **FRAMED)[0] == 200
            caller.call("POST", f"/api/sites/{site}/editions")
        yield server


# Where the focus is: its words, and whether anything else lies on the middle of what is seen of it (WCAG 2.2, 2.4.11).
FOCUSED = """() => {
  const one = document.activeElement;
  if (one === document.body) return null;
  const { left, right, top, bottom } = one.getBoundingClientRect();
  const x = (Math.max(left, 0) + Math.min(right, innerWidth)) / 2;
  const y = (Math.max(top, 0) + Math.min(bottom, innerHeight)) / 2;
  const seen = document.elementFromPoint(x, y);
  const words = `${one.tagName} ${one.textContent.trim().slice(0, 30)}`;
  return [words, !!seen && (one.contains(seen) || seen.contains(one))];
}"""


@pytest.mark.parametrize(("width", "height"), [(1280, 800), (320, 640), (640, 400)])
@pytest.mark.parametrize("slug", ["quillmere", "narjis"])
def test_nothing_lies_on_the_focus_while_a_visitor_is_asked(framed, people, slug, width, height):
    page = people(framed, width=width, height=height).page
    page.goto(framed.site(slug))
    expect(page.locator(".cookies")).to_be_visible()
    stops = []
    for _ in range(60):
        page.keyboard.press("Tab")
        stop = page.evaluate(FOCUSED)
        if stop is None:
            break
        stops.append(stop)
    assert len(stops) > 10
    assert [words for words, seen in stops if not seen] == []
    # Its answers come right after the link to the text.
    assert [words.partition(" ")[0] for words, _ in stops[1:3]] == ["BUTTON", "BUTTON"]
    page.evaluate("scrollTo(0, document.body.scrollHeight)")
    last = page.locator(".site-footer").evaluate("one => one.getBoundingClientRect().bottom")
    if height > 480:
        assert last <= page.locator(".cookies").evaluate("one => one.getBoundingClientRect().top") + 1


def test_answers_have_edges_where_colours_are_forced(framed, people):
    page = people(framed, forced_colors="active").page
    page.goto(framed.site("quillmere"))
    edge = "one => { const style = getComputedStyle(one); return [style.borderTopStyle, style.borderTopWidth]; }"
    for button in page.locator(".cookies button").all():
        assert button.evaluate(edge) == ["solid", "2px"]


@pytest.mark.parametrize(("slug", "width", "dark"), sample(LOOKS, 0, 3, 5))
def test_it_has_no_faults_and_answers_by_keyboard(framed, people, slug, width, dark):
    person = people(framed, width=width, dark=dark)
    page = person.page
    page.goto(framed.site(slug))
    notice = page.locator(".cookies")
    expect(notice).to_be_visible()
    assert (person.faults(), person.overflows()) == ([], 0)
    notice.get_by_role("button").first.focus()
    page.keyboard.press("Enter")
    expect(notice).to_be_hidden()
    # What was covered comes next; who changed their mind is back where they did.
    expect(page.locator("#text")).to_be_focused()
    page.locator(".mind button").press("Enter")
    expect(notice.get_by_role("button").first).to_be_focused()
    page.keyboard.press("Enter")
    expect(page.locator(".mind button")).to_be_focused()
    assert person.faults() == []
    page.reload()
    expect(notice).to_be_hidden()
