"""The month calendar of a site's events: which day its weeks begin with, and what is on."""

from collections.abc import Hashable

from hestor.core.places.definition import PagePlace
from hestor.core.places.place import Place
from hestor.core.places.proof import Line, Proof, Sought
from hestor.core.places.reading import PageReading

_TABLE = "main table.calendar"


def read(page: PageReading) -> Hashable:
    """Its name, the days of the week in their order, and all that stands in it."""
    if not page.holds("calendar"):
        return None
    return page.texts(f"{_TABLE} caption"), page.texts(f"{_TABLE} th abbr"), page.texts(f"{_TABLE} td")


def _cell(text: str) -> Line:
    """A day: its number, with a mark where something is on."""
    number, _, more = text.partition(" ")
    return Line("event" if more else "day", number)


def proof(path: str, page: PageReading, sought: Sought) -> Proof:
    """The calendar as it was read: its name, the days of the week, and the days by their numbers."""
    lines = (
        *(Line("month", text) for text in page.texts(f"{_TABLE} caption")),
        *(Line("weekday", text) for text in page.texts(f"{_TABLE} th abbr")),
        *(_cell(text) for text in page.texts(f"{_TABLE} td")),
    )
    return Proof(Place.CALENDAR, path, lines)


CALENDAR = PagePlace(Place.CALENDAR, read, proof)
