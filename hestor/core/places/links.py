"""Links and buttons of a page, whose colours its stylesheet says."""

from collections.abc import Hashable

from hestor.core.places.definition import PagePlace
from hestor.core.places.place import Place
from hestor.core.places.proof import Line, Proof, Sought
from hestor.core.reading.page import PageReading


def read(page: PageReading) -> Hashable:
    """The colours of links and buttons, in light and in dark."""
    return page.style.values_of("link", "button", "button_ink")


def proof(path: str, page: PageReading, sought: Sought) -> Proof:
    """Two of the page's links; the desk draws them in the colours that were read."""
    return Proof(Place.LINKS, path, tuple(Line("link", text) for text in page.menu[:2]))


LINKS = PagePlace(Place.LINKS, read, proof)
