"""Tells hosts apart before anything else: the desk's goes on to Django, a site's is served here."""

from collections.abc import Callable

from django.conf import settings
from django.http import HttpRequest, HttpResponse
from django.http.request import split_domain_port
from django.utils.encoding import iri_to_uri
from django.utils.http import parse_etags

from hestor import clock
from hestor.core import schedule_rules
from hestor.rendering import Response
from hestor.sites.models import Site
from hestor.sites.selectors import previews
from hestor.sites.selectors.addresses import base_of, desk_origin, folder_of, is_preview_host, site_at
from hestor.sites.selectors.lifecycle import is_closed
from hestor.web import edge_files, forms, serving

_POLICY = {
    "default-src": ("'none'",),
    "script-src": ("'self'",),
    "style-src": ("'self'",),
    "img-src": ("'self'", "data:"),
    "font-src": ("'self'",),
    "manifest-src": ("'self'",),
    "connect-src": ("'self'",),
    "base-uri": ("'none'",),
    "form-action": ("'self'",),
    "frame-ancestors": ("'none'",),
}
_ALWAYS = {
    "Content-Security-Policy": "; ".join(f"{name} {' '.join(sources)}" for name, sources in _POLICY.items()),
    "X-Content-Type-Options": "nosniff",
    "X-Frame-Options": "DENY",
    "Referrer-Policy": "strict-origin-when-cross-origin",
    "Cross-Origin-Opener-Policy": "same-origin",
}


def fixed_headers() -> dict[str, str]:
    """What every answer says."""
    return {**_ALWAYS, **settings.TRANSPORT_HEADERS}


def _matches(header: str, etag: str) -> bool:
    """Whether If-None-Match names the validator (RFC 9110, 13.1.2: weak comparison)."""
    given = {validator.removeprefix("W/") for validator in parse_etags(header)}
    return etag in given or "*" in given


def _policy(response: Response, is_private: bool) -> str:
    """The security policy of a response: the same for all pages, and what an owner added to them needs besides."""
    directives = {name: list(sources) for name, sources in _POLICY.items()}
    for name, sources in response.policy:
        kept = [one for one in directives.get(name, ()) if one != "'none'"]
        directives[name] = [*kept, *(source for source in sources if source not in kept)]
    if is_private:
        # The desk shows the draft beside what is typed.
        directives["frame-ancestors"] = [desk_origin()]
    return "; ".join(f"{name} {' '.join(sources)}" for name, sources in directives.items())


def _respond(
    request: HttpRequest,
    encoded: serving.EncodedResponse,
    private: bool,
    for_one: bool = False,
    retry_after: int = 0,
) -> HttpResponse:
    found_response = encoded.response
    if private or for_one or found_response.status == 503:
        caching = "private, no-store"
    else:
        caching = "public, max-age=31536000, immutable" if found_response.immutable else "no-cache"
    headers = {**fixed_headers(), "Cache-Control": caching, "Vary": "Accept-Encoding", "ETag": encoded.etag}
    if found_response.status == 503:
        headers["Retry-After"] = str(retry_after)
    if found_response.location:
        headers["Location"] = (
            found_response.location if found_response.status == 303 else _with_query(found_response.location, request)
        )
    if private:
        headers |= {"X-Robots-Tag": "noindex", "Referrer-Policy": "no-referrer"}
        del headers["X-Frame-Options"]
    if private or found_response.policy:
        headers["Content-Security-Policy"] = _policy(found_response, private)
    if found_response.status == 200 and _matches(request.headers.get("If-None-Match", ""), encoded.etag):
        unchanged = HttpResponse(status=304, headers=headers)
        # It says only what differs from what is kept (RFC 9110, 15.4.5).
        del unchanged["Content-Type"]
        return unchanged
    if encoded.coding:
        headers["Content-Encoding"] = encoded.coding
    response = HttpResponse(
        encoded.body, status=found_response.status, content_type=found_response.media_type, headers=headers
    )
    response["Content-Length"] = str(len(encoded.body))
    if request.method == "HEAD":
        response.content = b""
    return response


def _with_query(location: str, request: HttpRequest) -> str:
    """A redirect's address with the query that the first one was asked with."""
    query = iri_to_uri(request.META.get("QUERY_STRING", ""))
    return f"{location}?{query}" if query else location


