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
    page.get_by_role("link", name="Returning seed", exact=True).click()
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


ROWS = "tbody th a[href*='/pages/']"


def order(page) -> list[str]:
    return [re.sub(r"\s+", " ", text).strip() for text in page.locator(ROWS).all_inner_texts()]


def test_a_page_is_moved_by_keyboard_and_found_where_it_went(server, people):
    person = people(server).sign_in().open(view="pages")
    page = person.page
    page.get_by_role("checkbox", name="Tick Borrowing seed").press("Space")
    before = order(page)
    name = before[before.index(next(one for one in before if one.startswith("Borrowing")))]
    page.get_by_role("button", name="Move down").press("Enter")
    expect(page.get_by_text(re.compile("changes? not published"))).to_be_visible()
    expect(page.locator(ROWS).nth(before.index(name) + 1)).to_contain_text(name)
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
    page.get_by_role("link", name="Growing guides", exact=True).click()
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
    page.get_by_role("link", name="Borrowing seed", exact=True).click()
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
    page.get_by_role("link", name="Borrowing seed", exact=True).click()
    page.get_by_role("button", name="Duplicate").click()
    expect(page.get_by_role("textbox", name="Address")).to_have_value(re.compile("-2/$|borrow"))
    expect(page.get_by_text("1 change not published")).to_be_visible()


def test_a_page_is_moved_by_the_mouse_and_put_back(server, people):
    person = people(server).sign_in().open(view="pages")
    page = person.page
    expect(page.get_by_role("link", name="Returning seed", exact=True)).to_be_visible()
    before = order(page)
    source = page.get_by_role("row", name=re.compile("Returning seed"))
    source.hover()
    target = page.get_by_role("row", name=re.compile("Borrowing seed"))
    box = target.bounding_box()
    source.locator("[draggable=true]").drag_to(target, target_position={"x": 40, "y": box["height"] * 0.1})
    expect(page.locator(ROWS).nth(1)).to_contain_text("Returning seed")
    page.get_by_role("button", name="Undo").click()
    expect(page.locator(ROWS).nth(1)).to_contain_text("Borrowing seed")
    assert order(page) == before


def test_a_deleted_page_comes_back_by_undo(server, people):
    person = people(server).sign_in().open(view="pages")
    page = person.page
    expect(page.get_by_role("link", name="Returning seed", exact=True)).to_be_visible()
    before = order(page)
    page.get_by_role("link", name="Growing guides", exact=True).click()
    page.get_by_role("button", name="Delete", exact=True).press("Enter")
    expect(page.get_by_role("button", name="Keep it", exact=True)).to_be_focused()
    sure = page.get_by_role("button", name="Delete", exact=True)
    expect(sure).to_be_enabled()
    page.keyboard.press("Shift+Tab")
    expect(sure).to_be_focused()
    page.keyboard.press("Enter")
    expect(page.get_by_role("link", name="Saving tomato seed", exact=True)).to_be_hidden()
    page.get_by_role("button", name="Undo").click()
    expect(page.get_by_role("link", name="Saving tomato seed", exact=True)).to_be_visible()
    assert order(page) == before


def test_a_picture_is_dropped_into_a_text(server, people):
    person = people(server).sign_in().open(view="pages")
    page = person.page
    page.get_by_role("link", name="Borrowing seed", exact=True).click()
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
    pond = page.get_by_role("link", name="The pond", exact=True)
    expect(pond).to_be_visible()
    page.get_by_role("button", name="Undo", exact=True).click()
    expect(pond).to_have_count(0)
    expect(page.get_by_text("No changes")).to_be_visible()
    page.get_by_role("button", name="Redo", exact=True).click()
    expect(pond).to_be_visible()
    assert (person.faults(), person.overflows()) == ([], 0)


