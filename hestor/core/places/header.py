"""The header of a page: logo or icon, name, tagline, menu, and the band of colour above them."""

from collections.abc import Hashable

from hestor.core.places.definition import PagePlace
from hestor.core.places.place import Place
from hestor.core.places.proof import Line, Proof, Sought, line, pictures
from hestor.core.reading.page import PageReading


def read(page: PageReading) -> Hashable:
    """All that a header shows."""
    words = (page.site_name, page.name_is_seen, page.tagline, page.further, page.menu)
    images = (page.logo, page.logo_dark, page.logo_phone, page.logo_plates, page.header_icon)
    return words, images, page.theme_colour, page.style.values_of("band", "heading"), page.arrangement


def proof(path: str, page: PageReading, sought: Sought) -> Proof:
    """The header as it was read."""
    lines = (
        line("name" if page.name_is_seen else "name_read_out", page.site_name, sought, ("name",)),
        line("tagline", page.tagline, sought, ("tagline",)),
        *(line("fact", text, sought, (key,)) for key, text in page.further),
        *(Line("entry", entry) for entry in page.top_menu),
        *((Line("folded", page.menu_opener),) if page.menu_opener else ()),
    )
    found_pictures = pictures(
        logo=page.logo, logo_dark=page.logo_dark, logo_phone=page.logo_phone, icon=page.header_icon
    )
    return Proof(
        Place.HEADER, path, lines, page.theme_colour, found_pictures, page.logo_plates, arrangement=page.arrangement
    )


HEADER = PagePlace(Place.HEADER, read, proof)
