"""The review: what is still to say and what would stray is mended there, for the same edition."""

import re

from playwright.sync_api import expect


def writes_a_page(person):
    pages = f"{person.server.desk}/api/sites/quillmere/pages"
    said = {"title": "Loan cards", "path": "/cards/", "body": "Cards of the Quillmere Seed Library."}
    made = person.context.request.post(pages, data=said)
    assert made.ok, made.text()


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
