"""Finding anything by typing, the list of shortcuts, and what the desk shows of what was just typed."""

import re

import pytest
from playwright.sync_api import expect

from tests.support.sampling import sample

VIEWS = ["/quillmere/style", "/quillmere/editions", "/your-account", "/new-site"]


def find(page, typed: str, name: str) -> None:
    page.keyboard.press("Control+k")
    page.keyboard.type(typed)
    expect(page.get_by_role("dialog").get_by_role("option").first).to_contain_text(name)
    page.keyboard.press("Enter")


def test_any_fact_page_picture_edition_or_action_is_found_from_any_view(server, people):
    person = people(server).sign_in().open(view="editions")
    page = person.page
    find(page, "footer", "Footer line")
    expect(person.field("Footer line")).to_be_focused()
    find(page, "tomato", "Saving tomato seed")
    expect(page).to_have_url(re.compile(r"/quillmere/pages/\d+$"))
    expect(page.get_by_role("heading", name="Saving tomato seed", level=1)).to_be_focused()
    expect(page.get_by_label("Title", exact=True)).to_have_value("Saving tomato seed")
    find(page, "logo.svg", "a leaf for a tail")
    expect(page.get_by_role("button", name="Open logo.svg")).to_be_focused()
    find(page, "edition 1", "Edition 1")
    expect(page.get_by_role("heading", name="Edition 1", exact=True)).to_be_in_viewport()
    find(page, "house style", "House style")
    expect(page.get_by_role("heading", name="What every site needs")).to_be_focused()
    find(page, "silberpfad", "Uhrenwerkstatt Silberpfad")
    expect(page).to_have_url(re.compile("/silberpfad/style$"))


def test_the_finder_speaks_french_and_says_in_words_what_was_chosen(server, people):
    page = people(server).sign_in().open(view="editions").page
    page.get_by_role("banner").get_by_role("combobox").select_option("fr")
    expect(page.locator("html")).to_have_attribute("lang", "fr")
    page.keyboard.press("Control+k")
    for typed, name, said in [("décalage", "Fuseau horaire", "Londres"), ("devise", "Slogan", "Borrow in spring")]:
        page.keyboard.press("Control+a")
        page.keyboard.type(typed)
        first = page.get_by_role("dialog").get_by_role("option").first
        expect(first).to_contain_text(name)
        expect(first).to_contain_text(said)


def test_finding_ignores_accents_and_says_when_nothing_fits(server, people):
    page = people(server).sign_in().open("silberpfad", "editions").page
    page.keyboard.press("Control+k")
    page.keyboard.type("offnungs")
    expect(page.get_by_role("dialog").get_by_role("option").first).to_contain_text("Öffnungszeiten")
    page.keyboard.press("Control+a")
    page.keyboard.type("no such thing")
    expect(page.get_by_role("dialog").get_by_role("status")).to_contain_text("no such thing")
    page.keyboard.press("Escape")
    expect(page.get_by_role("dialog")).to_have_count(0)


def test_a_change_is_undone_from_the_finder(used_desk):
    person = used_desk
    person.field("Tagline").fill("Another line")
    expect(person.fact("Tagline")).to_contain_text("✓ Saved")
    find(person.page, "undo", "Undo the last change")
    expect(person.field("Tagline")).not_to_have_value("Another line")
    find(person.page, "redo", "Redo")
    expect(person.field("Tagline")).to_have_value("Another line")


@pytest.mark.parametrize("path", sample(VIEWS, 1, 3))
def test_the_finder_opens_in_every_view(shared_server, people, path):
    page = people(shared_server).sign_in().page
    page.goto(shared_server.desk + path)
    expect(page.locator("h1").first).to_be_visible()
    page.wait_for_timeout(300)
    find(page, "narjis", "narjis.localhost")
    expect(page).to_have_url(re.compile("/narjis/style$"))


def test_a_question_mark_lists_the_shortcuts_but_not_within_a_text(used_desk):
    person = used_desk
    page = person.page
    person.field("Tagline").press("End")
    page.keyboard.type("?")
    expect(page.get_by_role("dialog")).to_have_count(0)
    page.get_by_role("link", name="Pages").focus()
    page.keyboard.type("?")
    listed = page.get_by_role("dialog", name="Shortcuts")
    expect(listed).to_contain_text("Ctrl K")
    assert person.faults(listed) == []
    page.keyboard.press("Escape")
    expect(listed).to_have_count(0)


@pytest.mark.parametrize(("width", "dark"), [(1280, True), (390, False)])
def test_the_finder_is_for_everyone(shared_server, people, width, dark):
    person = people(shared_server, width=width, dark=dark).sign_in().open(view="editions")
    page = person.page
    if width < 600:
        page.get_by_role("button", name=re.compile("Account of")).click()
        page.get_by_role("menuitem", name="Find", exact=True).click()
    else:
        page.get_by_role("button", name="Find", exact=True).click()
    expect(page.get_by_role("dialog").get_by_role("option").first).to_be_visible()
    assert (person.faults(page.get_by_role("dialog")), person.overflows()) == ([], 0)


