"""Where a site's notices go, and the link by which an address agrees."""

from dataclasses import asdict

from django.http import HttpRequest
from ninja import Router

from hestor import clock
from hestor.api.auth import site_for
from hestor.api.mail_schemas import AskedOut, NoticesOut, TokenIn
from hestor.api.schemas import ProblemOut
from hestor.core.roles import Action
from hestor.mail.services import notices

router = Router(tags=["notices"])


@router.get("/sites/{site}/notices", response={200: NoticesOut, 404: ProblemOut})
def show(request: HttpRequest, site: str) -> NoticesOut:
    """How things stand with a site's notices."""
    return NoticesOut(**asdict(notices.standing(site_for(request, site, Action.VIEW), clock.now())))


@router.post("/sites/{site}/notices/ask", response={200: NoticesOut, 404: ProblemOut, 422: ProblemOut, 429: ProblemOut})
def ask(request: HttpRequest, site: str) -> NoticesOut:
    """Sends a link to the address that the house style names; where it names none, notices stop."""
    found_site = site_for(request, site, Action.MANAGE)
    return NoticesOut(**asdict(notices.ask(found_site.pk, clock.now())))


@router.post("/sites/{site}/notices/leave", response={200: NoticesOut, 404: ProblemOut})
def leave(request: HttpRequest, site: str) -> NoticesOut:
    """Leaves it at the address in force: the house style names that one again, and no link is good any more."""
    found_site = site_for(request, site, Action.EDIT)
    return NoticesOut(**asdict(notices.leave(found_site.pk, clock.now())))


@router.post("/notices/asked", auth=None, response={200: AskedOut, 410: ProblemOut})
def asked(request: HttpRequest, given: TokenIn) -> AskedOut:
    """What a link asks for. Nothing is agreed to by looking."""
    return AskedOut(**asdict(notices.asked_by(given.token, clock.now())))


@router.post("/notices/confirm", auth=None, response={200: AskedOut, 410: ProblemOut})
def confirm(request: HttpRequest, given: TokenIn) -> AskedOut:
    """Agrees: from now on notices go to the address of the link."""
    return AskedOut(**asdict(notices.confirm(given.token, clock.now())))
