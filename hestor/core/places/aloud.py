"""The top of a page as it is read aloud: by its roles and names, down to its first heading."""

from collections.abc import Hashable

from hestor.core import languages
from hestor.core.places.definition import PagePlace
from hestor.core.places.place import Place
from hestor.core.places.proof import Line, Proof, Sought, line
from hestor.core.reading.page import PageReading

_NAMED = frozenset({"link", "current", "image", "text", "heading1"})


def read(page: PageReading) -> Hashable:
    """All that is read out, and the language whose voice reads it."""
    return page.title, page.language, page.aloud


def proof(path: str, page: PageReading, sought: Sought) -> Proof:
    """The page's title and language, then what comes, in the order in which it is read."""
    named = ("name", "tagline", "short_name", "site_notice")
    lines = (
        line("title", page.title, sought, ("name", "tagline")),
        Line("language", languages.own_name(page.language) if languages.is_known(page.language) else page.language),
        *(line(one.role, one.name, sought, named if one.role in _NAMED else ()) for one in page.aloud),
    )
    return Proof(Place.ALOUD, path, lines)


ALOUD = PagePlace(Place.ALOUD, read, proof)
