"""The queue against a real mail server: each message once, in order for each receiver, whatever goes wrong."""

from datetime import timedelta

import pytest

from hestor import locks
from hestor.core.errors import NotFound
from hestor.mail.models import Message, State
from hestor.mail.selectors.letters import Voice
from hestor.mail.services import sending
from hestor.mail.services.posting import put
from tests.conftest import NOW

pytestmark = pytest.mark.django_db(transaction=True)


def queue(site, *receivers: str) -> list[Message]:
    said = {"address": "a@b.example", "moment": "now"}
    voice = Voice(site, NOW)
    return [put(site, voice.write("replaced", said, receiver), NOW) for receiver in receivers]


def states() -> list[str]:
    return list(Message.objects.order_by("pk").values_list("state", flat=True))


def test_what_is_queued_goes_byte_by_byte_in_order(contact_site, post_office):
    made = queue(contact_site, "a@x.example", "b@x.example", "a@x.example")
    assert sending.drain(NOW) == 3
    assert [receiver for receiver, _ in post_office.taken] == ["a@x.example", "b@x.example", "a@x.example"]
    assert [mail["Message-ID"] for _, mail in post_office.taken] == [
        line.partition(b": ")[2].decode()
        for message in made
        for line in bytes(message.body.raw).splitlines()
        if line.startswith(b"Message-ID")
    ]
    assert states() == ["sent"] * 3
    assert Message.objects.first().sent is not None
    assert sending.drain(NOW) == 0


def test_without_a_server_every_message_stays_in_the_tray(contact_site, settings):
    settings.SMTP = {}
    queue(contact_site, "a@x.example")
    assert (states(), sending.drain(NOW)) == (["kept"], 0)


def test_a_refusal_for_good_fails_and_can_be_sent_again(contact_site, post_office):
    post_office.answers["gone@x.example"] = "550 no such person here"
    message = queue(contact_site, "gone@x.example", "b@x.example")[0]
    assert sending.drain(NOW) == 1
    message.refresh_from_db()
    assert (message.state, message.tries, message.due) == ("failed", 1, None)
    assert "no such person here" in message.error
    post_office.answers.clear()
    sending.send_again(contact_site, message.pk, NOW)
    assert (sending.drain(NOW), states()) == (1, ["sent", "sent"])
    with pytest.raises(NotFound):
        sending.send_again(contact_site, message.pk, NOW)


def test_a_refusal_for_now_is_tried_again_and_nobody_overtakes(contact_site, post_office):
    post_office.answers["full@x.example"] = "452 the mailbox is full"
    first, second, other = queue(contact_site, "full@x.example", "full@x.example", "b@x.example")
    assert sending.drain(NOW) == 1
    pauses, now = [], NOW
    for _ in sending.PAUSES:
        first.refresh_from_db()
        pauses.append(first.due - now)
        assert sending.drain(first.due - timedelta(seconds=1)) == 0
        now = first.due
        sending.drain(now)
    assert pauses == sorted(pauses) == list(sending.PAUSES)
    assert sum(pauses, timedelta()) > timedelta(days=4)
    first.refresh_from_db()
    assert (first.state, first.tries) == ("failed", len(sending.PAUSES) + 1)
    # The one behind it has been tried by now; it never went ahead of the first.
    second.refresh_from_db()
    assert second.state == "queued"
    post_office.answers.clear()
    sending.drain(second.due)
    assert [receiver for receiver, _ in post_office.taken] == [other.receiver, second.receiver]


def test_a_server_that_cannot_be_reached_costs_nothing_but_time(contact_site, post_office, settings):
    settings.SMTP = {**settings.SMTP, "port": 1, "timeout": 1}
    first, second = queue(contact_site, "a@x.example", "b@x.example")
    assert sending.drain(NOW) == 0
    first.refresh_from_db()
    second.refresh_from_db()
    assert (first.state, first.tries, second.state, second.tries) == ("queued", 1, "queued", 0)
    assert first.error
    settings.SMTP = {**settings.SMTP, "port": post_office.port}
    assert sending.drain(first.due) == 2


def test_what_was_begun_by_a_process_that_is_no_more_is_not_sent_again(contact_site, post_office):
    message = queue(contact_site, "a@x.example")[0]
    Message.objects.update(state=State.BEGUN)
    assert sending.drain(NOW) == 0
    assert (states(), post_office.taken) == (["unsure"], [])
    sending.send_again(contact_site, message.pk, NOW)
    assert sending.drain(NOW) == 1


def test_only_one_process_sends(contact_site, post_office):
    queue(contact_site, "a@x.example")
    with locks.taken("sending") as is_ours:
        assert is_ours
        assert sending.drain(NOW) == 0
    assert sending.drain(NOW) == 1


def test_each_message_is_marked_before_and_after_it_goes(contact_site, post_office, monkeypatch):
    """Whenever the process ends, no more than one message is in doubt."""
    queue(contact_site, "a@x.example", "b@x.example", "c@x.example")
    seen, send = [], sending._Line.send

    def watched(line, message):
        seen.append(states())
        send(line, message)

    monkeypatch.setattr(sending._Line, "send", watched)
    sending.drain(NOW)
    assert seen == [["begun", "queued", "queued"], ["sent", "begun", "queued"], ["sent", "sent", "begun"]]


def test_addresses_in_other_scripts_need_a_server_that_takes_them(contact_site, post_office):
    message = queue(contact_site, "müller@x.example")[0]
    sending.drain(NOW)
    message.refresh_from_db()
    assert message.state == "sent"
    assert post_office.taken[0][0] == "müller@x.example"
