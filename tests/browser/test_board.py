"""The board: every place at once, a fact lit where it lands, the draft beside what is live."""

import numpy as np
from PIL import Image
from playwright.sync_api import expect


def test_a_fact_is_seen_where_it_lands_beside_what_is_live(server, people):
    person = people(server).sign_in().writes(name="Quillmere Seed House").open(view="proofs")
    page = person.page
    expect(page.get_by_text("1 change not published")).to_be_visible()
    board = page.get_by_role("region", name="Draft")
    for place in (
        "Browser tab",
        "Page header",
        "Search result",
        "Footer",
        "Month calendar",
        "Message",
        "Home screen",
    ):
        expect(board.get_by_text(place, exact=True).first).to_be_visible()
    assert person.faults() == []
    page.get_by_label("Show where it lands").select_option(label="Name")
    expect(board.locator("mark", has_text="Quillmere Seed House").first).to_be_visible()
    expect(board.get_by_role("figure").filter(has_text="Browser tab").first).to_contain_text("pages")
    page.get_by_label("Read from").select_option(label="both, side by side")
    live = page.get_by_role("region", name="Live, edition")
    expect(live.get_by_role("figure").filter(has_text="Page header").first).to_contain_text("Quillmere Seed Library")
    expect(board.get_by_role("figure").filter(has_text="Page header").first).to_contain_text("Quillmere Seed House")
    board.get_by_role("link", name="Description", exact=True).first.click()
    expect(person.fact("Description")).to_be_visible()


def test_without_a_connection_the_board_says_so(server, people):
    person = people(server).sign_in().open(view="pages")
    page = person.page
    page.route("**/api/sites/*/proofs", lambda route: route.abort())
    page.get_by_role("link", name="Proofs").click()
    expect(page.get_by_role("region", name="Draft").get_by_role("alert")).to_contain_text("could not be fetched")


def test_by_keyboard_on_a_phone_in_the_dark_at_another_moment(server, people):
    person = people(server, width=390, dark=True).sign_in()
    person.open(view="proofs")
    page = person.page
    board = page.get_by_role("region", name="Draft")
    expect(board.get_by_text("© 2019–2026").first).to_be_visible()
    page.get_by_role("button", name="As on another day").click()
    page.get_by_label("as on").fill("2027-01-02T10:00")
    expect(board.get_by_text("© 2019–2027").first).to_be_visible()
    figure = board.get_by_role("button", name="to be seen large").first
    figure.press("Enter")
    expect(board.get_by_role("button", name="make it small again").first).to_be_visible()
    assert person.overflows() == 0
    assert person.faults() == []


def test_the_board_is_saved_as_one_picture(shared_server, people, tmp_path):
    person = people(shared_server).sign_in().open(view="proofs")
    page = person.page
    expect(page.get_by_role("figure").filter(has_text="Page header").first).to_be_visible()
    page.wait_for_load_state("networkidle")
    with page.expect_download() as download:
        page.get_by_role("button", name="Save as one picture").click()
    assert download.value.suggested_filename == "quillmere-proofs.png"
    download.value.save_as(tmp_path / "board.png")
    with Image.open(tmp_path / "board.png") as drawn:
        assert drawn.width > 2000
        # The plum of the demo's logo is on it, so that it is no empty sheet.
        seen = drawn.convert("RGB").resize((300, 300 * drawn.height // drawn.width))
    away = np.abs(np.asarray(seen, dtype=int) - (122, 46, 77)).sum(axis=2)
    assert int((away < 40).sum()) > 5


def test_the_draft_is_looked_at_in_another_language_and_nothing_is_kept(shared_server, people):
    person = people(shared_server, width=390).sign_in().open(view="proofs")
    page = person.page
    page.get_by_label("In", exact=True).select_option(label="German")
    # The days of the week above the month calendar.
    expect(page.get_by_role("figure").filter(has_text="Month calendar").first).to_contain_text("DiMiDo")
    assert person.overflows() == 0
    assert person.faults() == []
    expect(page.get_by_text("No changes")).to_be_visible()
