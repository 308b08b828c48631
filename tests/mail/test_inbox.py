"""What visitors wrote: marked, deleted, let go after its time, carried elsewhere."""

import mailbox
from contextlib import closing
from datetime import timedelta

import pytest

from hestor.core.contact.enquiry import Written
from hestor.core.errors import NotFound
from hestor.mail.models import Enquiry, Message
from hestor.mail.selectors import inbox
from hestor.mail.services import enquiries, notices
from tests.conftest import NOW

pytestmark = pytest.mark.django_db
ADA = Written("Ada", "ada@cottage.example", "Hello.\n\nFrom me to you.\nFrom Ada")


def kept(site, digest="d", suspect=False, now=NOW, written=ADA) -> Enquiry:
    return enquiries.keep(site, written, "/contact/", now, suspect, digest)


def test_marks_and_counts(contact_site):
    one, _ = kept(contact_site), kept(contact_site, "e", suspect=True)
    assert inbox.counts(contact_site) == {"open": 1, "done": 0, "suspect": 1}
    enquiries.mark(contact_site, one.pk, True, None, NOW)
    assert [found.pk for found in inbox.enquiries(contact_site, "", "done")] == [one.pk]
    assert [found.pk for found in inbox.enquiries(contact_site, "hello cottage", "done")] == [one.pk]
    assert inbox.enquiries(contact_site, "goodbye", "done") == []
    enquiries.mark(contact_site, one.pk, False, None, NOW)
    assert inbox.counts(contact_site)["open"] == 1


def test_one_that_turns_out_to_be_a_persons_is_told_of_once(contact_site):
    notices.set_in_force(contact_site, "me@post.example", NOW)
    one = kept(contact_site, suspect=True)
    assert Message.objects.count() == 0
    for suspect in (False, True, False):
        enquiries.mark(contact_site, one.pk, None, suspect, NOW)
    assert [message.receiver for message in Message.objects.all()] == ["me@post.example"]


def test_deleting_takes_what_was_sent_of_it_along(contact_site):
    notices.set_in_force(contact_site, "me@post.example", NOW)
    one = kept(contact_site)
    assert Message.objects.count() == 1
    enquiries.delete(contact_site, one.pk)
    assert (Enquiry.objects.count(), Message.objects.count()) == (0, 0)
    with pytest.raises(NotFound):
        enquiries.delete(contact_site, one.pk)


def test_old_ones_go_by_themselves_after_the_time_that_the_form_says(contact_site):
    old, young = kept(contact_site, "old", now=NOW - timedelta(days=181)), kept(contact_site, "young")
    Enquiry.objects.update(origin="somebody")
    assert enquiries.delete_old(NOW + timedelta(days=2)) == 1
    assert not Enquiry.objects.filter(pk=old.pk).exists()
    young.refresh_from_db()
    assert young.origin == ""


def test_the_mailbox_is_read_by_another_library(contact_site, tmp_path):
    kept(contact_site)
    kept(contact_site, "e", written=Written("", "b@x.example", "=?utf-8?q?=0ABcc:_a@b.example?= " + "Größe " * 40))
    kept(contact_site, "f", suspect=True)
    path = tmp_path / "all.mbox"
    path.write_bytes(inbox.as_mbox(contact_site))
    with closing(mailbox.mbox(path)) as box:
        found = list(box)
    assert [mail["From"] for mail in found] == ["Ada <ada@cottage.example>", "b@x.example"]
    text = found[0].get_payload(decode=True).decode()
    # Every line that begins with "From " carries the mark that mailboxes need.
    assert text.strip() == "Hello.\n\n>From me to you.\n>From Ada"
    assert found[1]["Bcc"] is None
    assert "Größe" in found[1].get_payload(decode=True).decode()
