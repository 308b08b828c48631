"""The text of a page: everything in its main part, the language it is declared in, and how it is set."""

from collections.abc import Hashable

from hestor.core.places.definition import PagePlace
from hestor.core.places.place import Place
from hestor.core.reading.page import PageReading


def read(page: PageReading) -> Hashable:
    """All that the main part says, and how."""
    return page.text, page.language, page.direction, page.root_classes, page.style.values_of("text", "heading")


TEXT = PagePlace(Place.TEXT, read)
