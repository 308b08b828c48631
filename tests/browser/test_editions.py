"""Editions deepened in the browser: named, compared, one fact brought back."""

from playwright.sync_api import expect


def test_two_editions_are_compared_and_one_fact_comes_back(server, people):
    person = people(server, width=390).sign_in()
    person.open(view="editions")
    page = person.page
    page.get_by_role("button", name="Give it a name 2").click()
    page.keyboard.type("Before the summer")
    page.keyboard.press("Enter")
    expect(
        page.get_by_role("listitem").filter(has_text="Edition 2").get_by_text("Before the summer", exact=True).first
    ).to_be_visible()
    page.get_by_label("Compare with 1", exact=True).select_option(label="Edition 3")
    back = page.get_by_role("button", name="Bring this back as in edition 1").first
    expect(back).to_be_visible()
    assert person.overflows() == 0
    assert person.faults() == []
    page.get_by_role("button", name="What visitors see").first.press("Enter")
    for number, name in ((1, "Quillmere Seed Exchange"), (3, "Quillmere Seed Library")):
        seen = page.get_by_role("group", name=f"Edition {number}", exact=True)
        expect(seen.get_by_role("figure").filter(has_text="Browser tab")).to_contain_text(name)
    assert person.overflows() == 0
    assert person.faults() == []
    back.press("Enter")
    expect(page.get_by_text("In the draft again.")).to_be_visible()
    expect(page.get_by_text("1 change not published")).to_be_visible()
