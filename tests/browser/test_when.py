"""Days and times on the desk: typed as people say them, shown as understood, picked the site's way."""

from playwright.sync_api import expect


def an_event(person) -> str:
    made = person.context.request.get(f"{person.server.desk}/api/sites/quillmere/pages").json()
    return next(str(page["id"]) for page in made if page["kind"] == "event")


def opened(people, server, **looks):
    person = people(server, **looks).sign_in()
    person.open(view=f"pages/{an_event(person)}")
    return person, person.page.get_by_role("region", name="When and where")


def test_a_day_is_typed_freely_and_said_as_understood(server, people):
    person, editor = opened(people, server, width=390)
    first = editor.get_by_label("First day")
    first.fill("next friday")
    # The demo's day is a Wednesday, 25 November.
    expect(editor.get_by_role("status").filter(has_text="Friday, 27 November 2026")).to_be_visible()
    expect(first).to_have_value("next friday")
    assert person.wrong_at_any_width(editor) == []
    first.press("Enter")
    expect(first).to_have_value("27 November 2026")
    begins = editor.get_by_label("From")
    begins.fill("half past ten")
    begins.press("Tab")
    expect(begins).to_have_attribute("aria-invalid", "true")
    expect(editor.get_by_text("This is not understood as a time")).to_be_visible()
    assert person.faults(editor) == []
    begins.fill("10.30 am")
    begins.press("Tab")
    expect(begins).to_have_value("10:30")
    expect(editor).to_contain_text("✓ Saved")
    expect(editor).to_contain_text("27 November 2026, 10:30")


def test_a_day_is_picked_by_keyboard_with_weeks_as_the_site_begins_them(server, people):
    person, editor = opened(people, server)
    person.writes(first_weekday="sat")
    person.page.reload()
    first = editor.get_by_label("First day")
    first.fill("3.5.2027")
    first.press("Enter")
    expect(first).to_have_value("3 May 2027")
    first.press("ArrowDown")
    month = person.page.get_by_role("dialog", name="Open a calendar")
    expect(month.get_by_role("heading", name="May 2027")).to_be_visible()
    expect(month.locator("thead th").first).to_have_text("Sat")
    assert person.faults(month) == []
    for key in ("ArrowDown", "ArrowRight", "Enter"):
        person.page.keyboard.press(key)
    expect(month).to_be_hidden()
    expect(first).to_have_value("11 May 2027")


def test_several_times_typed_in_a_row_are_all_kept(server, people):
    person = people(server).sign_in().open("silberpfad")
    row = person.fact("Opening hours")
    row.get_by_role("button", name="Monday: add hours").click()
    # The answers for both come after the second is typed.
    slow = []
    person.page.route("**/dates/read", lambda route: slow.append(route))
    row.get_by_label("Monday: opens").fill("8 Uhr")
    row.get_by_label("Monday: closes").fill("16.45")
    row.get_by_label("Monday: closes").press("Tab")
    expect(row.get_by_label("Monday: opens")).to_have_value("8 Uhr")
    both = 2
    while len(slow) < both:
        person.page.wait_for_timeout(50)
    for route in slow:
        route.continue_()
    expect(row.get_by_label("Monday: opens")).to_have_value("08:00")
    expect(row.get_by_label("Monday: closes")).to_have_value("16:45")
    expect(row).to_contain_text("✓ Saved")
