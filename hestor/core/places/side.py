"""The text beside every page's own."""

from collections.abc import Hashable

from hestor.core.places.definition import PagePlace
from hestor.core.places.place import Place
from hestor.core.places.proof import Proof, Sought, line
from hestor.core.places.reading import PageReading

_BLOCKS = ".side .prose > *"


def read(page: PageReading) -> Hashable:
    """What it says, and where its links lead."""
    return (page.texts(_BLOCKS), page.addresses(".side a")) if page.holds("side") else None


def proof(path: str, page: PageReading, sought: Sought) -> Proof:
    """Its blocks as they were read."""
    blocks = page.texts(_BLOCKS) if page.holds("side") else ()
    return Proof(Place.SIDE, path, tuple(line("block", text, sought) for text in blocks))


SIDE = PagePlace(Place.SIDE, read, proof)
