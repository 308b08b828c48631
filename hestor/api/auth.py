"""Who is calling: the account of the session."""

from django.http import HttpRequest

from hestor.accounts.models import Account
from hestor.core.errors import HestorError
from hestor.core.roles import Action, Role
from hestor.sites.access import reach_site
from hestor.sites.models import Site


class SignedOut(HestorError):
    """The call needs a session and has none."""

    code = "signed_out"


class RevisionMissing(HestorError):
    """A write came without the revision that it was made on."""

    code = "revision_missing"


def signed_in(request: HttpRequest) -> Account:
    """The account of the session. Raises SignedOut."""
    if not request.user.is_authenticated:
        raise SignedOut
    return request.user


def site_for(request: HttpRequest, slug: str, action: Action) -> Site:
    """The site that the caller may do ``action`` on. Raises NotFound, Forbidden."""
    return reach_site(signed_in(request), slug, action)[0]


def site_and_role(request: HttpRequest, slug: str, action: Action) -> tuple[Site, Role]:
    """As ``site_for``, with the caller's role."""
    return reach_site(signed_in(request), slug, action)


def given_revision(request: HttpRequest) -> int | None:
    """The revision in If-Match, quoted as an entity tag or bare; None if there is none or it is ``*``."""
    header = request.headers.get("If-Match", "").strip().strip('"')
    if not header or header == "*":
        return None
    return int(header) if header.isascii() and header.isdigit() and len(header) < 10 else -1


def needed_revision(request: HttpRequest) -> int:
    """The revision in If-Match. Raises RevisionMissing."""
    revision = given_revision(request)
    if revision is None:
        raise RevisionMissing
    return revision
