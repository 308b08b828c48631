"""The round of all sites: looked over, one thing said on several, a look given, all of it reviewed and taken back."""

import re

from playwright.sync_api import expect


def row(page, name):
    return page.get_by_role("row").filter(has_text=name)


def test_a_fresh_browser_asks_which_site(shared_server, people):
    page = people(shared_server).sign_in().page
    page.goto(shared_server.desk)
    expect(page.get_by_role("heading", name="All your sites")).to_be_visible()
    page.get_by_role("link", name="Uhrenwerkstatt Silberpfad").click()
    expect(page).to_have_url(re.compile("/silberpfad/style$"))
    page.goto(shared_server.desk)
    expect(page).to_have_url(re.compile("/silberpfad/style$"))


def test_a_fact_is_said_on_several_reviewed_published_and_undone(server, people):
    person = people(server, width=390).sign_in()
    page = person.page
    page.goto(f"{server.desk}/all-sites")
    expect(row(page, "Quillmere Seed Library")).to_contain_text("live")
    page.get_by_label("Find a site").fill("er")
    expect(row(page, "النرجس")).to_have_count(0)
    page.get_by_role("button", name="Tick all").click()
    bar = page.get_by_role("region", name="Ticked sites")
    expect(bar).to_contain_text("2 sites ticked")
    assert person.wrong_at_any_width() == []
    bar.get_by_role("button", name="Say a fact …").click()
    bar.get_by_label("Fact", exact=True).select_option(label="Contact address")
    words = bar.get_by_role("textbox", name="What Contact address says")
    words.fill("hello at nowhere")
    words.press("Enter")
    expect(bar.get_by_text("@")).to_be_visible()
    words.fill("all@quillmere-seeds.example")
    words.press("Enter")
    expect(page.get_by_text("Changed in the drafts of 2 sites.")).to_be_visible()
    expect(row(page, "Uhrenwerkstatt Silberpfad")).to_contain_text("1 change not published")
    page.get_by_role("button", name="Undo").click()
    expect(page.get_by_text("Undone in the drafts of 2 sites.")).to_be_visible()
    expect(row(page, "Uhrenwerkstatt Silberpfad")).not_to_contain_text("not published")
    page.get_by_role("button", name="Redo").click()
    bar.get_by_role("button", name="Review 2 sites").click()
    review = page.get_by_role("region", name="What changes")
    expect(review.get_by_text("all@quillmere-seeds.example")).to_have_count(2)
    assert person.wrong_at_any_width(review) == []
    review.get_by_role("button", name="Publish 2 sites").click()
    expect(review.get_by_text(re.compile("Edition [0-9]+ is live"))).to_have_count(2)
    for slug in ("silberpfad", "quillmere"):
        style = person.context.request.get(f"{server.desk}/api/sites/{slug}/style").json()
        assert style["live_facts"]["contact_email"] == "all@quillmere-seeds.example"


def test_a_look_is_given_to_another_by_keyboard(server, people):
    person = people(server).sign_in()
    page = person.page
    page.goto(f"{server.desk}/all-sites")
    page.get_by_role("checkbox", name="Tick Uhrenwerkstatt Silberpfad").press("Space")
    bar = page.get_by_role("region", name="Ticked sites")
    bar.get_by_role("button", name="Copy look or manners …").press("Enter")
    give = bar.get_by_role("button", name="Copy to 1 site")
    expect(give).to_be_disabled()
    bar.get_by_label("As on").select_option(label="Quillmere Seed Library · quillmere.localhost")
    expect(bar.get_by_role("checkbox", name="Name, tagline, logo, icon")).not_to_be_checked()
    give.press("Enter")
    expect(page.get_by_text("Changed in the draft of 1 site.")).to_be_visible()
    style = person.context.request.get(f"{server.desk}/api/sites/silberpfad/style").json()["facts"]
    source = person.context.request.get(f"{server.desk}/api/sites/quillmere/style").json()["facts"]
    assert (style["brand_colour"], style["typefaces"]) == (source["brand_colour"], source["typefaces"])
    assert style["name"] == "Uhrenwerkstatt Silberpfad"
    bar.get_by_role("button", name="Sweep").press("Enter")
    expect(row(page, "Uhrenwerkstatt Silberpfad")).to_contain_text(re.compile("agree|differ"))


def test_a_guest_looks_and_changes_nothing(shared_server, people):
    page = people(shared_server).sign_in("guest").page
    page.goto(f"{shared_server.desk}/all-sites")
    page.get_by_role("checkbox").first.check()
    bar = page.get_by_role("region", name="Ticked sites")
    expect(bar.get_by_role("button", name="Sweep")).to_be_visible()
    expect(bar.get_by_role("button", name="Say a fact …")).to_have_count(0)
    expect(bar.get_by_role("button", name="Review")).to_have_count(0)


def test_what_could_not_be_fetched_is_said_and_asked_for_again(shared_server, people):
    person = people(shared_server).sign_in()
    page = person.page
    page.route("**/api/several-sites", lambda route: route.abort())
    page.goto(f"{shared_server.desk}/all-sites")
    expect(page.get_by_role("alert")).to_contain_text("No connection to Hestor")
    expect(row(page, "Quillmere Seed Library")).to_contain_text("live")
    assert person.faults() == []
    page.unroute("**/api/several-sites")
    page.get_by_role("button", name="Try again").click()
    expect(page.get_by_role("alert")).to_have_count(0)
    expect(row(page, "Quillmere Seed Library")).to_contain_text("Edith Marlow")


def test_what_a_followed_site_publishes_is_proposed_on_the_sheet(server, people):
    person = people(server, width=390).sign_in()
    page, asked = person.page, person.context.request
    given = {"source": "quillmere", "sites": ["silberpfad"], "bundles": ["look"], "follows": True}
    assert asked.post(f"{server.desk}/api/several-sites/give", data=given).ok
    person.writes(brand_colour="#1f4e5f")
    assert asked.post(f"{server.desk}/api/sites/quillmere/editions", data={}).ok
    person.open("silberpfad")
    expect(page.get_by_text("Quillmere Seed Library changed 1 fact of Look since")).to_be_visible()
    assert person.wrong_at_any_width() == []
    assert person.faults() == []
    page.get_by_role("button", name="Take it over").click()
    expect(page.get_by_text("Quillmere Seed Library changed 1 fact")).to_be_hidden()
    style = f"{server.desk}/api/sites/silberpfad/style"
    assert asked.get(style).json()["facts"]["brand_colour"] == "#1f4e5f"
    page.get_by_role("button", name="Undo", exact=True).first.click()
    expect(page.get_by_role("button", name="Redo", exact=True).first).to_be_enabled()
    person.open("silberpfad", "whole-site")
    follows = page.get_by_role("region", name="This site follows")
    expect(follows).to_contain_text("Quillmere Seed Library · Look")
    follows.get_by_role("button", name="Follow no more").click()
    expect(follows).to_be_hidden()
