"""Every view for everyone: axe finds nothing, nothing is cut off, in light and dark, wide and narrow."""

import pytest
from playwright.sync_api import expect

# Width, dark, and whether axe looks as well: the narrowest is there to find what is cut off.
VIEWPORTS = [(1280, False, True), (390, True, True), (360, False, False)]


@pytest.mark.parametrize(("width", "dark", "axe"), VIEWPORTS)
def test_the_desk(server, people, width, dark, axe):
    person = people(server, width=width, dark=dark)
    page = person.page
    page.goto(server.desk)
    expect(page.get_by_role("heading", name="Sign in to the desk")).to_be_visible()
    found = {"sign-in": (person.faults() if axe else [], person.overflows())}
    person.sign_in().open()
    person.field("Tagline").fill("Changed")
    person.field("Footer line").fill("{nope}")
    expect(person.fact("Footer line").get_by_role("alert")).to_contain_text("nope")
    expect(person.fact("Tagline")).to_contain_text("✓ Kept")
    person.fact("Icon").get_by_role("button", name="Make one").click()
    expect(person.fact("Icon").get_by_role("radio", name="Leaf")).to_be_visible()
    person.fact("Accent").get_by_text("See all pairs").click()
    found["sheet"] = (person.faults() if axe else [], person.overflows())
    for view in ("pages", "pictures", "editions", "review"):
        person.open(view=view)
        expect(page.get_by_text("Fetching")).to_have_count(0)
        page.wait_for_timeout(150)
        if view == "pictures":
            page.get_by_role("button", name="Open logo.svg").click()
            expect(page.get_by_label("Caption")).to_be_visible()
        found[view] = (person.faults() if axe else [], person.overflows())
    page.get_by_role("button", name="Open site").click()
    expect(page.get_by_role("menuitem", name="Make another site")).to_be_visible()
    found["switcher"] = (person.faults() if axe else [], person.overflows())
    page.goto(server.desk + "/your-account")
    expect(page.get_by_text("This device")).to_be_visible()
    found["account"] = (person.faults() if axe else [], person.overflows())
    page.goto(server.desk + "/new-site")
    expect(page.get_by_role("combobox", name="In which town?")).to_be_visible()
    found["new site"] = (person.faults() if axe else [], person.overflows())
    assert found == {name: ([], 0) for name in found}


@pytest.mark.parametrize(("width", "dark", "axe"), VIEWPORTS)
@pytest.mark.parametrize("slug", ["quillmere", "silberpfad", "narjis"])
def test_the_public_sites(shared_server, people, slug, width, dark, axe):
    person = people(shared_server, width=width, dark=dark)
    inner = {"quillmere": "/growing/saving-tomato-seed/", "silberpfad": "/preise/", "narjis": "/menu/"}[slug]
    found = {}
    for path in ("/", inner, {"silberpfad": "/aktuelles/"}.get(slug, "/news/"), "/nowhere/"):
        person.page.goto(shared_server.site(slug) + path)
        found[path] = (person.faults() if axe else [], person.overflows())
    assert found == {path: ([], 0) for path in found}


def test_the_menu_opens_without_a_script(shared_server, people):
    person = people(shared_server, java_script_enabled=False)
    page = person.page
    page.goto(shared_server.site("quillmere"))
    expect(page.get_by_role("link", name="Tomatoes")).to_be_hidden()
    page.keyboard.press("Tab")
    expect(page.get_by_role("link", name="Skip to the text")).to_be_focused()
    page.locator("summary", has_text="More under Growing").focus()
    page.keyboard.press("Enter")
    page.get_by_role("link", name="Tomatoes").click()
    expect(page.get_by_role("heading", name="Saving tomato seed")).to_be_visible()
