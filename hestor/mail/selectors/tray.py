"""The mail tray: every message that a site would send, as its receiver sees it."""

import re
from collections.abc import Sequence
from email import message_from_bytes, message_from_string
from email.message import EmailMessage
from email.policy import default

from django.db.models import Count, Q, QuerySet

from hestor.core.errors import NotFound
from hestor.mail.models import Message
from hestor.sites.models import Site

PAGE = 50
_SCHEME = re.compile(r"\(prefers-color-scheme:\s*dark\)")


def messages(site: Site, sought: str = "", state: str = "", before: int = 0) -> Sequence[Message]:
    """The newest messages, or those older than the number ``before``: that hold all words of ``sought``."""
    found: QuerySet[Message] = Message.objects.filter(site=site)
    for word in sought.split()[:8]:
        found = found.filter(
            Q(body__words__icontains=word)
            | Q(subject__icontains=word)
            | Q(receiver__icontains=word)
            | Q(sender__icontains=word)
        )
    if state:
        found = found.filter(state=state)
    return list((found.filter(pk__lt=before) if before else found).order_by("-pk")[: PAGE + 1])


def counts(site: Site) -> dict[str, int]:
    """How many messages there are in each state."""
    rows = Message.objects.filter(site=site).order_by().values_list("state").annotate(count=Count("pk"))
    return dict(rows)


def find(site: Site, number: int) -> Message:
    """One message. Raises NotFound."""
    found = Message.objects.filter(site=site, pk=number).first()
    if found is None:
        raise NotFound
    return found


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
    found = mail.get_body((kind,))
    return str(found.get_content()) if found else ""


def in_theme(html: str, theme: str) -> str:
    """HTML as it looks where a person asked for light or dark, whatever the looker's own machine asks for."""
    return _SCHEME.sub("all" if theme == "dark" else "not all", html)
