"""The inbox: what visitors wrote through the form of a contact page."""

from datetime import timedelta
from typing import Annotated, Literal

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


def _out(enquiry: Enquiry, days: int) -> EnquiryOut:
    sent = enquiry.messages.order_by("pk").first()
    return EnquiryOut(
        id=enquiry.pk,
        name=enquiry.name,
        email=enquiry.email,
        message=enquiry.message,
        path=enquiry.path,
        received=enquiry.received,
        done=enquiry.done,
        suspect=enquiry.suspect,
        told=sent.receiver if sent else "",
        gone=enquiry.received + timedelta(days=days),
    )


def _form(site: Site) -> str:
    """The public page with the form; empty where there is none."""
    if not site.live_number or "form" not in facts_of(site).contact_parts.page:
        return ""
    pages = Revision.objects.in_edition_of(site, site.live_number).filter(kind="contact").order_by("path")
    return pages.values_list("path", flat=True).first() or ""


@router.get("/sites/{site}/enquiries", response={200: InboxOut, 403: ProblemOut, 404: ProblemOut})
def list_enquiries(
    request: HttpRequest,
    site: str,
    q: Annotated[str, Query(max_length=200)] = "",
    shown: Literal["open", "done", "suspect"] = "open",
    before: Annotated[int, Query(ge=0, le=2**63 - 1)] = 0,
) -> InboxOut:
    """The newest messages of those that are ``shown`` and hold all words of ``q``."""
    found_site = site_for(request, site, Action.EDIT)
    rows, days = inbox.enquiries(found_site, q, shown, before), facts_of(found_site).enquiry_days
    return InboxOut(
        enquiries=[_out(row, days) for row in rows[: inbox.PAGE]],
        counts=inbox.counts(found_site),
        more=len(rows) > inbox.PAGE,
        days=days,
        receiver=notices.standing(found_site, clock.now()).in_force,
        form=_form(found_site),
    )


@router.get("/sites/{site}/enquiries.mbox", openapi_extra=gives("application/mbox"))
def export(request: HttpRequest, site: str) -> HttpResponse:
    """All messages as a mailbox (RFC 4155)."""
    found_site = site_for(request, site, Action.EDIT)
    response = HttpResponse(inbox.as_mbox(found_site), content_type="application/mbox")
    response["Content-Disposition"] = f'attachment; filename="{found_site.slug}-messages.mbox"'
    return response


@router.patch("/sites/{site}/enquiries/{enquiry}", response={200: EnquiryOut, 404: ProblemOut, 422: ProblemOut})
def mark(request: HttpRequest, site: str, enquiry: Identifier, given: EnquiryChange) -> EnquiryOut:
    """Marks a message as done or not, as a program's or a person's."""
    found_site = site_for(request, site, Action.EDIT)
    one = enquiries.mark(found_site, enquiry, given.done, given.suspect, clock.now())
    return _out(one, facts_of(found_site).enquiry_days)


@router.delete("/sites/{site}/enquiries/{enquiry}", response={204: None, 404: ProblemOut})
def delete(request: HttpRequest, site: str, enquiry: Identifier) -> Status[None]:
    """Deletes a message and what was sent of it, for good."""
    enquiries.delete(site_for(request, site, Action.EDIT), enquiry)
    return Status(204, None)
