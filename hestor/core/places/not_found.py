"""The page that says that an address leads nowhere."""

from collections.abc import Hashable

from hestor.core.places import added, cookies, footer, header, notice, side, tab, text
from hestor.core.places.definition import FilePlace
from hestor.core.places.place import Place
from hestor.core.places.proof import Line, Proof, Sought, line, pictures
from hestor.core.reading.page import PageReading
from hestor.core.reading.stylesheet import StyleReading

_TEXT_SHOWN = 300


def read(body: bytes, style: StyleReading) -> Hashable:
    """All that the page says; its colours are those of every page."""
    page = PageReading(body, style)
    return tuple(place.read(page) for place in (tab, notice, header, side, footer, cookies, added, text))


def proof(body: bytes, sought: Sought) -> Proof:
    """The page as it was read: its tab, its header's name, what it says, the footer's line."""
    page = PageReading(body)
    text = page.text.removeprefix(page.heading).strip()
    lines = (
        line("title", page.title, sought, ("name", "tagline")),
        line("name", page.site_name, sought, ("name",)),
        Line("heading", page.heading),
        line("text", text[:_TEXT_SHOWN], sought),
        line("foot", page.footer, sought),
    )
    return Proof(Place.NOT_FOUND, "", lines, pictures=pictures(logo=page.logo, icon=page.header_icon))


NOT_FOUND = FilePlace(Place.NOT_FOUND, "not_found", read, proof)
