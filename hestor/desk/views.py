"""The desk's one page; its router shows the views."""

import secrets
from functools import lru_cache
from pathlib import Path

from django.http import HttpRequest, HttpResponse
from django.views.decorators.csrf import ensure_csrf_cookie
from django.views.decorators.http import require_safe

from hestor.sites.selectors.addresses import previews_pattern

_BUILT = Path(__file__).parent / "dist" / "index.html"
_NONCE = "__NONCE__"


@lru_cache(maxsize=1)
def _page() -> str:
    return _BUILT.read_text() if _BUILT.is_file() else "The desk is not built yet: run make build.\n"


@require_safe
@ensure_csrf_cookie
def index(request: HttpRequest) -> HttpResponse:
    """The page, with a nonce for the style elements that the interface library adds while it runs."""
    nonce = secrets.token_urlsafe(16)
    response = HttpResponse(_page().replace(_NONCE, nonce))
    response.headers["Content-Security-Policy"] = (
        f"default-src 'none'; script-src 'self'; style-src 'self' 'nonce-{nonce}'; img-src 'self' data:; "
        f"font-src 'self'; connect-src 'self'; frame-src 'self' {previews_pattern()}; base-uri 'none'; "
        "form-action 'self'; frame-ancestors 'none'"
    )
    return response
