"""The mail tray: what a site sends, as its receiver sees it, and the words of its messages."""

from typing import Annotated

from django.conf import settings
from django.http import HttpRequest, HttpResponse
from ninja import Query, Router

from hestor import clock, translations
from hestor.api.auth import site_and_role, site_for
from hestor.api.description import gives
from hestor.api.mail_schemas import (
    HeaderOut,
    KindOut,
    MessageOut,
    StateName,
    Theme,
    TrayOut,
    WholeMessageOut,
)
from hestor.api.schemas import Identifier, ProblemOut
from hestor.core.messages.kinds import KINDS, Kind
from hestor.core.roles import Action, may
from hestor.mail.models import Message
from hestor.mail.selectors import tray
from hestor.mail.services.sending import send_again
from hestor.rendering import Renderer
from hestor.sites.models import Site
from hestor.sites.selectors.addresses import origin_of
from hestor.sites.selectors.samples import sample_message
from hestor.sites.selectors.states import draft_of

router = Router(tags=["mail"])


def _reader(request: HttpRequest, slug: str) -> tuple[Site, bool]:
    """The site, and whether the caller may read what visitors wrote, too."""
    found, role = site_and_role(request, slug, Action.VIEW)
    return found, may(role, Action.EDIT)


def _find(request: HttpRequest, slug: str, number: int) -> Message:
    found, whole = _reader(request, slug)
    return tray.find(found, number, whole)


def _out(message: Message) -> MessageOut:
    names = MessageOut.model_fields
    return MessageOut(**{name: getattr(message, name) for name in names})


@router.get("/sites/{site}/mail", response={200: TrayOut, 404: ProblemOut})
def list_messages(
    request: HttpRequest,
    site: str,
    q: Annotated[str, Query(max_length=200)] = "",
    state: StateName | None = None,
    before: Annotated[int, Query(ge=0, le=2**63 - 1)] = 0,
) -> TrayOut:
    """The newest messages that hold all words of ``q``; further ones from the number ``before`` on."""
    found, whole = _reader(request, site)
    messages = tray.messages(found, q, state or "", before, whole)
    return TrayOut(
        messages=[_out(message) for message in messages[: tray.PAGE]],
        counts=tray.counts(found, whole),
        sends=bool(settings.SMTP),
        more=len(messages) > tray.PAGE,
    )


def _kind_out(site: Site, kind: Kind) -> KindOut:
    one, renderer = KINDS[kind], Renderer(draft_of(site), clock.now())
    usual = translations.catalogue("public", site.facts.language)
    subject, text = renderer.frame.word(one.subject_key), renderer.frame.word(one.text_key)
    return KindOut(
        kind=kind,
        subject_key=one.subject_key,
        text_key=one.text_key,
        subject_words=subject,
        text_words=text,
        usual_subject=usual[one.subject_key],
        usual_text=usual[one.text_key],
        own=(subject, text) != (usual[one.subject_key], usual[one.text_key]),
        names=["site", *one.names],
        needed=list(one.needed),
        subject=sample_message(renderer, kind).subject,
    )


@router.get("/sites/{site}/mail/kinds", response={200: list[KindOut], 404: ProblemOut})
def kinds(request: HttpRequest, site: str) -> list[KindOut]:
    """All messages that a site sends, with their words."""
    found_site = site_for(request, site, Action.VIEW)
    return [_kind_out(found_site, kind) for kind in KINDS]


def _page(site: Site, html: str, theme: Theme) -> HttpResponse:
    """A message's HTML for a frame at the desk: it runs nothing, and loads the site's own pictures only."""
    response = HttpResponse(tray.in_theme(html, theme))
    response["X-Frame-Options"] = "SAMEORIGIN"
    response["Content-Security-Policy"] = (
        f"default-src 'none'; style-src 'unsafe-inline'; img-src {origin_of(site)}; sandbox; frame-ancestors 'self'"
    )
    response["Cache-Control"] = "no-store"
    return response


@router.get("/sites/{site}/mail/kinds/{message_kind}/html", openapi_extra=gives("text/html"))
def kind_html(request: HttpRequest, site: str, message_kind: Kind, theme: Theme = "light") -> HttpResponse:
    """A message of a kind as the draft would have it, from a sample visitor."""
    found_site = site_for(request, site, Action.VIEW)
    renderer = Renderer(draft_of(found_site), clock.now())
    return _page(found_site, sample_message(renderer, message_kind).html.decode(), theme)


@router.get("/sites/{site}/mail/{message}", response={200: WholeMessageOut, 404: ProblemOut})
def show(request: HttpRequest, site: str, message: Identifier) -> WholeMessageOut:
    """One message with its headers and its text part."""
    found_message = _find(request, site, message)
    headers = [HeaderOut(name=name, value=str(value)) for name, value in tray.read(found_message).items()]
    return WholeMessageOut(
        **_out(found_message).model_dump(), headers=headers, text=tray.shown_part(found_message, "plain")
    )


@router.get("/sites/{site}/mail/{message}/html", openapi_extra=gives("text/html"))
def html(request: HttpRequest, site: str, message: Identifier, theme: Theme = "light") -> HttpResponse:
    """One message's HTML part, to be shown in a frame."""
    found_message = _find(request, site, message)
    return _page(site_for(request, site, Action.VIEW), tray.shown_part(found_message, "html"), theme)


@router.get("/sites/{site}/mail/{message}/raw", openapi_extra=gives("message/rfc822"))
def raw(request: HttpRequest, site: str, message: Identifier) -> HttpResponse:
    """One message byte by byte (RFC 5322)."""
    found_message = _find(request, site, message)
    response = HttpResponse(tray.raw(found_message), content_type="message/rfc822")
    response["Content-Disposition"] = f'attachment; filename="{site}-{found_message.pk}.eml"'
    return response


@router.post("/sites/{site}/mail/{message}/again", response={200: MessageOut, 404: ProblemOut})
def again(request: HttpRequest, site: str, message: Identifier) -> MessageOut:
    """Queues a message once more that failed, or of which nobody knows whether it went."""
    return _out(send_again(site_for(request, site, Action.PUBLISH), message, clock.now()))
