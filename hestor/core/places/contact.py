"""Who is behind the site and how it is reached, as its contact page and its imprint say it."""

from collections.abc import Hashable

from hestor.core.places.definition import PagePlace
from hestor.core.places.footer import CONTACT as SOUGHT
from hestor.core.places.place import Place
from hestor.core.places.proof import Line, Proof, Sought, line
from hestor.core.reading.page import PageReading

_FORM, _READ_FIRST = "main form :is(h2, label, p, button)", "main form :is(h2, p)"


def read(page: PageReading) -> Hashable:
    """Its parts, where their links lead, and what its form says."""
    if not page.details:
        return None
    return page.details, page.addresses("main :is(address a, a[download])"), page.texts(_FORM), page.hours


def proof(path: str, page: PageReading, sought: Sought) -> Proof:
    """The parts as they were read, and what the form tells its sender."""
    parts = (line("part", text, sought, SOUGHT) for text in page.details)
    form = (Line("form", text) for text in page.texts(_READ_FIRST))
    return Proof(Place.CONTACT, path, (*parts, *form))


CONTACT = PagePlace(Place.CONTACT, read, proof)
