"""Who is behind the site and how it is reached, as its contact page and its imprint say it."""

from collections.abc import Hashable

from hestor.core.places.definition import PagePlace
from hestor.core.places.footer import CONTACT as SOUGHT
from hestor.core.places.place import Place
from hestor.core.places.proof import Line, Proof, Sought, line
from hestor.core.places.reading import PageReading

_FORM = "main .details form :is(h2, label, .next, button)"


def read(page: PageReading) -> Hashable:
    """Its parts, where their links lead, and what its form says."""
    if not page.holds("details"):
        return None
    return page.details, page.addresses("main .details a"), page.texts(_FORM), page.texts("main .details .hours *")


def proof(path: str, page: PageReading, sought: Sought) -> Proof:
    """The parts as they were read, and what the form tells its sender."""
    parts = (line("part", text, sought, SOUGHT) for text in page.details)
    form = (Line("form", text) for text in page.texts("main .details form :is(h2, .next)"))
    return Proof(Place.CONTACT, path, (*parts, *form))


CONTACT = PagePlace(Place.CONTACT, read, proof)
