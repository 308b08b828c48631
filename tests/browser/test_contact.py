"""Contact: an address confirmed through the tray, the form with and without script, defaults over two sites."""

import re

import pytest
from playwright.sync_api import expect

from tests.support.sampling import sample


def publish(page) -> None:
    page.get_by_role("button", name="Review").first.click()
    page.get_by_role("button", name="Publish th").click()
    expect(page.get_by_role("heading", name="is live")).to_be_visible()


def test_an_address_for_notices_is_confirmed_through_the_tray(server, people):
    person = people(server, width=390).sign_in().open()
    page = person.page
    row = person.fact("Address for notices")
    expect(row).to_contain_text("In force: notices go here.")
    person.field("Address for notices").fill("post@quillmere-seeds.example")
    expect(row).to_contain_text("notices go to owner@quillmere.example")
    row.get_by_role("button", name="Send the link").press("Enter")
    expect(row).to_contain_text("A link was sent")
    assert person.wrong_at_any_width(row) == []
    row.get_by_role("link", name="Look at it in the mail tray").click()
    page.get_by_role("button", name="Please confirm this address").click()
    link = page.frame_locator("iframe").get_by_role("link", name="Yes, this is my address")
    address = link.get_attribute("href")
    assert person.wrong_at_any_width() == []
    # Whoever reads it need not be signed in.
    reader = people(server, width=390)
    reader.page.goto(address)
    expect(reader.page.get_by_text("would come to post@quillmere-seeds.example")).to_be_visible()
    assert reader.faults() == []
    reader.page.keyboard.press("Tab")
    reader.page.get_by_role("button", name="Yes, send them here").press("Enter")
    expect(reader.page.get_by_role("heading", name="Notices come here now")).to_be_visible()
    reader.page.goto(address)
    expect(reader.page.get_by_role("heading", name="This link no longer works")).to_be_visible()
    expect(reader.page.get_by_role("button", name="Try again")).to_have_count(0)
    person.go_to("House style")
    expect(row).to_contain_text("In force: notices go here.")
    expect(page.get_by_text("No changes")).to_be_visible()


@pytest.mark.long
def test_a_wish_for_another_address_can_be_left(server, people):
    person = people(server).sign_in().open()
    row = person.fact("Address for notices")
    person.field("Address for notices").fill("other@quillmere-seeds.example")
    row.get_by_role("button", name="Leave it as it was").click()
    expect(person.field("Address for notices")).to_have_value("owner@quillmere.example")
    expect(row).to_contain_text("In force")
    # Who may not send the link is told who can.
    helper = people(server).sign_in("helper").open()
    helper.field("Address for notices").fill("mine@x.example")
    expect(helper.fact("Address for notices")).to_contain_text("An owner of the site can send the link.")
    expect(helper.fact("Address for notices").get_by_role("button", name="Send the link")).to_have_count(0)


