"""Where notices go: nothing is in force before its reader agreed, once, within a day."""

import re
from datetime import timedelta

import pytest

from hestor.core.errors import ConfirmationSpent, InvalidInput, TooManyLinks
from hestor.mail.models import Message
from hestor.mail.selectors import tray
from hestor.mail.services import notices
from hestor.sites.services.facts import write_facts
from tests.conftest import NOW

pytestmark = pytest.mark.django_db


def wish(site, address: str) -> None:
    site.refresh_from_db()
    write_facts(site, {"notices_email": address}, site.revision)
    site.refresh_from_db()


def token() -> str:
    """The token of the newest link, as its receiver reads it."""
    message = Message.objects.filter(kind="confirm").latest("pk")
    text = tray.part(tray.read(message), "plain")
    found = re.search(r"http://localhost:8000/confirm/(\S+)", text)
    assert found, text
    assert found[0] in tray.part(tray.read(message), "html")
    return found[1]


def in_force(site) -> str:
    return notices.standing(site, NOW).in_force


def agree(site, address: str, now=NOW) -> None:
    wish(site, address)
    notices.ask(site.pk, now)
    notices.confirm(token(), now)


def test_an_address_comes_into_force_by_its_link(contact_site):
    wish(contact_site, "me@post.example")
    assert in_force(contact_site) == ""
    standing = notices.ask(contact_site.pk, NOW)
    assert (standing.in_force, standing.wished, standing.asked) == ("", "me@post.example", "me@post.example")
    assert Message.objects.get().receiver == "me@post.example"
    link = token()
    # To look is not to agree: programs that look at mail follow links, too.
    assert notices.asked_by(link, NOW) == notices.Asked("Seed Library", "me@post.example")
    assert in_force(contact_site) == ""
    notices.confirm(link, NOW)
    assert in_force(contact_site) == "me@post.example"
    for use in (notices.confirm, notices.asked_by):
        with pytest.raises(ConfirmationSpent):
            use(link, NOW)


def test_until_then_the_former_one_stays_and_is_told_of_the_change(contact_site):
    agree(contact_site, "old@post.example")
    wish(contact_site, "new@post.example")
    notices.ask(contact_site.pk, NOW)
    assert in_force(contact_site) == "old@post.example"
    notices.confirm(token(), NOW)
    assert in_force(contact_site) == "new@post.example"
    told = Message.objects.latest("pk")
    assert (told.kind, told.receiver) == ("replaced", "old@post.example")
    assert "new@post.example" in told.body.words


def test_a_link_is_good_for_a_day(contact_site):
    wish(contact_site, "me@post.example")
    notices.ask(contact_site.pk, NOW)
    late = NOW + timedelta(days=1, seconds=1)
    with pytest.raises(ConfirmationSpent):
        notices.confirm(token(), late)
    assert notices.standing(contact_site, late).asked == ""


def test_the_newest_link_is_the_only_good_one(contact_site):
    wish(contact_site, "me@post.example")
    notices.ask(contact_site.pk, NOW)
    first = token()
    wish(contact_site, "other@post.example")
    notices.ask(contact_site.pk, NOW)
    with pytest.raises(ConfirmationSpent):
        notices.confirm(first, NOW)
    notices.confirm(token(), NOW)
    assert in_force(contact_site) == "other@post.example"


@pytest.mark.parametrize("change", [lambda t: t[:-2], lambda t: "x" + t, lambda t: "", lambda t: t.replace(":", ".")])
def test_an_altered_link_is_worth_nothing(contact_site, change):
    wish(contact_site, "me@post.example")
    notices.ask(contact_site.pk, NOW)
    with pytest.raises(ConfirmationSpent):
        notices.confirm(change(token()), NOW)


def test_what_was_wished_can_be_left(contact_site):
    agree(contact_site, "old@post.example")
    wish(contact_site, "new@post.example")
    notices.ask(contact_site.pk, NOW)
    link = token()
    standing = notices.leave(contact_site.pk, NOW)
    assert (standing.in_force, standing.wished, standing.asked) == ("old@post.example", "old@post.example", "")
    with pytest.raises(ConfirmationSpent):
        notices.confirm(link, NOW)


def test_notices_stop_when_asked_to_and_the_address_is_not_asked_again(contact_site):
    agree(contact_site, "me@post.example")
    with pytest.raises(InvalidInput):
        notices.ask(contact_site.pk, NOW)
    wish(contact_site, "")
    assert in_force(contact_site) == "me@post.example"
    notices.ask(contact_site.pk, NOW)
    assert in_force(contact_site) == ""


def test_nobodys_mailbox_can_be_filled_with_links(contact_site):
    wish(contact_site, "me@post.example")
    for _ in range(10):
        notices.ask(contact_site.pk, NOW)
    with pytest.raises(TooManyLinks):
        notices.ask(contact_site.pk, NOW)
    notices.ask(contact_site.pk, NOW + timedelta(days=1, minutes=1))


def test_the_address_is_no_part_of_an_edition_nor_of_a_review(contact_site, owner):
    from hestor.core.errors import NothingToPublish
    from hestor.sites.models import Edition
    from hestor.sites.services.publishing import publish, restore

    wish(contact_site, "me@post.example")
    with pytest.raises(NothingToPublish):
        publish(contact_site.pk, owner, NOW)
    wish_name = write_facts(contact_site, {"name": "Other"}, contact_site.revision)
    publish(wish_name.pk, owner, NOW)
    assert all("me@post" not in str(one.facts_document) for one in Edition.objects.all())
    assert restore(contact_site.pk, 1)[0].facts.notices_email == "me@post.example"
