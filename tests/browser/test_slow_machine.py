"""On a machine that is six times slower nothing that is typed or clicked goes astray while a view is drawn."""

import re

import pytest
from playwright.sync_api import Page, expect

from tests.browser.test_finding import find
from tests.support.sampling import sample

TIMES = 6
SAID = "window.said = []; new MutationObserver(() => window.said.push(document.body.innerText)).observe(document, {subtree: true, childList: true, characterData: true})"  # noqa: E501


def slow(page: Page) -> Page:
    page.context.new_cdp_session(page).send("Emulation.setCPUThrottlingRate", {"rate": TIMES})
    return page


@pytest.mark.parametrize("view", sample(["editions", "style"], 1))
def test_every_letter_typed_after_the_finder_is_in_the_field(server, people, view):
    person = people(server).sign_in().open(view=view)
    page = slow(person.page)
    find(page, "tagline", "Tagline")
    page.keyboard.type("Seed for the whole village. ")
    expect(person.field("Tagline")).to_be_focused()
    expect(person.field("Tagline")).to_have_value(re.compile("Seed for the whole village. "))
    expect(person.fact("Tagline")).to_contain_text("✓")


def test_publishing_says_what_was_published_and_never_nothing(server, people):
    person = people(server).sign_in().open()
    page = person.page
    person.field("Tagline").fill("Another line")
    expect(person.fact("Tagline")).to_contain_text("✓")
    slow(page)
    page.evaluate(SAID)
    page.get_by_role("button", name="Review and publish").click()
    publish = page.get_by_role("button", name="Publish this change")
    expect(publish).to_be_visible()
    before = publish.bounding_box()
    page.wait_for_timeout(1500)
    # What comes meanwhile does not move it.
    assert publish.bounding_box() == before
    publish.click()
    expect(page.get_by_role("heading", name=re.compile(r"Edition \d+ is live"))).to_be_visible()
    assert not any("Nothing to publish" in text for text in page.evaluate("window.said"))


@pytest.mark.long
def test_a_menu_that_was_opened_while_a_view_is_drawn_stays_open(server, people):
    page = slow(people(server).sign_in().open().page)
    for view in ("Editions", "Pages", "Consistency"):
        page.get_by_role("navigation", name="Views").get_by_role("link", name=view).click()
        page.get_by_role("button", name=re.compile("Quillmere")).first.click()
        entry = page.get_by_role("menuitem", name=re.compile("Silberpfad"))
        expect(entry).to_be_visible()
        page.wait_for_timeout(2500)
        expect(entry).to_be_visible()
        page.keyboard.press("Escape")
    page.get_by_role("button", name=re.compile("Quillmere")).first.click()
    page.get_by_role("menuitem", name=re.compile("Silberpfad")).click()
    expect(page).to_have_url(re.compile("/silberpfad/consistency$"))
