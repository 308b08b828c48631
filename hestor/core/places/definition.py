"""What a place is made of: how it is read, and how its proof is made from the same bytes."""

from collections.abc import Callable, Hashable
from dataclasses import dataclass
from typing import Literal

from hestor.core.places.place import Place
from hestor.core.places.proof import Proof, Sought
from hestor.core.reading.page import PageReading
from hestor.core.reading.stylesheet import StyleReading

Source = Literal["feed", "manifest", "message", "not_found", "card"]


@dataclass(frozen=True)
class PagePlace:
    """A place that every page has. ``read`` gives all that it shows, to be compared; some have no drawing yet."""

    place: Place
    read: Callable[[PageReading], Hashable]
    proof: Callable[[str, PageReading, Sought], Proof] | None = None


@dataclass(frozen=True)
class FilePlace:
    """A place that a site has once. ``read`` gives all that its bytes show, with the stylesheet of the site's pages."""

    place: Place
    source: Source
    read: Callable[[bytes, StyleReading], Hashable]
    proof: Callable[[bytes, Sought], Proof] | None = None
