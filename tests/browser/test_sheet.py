"""Editing on the sheet: keeping, putting back, refusals, two people, lost connections. Undo: frontend/src/draft."""

from playwright.sync_api import expect


def test_put_back(used_desk):
    used_desk.field("Name").fill("Other")
    used_desk.page.get_by_role("button", name="Restore: Name").click()
    expect(used_desk.field("Name")).to_have_value("Quillmere Seed Library")
    expect(used_desk.fact("Name")).not_to_contain_text("Live now")


def test_a_refusal_points_at_the_spot_and_offers_the_fix(used_desk):
    person, page = used_desk, used_desk.page
    person.field("Footer line").fill("© {yaer} {site}")
    expect(person.fact("Footer line").get_by_role("alert")).to_contain_text(
        "Hestor does not know {yaer}, at character 3"
    )
    expect(person.field("Footer line")).to_have_attribute("aria-invalid", "true")
    expect(person.fact("Footer line")).to_contain_text("Not saved")
    person.field("Name").fill("Kept all the same")
    expect(person.fact("Name")).to_contain_text("✓ Saved")
    page.get_by_role("button", name="Review and publish").click()
    expect(page.get_by_text("Not saved, so not published: Footer line")).to_be_visible()
    page.get_by_role("link", name="Back to the house style").click()
    page.get_by_role("button", name="Write {year}").click()
    expect(person.field("Footer line")).to_have_value("© {year} {site}")
    expect(person.fact("Footer line")).to_contain_text("✓ Saved")


def test_a_paste_that_is_far_too_long_is_not_lost(used_desk):
    used_desk.field("Name").fill("x" * 3_000)
    expect(used_desk.fact("Name")).to_contain_text("3000 of 120 characters")
    expect(used_desk.fact("Name").get_by_role("alert")).to_contain_text("Take out 2880")
    expect(used_desk.field("Name")).to_have_value("x" * 3_000)
    used_desk.page.get_by_role("button", name="Take it out").click()
    expect(used_desk.field("Name")).to_have_value("x" * 120)
    expect(used_desk.fact("Name")).to_contain_text("✓ Saved")


def test_an_empty_name_is_refused_where_it_stands(used_desk):
    used_desk.field("Name").fill("Seed House")
    expect(used_desk.proof("Name", "Page header")).to_contain_text("Seed House")
    expect(used_desk.fact("Name")).to_contain_text("✓ Saved")
    used_desk.field("Name").fill("")
    expect(used_desk.fact("Name").get_by_role("alert")).to_contain_text("Name can’t be empty")
    expect(used_desk.proof("Name", "Page header")).to_contain_text("Seed House")
    used_desk.field("Name").fill("Seed House")
    expect(used_desk.fact("Name").get_by_role("alert")).to_have_count(0)


def test_line_breaks_in_a_paste_become_spaces(used_desk):
    used_desk.page.context.grant_permissions(["clipboard-read", "clipboard-write"])
    used_desk.field("Tagline").click()
    used_desk.page.keyboard.press("Control+A")
    used_desk.page.evaluate("navigator.clipboard.writeText('One\\n  two')")
    used_desk.page.keyboard.press("Control+V")
    expect(used_desk.field("Tagline")).to_have_value("One two")


def test_two_people_on_different_facts_lose_nothing_and_on_one_are_asked(server, people):
    one = people(server).sign_in().open()
    two = people(server).sign_in("helper").open()
    one.field("Name").fill("From one")
    expect(one.fact("Name")).to_contain_text("✓ Saved")
    two.field("Tagline").fill("From two")
    expect(two.fact("Tagline")).to_contain_text("✓ Saved")
    expect(two.field("Name")).to_have_value("From one")
    two.context.set_offline(True)
    two.field("Name").fill("Of two")
    one.field("Name").fill("Of one")
    expect(one.field("Tagline")).to_have_value("From two")
    expect(one.fact("Name")).to_contain_text("✓ Saved")
    two.context.set_offline(False)
    two.field("Name").fill("Of two!")
    expect(two.fact("Name")).to_contain_text("Edith Marlow changed this meanwhile")
    assert two.faults(two.fact("Name")) == []
    two.page.get_by_role("button", name="Keep yours").click()
    expect(two.fact("Name")).to_contain_text("✓ Saved")
    one.page.reload()
    expect(one.field("Name")).to_have_value("Of two!")


def test_words_typed_without_a_connection_are_kept_when_it_is_back(used_desk):
    person = used_desk
    person.context.set_offline(True)
    person.field("Name").fill("Typed in a tunnel")
    expect(person.fact("Name")).to_contain_text("Not saved yet: no connection")
    expect(person.page.get_by_text("No connection to Hestor")).to_be_visible()
    expect(person.page.get_by_text("Not all saved yet")).to_be_visible()
    told = person.page.get_by_text("No connection to Hestor")
    assert person.faults(person.fact("Name"), told) == []
    person.context.set_offline(False)
    expect(person.fact("Name")).to_contain_text("✓ Saved")
    expect(person.proof("Name", "Page header")).to_contain_text("Typed in a tunnel")


