"""Every view for everyone: axe finds nothing, nothing is cut off, in light and dark, wide and narrow."""

import re

import pytest
from playwright.sync_api import expect

from tests.support.sampling import sample

NARROWEST = 360
VIEWPORTS = [(1280, False), (390, True)]
PUBLIC = [(slug, *viewport) for slug in ("quillmere", "silberpfad", "narjis") for viewport in VIEWPORTS]


def amiss(person) -> tuple[list[str], int]:
    """What axe finds, and by how much the page is wider than its window; narrow ones are looked at in the narrowest."""
    page, own = person.page, person.page.viewport_size
    faults, over = person.faults(), person.overflows()
    if own["width"] < 600:
        page.set_viewport_size({**own, "width": NARROWEST})
        over = max(over, person.overflows())
        page.set_viewport_size(own)
    return faults, over


@pytest.mark.parametrize(("width", "dark"), VIEWPORTS)
def test_the_desk(server, people, width, dark):
    person = people(server, width=width, dark=dark)
    page = person.page
    page.goto(server.desk)
    expect(page.get_by_role("heading", name="Sign in to the desk")).to_be_visible()
    found = {"sign-in": amiss(person)}
    person.sign_in().open()
    person.field("Tagline").fill("Changed")
    person.field("Footer line").fill("{nope}")
    expect(person.fact("Footer line").get_by_role("alert")).to_contain_text("nope")
    expect(person.fact("Tagline")).to_contain_text("✓ Saved")
    person.fact("Icon").get_by_role("button", name="Make one").click()
    expect(person.fact("Icon").get_by_role("radio", name="Leaf")).to_be_visible()
    person.fact("Accent").get_by_text("See all pairs").click()
    found["sheet"] = amiss(person)
    for view, title in (
        ("Pages", "Pages"),
        ("Pictures", "Pictures"),
        ("Editions", "Editions"),
        ("Review", "What changes"),
    ):
        if view == "Review":
            page.get_by_role("button", name="Review").first.click()
        else:
            person.go_to(view)
        expect(page.get_by_role("heading", level=1, name=re.compile(f"^{title}"))).to_be_visible()
        expect(page.get_by_text("Fetching")).to_have_count(0)
        page.wait_for_timeout(150)
        if view == "Pictures":
            page.get_by_role("button", name="Open logo.svg").click()
            expect(page.get_by_label("Caption")).to_be_visible()
        found[view] = amiss(person)
    page.get_by_role("button", name="Open site").click()
    expect(page.get_by_role("menuitem", name="Make another site")).to_be_visible()
    found["switcher"] = amiss(person)
    page.goto(server.desk + "/your-account")
    expect(page.get_by_text("This device")).to_be_visible()
    found["account"] = amiss(person)
    page.goto(server.desk + "/new-site")
    expect(page.get_by_role("combobox", name="In which town?")).to_be_visible()
    found["new site"] = amiss(person)
    assert found == {name: ([], 0) for name in found}


@pytest.mark.parametrize(("slug", "width", "dark"), sample(PUBLIC, 0, 3, 5))
def test_the_public_sites(shared_server, people, slug, width, dark):
    person = people(shared_server, width=width, dark=dark)
    inner = {"quillmere": "/growing/saving-tomato-seed/", "silberpfad": "/preise/", "narjis": "/menu/"}[slug]
    found = {}
    for path in ("/", inner, {"silberpfad": "/aktuelles/"}.get(slug, "/news/"), "/nowhere/"):
        person.page.goto(shared_server.site(slug) + path)
        found[path] = amiss(person)
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
