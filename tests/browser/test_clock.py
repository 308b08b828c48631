"""Language, clock and dates at the desk and on the public site: from a town to what every page says, all year."""

import pytest
from playwright.sync_api import expect


def publish(page, review: str = "Review", go: str = "Publish th", done: str = "is live") -> None:
    page.get_by_role("button", name=review).first.click()
    page.get_by_role("button", name=go).click()
    expect(page.get_by_role("heading", name=done)).to_be_visible()


def test_from_a_town_to_all_that_pages_say(server, people):
    person = people(server, width=390).sign_in().open()
    page = person.page
    row = person.fact("Time zone")
    row.get_by_role("combobox", name="Another town").fill("genf")
    expect(row.get_by_role("option").first).to_contain_text("Geneva (Genf)")
    page.keyboard.press("Enter")
    proposal = row.get_by_role("region", name="With Geneva")
    proposal.get_by_role("combobox", name="Language").select_option("fr-CH")
    expect(proposal).to_contain_text("français (Suisse)")
    expect(proposal).to_contain_text("lundi")
    assert person.wrong_at_any_width(row) == []
    # In part: the clock stays as it is.
    proposal.get_by_role("checkbox", name="Time zone").uncheck()
    proposal.get_by_role("button", name="Take this").press("Enter")
    expect(person.fact("Language")).to_contain_text("fr-CH")
    expect(person.fact("Time zone")).to_contain_text("Europe/London")
    # A language and a clock that don't go together are asked about, not refused.
    expect(person.fact("Time zone")).to_contain_text("Leave it if that is meant")
    publish(page)
    page.goto(server.site("quillmere") + "/news/great-drying-2026/")
    expect(page.locator("html")).to_have_attribute("lang", "fr-CH")
    expect(page.locator("article .day").first).to_have_text("14 novembre 2026")
    page.goto(server.site("quillmere") + "/swap-days/")
    expect(page.get_by_role("heading", name="À venir")).to_be_visible()


@pytest.mark.long
def test_the_first_day_is_seen_where_it_is_chosen_and_on_the_page(server, people):
    person = people(server).sign_in().open()
    row = person.fact("First day of the week")
    row.scroll_into_view_if_needed()
    expect(row.get_by_role("radio", name="As usual in the region (Monday)")).to_be_checked()
    expect(person.proof("First day of the week", "Month calendar")).to_contain_text("Mon")
    row.get_by_role("radio", name="Sunday").press(" ")
    expect(row).to_contain_text("✓ Saved")
    expect(person.proof("First day of the week", "Month calendar").locator(".lit")).to_have_text("Sun")
    publish(person.page)
    person.page.goto(server.site("quillmere") + "/swap-days/")
    expect(person.page.locator(".calendar th").first).to_have_text("Sun")


def test_an_event_across_a_change_of_the_clock_is_planned_and_published(server, people):
    person = people(server, width=390).sign_in().open(view="pages")
    page = person.page
    page.get_by_role("button", name="Add an event").click()
    page.get_by_label("What is it called?").fill("Night of the owls")
    page.get_by_label("First day").fill("2027-03-28")
    page.get_by_role("button", name="Add the event").press("Enter")
    editor = page.get_by_role("region", name="When and where")
    expect(editor).to_contain_text("28 March 2027, 14:00")
    editor.get_by_label("From").fill("01:30")
    editor.get_by_label("To", exact=True).fill("03:00")
    expect(editor).to_contain_text("this time does not exist. Visitors read 02:30")
    editor.get_by_label("Comes again").select_option("weekly")
    expect(editor).to_contain_text("goes on without end")
    editor.get_by_label("Until").fill("2027-04-18")
    editor.get_by_role("button", name="Leave out 11 April 2027").click()
    expect(editor).to_contain_text("Left out")
    expect(editor).to_contain_text("✓ Saved")
    assert person.wrong_at_any_width(editor) == []
    editor.get_by_label("Until").fill("2027-03-01")
    expect(editor.get_by_role("alert").first).to_contain_text("The last day lies before the first one")
    editor.get_by_label("Until").fill("2027-04-18")
    expect(editor).to_contain_text("✓ Saved")
    publish(page)
    page.goto(server.site("quillmere") + "/swap-days/night-of-the-owls/")
    stamps = page.locator(".when .at time")
    expect(stamps.first).to_have_text("28 March 2027, 02:30")
    expect(stamps.first).to_have_attribute("datetime", "2027-03-28T02:30:00+01:00")
    expect(page.locator(".when .further")).to_contain_text("4 April 2027; 18 April 2027")


