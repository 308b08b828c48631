"""The Pictures view: bringing several, saying what they are, replacing, deleting, finding."""

import re

from playwright.sync_api import expect

from tests.support.pictures import drawing, encoded, noise, png

PICTURE = re.compile(r"^Open .*\.\w+$")


def file(name: str, body: bytes) -> dict:
    return {"name": name, "mimeType": "application/octet-stream", "buffer": body}


def row(page, name: str):
    return page.get_by_role("listitem").filter(has=page.get_by_role("button", name=f"Open {name}"))


def test_several_at_once_each_with_its_own_outcome(owner, tmp_path):
    page = owner.open(view="pictures").page
    # From files, as a browser takes them: the large one would travel slowly as a message to it.
    (tmp_path / "files").mkdir()
    files = {
        "one.png": png(60, 40),
        "cut.png": png(60, 40)[:80],
        "moving.svg": drawing('<rect width="9" height="9"><animate/></rect>'),
        "again.png": png(60, 40),
        "photo.png": encoded(noise(90, 60), "JPEG"),
        "huge.png": b"\x89PNG" + b"\0" * 20_000_001,
    }
    for name, body in files.items():
        (tmp_path / "files" / name).write_bytes(body)
    page.locator("input[type=file]").first.set_input_files([tmp_path / "files" / name for name in files])
    said = page.locator("main")
    expect(said).to_contain_text("“one.png” is here.")
    expect(said).to_contain_text("“cut.png” breaks off before its end")
    expect(said).to_contain_text("What moved in the drawing was taken out.")
    expect(said).to_contain_text("“one.png” was here already, so it is used again.")
    expect(said).to_contain_text("Its name says otherwise, but it is a JPEG.")
    expect(said).to_contain_text("“huge.png” is larger than 20 MB.")
    expect(row(page, "one.png")).to_have_count(1)
    expect(row(page, "cut.png")).to_have_count(0)
    assert owner.faults() == []


def test_what_is_pasted_or_dropped_anywhere_on_the_page_is_taken(owner):
    page = owner.open(view="pictures").page
    expect(page.get_by_role("button", name="Open logo.svg")).to_be_visible()
    for name, seed, event in (("pasted.png", 5, "ClipboardEvent('paste'"), ("dropped.png", 6, "DragEvent('drop'")):
        page.evaluate(
            f"""([name, bytes]) => {{
              const data = new DataTransfer();
              data.items.add(new File([new Uint8Array(bytes)], name, {{type: 'image/png'}}));
              const options = {{bubbles: true, cancelable: true, dataTransfer: data, clipboardData: data}};
              document.body.dispatchEvent(new {event}, options));
            }}""",
            [name, list(png(60, 40, seed))],
        )
        expect(row(page, name)).to_have_count(1)


def test_words_search_and_sort(owner):
    page = owner.open(view="pictures").page
    page.locator("input[type=file]").first.set_input_files(file("heavy.png", png(300, 200)))
    expect(row(page, "heavy.png")).to_contain_text("No description")
    page.get_by_label("1 without a description").check()
    expect(page.get_by_role("button", name=PICTURE)).to_have_count(1)
    page.get_by_role("button", name="Open heavy.png").click()
    page.get_by_label("Description", exact=True).fill("x" * 201)
    page.get_by_role("button", name="Save").click()
    expect(page.get_by_text("Description takes 200 characters at most")).to_be_visible()
    page.get_by_label("Description", exact=True).fill("Noise")
    page.get_by_role("button", name="Save").click()
    expect(page.get_by_label("1 without a description")).to_have_count(0)
    expect(row(page, "heavy.png")).to_contain_text("Noise")
    page.get_by_role("combobox", name="Sort by").select_option("size")
    expect(page.get_by_role("heading", level=2).first).to_have_text("heavy.png")
    page.get_by_role("searchbox").fill("autumn of 2025")
    expect(page.get_by_role("button", name=PICTURE)).to_have_count(1)
    page.get_by_role("searchbox").fill("zzz")
    expect(page.get_by_text("No picture has “zzz”")).to_be_visible()


def test_a_replacement_is_followed_by_its_uses(owner, server):
    page = owner.open(view="pictures").page
    page.get_by_role("button", name="Open beans.svg").click()
    expect(row(page, "beans.svg")).to_contain_text("Beans and peas")
    page.locator("input[type=file]").last.set_input_files(file("rows.png", png(900, 500)))
    expect(row(page, "rows.png")).to_contain_text("900 × 500")
    expect(page.get_by_text("1 change not published")).to_be_visible()
    page.get_by_role("button", name="Review").click()
    page.get_by_role("button", name="Publish this change").click()
    expect(page.get_by_role("heading", name="is live")).to_be_visible()
    page.goto(server.site("quillmere") + "/growing/beans-and-peas/")
    image = page.locator(".prose img")
    image.scroll_into_view_if_needed()
    image.evaluate("i => i.decode()")
    assert image.get_attribute("width") == "900"
    assert "image/webp" in (page.locator(".prose source").get_attribute("type") or "")


