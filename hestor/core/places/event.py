"""When and where an event is, as its own page says it."""

from collections.abc import Hashable

from hestor.core.places.definition import PagePlace
from hestor.core.places.place import Place
from hestor.core.places.proof import Line, Proof, Sought
from hestor.core.reading.page import PageReading


def read(page: PageReading) -> Hashable:
    """Its lines, and the moments that they are to machines."""
    return (page.when, page.when_exactly) if page.when else None


def proof(path: str, page: PageReading, sought: Sought) -> Proof:
    """The lines as they were read."""
    title = (Line("title", page.heading),) if page.when else ()
    return Proof(Place.EVENT, path, (*title, *(Line("when", text) for text in page.when)))


EVENT = PagePlace(Place.EVENT, read, proof)
