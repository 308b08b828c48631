"""Pages: added, written, moved, copied, deleted and brought back."""

import re

from playwright.sync_api import expect

from tests.browser.test_contact import publish


def test_a_page_with_a_picture_and_a_fill_in_is_written_and_published(server, people):
    person = people(server, width=390).sign_in().open(view="pages")
    page = person.page
    page.get_by_role("button", name="Add a page").click()
    page.get_by_label("What is it called?").fill("Growing peas")
    page.get_by_label("Where does it stand?").select_option(label="Below Growing guides")
    page.get_by_role("button", name="Add it").press("Enter")
    text = page.get_by_role("textbox", name="What it is about (Markdown)")
    expect(text).to_be_visible()
    text.click()
    page.keyboard.type("Peas of {si")
    page.get_by_role("option", name="{site}").click()
    page.keyboard.type(" like ")
    page.get_by_role("button", name="Bold").click()
    page.keyboard.type("cool")
    page.get_by_role("button", name="Bold").click()
    page.keyboard.type(" soil.")
    page.get_by_label("Picture …").select_option(index=1)
    assert person.wrong_at_any_width() == []
    expect(page.get_by_text("✓ Saved").last).to_be_visible()
    publish(page)
    page.goto(server.site("quillmere") + "/growing/growing-peas/")
    expect(page.locator(".prose p").first).to_have_text("Peas of Quillmere Seed Library like cool soil.")
    expect(page.locator(".prose strong")).to_have_text("cool")
    expect(page.locator(".prose img")).to_have_count(1)


def test_what_was_typed_is_undone_over_text_and_title_alike(server, people):
    person = people(server).sign_in().open(view="pages")
    page = person.page
    page.get_by_role("button", name="Returning seed").click()
    text = page.get_by_role("textbox", name="What it is about (Markdown)")
    text.click()
    page.keyboard.press("Control+Home")
    page.keyboard.type("In autumn. ")
    expect(text).to_contain_text("In autumn.")
    title = page.get_by_role("textbox", name="Title", exact=True)
    title.fill("Bringing seed back")
    page.get_by_role("button", name="Undo").click()
    expect(title).to_have_value("Returning seed")
    page.get_by_role("button", name="Undo").click()
    expect(text).to_contain_text("Bring back what you can spare")
    expect(text).not_to_contain_text("In autumn.")


def order(page) -> list[str]:
    return [re.sub(r"\s+", " ", text).strip() for text in page.locator("tbody th button").all_inner_texts()]


def test_a_page_is_moved_by_keyboard_and_found_where_it_went(server, people):
    person = people(server).sign_in().open(view="pages")
    page = person.page
    row = page.get_by_role("button", name="Borrowing seed", exact=False).first
    row.press("Enter")
    before = order(page)
    name = before[before.index(next(one for one in before if one.startswith("Borrowing")))]
    page.get_by_role("button", name="Move down").press("Enter")
    expect(page.get_by_text(re.compile("changes? not published"))).to_be_visible()
    expect(page.locator("tbody th button").nth(before.index(name) + 1)).to_contain_text(name)
    expect(page.get_by_role("button", name="Move down")).to_be_focused()
    into, out = (page.get_by_role("button", name=name) for name in ("Put below the page", "Take out, beside the page"))
    expect(into).to_be_enabled()
    into.press("Enter")
    expect(out).to_be_enabled()
    out.press("Enter")
    expect(out).to_be_disabled()
    expect(out).to_be_focused()
    assert person.faults() == []
    publish(page)
    page.goto(server.site("quillmere"))
    menu = page.locator("header nav > ul > li > a").all_inner_texts()
    assert menu.index("Borrowing") == menu.index("Returning") + 1


def test_a_deleted_page_names_what_goes_along_and_comes_back(server, people):
    person = people(server).sign_in().open(view="pages")
    page = person.page
    page.get_by_role("button", name="Growing guides").click()
    # What stands below the text moves once more when its editor has come.
    expect(page.get_by_role("textbox", name="What it is about (Markdown)")).to_be_visible()
    page.get_by_role("button", name="Delete", exact=True).click()
    asked = page.get_by_role("alert")
    expect(asked).to_contain_text("These stand below it and go along:")
    page.get_by_role("button", name="Delete", exact=True).press("Enter")
    removed = page.get_by_role("region", name="Deleted pages")
    expect(removed).to_contain_text("Growing guides")
    assert person.faults() == []
    count = removed.get_by_role("button", name="Restore").count()
    assert count > 3
    # The page itself first: what stood below it finds it there again.
    removed.get_by_role("listitem").filter(has_text="Growing guides").get_by_role("button", name="Restore").click()
    for left in range(count - 1, 0, -1):
        expect(removed.get_by_role("button", name="Restore")).to_have_count(left)
        removed.get_by_role("button", name="Restore").first.click()
    expect(removed).to_have_count(0)
    expect(page.get_by_text("No changes")).to_be_visible()


