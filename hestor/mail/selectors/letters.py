"""A site's voice in mail: its renderer, and the bytes of a message (RFC 5322)."""

from collections.abc import Mapping
from dataclasses import dataclass
from datetime import datetime
from email.headerregistry import Address
from email.message import EmailMessage
from email.policy import SMTP, SMTPUTF8
from email.utils import format_datetime, make_msgid
from typing import Literal

import idna
from django.conf import settings

from hestor.core.facts.document import Facts
from hestor.core.messages.kinds import KINDS, Kind
from hestor.rendering import Renderer
from hestor.sites.models import Site
from hestor.sites.selectors.addresses import host_of
from hestor.sites.selectors.states import draft_of, edition_of, live_edition

_LOCAL_PART = "notices"
_LONGEST_NAME, _LONGEST_SUBJECT = 80, 500


@dataclass(frozen=True)
class Letter:
    """A message ready to go: its kind, who it is from and to, its subject, what it is searched by, its bytes."""

    kind: Kind | Literal["account"]
    sender: str
    receiver: str
    subject: str
    words: str
    raw: bytes


def facts_of(site: Site) -> Facts:
    """The facts by which a site writes: what the public reads, else the draft's."""
    edition = live_edition(site)
    return edition.facts if edition else site.facts


def own_address(site: Site) -> str:
    """The address that messages come from, on the site's own domain."""
    host = host_of(site).removeprefix("www.")
    return f"{_LOCAL_PART}@{host if host.isascii() else idna.encode(host).decode()}"


def in_header(text: str) -> str:
    """A text of which nothing can begin another header (RFC 5322, 2.2).

    What looks like an encoded word (RFC 2047) is left unread: the library would put what is in it, breaks and all.
    """
    return "".join(c if c.isprintable() else " " for c in text).replace("=?", "= ?")


def named(name: str, address: str) -> Address:
    """A name with its address, for a header."""
    plain = " ".join(in_header(name).split())
    local, _, domain = address.rpartition("@")
    return Address(plain[:_LONGEST_NAME], local.strip('"') if local.startswith('"') else local, domain)


def _blank(sender: Address, receiver: str, subject: str, now: datetime, reply_to: Address | None) -> EmailMessage:
    """A message with the headers that all have."""
    message = EmailMessage(policy=SMTP)
    addresses = [receiver, sender.addr_spec, *([reply_to.addr_spec] if reply_to else [])]
    if not all(map(str.isascii, addresses)):
        # Only then: not every server on the way takes headers that are not ASCII (RFC 6532).
        message = EmailMessage(policy=SMTPUTF8)
    message["From"] = sender
    message["To"] = named("", receiver)
    if reply_to:
        message["Reply-To"] = reply_to
    message["Subject"] = in_header(subject)[:_LONGEST_SUBJECT]
    message["Date"] = format_datetime(now)
    message["Message-ID"] = make_msgid(domain=sender.domain)
    # So that no machine answers it (RFC 3834, 5).
    message["Auto-Submitted"] = "auto-generated"
    return message


def from_the_desk(subject: str, text: str, receiver: str, language: str, now: datetime) -> Letter:
    """A message of the desk itself, about an account, which belongs to no site."""
    sender = named("Hestor", f"{_LOCAL_PART}@{settings.DESK_HOST}")
    message = _blank(sender, receiver, subject, now, None)
    message.set_content(text, cte="quoted-printable")
    message["Content-Language"] = language
    return Letter("account", sender.addr_spec, receiver, str(message["Subject"]), text, message.as_bytes())


class Voice:
    """A site as it writes at a moment: in the words that the public reads, else in the draft's.

    Made before anybody is locked out: to read a site's state may wait for the sandbox (decision 0020).
    """

    def __init__(self, site: Site, now: datetime) -> None:
        self.site, self.now = site, now
        edition = live_edition(site)
        self._renderer = Renderer(edition_of(site, edition) if edition else draft_of(site), now)

    @property
    def moment(self) -> str:
        """The present moment on the site's clock, in its own form."""
        return self._renderer.frame.moment(self.now)

    def write(self, kind: Kind, said: Mapping[str, str], receiver: str, reply_to: Address | None = None) -> Letter:
        """A message to somebody. Answers go to ``reply_to``, else to the site's public address."""
        pressed = self._renderer.message(KINDS[kind], said)
        facts, sender = self._renderer.state.facts, own_address(self.site)
        reply = reply_to or (named(facts.name, facts.contact_email) if facts.contact_email else None)
        message = _blank(named(facts.name, sender), receiver, pressed.subject, self.now, reply)
        message.set_content(pressed.text, cte="quoted-printable")
        message.add_alternative(pressed.html.decode(), subtype="html", cte="quoted-printable")
        message["Content-Language"] = facts.language
        return Letter(kind, sender, receiver, str(message["Subject"]), pressed.text, message.as_bytes())
