"""A proof: the texts and pictures of a place as they were read back, with the facts found in them."""

from collections.abc import Iterable, Mapping
from dataclasses import dataclass

from hestor.core.places.place import Place
from hestor.core.reading.tree import ImageReading
from hestor.core.text import lines

Sought = Mapping[str, str]
"""The words by which each fact is found in a place (``facts.document.sought``)."""


@dataclass(frozen=True)
class Highlight:
    """Where in a line a fact stands, in code points."""

    fact: str
    start: int
    end: int


@dataclass(frozen=True)
class Line:
    """One text of a place: what it is in the place (``role``), its words, the facts in it."""

    role: str
    text: str
    highlights: tuple[Highlight, ...] = ()


@dataclass(frozen=True)
class Picture:
    """A picture in a place: what it is there (``role``), its address, its words, its size in CSS pixels."""

    role: str
    src: str
    alt: str = ""
    width: int = 0
    height: int = 0


@dataclass(frozen=True)
class Proof:
    """One place on one page (``path`` is empty for a file that belongs to no page).

    ``read_on`` is the page that it was read on, where that is another one than was asked for; ``arrangement`` is how
    a header is arranged. ``is_sample`` says that no page of the site shows the place yet: the page was made for it.
    """

    place: Place
    path: str
    lines: tuple[Line, ...]
    colour: str = ""
    pictures: tuple[Picture, ...] = ()
    plates: str = ""
    read_on: str = ""
    arrangement: str = ""
    is_sample: bool = False


def pictures(**found: ImageReading | None) -> tuple[Picture, ...]:
    """Pictures by their roles; those that are not there are left out."""
    return tuple(
        Picture(role, one.src, one.alt, one.width, one.height) for role, one in found.items() if one and one.src
    )


def line(role: str, text: str, sought: Sought, only: Iterable[str] | None = None) -> Line:
    """A line with the facts found in it: all, or ``only`` those that it can carry."""
    facts = sought if only is None else [fact for fact in only if fact in sought]
    highlights = (Highlight(fact, start, end) for fact in facts for start, end in lines.occurrences(sought[fact], text))
    return Line(role, text, tuple(highlights))