def test_a_page_gets_another_address_and_the_old_one_leads_there(server, people):
    person = people(server).sign_in().open(view="pages")
    page = person.page
    page.get_by_role("button", name="Borrowing seed").click()
    address = page.get_by_role("textbox", name="Address")
    address.fill("/returning/")
    expect(page.get_by_role("alert").filter(has_text="address")).to_be_visible()
    address.fill("/how-to-borrow/")
    expect(page.get_by_text("✓ Saved").last).to_be_visible()
    publish(page)
    page.goto(server.site("quillmere") + "/borrowing/")
    assert page.url.endswith("/how-to-borrow/")


def test_a_copy_is_added_and_opens(server, people):
    person = people(server).sign_in().open(view="pages")
    page = person.page
    page.get_by_role("button", name="Borrowing seed").click()
    page.get_by_role("button", name="Duplicate").click()
    expect(page.get_by_role("textbox", name="Address")).to_have_value(re.compile("-2/$|borrow"))
    expect(page.get_by_text("1 change not published")).to_be_visible()


def test_a_page_is_moved_by_the_mouse_and_put_back(server, people):
    person = people(server).sign_in().open(view="pages")
    page = person.page
    expect(page.get_by_role("button", name="Returning seed")).to_be_visible()
    before = order(page)
    source = page.get_by_role("row", name=re.compile("^Returning seed"))
    source.hover()
    target = page.get_by_role("row", name=re.compile("^Borrowing seed"))
    box = target.bounding_box()
    source.locator("[draggable=true]").drag_to(target, target_position={"x": 40, "y": box["height"] * 0.1})
    expect(page.locator("tbody th button").nth(1)).to_contain_text("Returning seed")
    page.get_by_role("button", name="Undo").click()
    expect(page.locator("tbody th button").nth(1)).to_contain_text("Borrowing seed")
    assert order(page) == before


def test_a_deleted_page_comes_back_by_undo(server, people):
    person = people(server).sign_in().open(view="pages")
    page = person.page
    expect(page.get_by_role("button", name="Returning seed")).to_be_visible()
    before = order(page)
    page.get_by_role("button", name="Growing guides").click()
    page.get_by_role("button", name="Delete", exact=True).press("Enter")
    expect(page.get_by_role("button", name="Keep it", exact=True)).to_be_focused()
    sure = page.get_by_role("button", name="Delete", exact=True)
    expect(sure).to_be_enabled()
    page.keyboard.press("Shift+Tab")
    expect(sure).to_be_focused()
    page.keyboard.press("Enter")
    expect(page.get_by_role("button", name="Saving tomato seed")).to_be_hidden()
    page.get_by_role("button", name="Undo").click()
    expect(page.get_by_role("button", name="Saving tomato seed")).to_be_visible()
    assert order(page) == before


def test_a_picture_is_dropped_into_a_text(server, people):
    person = people(server).sign_in().open(view="pages")
    page = person.page
    page.get_by_role("button", name="Borrowing seed").click()
    text = page.get_by_role("textbox", name="What it is about (Markdown)")
    text.click()
    page.evaluate(
        """async () => {
        const canvas = document.createElement("canvas"); canvas.width = 60; canvas.height = 40;
        canvas.getContext("2d").fillRect(5, 5, 30, 20);
        const blob = await new Promise((done) => canvas.toBlob(done, "image/png"));
        const data = new DataTransfer(); data.items.add(new File([blob], "packet.png", {type: "image/png"}));
        const paste = new ClipboardEvent("paste", {clipboardData: data, bubbles: true, cancelable: true});
        document.activeElement.dispatchEvent(paste);
        }"""
    )
    expect(text).to_contain_text("/_hestor/pic-")
    expect(page.get_by_text("1 change not published")).to_be_visible()


def test_pages_go_out_as_files_and_come_back(server, people, tmp_path):
    person = people(server).sign_in().open(view="pages")
    page = person.page
    page.get_by_role("button", name="Import and export").click()
    with page.expect_download() as taken:
        page.get_by_role("link", name="Download all pages").click()
    page.get_by_label("Upload a ZIP").set_input_files(taken.value.path(), timeout=20_000)
    file = tmp_path / "pages.zip"
    file.write_bytes(taken.value.path().read_bytes())
    page.get_by_label("Upload a ZIP").set_input_files(file)
    expect(page.get_by_text(re.compile("0 pages added · [0-9]+ said the same"))).to_be_visible()
    expect(page.get_by_text("No changes")).to_be_visible()
    note = tmp_path / "pond.md"
    note.write_text("# The pond\n\nFrogs.\n")
    page.get_by_label("Upload a ZIP").set_input_files(note)
    expect(page.get_by_text("1 page added")).to_be_visible()
    pond = page.get_by_role("button", name="The pond")
    expect(pond).to_be_visible()
    page.get_by_role("button", name="Undo", exact=True).click()
    expect(pond).to_have_count(0)
    expect(page.get_by_text("No changes")).to_be_visible()
    page.get_by_role("button", name="Redo", exact=True).click()
    expect(pond).to_be_visible()
    assert (person.faults(), person.overflows()) == ([], 0)
