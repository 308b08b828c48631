"""The month calendar of a site's events: which day its weeks begin with, and what is on."""

from collections.abc import Hashable

from hestor.core.places.definition import PagePlace
from hestor.core.places.place import Place
from hestor.core.places.proof import Line, Proof, Sought
from hestor.core.reading.main_part import CALENDAR as TABLE
from hestor.core.reading.page import PageReading


def read(page: PageReading) -> Hashable:
    """Its name, the days of the week in their order, and all that stands in it."""
    if not page.writes("table"):
        return None
    return page.texts(f"{TABLE} caption"), page.texts(f"{TABLE} th abbr"), page.texts(f"{TABLE} td")


def _cell(text: str) -> Line:
    """A day: its number, with a mark where something is on."""
    number, _, more = text.partition(" ")
    return Line("event" if more else "day", number)


def proof(path: str, page: PageReading, sought: Sought) -> Proof:
    """The calendar as it was read: its name, the days of the week, and the days by their numbers."""
    lines = (
        *(Line("month", text) for text in page.texts(f"{TABLE} caption")),
        *(Line("weekday", text) for text in page.texts(f"{TABLE} th abbr")),
        *(_cell(text) for text in page.texts(f"{TABLE} td")),
    )
    return Proof(Place.CALENDAR, path, lines)


CALENDAR = PagePlace(Place.CALENDAR, read, proof)
