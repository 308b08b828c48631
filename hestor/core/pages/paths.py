"""Addresses: a site's own, and those of its pages."""

import re
import unicodedata
from collections.abc import Iterator

from slugify import slugify

from hestor.core.errors import Problem
from hestor.core.text import lines

# These belong to Hestor on every site, or would be mistaken for something of its own.
_VIEWS_OF_NO_SITE = ("all-sites", "new-site", "your-account", "well-being", "new-password")
_RESERVED_SLUGS = frozenset(
    ("www", "desk", "api", "admin", "mail", "localhost", "static", "assets", "hestor", *_VIEWS_OF_NO_SITE)
)
_SLUG = re.compile(r"[a-z0-9](?:[a-z0-9-]{0,38}[a-z0-9])?")
_PATH = re.compile(r"/(?:[^/\s?#%\\<>\"'`{}|^]+/)*")
_LABEL = r"[a-z0-9](?:[a-z0-9-]{0,61}[a-z0-9])?"
_DOMAIN = re.compile(rf"(?:{_LABEL}\.)+{_LABEL}")
OWN_PREFIX = "_"
LONGEST = 200
_MOST_SEGMENTS = 30


def slug_from(name: str) -> str:
    """A proposal for a site's address from its name, in any script: Latin letters, digits and hyphens; may be empty."""
    return slugify(name, max_length=40)


def slug_problems(field: str, slug: str) -> Iterator[Problem]:
    """What keeps ``slug`` from being a site's address: one DNS label (RFC 1035), lower case, not reserved."""
    if not _SLUG.fullmatch(slug) or "--" in slug:
        yield Problem(field, "slug_form", {})
    elif slug in _RESERVED_SLUGS:
        yield Problem(field, "slug_reserved", {"slug": slug})


def is_domain(text: str) -> bool:
    """Whether the text is a host name of at least two labels (RFC 1123), in small ASCII letters."""
    return len(text) <= 253 and bool(_DOMAIN.fullmatch(text))


def path_problems(field: str, path: str) -> Iterator[Problem]:
    """What keeps ``path`` from being a page's address, such as ``/borrowing/``."""
    segments = [segment for segment in path[: LONGEST + 1].split("/") if segment]
    barred = any(lines.refusal(character) for character in path[: LONGEST + 1])
    dotted = any(segment in (".", "..") for segment in segments)
    if len(path) > LONGEST or len(segments) > _MOST_SEGMENTS or barred or dotted or not _PATH.fullmatch(path):
        yield Problem(field, "path_form", {})
    elif segments and (segments[0].startswith(OWN_PREFIX) or "." in segments[-1]):
        yield Problem(field, "path_reserved", {"path": path})


def comparable(path: str) -> str:
    """An address as those are compared that a person would take for the same one: without case, letters in NFKC."""
    return unicodedata.normalize("NFKC", unicodedata.normalize("NFKC", path).casefold())


def above(path: str) -> str:
    """The address below which a page's own stands: ``/growing/`` for ``/growing/beans/``."""
    return path.rstrip("/").rpartition("/")[0] + "/"
