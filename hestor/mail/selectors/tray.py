"""The mail tray: every message that a site would send, as its receiver sees it."""

import re
from collections.abc import Sequence
from email import message_from_bytes, message_from_string
from email.message import EmailMessage
from email.policy import default

from django.conf import settings
from django.db.models import Count, Q, QuerySet

from hestor.core.errors import MessageSealed, NotFound
from hestor.core.messages.kinds import SECRET, VISITORS
from hestor.mail.models import Message
from hestor.sites.models import Site

PAGE = 50
_LINK = re.compile(r"(/confirm/)[^\s\"'<>]++")
_SCHEME = re.compile(r"\(prefers-color-scheme:\s*dark\)")


def _shown(site: Site, whole: bool) -> "QuerySet[Message]":
    """The messages that an account may read: a guest reads nothing that visitors wrote."""
    found = Message.objects.filter(site=site)
    return found if whole else found.exclude(kind__in=VISITORS)


def _is_sealed(message: Message) -> bool:
    """Whether a message holds what its receiver alone may know: once mail leaves, a link proves who reads it."""
    return bool(settings.SMTP) and message.kind in SECRET


def messages(site: Site, sought: str = "", state: str = "", before: int = 0, whole: bool = True) -> Sequence[Message]:
    """The newest messages, or those older than the number ``before``: that hold all words of ``sought``.

    Without ``whole`` only those that hold nothing of visitors.
    """
    found_messages = _shown(site, whole)
    # Else what is sealed could be guessed letter by letter.
    sealed = SECRET if settings.SMTP else frozenset()
    for word in sought.split()[:8]:
        in_words = Q(body__words__icontains=word) & ~Q(kind__in=sealed)
        found_messages = found_messages.filter(
            in_words | Q(subject__icontains=word) | Q(receiver__icontains=word) | Q(sender__icontains=word)
        )
    if state:
        found_messages = found_messages.filter(state=state)
    return list((found_messages.filter(pk__lt=before) if before else found_messages).order_by("-pk")[: PAGE + 1])


def counts(site: Site, whole: bool = True) -> dict[str, int]:
    """How many messages there are in each state."""
    rows = _shown(site, whole).order_by().values_list("state").annotate(count=Count("pk"))
    return dict(rows)


def find(site: Site, number: int, whole: bool = True) -> Message:
    """One message. Raises NotFound."""
    found = _shown(site, whole).filter(pk=number).first()
    if found is None:
        raise NotFound
    return found


def raw(message: Message) -> bytes:
    """A message byte by byte. Raises MessageSealed for one that its receiver alone may read."""
    if _is_sealed(message):
        raise MessageSealed
    return bytes(message.body.raw)


def read(message: Message) -> EmailMessage:
    """The message as mail programs read it."""
    raw = bytes(message.body.raw)
    # Headers in UTF-8 (RFC 6532) are read as text: read as bytes, the library takes their letters for unknown ones.
    found = (
        message_from_bytes(raw, policy=default) if raw.isascii() else message_from_string(raw.decode(), policy=default)
    )
    assert isinstance(found, EmailMessage)  # noqa: S101 - what the policy makes
    return found


def part(mail: EmailMessage, kind: str) -> str:
    """The text of one form, ``html`` or ``plain``."""
    body = mail.get_body((kind,))
    return str(body.get_content()) if body else ""


def shown_part(message: Message, kind: str) -> str:
    """The text of one form as it is shown at the desk: without its link, if that is its receiver's alone."""
    text = part(read(message), kind)
    return _LINK.sub(r"\1…", text) if _is_sealed(message) else text


def in_theme(html: str, theme: str) -> str:
    """HTML as it looks where a person asked for light or dark, whatever the looker's own machine asks for."""
    return _SCHEME.sub("all" if theme == "dark" else "not all", html)
