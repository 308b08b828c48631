"""The footer of a page."""

from collections.abc import Hashable

from hestor.core.places.definition import PagePlace
from hestor.core.places.place import Place
from hestor.core.places.proof import Proof, Sought, line
from hestor.core.places.reading import PageReading


def read(page: PageReading) -> Hashable:
    """All that a footer says."""
    return page.whole_footer


def proof(path: str, page: PageReading, sought: Sought) -> Proof:
    """The footer as it was read."""
    return Proof(Place.FOOTER, path, (line("line", page.footer, sought),))


FOOTER = PagePlace(Place.FOOTER, read, proof)
