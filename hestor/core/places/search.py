"""A page as a search result: address, title and description."""

from collections.abc import Hashable

from hestor.core.places.definition import PagePlace
from hestor.core.places.place import Place
from hestor.core.places.proof import Line, Proof, Sought, line
from hestor.core.reading.page import PageReading


def read(page: PageReading) -> Hashable:
    """All that a search result says, and the keywords that nobody is shown."""
    return page.canonical, page.title, page.description, page.keywords


def proof(path: str, page: PageReading, sought: Sought) -> Proof:
    """The search result as it was read."""
    # Search engines show a post's day in a form of their own; the page's stands for it here, and counts for no reach.
    posted = (Line("date", page.posted),) if page.posted else ()
    lines = (
        Line("address", page.canonical.partition("://")[2].rstrip("/")),
        line("title", page.title, sought, ("name", "tagline")),
        *posted,
        line("description", page.description, sought, ("description", "tagline", "name")),
    )
    return Proof(Place.SEARCH, path, lines)


SEARCH = PagePlace(Place.SEARCH, read, proof)
