"""What is done with a site as a whole, and with the moment of publishing, by keyboard and by mouse."""

import re

from playwright.sync_api import expect


def _review_name_and_tagline(person) -> None:
    person.writes(name="Quillmere Seed Commons", tagline="Borrow. Grow. Restore.").open(view="review")
    expect(person.page.get_by_text("2 changes not published")).to_be_visible()


def test_a_change_is_held_back_and_the_rest_goes_out(server, people):
    person = people(server, width=390).sign_in()
    _review_name_and_tagline(person)
    page = person.page
    held = page.get_by_label("Hold back: Name")
    held.focus()
    page.keyboard.press("Space")
    expect(page.get_by_text("1 change is held back")).to_be_visible()
    # What it will look like is told without what is held back.
    then = page.get_by_role("group", name="As it will be")
    expect(then).to_have_count(1)
    # What is not in view is drawn again once it is.
    then.scroll_into_view_if_needed()
    expect(then.get_by_text("Borrow. Grow. Restore.").first).to_be_visible()
    # First where the whole of it is seen: in a search result it ends a title that is cut off.
    expect(then.get_by_role("figure").first).to_contain_text("Page header")
    now = page.get_by_role("group", name="Now").last
    expect(now.get_by_role("figure").first).to_contain_text("Page header")
    expect(then.get_by_text("Quillmere Seed Commons")).to_have_count(0)
    assert person.overflows() == 0
    assert person.faults() == []
    page.get_by_role("button", name="Publish this change").click()
    expect(page.get_by_role("heading", name="Edition 4 is live")).to_be_visible()
    home = server.get("quillmere.localhost", "/")[1].decode()
    assert "Restore." in home
    assert "Commons" not in home
    expect(page.get_by_text("1 change not published")).to_be_visible()


def test_publishing_waits_for_a_chosen_time_and_can_be_called_off(server, people):
    person = people(server, dark=True).sign_in()
    _review_name_and_tagline(person)
    page = person.page
    # By keyboard: what is still drawn above moves it away from under a mouse.
    page.get_by_text("Publish at a chosen time").press("Enter")
    when = page.get_by_label("When, in the time zone of Europe/London?")
    expect(when).to_have_value("26 November 2026, 09:00")
    when.fill("2026-11-25T11:00")
    page.get_by_role("button", name="Publish at this time").click()
    expect(page.get_by_role("alert").filter(has_text="That time is over")).to_be_visible()
    when.fill("2026-12-01T09:00")
    page.get_by_role("button", name="Publish at this time").click()
    expect(page.get_by_text("To be published on Tuesday, 1 December 2026")).to_be_visible()
    assert person.faults() == []
    page.get_by_role("button", name="Cancel the schedule").click()
    expect(page.get_by_text("To be published on")).to_have_count(0)


def test_a_site_is_closed_and_opened_deleted_and_brought_back(server, people):
    person = people(server, width=390).sign_in()
    person.open(view="whole-site")
    page = person.page
    page.get_by_role("button", name="Close the site").press("Enter")
    expect(page.get_by_text("The site is closed: visitors see none")).to_be_visible()
    assert server.get("quillmere.localhost", "/")[0] == 503
    assert person.faults() == []
    page.get_by_role("button", name="Open the site").press("Enter")
    expect(page.get_by_text("The site is open to visitors.")).to_be_visible()
    assert server.get("quillmere.localhost", "/")[0] == 200
    page.get_by_role("button", name="Delete Quillmere Seed Library").press("Enter")
    sure = page.get_by_role("button", name="Delete this site")
    expect(sure).to_be_disabled()
    page.get_by_label("To be sure, type its address").fill("quillmere.localhost")
    assert person.overflows() == 0
    sure.click()
    expect(page.get_by_role("heading", name="Deleted sites")).to_be_visible()
    assert server.get("quillmere.localhost", "/")[0] == 404
    assert person.faults() == []
    page.get_by_role("button", name="Restore Quillmere Seed Library").press("Enter")
    page.wait_for_url("**/quillmere/style")
    assert server.get("quillmere.localhost", "/")[0] == 200


def test_facts_of_another_site_are_looked_at_and_copied(server, people):
    person = people(server, width=390).sign_in()
    person.open(site="narjis", view="whole-site")
    page = person.page
    page.get_by_label("From which site?").select_option(label="Quillmere Seed Library")
    page.get_by_label("Colour", exact=True).check()
    page.get_by_label("Logo", exact=True).check()
    assert person.overflows() == 0
    assert person.faults() == []
    page.get_by_role("button", name="Copy 2 facts").click()
    expect(page.get_by_text("2 facts copied into the draft.")).to_be_visible()
    expect(page.get_by_label("Colour", exact=True)).to_have_count(0)
    person.go_to("House style")
    expect(person.proof("Logo", "Page header").get_by_role("img").first).to_be_visible()


def test_a_site_goes_out_as_a_package_and_comes_in_as_another(server, people, tmp_path):
    person = people(server).sign_in()
    person.open(view="whole-site")
    page = person.page
    with page.expect_download() as download:
        page.get_by_role("link", name="As a package for another Hestor").click()
    kept = tmp_path / "quillmere.zip"
    download.value.save_as(kept)
    page.get_by_label("Choose a package …").set_input_files(kept)
    page.get_by_role("link", name="Go to the new site").click()
    expect(person.field("Name")).to_have_value("Quillmere Seed Library")
    assert "/quillmere/" not in page.url
    with page.expect_download() as download:
        person.open(view="whole-site").page.get_by_role("link", name="As files for any web server").click()
    assert download.value.suggested_filename == "quillmere-3-files.zip"
    person.open(view="whole-site")
    page.get_by_label("Choose a package …").set_input_files(
        {"name": "x.zip", "mimeType": "application/zip", "buffer": b"no"}
    )
    expect(page.get_by_role("alert")).to_contain_text("no package of a Hestor site")


def test_a_site_is_copied_under_another_name(server, people):
    person = people(server, width=390).sign_in()
    page = person.open(view="whole-site").page
    copy = page.get_by_role("region", name="Make a copy")
    copy.get_by_role("button", name="Make the copy").click()
    expect(copy.locator("[aria-invalid=true]")).to_be_visible()
    copy.get_by_label("Name of the copy").fill("Pond Seed Library")
    assert person.wrong_at_any_width(copy) == []
    assert person.faults(copy) == []
    copy.get_by_label("Name of the copy").press("Enter")
    expect(page).to_have_url(re.compile("/pond-seed-library/style$"))
    expect(person.field("Name")).to_have_value("Pond Seed Library")
    expect(person.field("Tagline")).to_have_value(re.compile("^Borrow"))
    person.open("pond-seed-library", "pages")
    expect(page.get_by_role("link", name="Borrowing seed").first).to_be_visible()
