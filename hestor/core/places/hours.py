"""The opening hours that a page shows, and whether it says that it is open."""

from collections.abc import Hashable

from hestor.core.places.definition import PagePlace
from hestor.core.places.place import Place
from hestor.core.places.proof import Line, Proof, Sought
from hestor.core.reading.page import PageReading

_WEEK = 7


def read(page: PageReading) -> Hashable:
    """Its rows, and the line above them."""
    return (page.hours_status, page.hours) if page.hours else None


def proof(path: str, page: PageReading, sought: Sought) -> Proof:
    """The line and the rows as they were read."""
    status = (Line("status", page.hours_status),) if page.hours_status else ()
    rows = (Line("row", f"{day}: {hours}") for day, hours in page.hours[:_WEEK])
    return Proof(Place.HOURS, path, (*status, *rows))


HOURS = PagePlace(Place.HOURS, read, proof)
