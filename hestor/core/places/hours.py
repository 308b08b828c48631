"""The opening hours that a page shows, and whether it says that it is open."""

from collections.abc import Hashable

from hestor.core.places.definition import PagePlace
from hestor.core.places.place import Place
from hestor.core.places.proof import Line, Proof, Sought
from hestor.core.places.reading import PageReading

_DAYS, _HOURS, _STATUS = "main .hours th", "main .hours td", "main .hours .status"
_WEEK = 7


def _rows(page: PageReading) -> tuple[str, ...]:
    """Each day, or days, with its hours."""
    days = zip(page.texts(_DAYS), page.texts(_HOURS), strict=True)
    return tuple(f"{day}: {hours}" for day, hours in days)


def read(page: PageReading) -> Hashable:
    """Its rows, and the line above them."""
    return (page.texts(_STATUS), _rows(page)) if page.holds("hours") else None


def proof(path: str, page: PageReading, sought: Sought) -> Proof:
    """The line and the rows as they were read."""
    status = tuple(Line("status", text) for text in page.texts(_STATUS)[:1])
    return Proof(Place.HOURS, path, (*status, *(Line("row", text) for text in _rows(page)[:_WEEK])))


HOURS = PagePlace(Place.HOURS, read, proof)
