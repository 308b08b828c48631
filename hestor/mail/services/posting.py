"""Puts messages into the tray, and into the queue where real sending is set up."""

from datetime import datetime

from django.conf import settings

from hestor.mail.models import Body, Enquiry, Message, State
from hestor.mail.selectors.letters import Letter
from hestor.sites.models import Site


def put(site: Site | None, letter: Letter, now: datetime, enquiry: Enquiry | None = None) -> Message:
    """Keeps a message, within the caller's transaction; it is sent once that is committed."""
    made = Message.objects.create(
        site=site,
        enquiry=enquiry,
        kind=letter.kind,
        sender=letter.sender,
        receiver=letter.receiver,
        subject=letter.subject,
        state=State.QUEUED if settings.SMTP else State.KEPT,
        made=now,
        due=now if settings.SMTP else None,
    )
    Body.objects.create(message=made, raw=letter.raw, words=letter.words)
    return made
