"""The inbox: what visitors wrote through the form of a contact page."""

from datetime import timedelta
from typing import Literal

from django.http import HttpRequest, HttpResponse
from ninja import Query, Router, Status

from hestor import clock
from hestor.api.auth import site_for
from hestor.api.description import gives
from hestor.api.mail_schemas import EnquiryChange, EnquiryOut, InboxOut
from hestor.api.schemas import Identifier, ProblemOut
from hestor.core.roles import Action
from hestor.mail.models import Enquiry
from hestor.mail.selectors import inbox
from hestor.mail.selectors.letters import facts_of
from hestor.mail.services import enquiries, notices
from hestor.sites.models import Revision, Site

router = Router(tags=["inbox"])


def _out(one: Enquiry, days: int) -> EnquiryOut:
    sent = one.messages.order_by("pk").first()
    return EnquiryOut(
        id=one.pk,
        name=one.name,
        email=one.email,
        message=one.message,
        path=one.path,
        received=one.received,
        done=one.done,
        suspect=one.suspect,
        told=sent.receiver if sent else "",
        gone=one.received + timedelta(days=days),
    )


def _form(site: Site) -> str:
    """The public page with the form; empty where there is none."""
    if not site.live_number or "form" not in facts_of(site).contact_parts.page:
        return ""
    pages = Revision.objects.in_edition_of(site.pk, site.live_number).filter(kind="contact").order_by("path")
    return pages.values_list("path", flat=True).first() or ""


@router.get("/sites/{site}/enquiries", response={200: InboxOut, 403: ProblemOut, 404: ProblemOut})
def list_enquiries(
    request: HttpRequest,
    site: str,
    q: str = Query("", max_length=200),
    shown: Literal["open", "done", "suspect"] = "open",
    before: int = Query(0, ge=0, le=2**63 - 1),
) -> InboxOut:
    """The newest messages of those that are ``shown`` and hold all words of ``q``."""
    found = site_for(request, site, Action.EDIT)
    rows, days = inbox.enquiries(found, q, shown, before), facts_of(found).enquiry_days
    return InboxOut(
        enquiries=[_out(one, days) for one in rows[: inbox.PAGE]],
        counts=inbox.counts(found),
        more=len(rows) > inbox.PAGE,
        days=days,
        receiver=notices.standing(found, clock.now()).in_force,
        form=_form(found),
    )


@router.get("/sites/{site}/enquiries.mbox", openapi_extra=gives("application/mbox"))
def export(request: HttpRequest, site: str) -> HttpResponse:
    """All messages as a mailbox (RFC 4155)."""
    found = site_for(request, site, Action.EDIT)
    response = HttpResponse(inbox.as_mbox(found), content_type="application/mbox")
    response["Content-Disposition"] = f'attachment; filename="{found.slug}-messages.mbox"'
    return response


@router.patch("/sites/{site}/enquiries/{enquiry}", response={200: EnquiryOut, 404: ProblemOut, 422: ProblemOut})
def mark(request: HttpRequest, site: str, enquiry: Identifier, given: EnquiryChange) -> EnquiryOut:
    """Marks a message as done or not, as a program's or a person's."""
    found = site_for(request, site, Action.EDIT)
    one = enquiries.mark(found, enquiry, given.done, given.suspect, clock.now())
    return _out(one, facts_of(found).enquiry_days)


@router.delete("/sites/{site}/enquiries/{enquiry}", response={204: None, 404: ProblemOut})
def delete(request: HttpRequest, site: str, enquiry: Identifier) -> Status[None]:
    """Deletes a message and what was sent of it, for good."""
    enquiries.delete(site_for(request, site, Action.EDIT), enquiry)
    return Status(204, None)
