"""The opening hours that a page shows, and whether it says that it is open."""

from collections.abc import Hashable

from hestor.core.places.definition import PagePlace
from hestor.core.places.place import Place
from hestor.core.places.proof import Line, Proof, Sought
from hestor.core.places.reading import PageReading

_ROWS, _STATUS = "main .hours tr", "main .hours .status"


def read(page: PageReading) -> Hashable:
    """Its rows, and the line above them."""
    return page.texts(_STATUS), page.texts(_ROWS)


def proof(path: str, page: PageReading, sought: Sought) -> Proof:
    """The line and the rows as they were read."""
    status = tuple(Line("status", text) for text in page.texts(_STATUS)[:1])
    return Proof(Place.HOURS, path, (*status, *(Line("row", text) for text in page.texts(_ROWS)[:7])))


HOURS = PagePlace(Place.HOURS, read, proof)
