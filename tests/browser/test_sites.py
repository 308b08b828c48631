"""Sites, editions, pages: setting up, invalidating, looking back."""

import re

from playwright.sync_api import expect

from tests.support.hostile import HOSTILE


def test_the_first_run(bare_server, people):
    person = people(bare_server)
    page = person.page
    page.goto(bare_server.desk)
    page.get_by_label("Email", exact=True).fill("me@example.org")
    page.get_by_label("Password", exact=True).fill("short")
    page.get_by_role("button", name="Make my account").click()
    expect(page.get_by_text("This password is too short")).to_be_visible()
    assert person.faults() == []
    page.get_by_label("Password", exact=True).fill("correct horse battery")
    page.get_by_role("button", name="Make my account").click()
    expect(page.get_by_role("heading", name="Your first site")).to_be_visible()
    page.get_by_label("What is the site called?").fill("Bücherstube")
    page.get_by_role("button", name="Make the site").click()
    expect(page.get_by_text("Choose a town from the list")).to_be_visible()
    page.get_by_role("combobox", name="In which town?").press_sequentially("troge")
    expect(page.get_by_role("listbox").get_by_role("option").first).to_be_visible()
    page.keyboard.press("ArrowDown")
    page.keyboard.press("Enter")
    expect(page.get_by_role("combobox", name="In which town?")).to_have_value("Trogen, Switzerland")
    assert person.faults() == []
    page.get_by_role("button", name="Make the site").click()
    page.get_by_role("link", name="House style").click()
    expect(person.field("Name")).to_have_value("Bücherstube")
    # Nothing has changed where nothing was public, and one site is all of them.
    expect(page.get_by_role("banner").get_by_text("Unpublished")).to_be_visible()
    expect(person.fact("Contact address")).to_be_visible()
    expect(page.get_by_role("button", name="Say this on all my sites")).to_have_count(0)
    assert bare_server.get("bucherstube.localhost", "/")[0] == 404
    page.get_by_role("button", name="Review and publish").click()
    expect(page.get_by_text("bucherstube.localhost shows nothing yet")).to_be_visible()
    sheet = page.get_by_role("figure")
    expect(sheet.filter(has_text="Browser tab").first).to_contain_text("Bücherstube")
    expect(sheet.filter(has_text="Search result")).to_contain_text("bucherstube.localhost")
    expect(page.get_by_text("Hold back")).to_have_count(0)
    expect(page.get_by_text("German (Switzerland)")).to_have_count(0)
    words = page.get_by_role("button", name="In words:")
    words.press("Enter")
    expect(page.get_by_text("German (Switzerland)")).to_be_visible()
    assert person.wrong_at_any_width() == []
    page.get_by_role("button", name="Publish the first edition").click()
    expect(page.get_by_role("heading", name="Edition 1 is live")).to_be_visible()
    expect(page.get_by_role("banner").get_by_text("No changes")).to_be_visible()
    page.goto(bare_server.site("bucherstube"))
    assert page.title() == "Bücherstube"
    expect(page.get_by_role("heading", name="Willkommen")).to_be_visible()
    expect(page.locator("html")).to_have_attribute("lang", "de-CH")


def test_the_open_site_is_unmistakable_on_every_view(owner):
    page = owner.page
    owner.open("silberpfad", "review")
    for view in ("Review", "Pages", "Editions", "House style"):
        if view != "Review":
            owner.go_to(view)
        opened = page.get_by_role("button", name="Open site")
        expect(opened).to_contain_text("Uhrenwerkstatt Silberpfad")
        expect(opened).to_contain_text("silberpfad.localhost")
        expect(page).to_have_title(re.compile("^Uhrenwerkstatt Silberpfad · "))
    opened.click()
    page.get_by_role("menuitem", name="Quillmere Seed Library").click()
    expect(owner.field("Name")).to_have_value("Quillmere Seed Library")


def test_a_site_is_never_changed_by_words_typed_for_another(owner_desk):
    page = owner_desk.page
    owner_desk.field("Name").fill("Only here")
    page.get_by_role("button", name="Open site").click()
    page.get_by_role("menuitem", name="Uhrenwerkstatt Silberpfad").click()
    expect(owner_desk.field("Name")).to_have_value("Uhrenwerkstatt Silberpfad")
    expect(page.get_by_text("No changes")).to_be_visible()
    owner_desk.open("quillmere")
    expect(owner_desk.field("Name")).to_have_value("Only here")


def test_two_sites_of_one_name_are_told_apart_by_a_label(owner):
    page = owner.open(view="editions").page
    page.get_by_role("button", name="Open site").click()
    page.get_by_role("menuitem", name="Make another site").click()
    page.get_by_label("What is the site called?").fill("Quillmere Seed Library")
    page.get_by_role("combobox", name="In which town?").press_sequentially("London")
    page.get_by_role("option", name="London England, United Kingdom").first.click()
    page.get_by_role("textbox", name="Private label").fill("for trying out")
    page.get_by_role("button", name="Make the site").click()
    expect(page.get_by_role("button", name="Open site")).to_contain_text("for trying out")
    page.get_by_role("button", name="Open site").click()
    page.get_by_role("menuitem", name="Private label").click()
    page.get_by_role("textbox", name="Private label").fill("second")
    assert owner.faults() == []
    page.get_by_role("button", name="Save", exact=True).click()
    expect(page.get_by_role("button", name="Open site")).to_contain_text("second")


