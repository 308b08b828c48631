"""What holds for everything that the desk's host answers."""

from collections.abc import Callable
from typing import Any

from django.conf import settings
from django.http import HttpRequest, HttpResponse, HttpResponseBase, JsonResponse
from django.middleware.csrf import CsrfViewMiddleware
from django.utils.translation.trans_real import parse_accept_lang_header

from hestor import translations
from hestor.accounts import devices
from hestor.sites.services import authors

_STRICT = "default-src 'none'; frame-ancestors 'none'; base-uri 'none'; form-action 'none'"


# A picture may have 20 MB (``core.pictures``); what is a little larger is still read, to be refused by its name.
MOST_SENT = 50_000_000


def _length(request: HttpRequest) -> int:
    given = request.META.get("CONTENT_LENGTH") or "0"
    return int(given) if given.isdigit() else 0


def _problem(status: int, code: str) -> HttpResponse:
    body = {"type": "about:blank", "title": translations.say(f"error.{code}"), "status": status, "code": code}
    return JsonResponse(body, status=status, content_type="application/problem+json")


class DeskHeaders:
    """Nothing larger than any picture may be; no framing, no sniffing, no caching of what was said to one person."""

    def __init__(self, get_response: Callable[[HttpRequest], HttpResponse]) -> None:
        self._get_response = get_response

    def __call__(self, request: HttpRequest) -> HttpResponse:
        """Answers one request."""
        response = _problem(413, "too_big") if _length(request) > MOST_SENT else self._get_response(request)
        devices.mark(request, response)
        headers = response.headers
        headers.setdefault("Content-Security-Policy", _STRICT)
        headers.setdefault("Cache-Control", "no-store")
        headers["X-Content-Type-Options"] = "nosniff"
        # What is shown within the desk says so itself.
        headers.setdefault("X-Frame-Options", "DENY")
        for name, value in settings.TRANSPORT_HEADERS.items():
            headers[name] = value
        headers["Referrer-Policy"] = "same-origin"
        headers["Cross-Origin-Opener-Policy"] = "same-origin"
        headers["Cross-Origin-Resource-Policy"] = "same-origin"
        return response


LANGUAGE_COOKIE = "desk_language"


def _language(request: HttpRequest) -> str:
    """What the person reads at the desk: as chosen, else the first of the browser's languages that the desk speaks."""
    known = translations.languages("desk")
    chosen = request.COOKIES.get(LANGUAGE_COOKIE, "")
    asked = [tag for tag, _ in parse_accept_lang_header(request.headers.get("Accept-Language", ""))]
    spoken = (tag.partition("-")[0] for tag in asked)
    return translations.regional(next((tag for tag in (chosen, *spoken) if tag in known), translations.FALLBACK), asked)


class LanguageMiddleware:
    """Has the desk speak each person's language; the site's own has no say in it."""

    def __init__(self, get_response: Callable[[HttpRequest], HttpResponse]) -> None:
        self._get_response = get_response

    def __call__(self, request: HttpRequest) -> HttpResponse:
        """Answers one request."""
        translations.speak(_language(request))
        return self._get_response(request)


class ActorMiddleware:
    """Says who writes in this request; the session is only read if something is written."""

    def __init__(self, get_response: Callable[[HttpRequest], HttpResponse]) -> None:
        self._get_response = get_response

    def __call__(self, request: HttpRequest) -> HttpResponse:
        """Answers one request."""
        authors.acts(lambda: request.user if request.user.is_authenticated else None)
        try:
            return self._get_response(request)
        finally:
            authors.acts(lambda: None)


def _is_browser(request: HttpRequest) -> bool:
    """Whether a web page may have sent this: browsers say so on every write (Fetch standard)."""
    return any(name in request.headers for name in ("Origin", "Referer", "Sec-Fetch-Site"))


def _checked_view(request: HttpRequest) -> HttpResponseBase:
    raise NotImplementedError("stands for any view; it is never called")


class SameDesk(CsrfViewMiddleware):
    """Refuses writes that a page of another origin made a browser send.

    A browser's write needs Django's token and origin check. A program that is not a browser carries no
    one else's cookies, so nothing can be forged through it (docs/decisions/0006-cross-site-writes.md).
    """

    def process_view(self, request: HttpRequest, callback: Any, args: Any, kwargs: Any) -> Any:
        """Checks every view alike: being an API call is no exemption."""
        if not _is_browser(request):
            return None
        return super().process_view(request, _checked_view, args, kwargs)

    def _reject(self, request: HttpRequest, reason: str) -> HttpResponse:
        return _problem(403, "cross_site")
