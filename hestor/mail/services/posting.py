"""Puts messages into the tray, and into the queue where real sending is set up."""

from collections.abc import Mapping
from datetime import datetime
from email.headerregistry import Address

from django.conf import settings

from hestor.core.messages.kinds import KINDS, Kind
from hestor.mail.models import Body, Enquiry, Message, State
from hestor.mail.selectors import letters
from hestor.sites.models import Site


def post(
    site: Site,
    kind: Kind,
    said: Mapping[str, str],
    receiver: str,
    now: datetime,
    reply_to: Address | None = None,
    enquiry: Enquiry | None = None,
) -> Message:
    """Makes a message and keeps it, within the caller's transaction; it is sent once that is committed."""
    letter = letters.write(site, now, KINDS[kind], said, receiver, reply_to)
    made = Message.objects.create(
        site=site,
        enquiry=enquiry,
        kind=kind,
        sender=letter.sender,
        receiver=letter.receiver,
        subject=letter.subject,
        state=State.QUEUED if settings.SMTP else State.KEPT,
        made=now,
        due=now if settings.SMTP else None,
    )
    Body.objects.create(message=made, raw=letter.raw, words=letter.words)
    return made
