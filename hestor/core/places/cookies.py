"""The notice that asks visitors before the code of others runs."""

from collections.abc import Hashable

from hestor.core.places.definition import PagePlace
from hestor.core.places.place import Place
from hestor.core.places.proof import Line, Proof, Sought, line
from hestor.core.reading.page import PageReading


def read(page: PageReading) -> Hashable:
    """What it is called, what it says, and its answers."""
    return (page.consent, page.answers) if page.consent else None


def proof(path: str, page: PageReading, sought: Sought) -> Proof:
    """The notice as it was read."""
    if not page.consent:
        return Proof(Place.COOKIES, path, ())
    title, *text = page.consent
    answers = (Line("answer", answer) for answer in page.answers)
    return Proof(
        Place.COOKIES, path, (line("title", title, sought), *(line("text", one, sought) for one in text), *answers)
    )


COOKIES = PagePlace(Place.COOKIES, read, proof)
