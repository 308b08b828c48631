"""The review: what is still to say and what would stray is mended there, for the same edition."""

import re

from playwright.sync_api import expect


def writes_a_page(person):
    pages = f"{person.server.desk}/api/sites/quillmere/pages"
    said = {"title": "Loan cards", "path": "/cards/", "body": "Cards of the Quillmere Seed Library."}
    made = person.context.request.post(pages, data=said)
    assert made.ok, made.text()


# How much of the window is taken by what stays while all else scrolls, from the top and from the bottom.
BARS = """() => {
  const tall = {top: 0, bottom: 0};
  for (const one of document.querySelectorAll("*")) {
    if (!["sticky", "fixed"].includes(getComputedStyle(one).position)) continue;
    const box = one.getBoundingClientRect();
    if (box.width < innerWidth / 2 || box.height === 0 || box.height >= innerHeight) continue;
    if (box.top < innerHeight / 2) tall.top = Math.max(tall.top, box.bottom);
    else tall.bottom = Math.max(tall.bottom, innerHeight - box.top);
  }
  return tall.top + tall.bottom;
}"""


def test_unsaid_facts_and_strays_are_mended_in_the_review(server, people):
    person = people(server).sign_in().writes(tagline="", name="Quillmere Seed Lending")
    writes_a_page(person)
    page = person.open(view="review").page
    news = page.get_by_text("one spot will say something else").locator("xpath=ancestor::div[1]")
    expect(news).to_contain_text("Quillmere Seed Library")
    news.get_by_role("button", name="Mend").click()
    expect(page.get_by_text("one spot will say something else")).to_be_hidden()
    unsaid = page.get_by_role("region", name="Still to say")
    unsaid.get_by_role("button", name="A tagline").click()
    line = unsaid.get_by_role("textbox", name="Tagline", exact=True)
    expect(unsaid.get_by_role("figure").first).to_be_visible()
    line.fill("Borrow a packet")
    # What was said stays where it is, so that nobody loses their place.
    expect(unsaid.get_by_role("listitem").filter(has_text="A tagline")).to_contain_text("said")
    expect(line).to_be_focused()
    assert person.faults() == []
    assert person.wrong_at_any_width(unsaid) == []
    tagline = page.get_by_role("listitem").filter(has=page.get_by_role("heading", name="Tagline"))
    expect(tagline.filter(has_text="Will be")).to_contain_text("Borrow a packet")
    page.get_by_role("button", name=re.compile("^Publish these")).click()
    expect(page.get_by_role("heading", name=re.compile("is live: 2[0-9] of 29 pages agree"))).to_be_visible(
        timeout=20_000
    )
    style = person.context.request.get(f"{server.desk}/api/sites/quillmere/style").json()
    assert style["live_facts"]["tagline"] == "Borrow a packet"


def test_publishing_waits_for_the_drawings_but_not_for_ever(server, people):
    person = people(server).sign_in().writes(tagline="Seed for everyone")
    page, asked = person.page, []
    page.route("**/api/sites/quillmere/proofs", lambda route: asked.append(route))
    person.open(view="review")
    expect(page.get_by_role("button", name="Drawing …")).to_be_disabled()
    for route in asked:
        route.abort()
    expect(page.get_by_role("button", name="Publish this change")).to_be_enabled()


def test_the_keyboard_reaches_publishing_from_the_title(server, people):
    person = people(server).sign_in().writes(tagline="Seed for everyone")
    page = person.open(view="style").page
    page.get_by_role("button", name="Review and publish").press("Enter")
    publish = page.get_by_role("button", name="Publish this change")
    expect(publish).to_be_enabled()
    expect(page.get_by_role("heading", level=1)).to_be_focused()
    for key in ("Tab", "Enter", "Tab"):
        page.keyboard.press(key)
    expect(page.get_by_role("link", name="Preview the whole draft")).to_be_focused()
    page.keyboard.press("Shift+Tab")
    expect(publish).to_be_focused()


def test_a_site_that_was_just_made_is_entered_at_its_title(server, people):
    page = people(server).sign_in().page
    page.goto(f"{server.desk}/new-site")
    page.get_by_label("What is the site called?").fill("Harrow")
    page.get_by_role("combobox", name="In which town?").press_sequentially("trogen")
    page.get_by_role("listbox").get_by_role("option").first.click()
    page.get_by_role("button", name="Make the site").press("Enter")
    expect(page.get_by_role("heading", name="Still to say")).to_be_focused()


def test_at_twice_the_size_every_view_fits_and_leaves_room(server, people):
    """WCAG 2.2, 1.4.4 and 1.4.10: 200 % in a window of 1280 by 800 leaves 640 by 400."""
    person = people(server).sign_in().writes(tagline="Seed for everyone")
    page = person.page
    page.set_viewport_size({"width": 640, "height": 400})
    for view in ("style", "review", "pages", "titles", "consistency", "pictures", "mail", "editions", "proofs"):
        person.open(view=view)
        if view == "review":
            expect(page.get_by_role("button", name="Publish this change")).to_be_enabled()
        assert person.overflows() == 0, view
        page.evaluate("scrollTo(0, 300)")
        assert page.evaluate(BARS) <= 200, view
