"""What visitors wrote, and how it is carried elsewhere."""

import mailbox
from collections.abc import Iterable, Iterator, Sequence
from email.generator import BytesGenerator
from email.message import EmailMessage
from email.policy import SMTPUTF8
from email.utils import format_datetime
from io import BytesIO

from django.db.models import Q

from hestor.mail.models import Enquiry
from hestor.mail.selectors.letters import in_header, named, own_address
from hestor.sites.models import Site

PAGE = 50


def enquiries(site: Site, sought: str = "", shown: str = "open", before: int = 0) -> Sequence[Enquiry]:
    """The newest messages: those ``open``, ``done``, or ``suspect``; older than the number ``before``."""
    found_enquiries = Enquiry.objects.filter(site=site, suspect=shown == "suspect")
    if shown in ("open", "done"):
        found_enquiries = found_enquiries.filter(done__isnull=shown == "open")
    for word in sought.split()[:8]:
        found_enquiries = found_enquiries.filter(
            Q(name__icontains=word) | Q(email__icontains=word) | Q(message__icontains=word)
        )
    return list((found_enquiries.filter(pk__lt=before) if before else found_enquiries).order_by("-pk")[: PAGE + 1])


def counts(site: Site) -> dict[str, int]:
    """How many there are of each."""
    mine = Enquiry.objects.filter(site=site)
    real = mine.filter(suspect=False)
    return {
        "open": real.filter(done__isnull=True).count(),
        "done": real.filter(done__isnull=False).count(),
        "suspect": mine.filter(suspect=True).count(),
    }


def _as_mail(site: Site, enquiry: Enquiry) -> EmailMessage:
    message = EmailMessage(policy=SMTPUTF8)
    message["From"] = named(enquiry.name, enquiry.email)
    message["To"] = named(site.facts.name, own_address(site))
    message["Subject"] = in_header(" ".join(enquiry.message.split())[:70])
    message["Date"] = format_datetime(enquiry.received)
    message["Message-ID"] = f"<enquiry-{enquiry.pk}@{own_address(site).rpartition('@')[2]}>"
    message.set_content(enquiry.message, cte="8bit")
    return message


def _written(site: Site, found_enquiries: Iterable[Enquiry]) -> Iterator[bytes]:
    for enquiry in found_enquiries:
        mail = mailbox.mboxMessage(_as_mail(site, enquiry))
        mail.set_from("enquiry@hestor", enquiry.received.timetuple())
        out = BytesIO()
        # A line that begins with "From " would begin another message (RFC 4155).
        BytesGenerator(out, mangle_from_=True, policy=SMTPUTF8.clone(linesep="\n")).flatten(_as_mail(site, enquiry))
        yield f"From {mail.get_from()}\n".encode() + out.getvalue().rstrip(b"\n") + b"\n\n"


def as_mbox(site: Site) -> bytes:
    """All that persons wrote, the oldest first, as a mailbox (RFC 4155)."""
    return b"".join(_written(site, Enquiry.objects.filter(site=site, suspect=False).order_by("pk")))