def test_a_visitor_in_another_zone_reads_their_time_beside_the_sites(shared_server, browser):
    def told(zone: str) -> str:
        context = browser.new_context(timezone_id=zone, locale="en-GB")
        page = context.new_page()
        page.goto(shared_server.site("quillmere") + "/swap-days/midnight-walk/")
        text = page.locator(".when .at").inner_text()
        context.close()
        return text

    assert told("Europe/London") == "31 December 2026, 22:30 – 1 January 2027, 00:30"
    assert told("America/New_York").endswith("(17:30 – 31 Dec 2026, 19:30 your time)")
    assert "1 Jan 2027, 07:30" in told("Asia/Tokyo")


def test_the_calendar_works_without_a_script(shared_server, browser):
    context = browser.new_context(java_script_enabled=False)
    page = context.new_page()
    page.goto(shared_server.site("narjis") + "/evenings/")
    expect(page.locator("html")).to_have_attribute("dir", "rtl")
    cells = page.locator(".calendar th")
    # From right to left: the first day stands at the right.
    assert cells.first.bounding_box()["x"] > cells.last.bounding_box()["x"]
    page.locator("nav.numbers a[rel=next]").click()
    expect(page.locator("h1")).to_be_visible()
    context.close()


def test_opening_hours_are_said_by_keyboard_and_shown_on_their_page(server, people):
    person = people(server).sign_in().open("silberpfad")
    row = person.fact("Opening hours")
    row.get_by_role("button", name="Monday: add hours").press("Enter")
    row.get_by_label("Monday: opens").fill("10:00")
    row.get_by_label("Monday: closes").fill("16:00")
    expect(row).to_contain_text("✓ Saved")
    expect(person.proof("Opening hours", "Opening hours")).to_contain_text("10:00")
    row.get_by_role("button", name="Monday: add hours").press("Enter")
    row.get_by_label("Monday: opens").last.fill("15:00")
    expect(row.get_by_role("alert")).to_contain_text("overlap")
    row.get_by_role("button", name="Monday: remove these hours").last.press("Enter")
    expect(row).to_contain_text("✓ Saved")
    assert (person.faults(row), person.overflows()) == ([], 0)


def test_new_years_eve_is_looked_at_beforehand(used_desk):
    person = used_desk
    page = person.page
    person.fact("First day of the week").scroll_into_view_if_needed()
    footer = person.proof("Time zone", "Footer")
    expect(footer).to_contain_text("2019–2026")
    page.get_by_role("button", name="As on another day").first.click()
    page.get_by_label("as on").first.fill("2027-01-01T00:00")
    footer.scroll_into_view_if_needed()
    expect(footer).to_contain_text("2019–2027")
    # Only what is in view is read anew, and what came meanwhile above may have moved it out.
    person.fact("First day of the week").scroll_into_view_if_needed()
    expect(person.proof("First day of the week", "Month calendar")).to_contain_text("January 2027")
    page.get_by_role("button", name="Now", exact=True).first.click()
    footer.scroll_into_view_if_needed()
    expect(footer).to_contain_text("2019–2026")


