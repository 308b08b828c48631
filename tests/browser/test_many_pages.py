"""A site of more pages than are drawn at once: lists in parts, found by words, worked on wherever they are."""

import io
import re
import zipfile

import pytest
from playwright.sync_api import expect

from tests.browser.test_titles import cell, paste

COUNT = 450


def _packed() -> bytes:
    packed = io.BytesIO()
    with zipfile.ZipFile(packed, "w") as files:
        for number in range(COUNT):
            files.writestr(
                f"many/n{number:03}.md", f"---\ntitle: Number {number}\norder: {number}\n---\n\nOf {number}.\n"
            )
    return packed.getvalue()


@pytest.fixture
def owner(server, people):
    person = people(server).sign_in()
    file = {"name": "many.zip", "mimeType": "application/zip", "buffer": _packed()}
    answer = person.context.request.post(
        f"{server.desk}/api/sites/quillmere/import", multipart={"files": file}, timeout=60_000
    )
    assert answer.ok, answer.text()
    assert len(answer.json()["added"]) == COUNT
    return person


def test_pages_are_found_and_worked_on_wherever_they_stand(owner):
    page = owner.open(view="pages").page
    rows = page.get_by_role("row")
    expect(rows).to_have_count(201)
    page.get_by_role("button", name=re.compile("Show more of 2[0-9]+ further pages")).click()
    expect(rows).to_have_count(401)
    page.get_by_label("Find a page by title or address").fill("number 44")
    # 44, 440 to 449.
    expect(rows).to_have_count(12)
    page.get_by_label("Find a page by title or address").fill("no such page")
    expect(page.get_by_text("No page has “no such page” in its title or address.")).to_be_visible()

    # From anywhere to a page that was not in any list yet, with what stands around it.
    page.keyboard.press("Control+k")
    page.keyboard.type("Number 431")
    page.get_by_role("option", name="Number 431").click()
    expect(page.get_by_role("heading", name="Number 431", level=1)).to_be_focused()
    assert owner.faults() == []
    page.get_by_role("link", name="All pages").click()
    expect(page.get_by_role("link", name="Number 431", exact=True)).to_be_in_viewport()
    expect(page.get_by_role("button", name=re.compile("Show some of [24]00 pages before"))).to_be_visible()
    page.get_by_role("checkbox", name="Tick Number 431").check()

    # Steps of it, and back.
    page.get_by_role("button", name="Move up").click()
    titles = page.get_by_role("rowheader")
    numbers = titles.filter(has_text=re.compile("Number 43[01]"))
    expect(numbers.first).to_contain_text("Number 431")
    page.get_by_role("button", name="Undo").click()
    expect(numbers.first).to_contain_text("Number 430")
    # Of so many pages, the one to stand below is searched.
    page.get_by_role("searchbox", name="Move to …").fill("number 12")
    below = page.get_by_role("combobox", name="Move to …")
    expect(below.get_by_role("option")).to_have_count(13)
    below.select_option(index=11)
    expect(titles.filter(has_text="Number 129")).to_have_count(1)


def test_the_table_of_titles_reads_what_is_in_sight(owner):
    page = owner.open(view="pages/titles").page
    expect(page.get_by_role("grid")).to_have_attribute("aria-rowcount", re.compile("4[78][0-9]"))
    cell(page, 0, 0).click()
    page.keyboard.press("Control+End")
    expect(page.locator(":focus")).to_have_attribute("data-column", "3")
    page.keyboard.press("Control+Home")
    page.get_by_label("Find a page").fill("number 2")
    expect(page.get_by_role("grid")).to_have_attribute("aria-rowcount", "112")
    # Rows that nobody looked at yet are read first; then all of them take what was pasted.
    cell(page, 0, 3).click()
    paste(page, "\n".join(f"Menu {number}" for number in range(111)))
    expect(cell(page, 2, 3)).to_contain_text("Menu 2")
    page.keyboard.press("Control+End")
    expect(cell(page, 110, 3)).to_contain_text("Menu 110")
    page.keyboard.press("Control+z")
    expect(cell(page, 110, 3)).to_contain_text("as its name")


def test_a_review_of_many_pages_comes_in_parts(owner):
    page = owner.open(view="review").page
    changes = page.get_by_role("main").get_by_role("heading", level=2).filter(has_not_text="Still to say")
    expect(changes).to_have_count(100)
    page.get_by_role("button", name="Show more of 350 further changes").click()
    expect(changes).to_have_count(200)
    page.get_by_role("button", name=f"Publish these {COUNT} changes").click()
    expect(page.get_by_role("heading", name=re.compile("Edition [0-9]+ is live"))).to_be_visible(timeout=30_000)


def test_the_page_that_proofs_are_read_on_is_searched(owner):
    page = owner.open(view="style").page
    page.get_by_role("searchbox", name="on page").fill("number 43")
    page.get_by_role("combobox", name="on page").select_option(label="Number 437")
    expect(owner.proof("Name", "Browser tab")).to_contain_text("Number 437")
