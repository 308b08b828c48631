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
    expect(page.locator(".mind button")).to_be_focused()
    assert person.faults() == []
    page.reload()
    expect(notice).to_be_hidden()
