"""Reach: in which places, and on how many pages, two states of a site differ.

Nothing here knows which fact is shown where: both states were rendered and read, and what they show is compared
place by place. Each page that is read stands for all pages of its signature (``core.pages.signature``).
"""

from collections.abc import Hashable, Mapping
from dataclasses import dataclass

from hestor.core.places.all import FILE_PLACES, PAGE_PLACES
from hestor.core.places.place import Place
from hestor.core.reading.page import PageReading
from hestor.core.reading.stylesheet import StyleReading

Readings = Mapping[Place, Hashable]


@dataclass(frozen=True)
class PlaceReach:
    """One place, and on how many pages (or, for a file, in how many files) the difference is seen there."""

    place: Place
    number: int


@dataclass(frozen=True)
class Reach:
    """On how many pages a difference is seen at all, and in which places."""

    pages: int = 0
    places: tuple[PlaceReach, ...] = ()


NOWHERE = Reach()


@dataclass(frozen=True)
class SiteReading:
    """One state of a site, read: of each group of like pages one, with their number; and each file."""

    pages: tuple[tuple[int, Readings], ...]
    files: Readings


def read_page(page: PageReading) -> Readings:
    """A page, place by place."""
    return {place.place: place.read(page) for place in PAGE_PLACES}


def read_files(bodies: Mapping[str, bytes], style: StyleReading) -> Readings:
    """The files that a site has, by their sources; one that it has not reads as nothing."""
    return {
        place.place: place.read(bodies[place.source], style) if place.source in bodies else None
        for place in FILE_PLACES
    }


def between(before: SiteReading, after: SiteReading) -> Reach:
    """Where two states of the same pages differ. Raises ValueError for states of other pages."""
    pages, numbers = 0, dict.fromkeys((place.place for place in PAGE_PLACES), 0)
    for (count, one), (_, other) in zip(before.pages, after.pages, strict=True):
        differ = [place for place in numbers if one[place] != other[place]]
        pages += count if differ else 0
        for place in differ:
            numbers[place] += count
    numbers |= {place.place: int(before.files[place.place] != after.files[place.place]) for place in FILE_PLACES}
    return Reach(pages, tuple(PlaceReach(place, number) for place, number in numbers.items() if number))