def test_an_edition_is_looked_at_and_brought_back(owner, server):
    page = owner.open(view="editions").page
    first = page.get_by_role("listitem").filter(has=page.get_by_role("heading", name="Edition 1"))
    with owner.context.expect_page() as opened:
        first.get_by_role("link", name="Preview it").click()
    look = opened.value
    expect(look.get_by_text("This is edition 1.")).to_be_visible()
    look.get_by_role("link", name="Contact", exact=True).first.click()
    expect(look.locator(".site-name")).to_have_text("Quillmere Seed Exchange")
    look.close()
    before = server.get("quillmere.localhost", "/")[1]
    first.get_by_role("button", name="Restore").click()
    expect(
        page.get_by_text("The draft says again what edition 1 said. 6 changes wait to be published.")
    ).to_be_visible()
    assert server.get("quillmere.localhost", "/")[1] == before
    page.get_by_role("main").get_by_role("link", name="Review and publish").click()
    page.get_by_role("button", name="Publish these 6 changes").click()
    expect(page.get_by_role("heading", name="Edition 4 is live")).to_be_visible()
    assert b"Quillmere Seed Exchange" in server.get("quillmere.localhost", "/")[1]


def test_pages_are_listed_and_found(owner):
    page = owner.open(view="pages").page
    expect(page.get_by_role("row")).to_have_count(29)
    page.get_by_role("searchbox").fill("tomato")
    expect(page.get_by_role("row")).to_have_count(2)
    expect(page.get_by_role("row", name="Saving tomato seed")).to_contain_text(
        "Saving tomato seed – Quillmere Seed Library"
    )
    page.get_by_role("searchbox").fill("zzz")
    expect(page.get_by_text("No page has “zzz”")).to_be_visible()


def test_a_list_that_can_not_be_fetched_is_asked_for_again(owner):
    page = owner.page
    page.route("**/api/sites/*/tree**", lambda route: route.abort())
    owner.open(view="pages")
    expect(page.get_by_role("alert")).to_contain_text("No connection to Hestor, so this could not be fetched.")
    assert owner.faults() == []
    page.unroute("**/api/sites/*/tree**")
    page.get_by_role("button", name="Try again").click()
    expect(page.get_by_role("row")).to_have_count(29)


def test_signing_out(owner):
    page = owner.open(view="editions").page
    page.get_by_role("button", name="Account of Edith Marlow").click()
    page.get_by_role("menuitem", name="Sign out").click()
    expect(page.get_by_role("heading", name="Sign in to the desk")).to_be_visible()
    page.goto(f"{owner.server.desk}/quillmere/style")
    expect(page.get_by_role("heading", name="Sign in to the desk")).to_be_visible()


def test_a_wrong_password_is_said(server, people):
    page = people(server).page
    page.goto(server.desk)
    page.get_by_label("Email", exact=True).fill("owner@quillmere.example")
    page.get_by_label("Password", exact=True).fill("wrong")
    page.get_by_role("button", name="Sign in").click()
    expect(page.get_by_role("alert")).to_contain_text("Email and password don’t match")
    expect(page.get_by_label("Email", exact=True)).to_have_value("owner@quillmere.example")


def test_addresses_that_lead_nowhere(owner, server):
    for path in ("/nosuch/style", "/a/b/c"):
        owner.page.goto(server.desk + path)
        expect(owner.page.get_by_role("heading", name="There is nothing here")).to_be_visible()


def test_hostile_words_run_nowhere(owner_desk, server):
    page = owner_desk.page
    page.on("dialog", lambda dialog: owner_desk.wrong.append(f"a script ran: {dialog.message}"))
    for words in HOSTILE[:7]:
        owner_desk.field("Name").fill(words)
        owner_desk.field("Tagline").fill(words)
        expect(owner_desk.proof("Name", "Page header")).to_contain_text(words)
    expect(owner_desk.fact("Tagline")).to_contain_text("✓ Saved")
    page.get_by_role("button", name="Review and publish").click()
    page.get_by_role("button", name="Publish these").click()
    expect(page.get_by_role("heading", name="Edition 4 is live")).to_be_visible()
    page.goto(server.site("quillmere"))
    expect(page.locator(".site-name")).to_have_text(HOSTILE[6])


HIDDEN = """() => {
  const views = document.querySelector("header nav");
  return [views.scrollWidth - views.clientWidth, document.documentElement.scrollWidth - innerWidth];
}"""


def test_the_bar_shows_all_views_in_each_language_with_the_longest_name(server, people):
    person = people(server).sign_in().writes(name="Seed library of the nine villages and " * 2, tagline="Other")
    page = person.open(view="editions").page
    for language in ("en", "de", "es", "fr", "ar"):
        page.get_by_role("banner").get_by_role("combobox").select_option(language)
        expect(page.locator("html")).to_have_attribute("lang", re.compile(f"^{language}"))
        for width in (840, 1024, 1280, 1440, 1920):
            page.set_viewport_size({"width": width, "height": 700})
            # Its parts take one row or two with the next frame.
            page.wait_for_function(f"() => ({HIDDEN})().every((pixels) => pixels <= 0)", timeout=5_000)
    page.set_viewport_size({"width": 360, "height": 700})
    assert page.evaluate(HIDDEN)[1] <= 0
    expect(page.get_by_role("banner").locator("button").filter(has=page.locator("svg")).first).to_be_visible()
    name = page.get_by_role("banner").locator("b").first.bounding_box()
    assert name["width"] > 80
