"""The months of the news, by which older posts are found."""

from collections.abc import Hashable

from hestor.core.places.definition import PagePlace
from hestor.core.places.place import Place
from hestor.core.places.proof import Line, Proof, Sought
from hestor.core.reading.main_part import MONTHS
from hestor.core.reading.page import PageReading

_MONTHS = f"{MONTHS} li"
_MOST_SHOWN = 6


def read(page: PageReading) -> Hashable:
    """The months as they are named."""
    return page.texts(_MONTHS) if page.writes("nav") else None


def proof(path: str, page: PageReading, sought: Sought) -> Proof:
    """The first months as they were read."""
    return Proof(Place.ARCHIVE, path, tuple(Line("month", text) for text in page.texts(_MONTHS)[:_MOST_SHOWN]))


ARCHIVE = PagePlace(Place.ARCHIVE, read, proof)
