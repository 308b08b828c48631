"""A page on paper: what is left of it where its stylesheet takes away what paper has no use for."""

from collections.abc import Hashable

from hestor.core.places.definition import PagePlace
from hestor.core.places.place import Place
from hestor.core.places.proof import Line, Proof, Sought, line, pictures
from hestor.core.reading.page import PageReading

_TEXT_SHOWN = 400


def read(page: PageReading) -> Hashable:
    """All that is printed, the pictures in the header, and how it is set."""
    pictures_shown = (page.logo, page.header_icon) if page.is_on_paper("header img") else None
    return page.title, page.printed_words, pictures_shown, page.language, page.style.values_of("text", "heading")


def proof(path: str, page: PageReading, sought: Sought) -> Proof:
    """The sheet from its head to its foot; the margins are the printing program's, and carry title and address."""
    footer = page.on_paper("body > footer") or page.on_paper("footer")
    heading = page.on_paper("main h1")
    lines = (
        line("title", page.title, sought, ("name", "tagline")),
        line("head", page.on_paper("header"), sought, ("name", "tagline")),
        Line("heading", heading),
        Line("text", page.on_paper("main").removeprefix(heading).strip()[:_TEXT_SHOWN]),
        line("foot", footer, sought),
        Line("address", page.canonical.partition("://")[2].rstrip("/")),
    )
    shown = page.is_on_paper("header img")
    found_pictures = pictures(logo=page.logo if shown else None, icon=page.header_icon if shown else None)
    return Proof(Place.PAPER, path, lines, pictures=found_pictures)


PAPER = PagePlace(Place.PAPER, read, proof)
