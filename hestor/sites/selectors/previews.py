"""Private previews of the draft or of an edition, on the site's own address, by a signed link that runs out."""

from dataclasses import dataclass

from django.core import signing

from hestor.sites.models import Site
from hestor.sites.selectors.addresses import base_of

PREFIX = "/_preview/"
_SALT = "hestor.preview"
_SECONDS = 60 * 60 * 24


@dataclass(frozen=True)
class Ticket:
    """What a link allows to be previewed: an edition by its number, or the draft (None); ``bare``: without code."""

    site: int
    edition: int | None
    bare: bool = False


def link(site: Site, edition: int | None, path: str = "/", bare: bool = False) -> str:
    """The address of a preview, good for a day; ``bare`` leaves out the code of others."""
    ticket = signing.dumps([site.pk, edition, bare], salt=_SALT, compress=True)
    return f"{base_of(site)}{PREFIX}{ticket}{path}"


def read(path: str) -> tuple[Ticket, str, str] | None:
    """Ticket, root and inner path of a preview's path; None if it isn't one, was altered or has run out."""
    token, slash, inner = path.removeprefix(PREFIX).partition("/")
    try:
        site, edition, bare = signing.loads(token, salt=_SALT, max_age=_SECONDS)
    except (signing.BadSignature, ValueError):
        return None
    return Ticket(site, edition, bare), f"{PREFIX}{token}", slash + inner or "/"
