"""What visitors write through the form: taken once, kept for as long as the site says, told to the site's owner."""

import hashlib
import hmac
import secrets
from collections.abc import Mapping
from dataclasses import dataclass, field
from datetime import datetime, timedelta
from typing import Any

from django.conf import settings
from django.core import signing
from django.db import IntegrityError, transaction

from hestor.core import origins
from hestor.core.contact import enquiry as rules
from hestor.core.contact.enquiry import Written
from hestor.core.errors import NotFound
from hestor.mail.models import Enquiry, NoticesAddress
from hestor.mail.selectors.letters import Letter, Voice, facts_of, named
from hestor.mail.services.posting import put
from hestor.sites.models import Site

_SALT = "hestor.form"
_STAMP_SECONDS = 60 * 60 * 24
_SHORT, _LONG = timedelta(minutes=10), timedelta(hours=1)


@dataclass(frozen=True)
class Outcome:
    """What became of a form: the word that says why it was not taken, and what is wrong with which field.

    It was taken, if there is no such word.
    """

    refused: str = ""
    wrong: Mapping[str, rules.Wrong] = field(default_factory=dict)


def new_stamp(site_id: int) -> str:
    """A stamp for one form of a site: good for a day."""
    return signing.dumps([site_id, secrets.token_urlsafe(12)], salt=_SALT)


def _nonce(site_id: int, stamp: str) -> str:
    """What makes a stamp the only one of its kind; empty for one that is too old, was altered, or is another site's."""
    try:
        own, nonce = signing.loads(stamp, salt=_SALT, max_age=_STAMP_SECONDS)
    except (signing.BadSignature, ValueError, TypeError):
        return ""
    return str(nonce) if own == site_id else ""


# All that is kept of one site in an hour, told of or not: what a disk can hold, and no person reads.
_MOST_KEPT = 20
_WHERE = ("origin", "network", "provider")


def _origins(address: str, now: datetime) -> tuple[tuple[str, int], ...]:
    """Tells senders apart for a day, without keeping where they are: each network with its room (``core.origins``)."""

    def hidden(place: str) -> str:
        said = f"{now:%Y-%m-%d} {place}".encode()
        return hmac.new(settings.SECRET_KEY.encode(), said, hashlib.sha256).hexdigest()[:32]

    return tuple((hidden(place), room) for place, room in origins.widening(address) if place != origins.UNKNOWN)


def _is_too_much(site: Site, around: tuple[tuple[str, int], ...], now: datetime) -> bool:
    """Whether one sender, or a network of senders, wrote as much as may be taken in so short a time."""
    recent = Enquiry.objects.filter(received__gt=now - _SHORT, site=site)
    if any(
        recent.filter(**{field: place}).count() >= settings.ENQUIRIES_OF_ONE * room
        for field, (place, room) in zip(_WHERE, around, strict=False)
    ):
        return True
    return _received_lately(site, now) >= settings.ENQUIRIES_OF_ALL * _MOST_KEPT


def _received_lately(site: Site, now: datetime) -> int:
    return Enquiry.objects.filter(site=site, received__gt=now - _LONG).count()


def _said_before(site: Site, digest: str, written: Written) -> bool | None:
    """Whether the message that took a stamp is this very one; None where the stamp was not used."""
    taken = Enquiry.objects.filter(site=site, digest=digest).first()
    return (taken.name, taken.email, taken.message) == (written.name, written.email, written.message) if taken else None


def take(site: Site, path: str, given: Mapping[str, str], trap: str, address: str, now: datetime) -> Outcome:
    """Takes what a visitor wrote; a form that comes twice is taken once. Nothing is kept of one that is refused.

    A stamp is good for one message. However many come in an hour, a form stays open to others; past a number the site's
    owner is told of no more by mail, and reads them at the desk.
    """
    nonce = _nonce(site.pk, given.get("stamp", ""))
    written, wrong = rules.read(given)
    if wrong:
        return Outcome("contact.form.unsent", wrong)
    if not nonce:
        return Outcome("contact.form.stale")
    digest = hashlib.sha256(nonce.encode()).hexdigest()
    if (again := _said_before(site, digest, written)) is not None:
        return Outcome() if again else Outcome("contact.form.stale")
    around = _origins(address, now)
    is_told = not trap and _received_lately(site, now) < settings.ENQUIRIES_OF_ALL
    letter = _letter(site, written, now) if is_told else None
    marks = dict(zip(_WHERE, (place for place, _ in around), strict=False))
    try:
        with transaction.atomic():
            if _is_too_much(site, around, now):
                return Outcome("contact.form.busy")
            _keep(site, written, path, now, digest, letter, **marks, suspect=bool(trap))
    except IntegrityError:
        # A form with this stamp came at the same time; that one was taken.
        return Outcome() if _said_before(site, digest, written) else Outcome("contact.form.stale")
    return Outcome()


def keep(site: Site, written: Written, path: str, now: datetime, suspect: bool, digest: str) -> Enquiry:
    """Keeps what was written on the page at ``path``, and tells the site's owner unless it is ``suspect``."""
    letter = None if suspect else _letter(site, written, now)
    with transaction.atomic():
        return _keep(site, written, path, now, digest, letter, suspect=suspect)


def _keep(
    site: Site, written: Written, path: str, now: datetime, digest: str, letter: Letter | None, **marks: Any
) -> Enquiry:
    said = {"name": written.name, "email": written.email, "message": written.message}
    kept = Enquiry.objects.create(site=site, **said, path=path, received=now, digest=digest, **marks)
    if letter:
        put(site, letter, now, kept)
    return kept


def _letter(site: Site, written: Written, now: datetime) -> Letter | None:
    """What tells the site's owner of a message; None where notices go nowhere."""
    receiver = NoticesAddress.objects.filter(site=site).values_list("address", flat=True).first()
    if not receiver:
        return None
    voice = Voice(site, now)
    name = written.name or written.email
    said = {"name": name, "address": written.email, "moment": voice.moment, "message": written.message}
    return voice.write("enquiry", said, receiver, named(written.name, written.email))


def find(site: Site, number: int) -> Enquiry:
    """One message of a site. Raises NotFound."""
    enquiry = Enquiry.objects.filter(site=site, pk=number).first()
    if enquiry is None:
        raise NotFound
    return enquiry


def mark(site: Site, number: int, done: bool | None, suspect: bool | None, now: datetime) -> Enquiry:
    """Marks a message as done or not, as sent by a program or not. One that turns out to be a person's is told of."""
    found = find(site, number)
    written = Written(found.name, found.email, found.message)
    letter = _letter(site, written, now) if found.suspect and suspect is False else None
    with transaction.atomic():
        found = find(site, number)
        if done is not None:
            found.done = now if done else None
        if suspect is not None:
            found.suspect = suspect
        found.save(update_fields=["done", "suspect"])
        if letter and not found.messages.exists():
            put(site, letter, now, found)
        return found


def delete(site: Site, number: int) -> None:
    """Deletes a message, and what was sent of it. Raises NotFound."""
    find(site, number).delete()


def delete_old(now: datetime) -> int:
    """Deletes, on every site, what is older than its form says; says how many."""
    gone = 0
    for site in Site.objects.all():
        days = timedelta(days=facts_of(site).enquiry_days)
        gone += Enquiry.objects.filter(site=site, received__lt=now - days).delete()[1].get("hestor_mail.Enquiry", 0)
    # By then nobody needs to be told apart any more.
    Enquiry.objects.filter(received__lt=now - timedelta(days=1)).exclude(origin="").update(origin="")
    return gone
