"""The code of others in a page's head, or kept in it until a visitor agrees; and the keywords there."""

from collections.abc import Hashable

from hestor.core.places.definition import PagePlace
from hestor.core.places.place import Place
from hestor.core.reading.page import PageReading


def read(page: PageReading) -> Hashable:
    """What was added, as it stands there."""
    return page.added_code


ADDED = PagePlace(Place.ADDED, read)
