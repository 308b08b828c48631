"""The dates and times that a page says: when a post came out, when its words last changed."""

from collections.abc import Hashable

from hestor.core.places.definition import PagePlace
from hestor.core.places.place import Place
from hestor.core.places.proof import Line, Proof, Sought
from hestor.core.reading.page import PageReading

_MOST_SHOWN = 3


def read(page: PageReading) -> Hashable:
    """All dates and times of the main part."""
    return page.dates


def proof(path: str, page: PageReading, sought: Sought) -> Proof:
    """The first dates as they were read, each with the words beside it."""
    return Proof(Place.DATED, path, tuple(Line("date", text) for text in page.dates[:_MOST_SHOWN]))


DATED = PagePlace(Place.DATED, read, proof)