def test_a_date_is_put_together_from_parts_by_keyboard(used_desk):
    person = used_desk
    row = person.fact("Long date")
    row.get_by_role("button", name="Put it together").press("Enter")
    parts = row.get_by_role("list", name="Parts")
    expect(parts.get_by_role("listitem")).to_have_count(5)
    month = parts.get_by_label("Month", exact=True)
    pattern = row.get_by_role("textbox", name="Long date")
    month.press("Alt+ArrowLeft")
    expect(pattern).to_have_value("dMMMM  y")
    month.press("Alt+ArrowLeft")
    expect(pattern).to_have_value("MMMMd  y")
    expect(person.proof("Long date", "Dates on the page")).to_contain_text("November25")
    row.get_by_role("button", name="+ Weekday").click()
    expect(pattern).to_have_value("MMMMd  y EEEE")
    parts.get_by_label("Year", exact=True).select_option("yy")
    expect(pattern).to_have_value("MMMMd  yy EEEE")


def test_the_desk_speaks_as_the_person_chose_and_the_site_as_its_owner(server, people):
    """An Arabic site from a desk in English, and an English one from a desk in Arabic."""
    person = people(server).sign_in().open("narjis")
    page = person.page
    html = page.locator("html")
    expect(html).to_have_attribute("dir", "ltr")
    person.field("Tagline").fill("قهوة وياسمين")
    expect(person.fact("Tagline")).to_contain_text("✓ Saved")
    publish(page)
    page.get_by_label("Language · Sprache").select_option("ar")
    expect(html).to_have_attribute("dir", "rtl")
    person.open("quillmere")
    expect(page.get_by_role("heading", name="ما يحتاجه كل موقع")).to_be_visible()
    field = page.get_by_role("group", name="سطر التعريف").get_by_role("textbox")
    field.fill("Borrow, grow, return")
    expect(page.get_by_role("group", name="سطر التعريف")).to_contain_text("✓ حُفظ")
    field = person.fact("سطر التذييل").get_by_role("textbox")
    field.fill("{nope}")
    expect(page.get_by_role("group", name="سطر التذييل").get_by_role("alert")).to_contain_text("لا يعرف هستور")
    field.fill("© {year} {site}")
    expect(page.get_by_role("group", name="سطر التذييل")).to_contain_text("✓ حُفظ")
    assert (person.faults(), person.overflows()) == ([], 0)
    publish(page, "راجع وانشر", "انشر هذين التغييرين", "منشورة")
    # It follows the person to another browser, and stays when signed out.
    other = people(server).sign_in().open("quillmere", "editions")
    expect(other.page.locator("html")).to_have_attribute("dir", "rtl")
    page.goto(server.site("quillmere") + "/")
    expect(page.locator("html")).to_have_attribute("lang", "en-GB")
    expect(page.locator(".site-tagline")).to_have_text("Borrow, grow, return")
    page.goto(server.site("narjis") + "/")
    expect(page.locator(".site-tagline")).to_have_text("قهوة وياسمين")


@pytest.mark.parametrize(
    ("language", "name"), [("de-CH", "Am Schreibtisch anmelden"), ("es-MX", "Entrar en el escritorio")]
)
def test_signed_out_the_desk_begins_with_the_browsers_language(shared_server, browser, language, name):
    context = browser.new_context(locale=language)
    page = context.new_page()
    page.goto(shared_server.desk)
    expect(page.get_by_role("heading", name=name)).to_be_visible()
    page.get_by_label("Language · Sprache").select_option("ar")
    expect(page.get_by_role("heading", name="الدخول إلى المكتب")).to_be_visible()
    page.reload()
    expect(page.locator("html")).to_have_attribute("dir", "rtl")
    context.close()


def test_the_sites_own_words_are_looked_over_and_one_is_said_otherwise(server, people):
    person = people(server).sign_in().open("silberpfad")
    row = person.fact("The site’s own words")
    row.get_by_role("button", name="Look them over").click()
    row.get_by_label("Find a word").fill("latest")
    field = row.get_by_role("textbox", name="Latest news")
    expect(field).to_have_attribute("placeholder", "Aktuelles")
    field.fill("Aus der Werkstatt")
    expect(row).to_contain_text("✓ Saved")
    publish(person.page)
    person.page.goto(server.site("silberpfad") + "/")
    expect(person.page.get_by_role("heading", name="Aus der Werkstatt")).to_be_visible()
