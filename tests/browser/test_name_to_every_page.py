"""The main task: from words on the sheet to every page of the public site."""

import re

import pytest
from playwright.sync_api import expect

from tests.support.sampling import sample

PAGES = ["/", "/borrowing/", "/growing/saving-tomato-seed/", "/news/", "/news/dry-summer/", "/contact/"]


def public_bytes(server) -> dict[str, bytes]:
    """What the public is served, but for the stamp that a form has each time."""
    paths = [*PAGES, "/feed.xml", "/site.webmanifest"]
    return {path: re.sub(rb'value="[^"]{60,}"', b"", server.get("quillmere.localhost", path)[1]) for path in paths}


def check_public(person, server, name: str, tagline: str, footer: str) -> None:
    for path in PAGES:
        person.page.goto(server.site("quillmere") + path)
        assert name in person.page.title()
        expect(person.page.locator(".site-name")).to_have_text(name)
        expect(person.page.locator(".site-tagline")).to_have_text(tagline)
        expect(person.page.locator(".footer-line")).to_have_text(footer)


@pytest.mark.parametrize("width", sample([1280, 390], 0))
def test_with_the_mouse_and_on_a_phone(server, people, width):
    person = people(server, width=width).sign_in().open()
    page, before = person.page, public_bytes(server)
    # All but the page whose own title has the former name typed in.
    expect(person.proof("Name", "Browser tab")).to_contain_text("27 pages")
    person.field("Name").fill("Quillmere Bean House")
    expect(person.proof("Name", "Browser tab")).to_contain_text("Borrowing seed – Quillmere Bean House")
    expect(person.proof("Name", "Page header").locator("mark").first).to_have_text("Quillmere Bean House")
    person.field("Tagline").fill("Beans for all")
    expect(person.proof("Tagline", "Search result")).to_contain_text("Quillmere Bean House – Beans for all")
    person.field("Footer line").fill("© {year} {site}")
    expect(person.proof("Footer line", "Footer")).to_contain_text("2026 Quillmere Bean House")
    expect(person.fact("Footer line")).to_contain_text("✓ Saved")
    expect(person.fact("Name")).to_contain_text("Live now: Quillmere Seed Library")
    expect(page.get_by_text("3 changes not published")).to_be_visible()
    assert public_bytes(server) == before

    page.get_by_role("button", name="Review").click()
    changed = page.get_by_role("listitem").filter(has=page.get_by_role("heading", name="Name", exact=True))
    expect(changed).to_contain_text("28 pages, the not-found page, 1 feed, 1 home screen entry")
    expect(changed).to_contain_text("Quillmere Seed Library")
    expect(changed).to_contain_text("Quillmere Bean House")
    assert person.overflows() == 0
    page.get_by_role("button", name="Publish these 3 changes").click()
    expect(page.get_by_role("heading", name="Edition 4 is live")).to_be_focused()
    with person.context.expect_page() as opened:
        page.get_by_role("link", name="See the live site").click()
    opened.value.wait_for_load_state()
    assert opened.value.title() == "Quillmere Bean House – Beans for all"
    opened.value.close()
    expect(page.get_by_text("No changes")).to_be_visible()
    year = "2026" if "2026" in server.get("quillmere.localhost", "/")[1].decode() else ""
    check_public(person, server, "Quillmere Bean House", "Beans for all", f"© {year} Quillmere Bean House")


def test_by_keyboard_alone(server, people):
    person = people(server)
    page = person.page
    page.goto(server.desk)
    expect(page.get_by_label("Email", exact=True)).to_be_focused()
    page.keyboard.type("owner@quillmere.example")
    page.keyboard.press("Tab")
    page.keyboard.type("demo-seedling-42")
    page.keyboard.press("Enter")
    expect(page.get_by_role("heading", name="All your sites")).to_be_visible()
    for _ in range(20):
        if page.evaluate("document.activeElement.textContent") == "Quillmere Seed Library":
            break
        page.keyboard.press("Tab")
    page.keyboard.press("Enter")
    expect(person.field("Name")).to_be_visible()
    for _ in range(40):
        if page.evaluate("document.activeElement.dataset.field") == "name":
            break
        page.keyboard.press("Tab")
    expect(person.field("Name")).to_be_focused()
    page.keyboard.press("Control+A")
    page.keyboard.type("Key Library")
    expect(person.proof("Name", "Page header")).to_contain_text("Key Library")
    expect(person.fact("Name")).to_contain_text("✓ Saved")
    for _ in range(40):
        page.keyboard.press("Shift+Tab")
        if page.evaluate("document.activeElement.textContent").startswith("Review and publish"):
            break
    page.keyboard.press("Enter")
    expect(page.get_by_role("heading", name="What changes on")).to_be_focused()
    for _ in range(12):
        page.keyboard.press("Tab")
        if page.evaluate("document.activeElement.textContent").startswith(("Publish this change", "Drawing")):
            break
    expect(page.get_by_role("button", name="Publish this change")).to_be_enabled()
    page.keyboard.press("Enter")
    expect(page.get_by_role("heading", name="Edition 4 is live")).to_be_focused()
    page.keyboard.press("Tab")
    expect(page.get_by_role("link", name="See the live site")).to_be_focused()
    assert "Key Library" in server.get("quillmere.localhost", "/contact/")[1].decode()


def test_proofs_follow_each_keystroke_and_are_read_from_the_chosen_page(used_desk):
    person = used_desk
    for typed in ("A", "AB", "ABC"):
        person.field("Name").fill(typed)
        expect(person.proof("Name", "Page header").locator("mark").first).to_have_text(typed)
    person.page.get_by_label("on page", exact=True).select_option("Swap days")
    expect(person.proof("Name", "Browser tab")).to_contain_text("Swap days – ABC")
    person.page.get_by_label("on page", exact=True).select_option("Borrowing seed")


def test_a_proof_opens_large(used_desk):
    proof = used_desk.proof("Tagline", "Search result")
    proof.get_by_role("button").click()
    expect(proof).to_contain_text("A village library of 214 kinds")
    assert used_desk.faults(proof) == []
    proof.get_by_role("button").click()


def test_more_places_are_drawn_or_named(used_desk):
    used_desk.field("Name").fill("Quillmere Bean Library")
    used_desk.fact("Name").get_by_role("button", name="more places").click()
    expect(used_desk.proof("Name", "Feed")).to_contain_text("Quillmere Bean Library")
    expect(used_desk.fact("Name")).to_contain_text("Page text · 3 pages")
    expect(used_desk.fact("Name")).to_contain_text("Not-found page · 1 page")
