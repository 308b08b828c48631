"""Titles of all pages in one table, worked on as in a spreadsheet; patterns; what pages share and leave out."""

import re

import pytest
from playwright.sync_api import expect

from tests.browser.test_contact import publish

TSV = "Borrow seed here\tBorrow seed | {site}\nBring seed back\tReturn seed | {site}\nHow to grow\tGrow | {site}"


def cell(page, row, column):
    return page.locator(f'[data-row="{row}"][data-column="{column}"]')


def table(person):
    page = person.open(view="pages/titles").page
    expect(page.get_by_role("grid")).to_be_visible()
    return page


def paste(page, text):
    page.evaluate(
        """text => {
        const data = new DataTransfer(); data.setData("text/plain", text);
        const paste = new ClipboardEvent("paste", {clipboardData: data, bubbles: true, cancelable: true});
        document.activeElement.dispatchEvent(paste);
        }""",
        text,
    )


def test_titles_are_renamed_by_paste_and_taken_back_in_one_step(server, people):
    person = people(server).sign_in()
    page = table(person)
    cell(page, 1, 0).click()
    paste(page, TSV)
    expect(cell(page, 1, 0)).to_contain_text("Borrow seed here")
    expect(page.get_by_role("row").filter(has_text="/returning/")).to_contain_text("Return seed | Quillmere Seed")
    expect(page.get_by_text("3 changes not published")).to_be_visible()
    assert (person.faults(), person.overflows()) == ([], 0)
    page.get_by_role("button", name="Undo").click()
    expect(cell(page, 1, 0)).to_contain_text("Borrowing seed")
    expect(cell(page, 3, 1)).to_contain_text("by the pattern")
    expect(page.get_by_text("No changes")).to_be_visible()
    page.get_by_role("button", name="Redo").click()
    expect(page.get_by_text("3 changes not published")).to_be_visible()
    publish(page)
    page.goto(server.site("quillmere") + "/growing/")
    expect(page).to_have_title("Grow | Quillmere Seed Library")


def test_the_table_is_worked_on_by_keyboard_alone(server, people):
    person = people(server).sign_in()
    page = table(person)
    cell(page, 0, 0).focus()
    for key in ("ArrowDown", "ArrowRight"):
        page.keyboard.press(key)
    expect(cell(page, 1, 1)).to_be_focused()
    page.keyboard.type("Borrowing – {tagline}")
    page.keyboard.press("Enter")
    expect(cell(page, 2, 1)).to_be_focused()
    expect(cell(page, 1, 1)).to_contain_text("Borrowing – {tagline}")
    page.keyboard.press("F2")
    page.keyboard.type("Not this")
    page.keyboard.press("Escape")
    expect(cell(page, 2, 1)).to_contain_text("by the pattern")
    page.keyboard.press("ArrowUp")
    page.keyboard.press("Delete")
    expect(cell(page, 1, 1)).to_contain_text("by the pattern")
    page.keyboard.press("Control+End")
    expect(page.locator(":focus")).to_have_attribute("data-column", "3")
    page.keyboard.press("Control+z")
    page.keyboard.press("Control+Home")
    expect(cell(page, 1, 1)).to_contain_text("Borrowing – {tagline}")


def test_a_refused_cell_says_why_where_it_stands(server, people):
    person = people(server).sign_in()
    page = table(person)
    cell(page, 2, 0).click()
    page.keyboard.press("Delete")
    expect(cell(page, 2, 0).get_by_role("alert")).to_be_visible()
    cell(page, 2, 1).click()
    page.keyboard.type("Of {sight}")
    page.keyboard.press("Enter")
    expect(cell(page, 2, 1).get_by_role("alert")).to_contain_text("{site}")
    page.keyboard.press("Control+z")
    expect(cell(page, 2, 1).get_by_role("alert")).to_be_hidden()


def test_a_fault_is_mended_and_words_are_replaced_after_a_look(server, people):
    person = people(server).sign_in()
    page = table(person)
    page.get_by_role("button", name="Former name · 1").click()
    expect(page.get_by_role("row")).to_have_count(2)
    page.get_by_role("button", name="Mend 1 Former name").click()
    change = page.get_by_role("region", name="What would change")
    expect(change).to_contain_text("Volunteers – {site}")
    assert person.faults() == []
    change.get_by_role("button", name="Change it").click()
    expect(page.get_by_text("1 change not published")).to_be_visible()
    expect(page.get_by_text("No title or description needs attention.")).to_be_visible(timeout=20_000)
    page.get_by_role("button", name="Find and replace").click()
    page.get_by_role("textbox", name="Find", exact=True).fill("seed")
    page.get_by_label("Put in its place").fill("bean")
    page.get_by_role("button", name="See what would change").click()
    expect(change.get_by_role("status")).to_contain_text("Nothing is changed yet")
    change.get_by_role("button", name="Leave as it is").click()
    expect(page.get_by_text("1 change not published")).to_be_visible()