def test_a_proof_opens_large_where_it_stands(used_desk):
    person = used_desk
    proof = person.proof("Name", "Page header")
    opener = proof.get_by_role("button")
    small = proof.bounding_box()["width"]
    opener.click()
    expect(opener).to_have_attribute("aria-expanded", "true")
    expect(person.page.get_by_role("dialog")).to_have_count(0)
    assert proof.bounding_box()["width"] > 2 * small
    opener.press("Enter")
    expect(opener).to_have_attribute("aria-expanded", "false")
    assert proof.bounding_box()["width"] == small


@pytest.mark.long
def test_more_places_stand_in_line_and_no_row_is_taller_than_it_needs(server, people):
    person = people(server).sign_in().open()
    # Two parts of a row can only be compared once nothing above it grows any more.
    person.page.wait_for_load_state("networkidle")
    for fact in ("Description", "Name", "Tagline"):
        row = person.fact(fact)
        row.scroll_into_view_if_needed()
        expect(row.get_by_role("figure").first).to_be_visible()
        more = row.get_by_role("button", name=re.compile("more place")).bounding_box()
        first = row.get_by_role("figure").first.bounding_box()
        assert abs(more["y"] - first["y"]) < 10
        # As tall as its tallest part, with the same margin above and below it.
        parts = [row.locator("textarea, input").first, row.get_by_text(re.compile(r"characters")).first]
        lowest = max(
            part.bounding_box()["y"] + part.bounding_box()["height"]
            for part in (*parts, *row.get_by_role("figure").all(), row.locator("p").first)
        )
        assert row.bounding_box()["y"] + row.bounding_box()["height"] - lowest < 34


def test_the_icons_proofs_stay_in_view_while_it_is_made(server, people):
    person = people(server).sign_in().open()
    icon = person.fact("Icon")
    icon.get_by_role("button", name="Make one").click()
    icon.get_by_label("Soft shadow").scroll_into_view_if_needed()
    person.page.mouse.wheel(0, 250)
    person.page.wait_for_timeout(200)
    expect(icon.get_by_role("figure").first).to_be_in_viewport()
    expect(icon.get_by_alt_text("The icon").first).to_be_in_viewport()


def test_typefaces_show_in_the_sites_own_words_in_a_list_of_its_own(server, people):
    person = people(server).sign_in().open("silberpfad")
    row = person.fact("Typefaces")
    tagline = person.field("Tagline").input_value()
    assert tagline
    expect(row.get_by_role("radio")).to_have_count(6)
    expect(row).to_contain_text(tagline)
    group = row.get_by_role("radiogroup")
    assert group.bounding_box()["height"] < 300
    chosen = row.get_by_role("radio", checked=True)
    within = "(one, list) => one.top >= list.top && one.bottom <= list.bottom"
    boxes = "one => [one, one.closest('[role=radiogroup]')].map(each => each.getBoundingClientRect())"
    assert chosen.evaluate(f"one => ({within})(...({boxes})(one))")


def test_what_is_typed_of_a_new_site_appears_in_the_drawings(bare_server, people):
    page = people(bare_server).page
    page.goto(bare_server.desk)
    expect(page.get_by_text("Quillmere")).to_have_count(0)
    page.get_by_label("Email").fill("olive@example.org")
    page.get_by_label("Your name").fill("Olive")
    page.get_by_label("Password").fill("a-long-enough-one")
    page.get_by_role("button", name="Make my account").click()
    page.get_by_label("What is the site called?").fill("Café Löwen")
    drawings = page.locator("section[aria-hidden]")
    expect(drawings.get_by_text("Café Löwen")).to_have_count(3)
    page.get_by_role("combobox", name="In which town?").fill("Auckland")
    page.get_by_role("listbox").get_by_role("option").first.click()
    expect(drawings).to_contain_text("Auckland")


def test_pages_on_a_phone_show_an_address_below_its_name_and_the_state(shared_server, people):
    person = people(shared_server, width=390).sign_in().open(view="pages")
    row = person.page.get_by_role("row", name=re.compile("Saving tomato seed"))
    name = row.get_by_role("link", name="Saving tomato seed", exact=True).bounding_box()
    link = row.get_by_role("link", name="opens the live page").bounding_box()
    assert link["y"] >= name["y"] + name["height"] - 2
    assert 24 <= link["height"] < 30
    state = row.get_by_text("live", exact=True).bounding_box()
    assert state["x"] + state["width"] <= 390
    assert person.overflows() == 0
