"""Two people at one site: each reads who changed what."""

import re

from playwright.sync_api import expect


def test_review_sheet_and_editions_name_who_wrote(server, people):
    helper = people(server).sign_in("helper").open()
    helper.field("Tagline").fill("Seed for everyone")
    expect(helper.fact("Tagline")).to_contain_text("✓ Saved")
    expect(helper.fact("Tagline")).not_to_contain_text("Changed by")
    owner = people(server, width=390).sign_in().open()
    page = owner.page
    expect(owner.fact("Tagline")).to_contain_text(re.compile("Changed by .+, .+ at"))
    expect(owner.fact("Tagline")).not_to_contain_text("Changed by you")
    owner.field("Footer line").fill("By the owner")
    expect(owner.fact("Footer line")).to_contain_text("✓ Saved")
    page.get_by_role("button", name="Review").click()
    changes = page.get_by_role("listitem")
    expect(changes.filter(has_text="Tagline").first).to_contain_text("Changed by ")
    expect(changes.filter(has_text="Footer line").first).to_contain_text("Changed by you")
    assert owner.wrong_at_any_width() == []
    page.get_by_role("button", name="Publish these 2 changes").click()
    expect(page.get_by_role("heading", name=re.compile("is live"))).to_be_visible()
    owner.open(view="editions")
    expect(page.get_by_role("main")).to_contain_text(re.compile("written by .+ and Edith Marlow"))


def test_ones_own_earlier_changes_are_undone_after_a_reload(server, people):
    person = people(server, width=390).sign_in().open()
    page = person.page
    person.field("Tagline").fill("Seed for everyone")
    expect(person.fact("Tagline")).to_contain_text("✓ Saved")
    page.reload()
    expect(person.field("Tagline")).to_have_value("Seed for everyone")
    page.get_by_role("button", name="Your earlier changes").first.press("Enter")
    menu = page.get_by_role("menu", name="Your earlier changes")
    expect(menu.get_by_role("menuitem")).to_have_text(re.compile("Undo: Tagline, .*Seed for everyone → Borrow"))
    assert person.wrong_at_any_width(menu) == []
    menu.press("ArrowDown")
    page.keyboard.press("Enter")
    expect(person.field("Tagline")).to_have_value(re.compile("^Borrow"))
    # Undoing it can itself be taken back.
    page.get_by_role("button", name="Undo", exact=True).first.click()
    expect(person.field("Tagline")).to_have_value("Seed for everyone")
