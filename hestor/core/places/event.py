"""When and where an event is, as its own page says it."""

from collections.abc import Hashable

from hestor.core.places.definition import PagePlace
from hestor.core.places.place import Place
from hestor.core.places.proof import Line, Proof, Sought
from hestor.core.places.reading import PageReading

_WHEN = "main .when"


def read(page: PageReading) -> Hashable:
    """Its lines, and the moments that they are to machines."""
    return (page.texts(f"{_WHEN} p"), page.machine_times(_WHEN)) if page.holds("when") else None


def proof(path: str, page: PageReading, sought: Sought) -> Proof:
    """The lines as they were read."""
    title = (Line("title", page.heading),) if page.texts(f"{_WHEN} p") else ()
    return Proof(Place.EVENT, path, (*title, *(Line("when", text) for text in page.texts(f"{_WHEN} p"))))


EVENT = PagePlace(Place.EVENT, read, proof)
