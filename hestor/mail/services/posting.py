"""Puts messages into the tray, and into the queue where real sending is set up."""

from collections.abc import Mapping
from datetime import datetime
from email.headerregistry import Address

from django.conf import settings

from hestor.core.messages.kinds import KINDS, Kind
from hestor.mail.models import Enquiry, Message, State
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
    """Makes a message and keeps it; it is sent once what it was made in is committed."""
    letter = letters.write(site, now, KINDS[kind], said, receiver, reply_to)
    return Message.objects.create(
        site=site,
        enquiry=enquiry,
        kind=kind,
        sender=letter.sender,
        receiver=letter.receiver,
        subject=letter.subject,
        words=letter.words,
        raw=letter.raw,
        state=State.QUEUED if settings.SMTP else State.KEPT,
        made=now,
        due=now if settings.SMTP else None,
    )
