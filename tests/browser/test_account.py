"""One's own account: another password, signing out a device that was left behind, a password that was lost."""

import re

from playwright.sync_api import expect

from tests.support.server import OWNER, PASSWORD, environment, said_by

NEW = "three quiet seedlings"


def sign_in(person, password=PASSWORD):
    page = person.page
    page.goto(f"{person.server.desk}/quillmere/editions")
    page.get_by_label("Email").fill(OWNER)
    page.get_by_label("Password").fill(password)
    page.get_by_role("button", name="Sign in", exact=True).click()
    return page


def test_another_password_and_a_device_left_behind(server, people):
    left_behind = people(server)
    expect(sign_in(left_behind).get_by_role("button", name="Review and publish")).to_be_visible()
    person = people(server, width=390)
    page = sign_in(person)
    page.get_by_role("button", name=re.compile("Account")).click()
    page.get_by_role("menuitem", name="Your account").click()
    expect(page.get_by_role("heading", name="Your account")).to_be_visible()
    expect(page.get_by_text("This device")).to_be_visible()
    assert person.wrong_at_any_width() == []
    page.get_by_role("button", name=re.compile("Sign out: .*Chrome")).click()
    expect(page.get_by_role("button", name=re.compile("Sign out: .*Chrome"))).to_have_count(0)
    left_behind.page.reload()
    expect(left_behind.page.get_by_role("heading", name="Sign in to the desk")).to_be_visible()

    section = page.get_by_role("region", name="Password")
    section.get_by_label("Your password now").fill("wrong")
    section.get_by_label("New password").fill(NEW)
    section.get_by_role("button").click()
    expect(section.get_by_text("This is not the password of your account")).to_be_visible()
    section.get_by_label("Your password now").fill(PASSWORD)
    section.get_by_label("New password").press("Enter")
    expect(section.get_by_text("✓ Changed")).to_be_visible()
    expect(sign_in(left_behind, NEW).get_by_role("button", name="Review and publish")).to_be_visible()


def test_a_lost_password(server, people):
    person = people(server)
    page = person.page
    page.goto(server.desk)
    page.get_by_text("Lost your password?").click()
    expect(page.get_by_text("can give you a link")).to_be_visible()
    link = said_by(environment(server.data, server.port), "password_link", OWNER).strip()
    page.goto(link)
    page.get_by_label("New password").fill("short")
    page.keyboard.press("Enter")
    expect(page.get_by_text("too short")).to_be_visible()
    page.get_by_label("New password").fill(NEW)
    page.keyboard.press("Enter")
    page.get_by_role("link", name="Sign in").click()
    expect(sign_in(person, NEW).get_by_role("button", name="Review and publish")).to_be_visible()
    page.goto(link)
    page.get_by_label("New password").fill(NEW)
    page.keyboard.press("Enter")
    expect(page.get_by_text("This link was used already")).to_be_visible()
