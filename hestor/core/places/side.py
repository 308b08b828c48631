"""The text beside every page's own."""

from collections.abc import Hashable

from hestor.core.places.definition import PagePlace
from hestor.core.places.place import Place
from hestor.core.places.proof import Proof, Sought, line
from hestor.core.reading.page import PageReading


def read(page: PageReading) -> Hashable:
    """What it says, and where its links lead."""
    return (page.side, page.side_links) if page.side else None


def proof(path: str, page: PageReading, sought: Sought) -> Proof:
    """Its blocks as they were read."""
    return Proof(Place.SIDE, path, tuple(line("block", text, sought) for text in page.side))


SIDE = PagePlace(Place.SIDE, read, proof)
