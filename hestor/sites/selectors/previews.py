"""Private previews of the draft or of an edition, by a signed link that runs out.

They are seen below the common domain, so that the desk has to name no site's own; and without the code of others, which
could read the link, unless that is asked for.
"""

from dataclasses import dataclass

from django.core import signing

from hestor.sites.models import Site
from hestor.sites.selectors.addresses import preview_origin

PREFIX = "/_preview/"
_SALT = "hestor.preview"
_SECONDS = 60 * 60 * 24


@dataclass(frozen=True)
class Ticket:
    """What a link allows to be previewed: an edition by its number, or the draft (None); ``bare``: without code."""

    site: int
    edition: int | None
    bare: bool = False


def link(site: Site, edition: int | None, path: str = "/", bare: bool = True) -> str:
    """The address of a preview, good for a day; one that is not ``bare`` has the code of others, too."""
    ticket = signing.dumps([site.pk, edition, bare], salt=_SALT, compress=True)
    return f"{preview_origin(site)}{PREFIX}{ticket}{path}"


def read(path: str) -> tuple[Ticket, str, str] | None:
    """Ticket, root and inner path of a preview's path; None if it isn't one, was altered or has run out."""
    token, slash, inner = path.removeprefix(PREFIX).partition("/")
    try:
        site, edition, bare = signing.loads(token, salt=_SALT, max_age=_SECONDS)
    except (signing.BadSignature, ValueError):
        return None
    return Ticket(site, edition, bare), f"{PREFIX}{token}", slash + inner or "/"
