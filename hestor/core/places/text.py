"""The text of a page: everything in its main part, the language it is declared in, and how it is set."""

from collections.abc import Hashable

from hestor.core.places.definition import PagePlace
from hestor.core.places.place import Place
from hestor.core.places.proof import Line, Proof, Sought, line
from hestor.core.reading.page import PageReading

_SHOWN = 400
_MOST = 12


def read(page: PageReading) -> Hashable:
    """All that the main part says, and how."""
    return page.text, page.language, page.direction, page.root_classes, page.style.values_of("text", "heading")


def proof(path: str, page: PageReading, sought: Sought) -> Proof:
    """Its first paragraph and those that say facts, with the language by whose rules browsers part their words."""
    lines = [line("paragraph", text[:_SHOWN], sought) for text in page.paragraphs]
    told = [one for number, one in enumerate(lines) if number == 0 or one.highlights][:_MOST]
    return Proof(Place.TEXT, path, (Line("language", page.language), *told) if told else ())


TEXT = PagePlace(Place.TEXT, read, proof)
