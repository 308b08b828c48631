"""The line that all pages carry at their top for a while."""

from collections.abc import Hashable

from hestor.core.places.definition import PagePlace
from hestor.core.places.place import Place
from hestor.core.places.proof import Proof, Sought, line
from hestor.core.reading.page import PageReading


def read(page: PageReading) -> Hashable:
    """What it says."""
    return page.notice


def proof(path: str, page: PageReading, sought: Sought) -> Proof:
    """The line as it was read."""
    return Proof(Place.NOTICE, path, (line("notice", page.notice, sought),) if page.notice else ())


NOTICE = PagePlace(Place.NOTICE, read, proof)