def _preview(request: HttpRequest, site: Site) -> HttpResponse:
    found = serving.preview(site, request.path, request.headers.get("Accept-Encoding", ""))
    return _respond(request, found, True) if found else _nothing()


def _site(request: HttpRequest, site: Site) -> HttpResponse:
    accepts = request.headers.get("Accept-Encoding", "")
    response = serving.live(site, request.path, accepts)
    if response.response.stamped:
        return _respond(
            request, serving.encoded(forms.with_stamp(site, response.response), accepts), False, for_one=True
        )
    if request.method == "GET":
        edge_files.offer(site, folder_of(site) + request.path, response.response)
    return _respond(request, response, False, retry_after=schedule_rules.retry_after(site.closed_until, clock.now()))


def _posted(request: HttpRequest, site: Site) -> HttpResponse:
    """Takes a form of a public page; there is nothing else that visitors may write."""
    if is_closed(site):
        return _site(request, site)
    found = forms.take(site, request)
    if found is None:
        return HttpResponse(status=405, headers={"Allow": "GET, HEAD", **fixed_headers()})
    accepts = request.headers.get("Accept-Encoding", "")
    return _respond(request, serving.encoded(found, accepts), False, for_one=True)


def _nothing() -> HttpResponse:
    # Said, so that no cache on the way makes up its own mind (RFC 9111, 4.2.2).
    headers = {**fixed_headers(), "Cache-Control": "no-store"}
    return HttpResponse("There is nothing at this address.\n", status=404, content_type="text/plain", headers=headers)


def _led(request: HttpRequest, address: str, for_good: bool = True) -> HttpResponse:
    """Leads on to another address, for good or for now (RFC 9110, 15.4.2 and 15.4.8)."""
    caching = "public, max-age=3600" if for_good else "no-store"
    headers = {**fixed_headers(), "Location": _with_query(address, request), "Cache-Control": caching}
    return HttpResponse(status=301 if for_good else 307, headers=headers)


def _moved(request: HttpRequest, site: Site, host: str) -> HttpResponse:
    """Leads on to the one address of a site. For now only, from a domain that is not proven yet to be the site's."""
    path = request.path
    own = (site.domain, f"www.{site.domain}")
    former = site.folder if site.folder and path.startswith(f"{site.folder}/") else ""
    return _led(request, base_of(site) + path[len(former) :], for_good=site.domain_confirmed or host not in own)


def host_of(header: str) -> str:
    """The host that a Host header names, without its port."""
    return split_domain_port(header)[0]


def is_desk(host: str) -> bool:
    """Whether a host is the desk's; every other is a site's, or nobody's."""
    return host in (settings.DESK_HOST, "127.0.0.1", "[::1]")


class SitesByHost:
    """Answers for public sites; lets the desk's own requests through; knows no other host."""

    def __init__(self, get_response: Callable[[HttpRequest], HttpResponse]) -> None:
        self._get_response = get_response

    def __call__(self, request: HttpRequest) -> HttpResponse:
        """Answers one request."""
        host = host_of(request.META.get("HTTP_HOST", ""))
        if is_desk(host):
            return self._get_response(request)
        site, is_canonical = site_at(host) if host else (None, False)
        if site is None:
            return self._refused(request) or _nothing()
        if request.path.startswith(previews.PREFIX):
            if is_preview_host(site, host):
                return self._refused(request) or _preview(request, site)
            return _nothing()
        if not is_canonical:
            return _moved(request, site, host)
        folder = folder_of(site)
        if folder and not request.path.startswith(f"{folder}/"):
            return _led(request, base_of(site) + ("/" if request.path == folder else request.path))
        # From here on the site does not know that it is in a folder, but by the addresses that it writes.
        request.path = request.path_info = request.path[len(folder) :]
        if request.method == "POST":
            return _posted(request, site)
        return self._refused(request) or _site(request, site)

    @staticmethod
    def _refused(request: HttpRequest) -> HttpResponse | None:
        if request.method in ("GET", "HEAD"):
            return None
        return HttpResponse(status=405, headers={"Allow": "GET, HEAD", **fixed_headers()})