def test_several_pages_are_added_moved_hidden_and_deleted_at_once(server, people):
    person = people(server, width=390).sign_in().open(view="pages")
    page = person.page
    page.get_by_role("button", name="Add a page").click()
    titles = page.get_by_label("What is it called?")
    titles.press_sequentially("Apples")
    titles.press("Shift+Enter")
    titles.press_sequentially("Pears\n\n")
    titles.press_sequentially("x" * 300)
    page.get_by_role("button", name="Add 3 pages").click()
    expect(page.get_by_text("Line 4:")).to_be_visible()
    titles.fill("Apples\nPears\nQuinces")
    page.get_by_role("button", name="Add 3 pages").click()
    new = [page.get_by_role("link", name=name, exact=True) for name in ("Apples", "Pears", "Quinces")]
    expect(new[0]).to_be_focused()
    before = order(page)
    assert before.index("Pears") == before.index("Apples") + 1
    for name in ("Pears", "Apples"):
        page.get_by_role("checkbox", name=f"Tick {name}").check()
    bar = page.get_by_role("region", name="Ticked pages")
    expect(bar).to_contain_text("2 pages ticked")
    assert person.wrong_at_any_width() == []
    bar.get_by_role("button", name="Hide from the menu").click()
    expect(bar.get_by_role("button", name="Show in the menu")).to_be_visible()
    bar.get_by_role("combobox", name="Move to …").select_option(label="Below Volunteers")
    expect(page.locator(ROWS).filter(has_text="Volunteers")).to_be_visible()
    moved = [*before]
    for name in ("Apples", "Pears"):
        moved.remove(name)
    at = moved.index("How we write labels") + 1
    moved[at:at] = ["Apples", "Pears"]
    expect(page.locator(ROWS).nth(at)).to_have_text("Apples")
    assert order(page) == moved
    bar.get_by_role("button", name="Delete", exact=True).click()
    expect(bar.get_by_role("button", name="Keep them")).to_be_focused()
    bar.get_by_role("button", name="Delete", exact=True).click()
    expect(new[0]).to_have_count(0)
    expect(bar).to_have_count(0)
    undo = page.get_by_role("button", name="Undo", exact=True)
    undo.click()
    expect(page.locator(ROWS).nth(at)).to_have_text("Apples")
    undo.click()
    expect(page.locator(ROWS).nth(before.index("Apples"))).to_have_text("Apples")
    assert order(page) == before
    undo.click()
    undo.click()
    expect(new[2]).to_have_count(0)
    expect(page.get_by_text("No changes")).to_be_visible()


def test_text_and_page_stand_side_by_side_or_in_turn(server, people):
    person = people(server).sign_in().open(view="pages")
    page = person.page
    page.get_by_label("Find a page by title or address").fill("seed")
    expect(page.get_by_role("link", name="Returning seed", exact=True)).to_be_visible()
    page.get_by_role("link", name="Returning seed", exact=True).press("Enter")
    expect(page.get_by_role("heading", name="Returning seed", level=1)).to_be_focused()
    text = page.get_by_role("textbox", name="What it is about (Markdown)")
    look = page.frame_locator("iframe[title='The page as it will be']")
    expect(look.get_by_role("heading", name="Returning seed", level=1)).to_be_in_viewport()
    expect(text).to_be_in_viewport()
    assert person.wrong_at_any_width() == []
    page.set_viewport_size({"width": 390, "height": 800})
    expect(text).to_be_visible()
    text.press("Control+Home")
    page.keyboard.type("Dried well. ")
    page.get_by_role("button", name="Page", exact=True).click()
    expect(look.get_by_text("Dried well. Bring back")).to_be_in_viewport()
    expect(text).to_be_hidden()
    page.get_by_role("button", name="Text", exact=True).click()
    expect(text).to_contain_text("Dried well.")
    page.get_by_role("link", name="All pages").click()
    expect(page.get_by_role("link", name="Returning seed", exact=True)).to_be_focused()
    expect(page.get_by_label("Find a page by title or address")).to_have_value("seed")


def test_a_reader_looks_at_a_page_and_changes_nothing(shared_server, people):
    page = people(shared_server).sign_in("guest").open(view="pages").page
    expect(page.get_by_role("checkbox")).to_have_count(0)
    page.get_by_role("link", name="Returning seed", exact=True).click()
    look = page.frame_locator("iframe[title='The page as it will be']")
    expect(look.get_by_role("heading", name="Returning seed", level=1)).to_be_visible()
    expect(page.get_by_role("textbox")).to_have_count(0)


def test_from_a_page_that_is_gone_a_way_leads_back(shared_server, people):
    person = people(shared_server).sign_in()
    page = person.page
    page.goto(f"{shared_server.desk}/quillmere/pages/99999")
    expect(page.get_by_role("alert")).to_contain_text("There is nothing here that you may see.")
    page.get_by_role("link", name="All pages").click()
    expect(page.get_by_role("link", name="Returning seed", exact=True)).to_be_visible()