def test_one_in_use_goes_only_after_a_look_and_comes_back(owner):
    page = owner.open(view="pictures").page
    page.get_by_role("button", name="Open logo.svg").click()
    # Visitors see it, so that it can't go before an edition without it.
    expect(page.get_by_text("Visitors see it in edition 3.")).to_be_visible()
    expect(page.get_by_role("button", name="Delete", exact=True)).to_have_count(0)
    file = {"name": "seeds.png", "mimeType": "image/png", "buffer": png(900, 600, 1)}
    pictures = f"{owner.server.desk}/api/sites/quillmere/pictures"
    key = owner.context.request.post(pictures, multipart={"file": file}).json()["picture"]["key"]
    owner.writes(logo_dark={"picture": key})
    page.reload()
    page.get_by_role("button", name="Open seeds.png").click()
    page.get_by_role("button", name="Delete", exact=True).click()
    expect(page.get_by_text("It is used in 1 place")).to_be_visible()
    page.get_by_role("button", name="Leave it").click()
    page.get_by_role("button", name="Delete", exact=True).click()
    page.get_by_role("button", name="Delete it all the same").click()
    expect(page.get_by_role("heading", name="Deleted in the last 30 days")).to_be_visible()
    expect(page.get_by_role("button", name="Open seeds.png")).to_have_count(0)
    assert owner.faults() == []
    page.get_by_role("button", name="Restore").click()
    expect(page.get_by_role("button", name="Open seeds.png")).to_be_visible()


def test_nothing_yet_no_connection_and_by_keyboard(owner):
    page = owner.page
    page.goto(owner.server.desk + "/new-site")
    page.get_by_label("What is the site called?").fill("Empty")
    page.get_by_role("combobox", name="In which town?").press_sequentially("trogen")
    page.get_by_role("listbox").get_by_role("option").first.click()
    page.get_by_role("button", name="Make the site").click()
    page.get_by_role("link", name="House style").click()
    expect(owner.field("Name")).to_have_value("Empty")
    expect(owner.fact("Logo")).to_contain_text("No logo yet")
    expect(owner.fact("Icon")).to_contain_text("This is the starter icon.")
    owner.open("empty", "pictures")
    expect(page.get_by_text("No picture yet.")).to_be_visible()
    assert owner.faults() == []
    page.route("**/pictures", lambda route: route.abort() if route.request.method == "POST" else route.continue_())
    page.locator("input[type=file]").first.set_input_files(file("a.png", png(60, 40)))
    expect(page.get_by_text("No connection, so “a.png” did not arrive.")).to_be_visible()
    page.unroute("**/pictures")
    page.get_by_role("button", name="Dismiss").focus()
    page.keyboard.press("Enter")
    with page.expect_file_chooser() as chooser:
        page.get_by_role("button", name="Upload pictures").focus()
        page.keyboard.press("Enter")
    chooser.value.set_files(file("a.png", png(60, 40)))
    expect(page.get_by_role("button", name="Open a.png")).to_be_visible()


def test_a_logo_as_wide_as_the_page_shows_a_part_on_phones(owner):
    file = {"name": "banner.png", "mimeType": "image/png", "buffer": png(1800, 300, 3)}
    pictures = f"{owner.server.desk}/api/sites/quillmere/pictures"
    key = owner.context.request.post(pictures, multipart={"file": file}).json()["picture"]["key"]
    owner.writes(logo={"picture": key}, logo_dark=None, logo_plate="both")
    page = owner.open().page
    logo = owner.fact("Logo")
    expect(logo.get_by_role("button", name="Show a part on phones")).to_have_count(0)
    logo.get_by_role("spinbutton", name="Width in pixels").fill("1344")
    logo.get_by_role("button", name="Show a part on phones").press("Enter")
    area = logo.get_by_role("group", name="Part of the picture that is shown")
    area.focus()
    page.keyboard.press("ArrowLeft")
    expect(logo.get_by_text("Saved").last).to_be_visible()
    assert owner.wrong_at_any_width(logo) == []
    preview = page.request.get(f"{owner.server.desk}/api/sites/quillmere/preview").json()["address"]
    for scheme in ("light", "dark"):
        page.emulate_media(color_scheme=scheme)
        for width, part in ((390, "/logophone-"), (1280, "/logo-")):
            page.set_viewport_size({"width": width, "height": 800})
            page.goto(f"{preview}about/")
            image = page.locator("header .logo")
            assert part in image.evaluate("async i => { await i.decode(); return i.currentSrc; }")
            assert image.bounding_box()["width"] > 0.85 * min(width, 1056)
            assert owner.overflows() == 0
