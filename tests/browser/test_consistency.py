"""Consistency in the browser: the demo's faults found, mended by mouse and keyboard, taken back, said to be meant."""

import zipfile

from playwright.sync_api import expect

from tests.support.labelled import sites

FORMER = "A former name of the site"


def opened(people, server, role="owner", site="quillmere", **more):
    person = people(server, **more).sign_in(role)
    person.open(site, "consistency")
    return person, person.page


def test_the_demos_faults_are_found_mended_and_taken_back(server, people):
    person, page = opened(people, server)
    expect(page.get_by_text("25 of 28 pages agree")).to_be_visible()
    assert person.faults() == []
    group = page.get_by_role("region", name=FORMER)
    expect(group.get_by_role("listitem")).to_have_count(2)
    expect(group.get_by_role("listitem").first).to_contain_text("Quillmere Seed Exchange {site}")
    group.get_by_role("button", name="Mend all 2").click()
    expect(page.get_by_text("2 spots are mended in the draft")).to_be_visible()
    expect(group).to_be_hidden()
    # Which day was meant, only a person knows.
    page.get_by_role("button", name="It is 3 October 2026").click()
    expect(page.get_by_text("All 28 pages agree")).to_be_visible()
    page.get_by_role("button", name="Undo").click()
    expect(page.get_by_text("27 of 28 pages agree")).to_be_visible()
    page.get_by_role("button", name="Undo").click()
    expect(page.get_by_text("25 of 28 pages agree")).to_be_visible()


def test_by_keyboard_on_a_phone_one_is_said_to_be_meant(server, people):
    person, page = opened(people, server, width=390)
    row = page.get_by_role("region", name=FORMER).get_by_role("listitem").first
    row.get_by_role("button", name="Intentional").press("Enter")
    expect(row.get_by_role("textbox")).to_be_focused()
    page.keyboard.type("It tells how it began")
    page.keyboard.press("Enter")
    expect(page.get_by_text("26 of 28 pages agree")).to_be_visible()
    page.get_by_text("Intentional: 1").click()
    expect(page.get_by_text("“It tells how it began”")).to_be_visible()
    assert person.overflows() == 0
    assert person.faults() == []
    page.get_by_role("button", name="Report again").click()
    expect(page.get_by_text("25 of 28 pages agree")).to_be_visible()
    row = page.get_by_role("region", name=FORMER).get_by_role("listitem").first
    row.get_by_role("checkbox").press("Space")
    page.get_by_role("button", name="Mend the chosen one").press("Enter")
    expect(page.get_by_text("One spot is mended in the draft")).to_be_visible()


def test_offline_it_says_so_and_a_guest_mends_nothing(server, people):
    _, page = opened(people, server, role="guest", dark=True)
    expect(page.get_by_role("region", name=FORMER)).to_be_visible()
    expect(page.get_by_role("button", name="Mend", exact=False)).to_have_count(0)
    expect(page.get_by_role("checkbox")).to_have_count(0)
    page.route("**/api/**/sweep/**", lambda route: route.abort())
    page.goto(f"{server.desk}/narjis/consistency")
    expect(page.get_by_role("alert")).to_contain_text("connection")


def test_pages_made_elsewhere_are_checked_and_come_back_mended(server, people, tmp_path):
    site = next(sites())
    pages = tmp_path / "pages.zip"
    with zipfile.ZipFile(pages, "w") as archive:
        for name, raw in site.files.items():
            archive.writestr(name, raw)
    person, page = opened(people, server, width=390)
    page.get_by_role("link", name="Check pages that were made elsewhere").click()
    page.get_by_label("Choose a ZIP").set_input_files(pages)
    # Without a house style what most of the pages say is right, and nobody knows of former names.
    expect(page.get_by_role("region", name="Two pages with one title")).to_be_visible()
    expect(page.get_by_role("region", name=FORMER)).to_have_count(0)
    page.get_by_label("Hold them to the house style of Quillmere Seed Library").check()
    expect(page.get_by_role("region", name=FORMER)).to_contain_text("Quillmere Seed Exchange")
    assert person.faults() == []
    assert person.overflows() == 0
    with page.expect_download() as saved:
        page.get_by_role("button", name="Download mended pages").click()
    with zipfile.ZipFile(saved.value.path()) as archive:
        assert b"Quillmere Seed Library</strong> lends" in archive.read("former-name-1.html")


def test_a_look_that_gets_no_answer_is_taken_again(shared_server, people):
    person = people(shared_server).sign_in()
    person.page.route("**/sweep/step", lambda route: route.abort(), times=1)
    page = person.open("silberpfad", "consistency").page
    page.get_by_role("button", name="Try again").press("Enter")
    expect(page.get_by_text("pages agree")).to_be_visible()
    expect(page.get_by_role("button", name="Try again")).to_have_count(0)