@pytest.mark.parametrize(("script", "width"), sample([(True, 1280), (False, 390)], 1))
def test_a_visitor_writes_and_the_owner_reads_answers_and_clears_away(server, people, script, width):
    visitor = people(server, width=width, dark=not script, java_script_enabled=script)
    page = visitor.page
    page.goto(server.site("quillmere") + "/contact/")
    page.get_by_label("Your name").fill("Nadia Finch")
    page.get_by_label("Your email address").fill("nadia@finch")
    page.get_by_role("button", name="Send").press("Enter")
    expect(page.get_by_role("alert")).to_contain_text("Not sent yet")
    expect(page.get_by_label("Your email address")).to_have_accessible_description(re.compile("can’t answer"))
    expect(page.get_by_label("Your message")).to_have_accessible_description("Please fill this in.")
    expect(page.get_by_label("Your name")).to_have_value("Nadia Finch")
    if script:
        assert (visitor.faults(), visitor.overflows()) == ([], 0)
    page.get_by_label("Your email address").fill("nadia@finch.example")
    page.get_by_label("Your message").fill("May I bring a friend?\nShe grows beans.")
    page.get_by_role("button", name="Send").press("Enter")
    expect(page.get_by_role("heading", name="Thank you, your message has arrived")).to_be_visible()
    assert page.url.endswith("/contact/sent/#text")
    assert visitor.context.cookies() == []
    if script:
        assert visitor.faults() == []
        return
    owner = people(server, width=width).sign_in().open(view="mail")
    owner.page.get_by_role("button", name="Nadia Finch").press("Enter")
    expect(owner.page.get_by_text("She grows beans.").last).to_be_visible()
    expect(owner.page.get_by_text("Sent on to owner@quillmere.example").first).to_be_visible()
    assert (owner.faults(), owner.overflows()) == ([], 0)
    owner.page.get_by_role("button", name="Mark as done").click()
    owner.page.get_by_role("button", name="Done 2").click()
    owner.page.get_by_role("button", name="Nadia Finch").click()
    owner.page.get_by_role("button", name="Delete", exact=True).click()
    owner.page.get_by_role("button", name="Delete for good").press("Enter")
    expect(owner.page.get_by_role("button", name="Done 1")).to_be_visible()
    owner.page.get_by_role("link", name="Mail tray").click()
    owner.page.get_by_role("searchbox", name="Find in the tray").fill("friend")
    expect(owner.page.get_by_text("Nothing here holds “friend”.")).to_be_visible()


LIKE_ONE = re.compile(r"[\w.+-]+@[\w-]+(?:\.[\w-]+)+")


def over_the_page(page) -> set[str]:
    """What a harvester that runs the page finds: in its text as it is seen, and where links lead."""
    links = "[...document.links].map(a => decodeURIComponent(a.href)).join(' ')"
    seen = page.evaluate(f"document.body.innerText + ' ' + {links}")
    return {found for found in LIKE_ONE.findall(seen) if "@quillmere-seeds" in found}


def test_each_protection_does_on_the_page_what_the_desk_says(server, people):
    person = people(server).sign_in().open()
    page, visitor = person.page, people(server).page
    row = person.fact("Protection against harvesters")
    found = {}
    for name in ("Plain", "Disguised", "Form only"):
        row.get_by_role("radio", name=re.compile(f"^{name}")).check()
        expect(page.get_by_role("status").filter(has_text=re.compile("change"))).to_be_visible()
        if page.get_by_role("button", name="Review and publish").is_enabled():
            publish(page)
            person.go_to("House style")
        source = visitor.goto(server.site("quillmere") + "/contact/").text()
        found[name] = (bool(LIKE_ONE.search(source)), bool(over_the_page(visitor)))
        expect(visitor.get_by_role("button", name="Send")).to_be_visible()
    assert found == {"Plain": (True, True), "Disguised": (False, True), "Form only": (False, False)}


def test_a_name_is_said_for_two_sites_and_said_otherwise_on_one(server, people):
    person = people(server).sign_in().open()
    page = person.page
    row = person.fact("Legal name")
    row.get_by_role("button", name="Say this on all my sites").press("Enter")
    dialog = page.get_by_role("dialog", name="Legal name, for all your sites")
    expect(dialog.get_by_role("checkbox", name="Uhrenwerkstatt Silberpfad")).not_to_be_checked()
    expect(dialog.get_by_role("checkbox", name="مقهى النرجس الصغير")).to_be_checked()
    assert person.faults(dialog) == []
    dialog.get_by_role("button", name="write it on 1 site").press("Enter")
    expect(row).to_contain_text("As you say it for all your sites.")
    person.switch_to("مقهى النرجس الصغير")
    expect(person.field("Legal name")).to_have_value("Quillmere Seed Library Association")
    person.switch_to("Uhrenwerkstatt Silberpfad")
    expect(row).to_contain_text("For all sites it is said: Quillmere Seed Library Association")
    row.get_by_role("button", name="Take that").click()
    expect(person.field("Legal name")).to_have_value("Quillmere Seed Library Association")
    page.keyboard.press("Control+z")
    expect(person.field("Legal name")).to_have_value(re.compile("Verena"))


