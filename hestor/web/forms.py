"""The forms of public pages: shown with a stamp of their own, and taken when they come back. No cookie is needed."""

from collections.abc import Mapping
from dataclasses import dataclass

from django.core.exceptions import RequestDataTooBig, SuspiciousOperation, TooManyFieldsSent
from django.http import HttpRequest
from django.http.multipartparser import MultiPartParserError
from django.http.request import UnreadablePostError

from hestor import clock
from hestor.core.contact.enquiry import MOST_MESSAGE, Wrong
from hestor.mail.services import enquiries
from hestor.rendering import Renderer, Response
from hestor.rendering.contact_page import FIELDS, SENT, TRAP, FormState
from hestor.rendering.state import Page
from hestor.sites.models import Site
from hestor.web import serving

# A letter of eight thousand characters in a script of four bytes each, written as forms are (WHATWG URL, 5.1).
MOST_BYTES = 200_000
_MOST_KEPT = 4 * MOST_MESSAGE
# Django's own limit is for a folder of pages; this form has a handful of fields.
_MOST_FIELDS = 50
_STATUS = {"contact.form.busy": 429, "contact.form.stale": 422, "contact.form.unsent": 422}


@dataclass(frozen=True)
class _Sent:
    fields: Mapping[str, str]
    is_whole: bool = True


def with_stamp(site: Site, response: Response) -> Response:
    """A rendered page with a new stamp in its form."""
    return serving.stamped(response, enquiries.new_stamp(site.pk))


def _length(request: HttpRequest) -> int:
    given = request.META.get("CONTENT_LENGTH") or "0"
    return int(given) if given.isdigit() else 0


def _read(request: HttpRequest) -> _Sent:
    """The fields that were sent; of what is no such form, or far too much, nothing."""
    if _length(request) > MOST_BYTES:
        return _Sent({}, False)
    try:
        posted = request.POST
    except (RequestDataTooBig, TooManyFieldsSent, SuspiciousOperation, MultiPartParserError, UnreadablePostError):
        return _Sent({}, False)
    if len(posted) > _MOST_FIELDS:
        return _Sent({}, False)
    return _Sent({name: posted.get(name, "")[:_MOST_KEPT] for name in (*FIELDS, TRAP, "stamp")})


def _words(renderer: Renderer, wrong: Mapping[str, Wrong]) -> dict[str, str]:
    frame = renderer.frame
    return {name: frame.word(each_wrong.word, most=frame.number(each_wrong.most)) for name, each_wrong in wrong.items()}


def _again(site: Site, renderer: Renderer, page: Page, state: FormState) -> Response:
    return with_stamp(site, renderer.form(page, state))


def take(site: Site, request: HttpRequest) -> Response | None:
    """Takes a form; None where no page at this address has one. What was typed is shown again if it is refused."""
    form_page = serving.form_page(site, request.path)
    if form_page is None:
        return None
    renderer, page = form_page
    sent = _read(request)
    if not sent.is_whole:
        word = renderer.frame.word("contact.form.too_long", most=renderer.frame.number(MOST_MESSAGE))
        return _again(site, renderer, page, FormState(notice=word, status=413))
    origin = request.META.get("REMOTE_ADDR", "")
    outcome = enquiries.take(site, page.path, sent.fields, sent.fields[TRAP], origin, clock.now())
    if not outcome.refused:
        return Response(303, "text/html; charset=utf-8", location=f"{renderer.frame.root}{page.path}{SENT}#text")
    typed = {name: sent.fields[name] for name in FIELDS}
    wrong = _words(renderer, outcome.wrong)
    state = FormState(typed, wrong, renderer.frame.word(outcome.refused), _STATUS[outcome.refused])
    return _again(site, renderer, page, state)
