"""The record of the site in its home page, for machines (schema.org as JSON-LD)."""

from collections.abc import Hashable

from hestor.core.places.definition import PagePlace
from hestor.core.places.place import Place
from hestor.core.places.reading import PageReading


def read(page: PageReading) -> Hashable:
    """The whole record."""
    return page.structured_text


STRUCTURED = PagePlace(Place.STRUCTURED, read)
