"""The browser tab of a page: its title and its icon."""

from collections.abc import Hashable

from hestor.core.places.definition import PagePlace
from hestor.core.places.place import Place
from hestor.core.places.proof import Proof, Sought, line, pictures
from hestor.core.reading.page import PageReading
from hestor.core.reading.tree import ImageReading


def read(page: PageReading) -> Hashable:
    """All that a tab shows."""
    return page.title, page.tab_icon


def proof(path: str, page: PageReading, sought: Sought) -> Proof:
    """The tab as it was read."""
    lines = (line("title", page.title, sought, ("name", "tagline")),)
    return Proof(Place.TAB, path, lines, page.theme_colour, pictures(icon=ImageReading(page.tab_icon)))


TAB = PagePlace(Place.TAB, read, proof)
