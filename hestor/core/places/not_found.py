"""The page that says that an address leads nowhere."""

from collections.abc import Hashable

from hestor.core.places import added, cookies, footer, header, notice, side, tab, text
from hestor.core.places.definition import FilePlace
from hestor.core.places.place import Place
from hestor.core.places.reading import PageReading


def read(body: bytes) -> Hashable:
    """All that the page says; its colours are those of every page."""
    page = PageReading(body)
    return tuple(place.read(page) for place in (tab, notice, header, side, footer, cookies, added, text))


NOT_FOUND = FilePlace(Place.NOT_FOUND, "not_found", read)