def test_a_table_of_a_spreadsheet_is_taken_in(server, people, tmp_path):
    person = people(server).sign_in()
    page = table(person)
    with page.expect_download() as taken:
        page.get_by_role("link", name="Download as CSV").click()
    text = taken.value.path().read_text(encoding="utf-8-sig")
    file = tmp_path / "titles.csv"
    file.write_text(text.replace("Borrowing seed,", "Seed to borrow,", 1) + "/nowhere/,Lost,,,,,\r\n")
    page.get_by_label("Upload CSV").set_input_files(file)
    change = page.get_by_role("region", name="What would change")
    expect(change).to_contain_text("/nowhere/")
    change.get_by_role("button", name="Change it").click()
    expect(cell(page, 1, 0)).to_contain_text("Seed to borrow")


@pytest.mark.parametrize("width", [390])
def test_on_a_phone_rows_stack_and_are_edited(server, people, width):
    person = people(server, width=width).sign_in()
    page = table(person)
    cell(page, 1, 2).dblclick()
    page.keyboard.type("Six packets for everybody.")
    page.keyboard.press("Enter")
    expect(page.get_by_role("row").filter(has_text="/borrowing/")).to_contain_text("Six packets for everybody.")
    assert (person.faults(), person.overflows()) == ([], 0)


def test_who_may_only_look_changes_nothing(shared_server, people):
    person = people(shared_server).sign_in("guest")
    page = table(person)
    cell(page, 1, 0).click()
    page.keyboard.type("x")
    expect(cell(page, 1, 0)).to_contain_text("Borrowing seed")
    expect(page.get_by_role("button", name="Find and replace")).to_be_hidden()


def test_a_pattern_is_put_together_by_keyboard(server, people):
    person = people(server).sign_in().open(view="style")
    page = person.page
    row = person.fact("Page titles").first
    row.get_by_role("button", name=re.compile("^Page: ")).focus()
    page.keyboard.press("ArrowRight")
    tab = row.locator("figure").first
    expect(tab).to_contain_text("Quillmere Seed Library – Borrowing seed")
    row.get_by_role("button", name="+ Tagline").click()
    expect(row.get_by_role("button", name=re.compile("^Tagline: "))).to_be_focused()
    page.keyboard.press("Delete")
    expect(row.get_by_role("button", name=re.compile("^Tagline: "))).to_be_hidden()
    row.get_by_role("button", name=re.compile("^Page: ")).focus()
    page.keyboard.press("Delete")
    expect(row.get_by_role("alert")).to_contain_text("{page}")
    assert person.faults(row) == []


def test_a_page_leaves_the_menu_out_and_takes_part_again(server, people):
    person = people(server).sign_in().open(view="pages")
    page = person.page
    page.get_by_role("link", name="Returning seed", exact=True).click()
    page.get_by_text("What this page shows").click()
    page.get_by_role("group", name="What this page shows").get_by_label("Menu").uncheck()
    expect(page.get_by_text("1 change not published")).to_be_visible()
    person.go_to("House style")
    person.unfold("frame")
    page.get_by_text("1 page leaves parts out:").scroll_into_view_if_needed()
    page.get_by_role("button", name="Take part again Returning seed").click()
    expect(page.get_by_text("1 page leaves parts out:")).to_be_hidden()
    expect(page.get_by_text("No changes")).to_be_visible()


CODE = "<script>document.documentElement.dataset.counted = 'yes'</script>"


