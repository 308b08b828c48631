"""Dates and times chosen by example, or written as a pattern, until every page says them so."""

import re

import pytest
from playwright.sync_api import expect


def publish(page) -> None:
    page.get_by_role("button", name="Review").first.click()
    page.get_by_role("button", name="Publish th").click()
    expect(page.get_by_role("heading", name="is live")).to_be_visible()


def test_a_form_chosen_by_example_reaches_every_page(server, people):
    person = people(server, width=390).sign_in().open()
    page = person.page
    row = person.fact("Long date")
    expect(row.get_by_role("radio").first).to_be_checked()
    row.get_by_role("radio").nth(1).check()
    chosen = row.get_by_role("radio").nth(1).locator("..").inner_text()
    expect(row).to_contain_text("✓ Saved")
    # The bar counts the change, and moves nothing below it.
    expect(row.get_by_role("radio").nth(1)).to_be_in_viewport()
    expect(person.proof("Long date", "Dates on the page")).to_contain_text(chosen.split(" ")[-1])
    assert person.wrong_at_any_width(row) == []
    publish(page)
    page.goto(server.site("quillmere") + "/news/great-drying-2026/")
    expect(page.locator("article .day").first).to_have_text("Saturday, 14 November 2026")
    page.goto(server.site("quillmere") + "/")
    expect(page.locator(".teasers .day").first).to_have_text("14 Nov 2026")


def test_a_pattern_is_written_and_its_slips_mended_by_keyboard(server, people):
    person = people(server).sign_in().open("silberpfad")
    page = person.page
    row = person.fact("Date in lists")
    row.get_by_role("button", name="Write a pattern").press("Enter")
    field = row.get_by_role("textbox")
    field.fill("dd.mm.y")
    expect(row.get_by_role("alert")).to_contain_text("The month is “MM”")
    row.get_by_role("button", name="Write MM").press("Enter")
    expect(field).to_have_value("dd.MM.y")
    expect(row).to_contain_text("✓ Saved")
    expect(row).to_contain_text("may take the day for the month")
    row.get_by_role("button", name="Name the month").press("Enter")
    expect(field).to_have_value("d. MMMM y")
    publish(page)
    page.goto(server.site("silberpfad") + "/")
    expect(page.locator(".teasers .day").first).to_have_text("22. Oktober 2026")


@pytest.mark.long
def test_a_second_calendar_stands_beside_the_first_on_every_page(server, people):
    person = people(server, width=390).sign_in().open("narjis")
    page = person.page
    row = person.fact("The second calendar")
    row.get_by_role("radio", name="Persian (Solar Hijri)").focus()
    page.keyboard.press("Space")
    expect(row).to_contain_text("✓ Saved")
    expect(person.proof("The second calendar", "Dates on the page")).to_contain_text("1405")
    assert (person.faults(row), person.overflows()) == ([], 0)
    page.get_by_role("button", name="Review").first.click()
    expect(page.get_by_role("group", name="As it will be")).to_contain_text("1405")
    expect(page.get_by_role("group", name="Now", exact=True)).not_to_contain_text("1405")
    page.get_by_role("button", name="Publish th").click()
    expect(page.get_by_role("heading", name="is live")).to_be_visible()
    page.goto(server.site("narjis") + "/news/")
    page.locator(".list a").first.click()
    expect(page.locator("article .day").first).to_contain_text(re.compile(r"2026 \(.+1405"))


def test_a_clock_says_how_far_it_is_and_when_it_changes(used_desk):
    person = used_desk
    row = person.fact("Time zone")
    expect(row).to_contain_text("UTC")
    expect(row).to_contain_text("by 1 hour")
    row.get_by_role("combobox").fill("Auckland")
    expect(row.get_by_role("option").first).to_contain_text("New Zealand ·")
