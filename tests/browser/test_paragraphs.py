"""What changed on a page by paragraph, and two people at one text."""

import re

import pytest
from playwright.sync_api import expect

BODY = "Open on Saturdays.\n\nBring an envelope for the seed.\n\nTea is free for all."


def _page(person) -> int:
    rows = person.context.request.get(f"{person.server.desk}/api/sites/quillmere/pages").json()
    return next(row["id"] for row in rows if row["path"] == "/borrowing/")


def _write(person, page: int, **fields: str) -> None:
    address = f"{person.server.desk}/api/sites/quillmere/pages/{page}"
    revision = str(person.context.request.get(address).json()["revision"])
    assert person.context.request.patch(address, data=fields, headers={"If-Match": revision}).ok


def _publish(person) -> None:
    desk = f"{person.server.desk}/api/sites/quillmere"
    revision = str(person.context.request.get(f"{desk}/style").json()["revision"])
    made = person.context.request.post(f"{desk}/editions", data={"held_back": []}, headers={"If-Match": revision})
    assert made.ok


def test_what_changed_is_seen_by_paragraph_and_restored(server, people):
    person = people(server).sign_in()
    number = _page(person)
    _write(person, number, body=BODY)
    _publish(person)
    _write(person, number, body=BODY.replace("an envelope", "two envelopes") + "\n\nAsk Sam.", title="Borrowing")
    person.open(view="review")
    page = person.page
    page.get_by_role("link", name="See it by paragraph").click()
    changes = page.get_by_role("region", name="What changed since the page went live")
    expect(changes.get_by_role("insertion").filter(has_text="two")).to_be_visible()
    expect(changes.get_by_text("1 paragraph stays as it is")).to_have_count(2)
    changes.get_by_role("button", name=re.compile("Restore.*Change 1 of 2")).press("Enter")
    text = page.get_by_role("textbox", name="What it is about (Markdown)")
    expect(text).to_contain_text("Bring an envelope")
    expect(text).to_contain_text("Ask Sam.")
    expect(changes.get_by_role("button", name=re.compile("Change 1 of 1"))).to_be_visible()
    assert person.wrong_at_any_width(changes) == []
    page.get_by_role("button", name="Undo").click()
    expect(text).to_contain_text("Bring two envelopes")


@pytest.mark.parametrize("clash", [False, True])
def test_two_people_at_one_text_keep_what_both_wrote(server, people, clash):
    one, other = people(server).sign_in(), people(server).sign_in("helper")
    number = _page(one)
    _write(one, number, body=BODY)
    page = one.open(view=f"pages/{number}").page
    text = page.get_by_role("textbox", name="What it is about (Markdown)")
    expect(text).to_contain_text("Open on Saturdays.")
    _write(other, number, body=BODY.replace("Saturdays", "Sundays" if clash else "Saturdays and Sundays"))
    text.get_by_text("Open on Saturdays." if clash else "Tea is free for all.").click()
    page.keyboard.press("End")
    page.keyboard.type(" Come early.")
    if clash:
        expect(page.get_by_role("alert").filter(has_text="changed this text meanwhile")).to_be_visible()
        assert one.faults(page.locator("main")) == []
        page.get_by_role("radio", name="Keep both").check()
        page.get_by_role("button", name="Use this text").press("Enter")
        expect(text).to_contain_text("Open on Sundays.")
        expect(text).to_contain_text("Open on Saturdays. Come early.")
    else:
        expect(page.get_by_text("changed other paragraphs meanwhile")).to_be_visible()
        expect(text).to_contain_text("Open on Saturdays and Sundays.")
        expect(text).to_contain_text("Tea is free for all. Come early.")
        # The cursor stays where it was typed.
        page.keyboard.type(" Bye.")
        expect(text).to_contain_text("Tea is free for all. Come early. Bye.")
    expect(page.get_by_role("alert").filter(has_text="changed this text meanwhile")).to_have_count(0)
