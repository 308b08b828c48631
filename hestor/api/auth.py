"""Who is calling: the account of the session; and on which revision a write was made."""

from django.http import HttpRequest
from django.utils.http import parse_etags

from hestor.accounts import devices
from hestor.accounts.models import Account
from hestor.core.errors import RevisionMissing, SignedOut
from hestor.core.roles import Action, Role
from hestor.sites.models import Site
from hestor.sites.selectors.access import reach_site

_NO_REVISION = -1


def signed_in(request: HttpRequest) -> Account:
    """The account of the session. Raises SignedOut."""
    if not request.user.is_authenticated:
        raise SignedOut
    devices.note_seen(request, request.user)
    return request.user


def site_for(request: HttpRequest, slug: str, action: Action) -> Site:
    """The site that the caller may do ``action`` on. Raises NotFound, Forbidden."""
    return reach_site(signed_in(request), slug, action)[0]


def site_and_role(request: HttpRequest, slug: str, action: Action) -> tuple[Site, Role]:
    """As ``site_for``, with the caller's role."""
    return reach_site(signed_in(request), slug, action)


def _number(header: str) -> int:
    tags = parse_etags(header)
    digits = tags[0].strip('"') if len(tags) == 1 else header
    return int(digits) if digits.isascii() and digits.isdigit() and len(digits) < 10 else _NO_REVISION


def given_revision(request: HttpRequest) -> int | None:
    """The revision in If-Match, as an entity tag (RFC 9110, 13.1.1) or bare; None if there is none or it is ``*``."""
    header = request.headers.get("If-Match", "").strip()
    return None if header in ("", "*") else _number(header)


def needed_revision(request: HttpRequest) -> int:
    """The revision in If-Match. Raises RevisionMissing."""
    revision = given_revision(request)
    if revision is None:
        raise RevisionMissing
    return revision