def test_an_address_is_typed_in_its_countrys_form_and_an_imprint_offered(server, people):
    person = people(server, width=390).sign_in().open("silberpfad")
    page = person.page
    row = person.fact("Postal address")
    row.scroll_into_view_if_needed()
    expect(row.get_by_label("Postcode")).to_have_value("9043")
    row.get_by_label("Postcode").fill("12")
    expect(row).to_contain_text("Postcodes there look like")
    row.get_by_label("Postcode").fill("9043")
    row.get_by_label("Country").select_option("US")
    expect(row.get_by_label("State")).to_be_visible()
    row.get_by_label("Country").select_option("CH")
    expect(person.proof("Postal address", "Contact page").locator(".lit")).to_contain_text("CH-9043 Trogen")
    assert person.wrong_at_any_width(row) == []
    parts = person.fact("What footer and contact page show")
    expect(parts).to_contain_text("In Switzerland a site has to say who stands behind it")
    parts.get_by_role("checkbox", name="Postal address: Footer").check()
    parts.get_by_role("button", name="Add an imprint page").press("Enter")
    expect(parts).to_contain_text("Imprint: /impressum/")
    assert person.wrong_at_any_width(parts) == []
    publish(page)
    page.goto(server.site("silberpfad") + "/impressum/")
    expect(page.locator("main")).to_contain_text("Inhaberin Verena Silberpfad")
    expect(page.locator("footer")).to_contain_text("Silberpfad 3, CH-9043 Trogen")
    assert person.wrong_at_any_width() == []


def test_the_words_of_a_message_keep_the_link_that_it_needs(server, people):
    person = people(server).sign_in().open(view="mail?part=kinds")
    page = person.page
    row = page.get_by_role("listitem").filter(has=page.get_by_role("heading", name="An address is to be confirmed"))
    text = row.get_by_label("Text")
    text.fill("Please say yes.")
    expect(row.get_by_role("alert")).to_contain_text("This message needs {link}")
    row.get_by_role("button", name="Write {link}").click()
    expect(text).to_have_value("Please say yes. {link}")
    expect(row.get_by_role("alert")).to_have_count(0)
    expect(row.frame_locator("iframe").get_by_text("Please say yes.")).to_be_visible()
    assert person.faults() == []
    row.get_by_role("button", name="Back to the usual words").click()
    expect(text).to_have_value(re.compile("works once"))


@pytest.mark.long
def test_a_number_and_a_list_say_how_they_will_be_shown(used_desk):
    person = used_desk
    row = person.fact("Telephone")
    row.scroll_into_view_if_needed()
    person.field("Telephone").fill("+41 44 668 18 00")
    expect(row).to_contain_text("Pages show +41 44 668 18 00")
    expect(person.proof("Telephone", "Contact page").locator(".lit")).to_have_text("+41 44 668 18 00")
    person.field("Telephone").fill("ring me")
    expect(row.get_by_role("alert")).to_contain_text("can’t be part of a telephone number")
    person.page.keyboard.press("Control+z")
    social = person.fact("Elsewhere on the web")
    social.scroll_into_view_if_needed()
    social.get_by_role("button", name="Add an address").click()
    social.get_by_label("Your word for it 3").fill("Our films")
    social.get_by_label("Address on the web 3").fill("javascript:alert(1)")
    expect(social.get_by_role("alert")).to_contain_text("This is no address of the web")
    social.get_by_label("Address on the web 3").fill("films.example/quillmere")
    expect(social.get_by_label("Address on the web 3")).to_have_value("https://films.example/quillmere")
    expect(person.proof("Elsewhere on the web", "Contact page")).to_contain_text("Our films")
    assert person.faults(row, social) == []