def test_added_code_runs_once_a_visitor_agrees_and_never_in_a_safe_start(server, people):
    person = people(server).sign_in().open(view="style")
    page = person.page
    code = person.unfold("added").page.get_by_role("textbox", name="Third-party code")
    code.scroll_into_view_if_needed()
    code.fill(f"{CODE}</head>")
    group = page.get_by_role("group", name="Third-party code")
    expect(group.get_by_role("alert")).to_contain_text("</head>")
    code.fill(CODE)
    expect(group.get_by_role("alert")).to_be_hidden()
    page.get_by_role("button", name="Ask visitors first").click()
    expect(page.get_by_role("textbox", name="What it says")).to_be_visible()
    group.get_by_text("What pages will allow it").click()
    expect(group).to_contain_text("'sha256-")
    bare = group.get_by_role("link", name="The site without its added code").get_attribute("href")
    publish(page)
    visitor = people(server).page
    visitor.goto(server.site("quillmere") + "/borrowing/")
    root = visitor.locator("html")
    expect(visitor.get_by_role("button", name="Agree")).to_be_visible()
    expect(root).not_to_have_attribute("data-counted", "yes")
    visitor.get_by_role("button", name="Agree").click()
    expect(root).to_have_attribute("data-counted", "yes")
    visitor.goto(server.site("quillmere") + "/returning/")
    expect(root).to_have_attribute("data-counted", "yes")
    visitor.get_by_role("button", name="Change your answer about cookies").click()
    visitor.get_by_role("button", name="Decline").click()
    expect(root).not_to_have_attribute("data-counted", "yes")
    expect(visitor.get_by_role("button", name="Agree")).to_be_hidden()
    page.goto(bare)
    expect(page.get_by_role("heading", level=1)).to_be_visible()
    assert CODE not in page.content()


def test_the_menu_folds_on_a_phone_with_a_script_and_without(server, people, browser):
    person = people(server).sign_in().open(view="style")
    page = person.page
    person.unfold("frame").page.get_by_label("Below 640 pixels").check()
    expect(page.get_by_text("1 change not published")).to_be_visible()
    publish(page)
    for scripts in (True, False):
        context = browser.new_context(viewport={"width": 390, "height": 800}, java_script_enabled=scripts)
        visitor = context.new_page()
        visitor.goto(server.site("quillmere") + "/borrowing/")
        entry = visitor.get_by_role("link", name="Returning", exact=True)
        expect(entry).to_be_hidden()
        visitor.get_by_text("Main menu").first.click()
        expect(entry).to_be_visible()
        visitor.set_viewport_size({"width": 1000, "height": 800})
        expect(entry).to_be_visible()
        context.close()


def test_what_is_still_to_say_leads_to_its_spot_and_falls_away(bare_server, people):
    person = people(bare_server)
    page = person.page
    page.goto(bare_server.desk)
    page.get_by_label("Email", exact=True).fill("nora@plum.example")
    page.get_by_label("Password", exact=True).fill("correct horse battery")
    page.get_by_role("button", name="Make my account").click()
    page.get_by_label("What is the site called?").fill("Plum Village")
    page.get_by_role("combobox", name="In which town?").press_sequentially("Bern")
    page.get_by_role("listbox").get_by_role("option").first.click()
    page.get_by_role("button", name="Make the site").click()
    expect(page.get_by_role("heading", name="Still to say")).to_be_visible()
    expect(page.get_by_role("link", name="Words for the home page")).to_be_visible()
    assert (person.faults(), person.overflows()) == ([], 0)
    page.get_by_role("link", name=re.compile("^A tagline")).click()
    expect(page.get_by_role("textbox", name="Tagline")).to_be_focused()
    page.keyboard.type("Plums for all")
    page.get_by_role("link", name=re.compile("still to say")).click()
    expect(page.get_by_role("link", name="Words for the home page")).to_be_visible()
    expect(page.get_by_role("link", name=re.compile("^A tagline"))).to_be_hidden()


def test_another_address_is_told_of_before_and_leads_on(server, people):
    person = people(server).sign_in().open(view="style")
    page = person.page
    person.unfold("address").page.get_by_role("button", name="Change the address").click()
    expect(page.get_by_text("Links from elsewhere and bookmarks")).to_be_visible()
    page.get_by_label("Short address on this server").fill("not ok")
    page.get_by_role("button", name="Change it now").click()
    expect(page.get_by_label("Short address on this server")).to_have_attribute("aria-invalid", "true")
    page.get_by_label("Short address on this server").fill("seedbank")
    page.get_by_label("Own domain").fill("https://www.elsewhere.example/")
    page.get_by_role("button", name="Change it now").click()
    expect(page).to_have_url(re.compile("/seedbank/style"))
    expect(page.get_by_role("cell", name="elsewhere.example", exact=True).first).to_be_visible()
    expect(page.get_by_text(re.compile("short address stays in use|Nobody could say"))).to_be_visible()
    assert person.faults() == []
    page.goto(server.site("quillmere") + "/borrowing/")
    expect(page).to_have_url(re.compile("seedbank.localhost:[0-9]+/borrowing/"))