def test_words_survive_a_reload_before_they_were_kept(owner_desk):
    owner_desk.page.route(
        "**/style", lambda route: route.abort() if route.request.method == "PATCH" else route.continue_()
    )
    owner_desk.field("Name").fill("Typed just before")
    owner_desk.page.reload()
    expect(owner_desk.field("Name")).to_have_value("Typed just before")
    owner_desk.page.unroute("**/style")
    expect(owner_desk.fact("Name")).to_contain_text("✓ Saved")


def test_being_signed_out_meanwhile_is_said_and_nothing_is_lost(owner_desk):
    person = owner_desk
    person.context.clear_cookies(name=f"hestor-session-{person.server.port}")
    person.field("Name").fill("After the session")
    expect(person.page.get_by_text("You were signed out meanwhile").first).to_be_visible()
    person.page.reload()
    expect(person.page.get_by_role("heading", name="Sign in to the desk")).to_be_visible()
    person.sign_in().open()
    expect(person.field("Name")).to_have_value("After the session")
    expect(person.fact("Name")).to_contain_text("✓ Saved")


def test_a_viewer_looks_and_changes_nothing(server, people):
    person = people(server).sign_in("guest").open()
    expect(person.page.get_by_text("You may look at this site, not change it")).to_be_visible()
    expect(person.field("Name")).to_have_attribute("readonly", "")
    expect(person.page.get_by_role("button", name="Review and publish")).to_have_count(0)
    person.page.goto(f"{server.desk}/quillmere/editions")
    expect(person.page.get_by_role("heading", name="Edition 3")).to_be_visible()
    expect(person.page.get_by_role("button", name="Restore")).to_have_count(0)


def test_settings_are_chosen_not_learnt(owner_desk):
    person, page = owner_desk, owner_desk.page
    person.fact("Time zone").get_by_role("combobox").fill("Trogen")
    owner_desk.fact("Time zone").get_by_role("option", name="Switzerland").click()
    person.fact("Time zone").get_by_role("button", name="Take these 2").click()
    expect(person.fact("Time zone")).to_contain_text("Europe/Zurich")
    person.fact("Language").get_by_role("combobox").press_sequentially("deuts")
    page.get_by_role("option", name="Deutsch German · de", exact=True).click()
    expect(person.fact("Language").get_by_text("German de")).to_be_visible()
    person.field("Colour").fill("#abc")
    expect(person.fact("Colour")).to_contain_text("✓ Saved")
    expect(page.get_by_text("3 changes not published")).to_be_visible()


def test_fill_ins_are_offered_while_a_fact_is_typed(server, people):
    person = people(server, width=390).sign_in().open()
    field = person.field("Footer line")
    field.fill("Run by ")
    field.press_sequentially("{le")
    offered = person.fact("Footer line").get_by_role("listbox", name="Fill-ins")
    expect(offered.get_by_role("option").first).to_have_text("{legal_name}The legal name")
    assert person.wrong_at_any_width(person.fact("Footer line")) == []
    field.press("Enter")
    expect(field).to_have_value("Run by {legal_name}")
    expect(offered).to_be_hidden()
    field.press_sequentially(", call {")
    field.press("ArrowDown")
    field.press("Escape")
    expect(offered).to_be_hidden()
    field.press_sequentially("pho")
    offered.get_by_role("option", name="{phone}").click()
    expect(field).to_have_value("Run by {legal_name}, call {phone}")
    expect(person.proof("Footer line", "Footer")).to_contain_text(
        "Run by Quillmere Seed Library Association, call 0117 496 0214"
    )


def test_a_changed_fact_goes_back_to_three_states(server, people):
    person = people(server, width=390).sign_in()
    person.writes(brand_colour="#14507a").open()
    row = person.fact("Colour")
    row.scroll_into_view_if_needed()
    field = person.field("Colour")
    expect(field).to_have_value("#14507a")
    field.fill("#0a7a3c")
    field.blur()
    expect(row).to_contain_text("✓ Saved")
    row.get_by_role("button", name="Other ways back").press("Enter")
    expect(row).to_contain_text("Live now: #7a2e4d")
    expect(row).to_contain_text("Before your change: #14507a")
    expect(row).to_contain_text("As it comes:")
    assert person.wrong_at_any_width(row) == []
    row.get_by_role("button", name="Restore Colour: Before your change:").press("Enter")
    expect(field).to_have_value("#14507a")
    expect(row).not_to_contain_text("Before your change")
    row.get_by_role("button", name="Restore Colour: As it comes:").click()
    expect(row).not_to_contain_text("As it comes:")
    row.get_by_role("button", name="Restore: Colour").click()
    expect(field).to_have_value("#7a2e4d")
    expect(row).not_to_contain_text("Live now")
    expect(row).to_contain_text("Before your change: #14507a")
