"""Where a site's notices go: an address comes into force once its reader followed a link, within a day."""

import secrets
from dataclasses import dataclass
from datetime import datetime, timedelta

from django.core import signing
from django.db import transaction

from hestor.core.contact import addresses
from hestor.core.errors import ConfirmationSpent, InvalidInput, NotFound, Problem, TooManyLinks
from hestor.mail.models import Message, NoticesAddress
from hestor.mail.selectors.letters import Letter, Voice
from hestor.mail.services.posting import put
from hestor.sites.models import Site
from hestor.sites.selectors.addresses import desk_origin
from hestor.sites.services.facts import write_facts
from hestor.sites.services.locking import locked, locked_whole

_SALT = "hestor.notices"
GOOD_FOR = timedelta(days=1)
_KEY = "notices_email"
# An editor of a site must not be able to fill somebody else's mailbox.
_MOST_A_DAY = 10


@dataclass(frozen=True)
class Standing:
    """Which address is in force, which the house style names, and which was asked, when."""

    in_force: str
    since: datetime | None
    wished: str
    asked: str
    asked_at: datetime | None


def _kept(site: Site) -> NoticesAddress:
    return NoticesAddress.objects.filter(site=site).first() or NoticesAddress(site=site)


def standing(site: Site, now: datetime) -> Standing:
    """How things stand with a site's notices."""
    kept = _kept(site)
    is_open = bool(kept.asked and kept.asked > now - GOOD_FOR and kept.asked_address == site.facts.notices_email)
    return Standing(
        kept.address,
        kept.since,
        site.facts.notices_email,
        kept.asked_address if is_open else "",
        kept.asked if is_open else None,
    )


def ask(site_id: int, now: datetime) -> Standing:
    """Sends a link to the address that the house style names; where it names none, notices stop at once.

    A link sent before is good no more. Raises InvalidInput where that address is in force already, TooManyLinks.
    """
    nonce = secrets.token_hex(16)
    while True:
        site = Site.objects.filter(pk=site_id).first()
        if site is None:
            raise NotFound
        wished = site.facts.notices_email
        link = f"{desk_origin()}/confirm/{signing.dumps([site.pk, nonce], salt=_SALT)}"
        letter = Voice(site, now).write("confirm", {"address": wished, "link": link}, wished) if wished else None
        with transaction.atomic():
            site = locked_whole(site_id)
            if site.facts.notices_email == wished:
                return _ask(site, wished, nonce, letter, now)


def _ask(site: Site, wished: str, nonce: str, letter: Letter | None, now: datetime) -> Standing:
    kept = _kept(site)
    if wished == kept.address:
        raise InvalidInput([Problem(_KEY, "notices_in_force")])
    if letter is None:
        _put_in_force(kept, "", now, None)
        return standing(site, now)
    if Message.objects.filter(site=site, kind="confirm", made__gt=now - GOOD_FOR).count() >= _MOST_A_DAY:
        raise TooManyLinks(most=_MOST_A_DAY)
    kept.asked_address, kept.asked_nonce, kept.asked = wished, nonce, now
    kept.save()
    put(site, letter, now)
    return standing(site, now)


def leave(site_id: int, now: datetime) -> Standing:
    """Takes the wish back: the house style names the address in force again, and no link is good. Raises NotFound."""
    with transaction.atomic():
        site = locked_whole(site_id)
        kept = _kept(site)
        if kept.asked:
            kept.asked_address, kept.asked_nonce, kept.asked = "", "", None
            kept.save()
        return standing(write_facts(site, {_KEY: kept.address}, site.revision), now)


def _read(token: str, now: datetime) -> NoticesAddress:
    """Whom a link asks. Raises ConfirmationSpent for one that was used, altered, or is too old."""
    try:
        site_id, nonce = signing.loads(token, salt=_SALT, max_age=GOOD_FOR)
    except (signing.BadSignature, ValueError, TypeError) as error:
        raise ConfirmationSpent from error
    kept = NoticesAddress.objects.select_related("site").filter(site_id=site_id).first()
    if kept is None or not kept.asked_nonce or not secrets.compare_digest(kept.asked_nonce, str(nonce)):
        raise ConfirmationSpent
    if kept.asked is None or kept.asked < now - GOOD_FOR:
        raise ConfirmationSpent
    return kept


@dataclass(frozen=True)
class Asked:
    """What a link asks for: notices about a site, at an address."""

    site: str
    address: str


def asked_by(token: str, now: datetime) -> Asked:
    """What a link asks, without agreeing: programs that look at mail follow links, too. Raises ConfirmationSpent."""
    kept = _read(token, now)
    return Asked(kept.site.facts.name, kept.asked_address)


def confirm(token: str, now: datetime) -> Asked:
    """Puts the address of a link in force. Raises ConfirmationSpent."""
    kept = _read(token, now)
    letter = _farewell(kept, kept.asked_address, now)
    with transaction.atomic():
        kept = _read(token, now)
        found = Asked(kept.site.facts.name, kept.asked_address)
        _put_in_force(kept, kept.asked_address, now, letter)
        return found


def _farewell(kept: NoticesAddress, address: str, now: datetime) -> Letter | None:
    """What tells the former address that another one comes into force."""
    if not kept.address or not address:
        return None
    voice = Voice(kept.site, now)
    return voice.write("replaced", {"address": address, "moment": voice.moment}, kept.address)


def _put_in_force(kept: NoticesAddress, address: str, now: datetime, farewell: Letter | None) -> None:
    kept.address, kept.since = address, now
    kept.asked_address, kept.asked_nonce, kept.asked = "", "", None
    kept.save()
    if farewell:
        put(kept.site, farewell, now)


def set_in_force(site: Site, address: str, now: datetime) -> None:
    """Puts an address in force without asking, for the installation's administrator. Raises InvalidInput."""
    value, problems = addresses.check(_KEY, address)
    if problems:
        raise InvalidInput(problems)
    farewell = _farewell(_kept(site), value, now)
    with transaction.atomic():
        fresh = locked(site)
        write_facts(site, {_KEY: value}, fresh.revision)
        _put_in_force(_kept(fresh), value, now, farewell)
