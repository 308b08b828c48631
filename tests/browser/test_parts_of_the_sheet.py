"""What every site needs comes first, the rest is folded; on a phone one part is shown at a time."""

import re

import pytest
from playwright.sync_api import expect

from tests.support.small_controls import SMALL, VIEWS


def test_it_opens_on_what_every_site_needs_and_shows_all_if_asked(server, people):
    person = people(server).sign_in().open()
    page = person.page
    expect(page.get_by_role("heading", level=1)).to_have_text("What every site needs")
    needed = "name tagline logo icon contact_email language time_zone date_long".split()
    rows = page.locator("section#needed > [role=group]")
    expect(rows).to_have_count(len(needed))
    assert [row.get_attribute("aria-labelledby") for row in rows.all()] == [f"fact-{key}" for key in needed]
    expect(page.get_by_role("group", name="Phone", exact=True)).to_have_count(0)
    # A folded part says in a line what it says.
    expect(page.locator("section#organisation")).to_contain_text("Quillmere Seed Library Association")
    expect(page.locator("section#frame")).to_contain_text("Nothing changed from how it comes")
    page.get_by_role("button", name="Open all").press("Enter")
    expect(page.get_by_role("group", name="Telephone", exact=True)).to_be_visible()
    expect(page.get_by_role("button", name="Change the address")).to_be_visible()
    assert (person.faults(page.locator("section#frame")), person.overflows()) == ([], 0)
    page.get_by_role("button", name="Close all").press("Enter")
    expect(page.get_by_role("group", name="Telephone", exact=True)).to_have_count(0)


def test_a_part_is_opened_by_keyboard_and_stays_open_on_the_next_site(server, people):
    person = people(server).sign_in().open()
    page = person.page
    page.get_by_role("button", name="Open: Organisation").press("Enter")
    person.field("Legal name").fill("Quillmere Seed Society")
    expect(person.fact("Legal name")).to_contain_text("✓ Saved")
    page.locator("section#organisation").get_by_role("button", name="Close", exact=True).press("Enter")
    # What changed is said on the line, too.
    expect(page.locator("section#organisation")).to_contain_text("1 changed")
    page.keyboard.press("Control+z")
    expect(page.get_by_role("textbox", name="Legal name")).to_have_value("Quillmere Seed Library Association")
    person.switch_to("Uhrenwerkstatt Silberpfad")
    expect(page.get_by_role("textbox", name="Legal name")).to_have_value(re.compile("Verena"))


def test_what_is_unsaid_leads_on_to_the_next(server, people):
    person = people(server).sign_in().open("silberpfad")
    page = person.page
    link = page.get_by_role("link", name=re.compile("^Next: "))
    expect(link).to_have_text("Next: Address for notices")
    link.press("Enter")
    expect(page.get_by_role("textbox", name="Address for notices")).to_be_focused()


@pytest.mark.parametrize(("fact", "row"), [("logo_dark", "Logo"), ("share_picture", "Share picture")])
def test_an_address_that_names_a_fact_leads_to_its_row_in_whichever_part(shared_server, people, fact, row):
    person = people(shared_server).sign_in().open(view=f"style#fact-{fact}")
    expect(person.page.get_by_role("heading", name=row, exact=True)).to_be_in_viewport()


def test_on_a_phone_one_part_is_shown_and_the_proof_of_what_is_typed(server, people):
    person = people(server, width=390, has_touch=True).sign_in().open()
    page = person.page
    parts = page.get_by_role("navigation", name="On this sheet")
    expect(parts.get_by_role("link", name="Needed")).to_have_attribute("aria-current", "location")
    parts.get_by_role("link", name="Words").click()
    expect(page.get_by_role("heading", level=1)).to_have_text("Words and titles")
    expect(page.get_by_role("group", name="Name", exact=True)).to_have_count(0)
    person.field("Footer line").fill("Ends every page, and so on")
    expect(person.fact("Footer line")).to_contain_text("✓ Saved")
    # As with a keyboard on the screen: little of the window is left.
    page.set_viewport_size({"width": 390, "height": 330})
    expect(page.get_by_role("complementary", name="Proofs: Footer line")).to_contain_text("Ends every page, and so on")
    expect(page.get_by_role("textbox", name="Footer line", exact=True)).to_be_in_viewport()
    expect(page.get_by_role("button", name="Review")).to_be_in_viewport()
    expect(page.get_by_role("button", name="Find")).to_be_in_viewport()
    assert (person.faults(), person.overflows()) == ([], 0)


def test_on_a_phone_nothing_to_choose_is_smaller_than_24_pixels(shared_server, people):
    person = people(shared_server, width=390, has_touch=True).sign_in()
    found = {}
    for view in VIEWS:
        person.open(view=view)
        person.page.wait_for_load_state("networkidle")
        person.page.wait_for_timeout(150)
        found[view] = person.page.evaluate(SMALL), person.overflows()
    assert found == dict.fromkeys(VIEWS, ([], 0))
