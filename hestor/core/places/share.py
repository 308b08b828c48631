"""A page's address as it is shared: picture, title, description, the site's name (the Open Graph protocol)."""

from collections.abc import Hashable

from hestor.core.places.definition import PagePlace
from hestor.core.places.place import Place
from hestor.core.places.proof import Proof, Sought, line, pictures
from hestor.core.reading.page import PageReading


def read(page: PageReading) -> Hashable:
    """All that goes with a shared address."""
    return page.share_title, page.share_description, page.share_site, page.share_locale, page.share


def proof(path: str, page: PageReading, sought: Sought) -> Proof:
    """What goes with a shared address, as it was read."""
    lines = (
        line("title", page.share_title, sought, ("name", "tagline")),
        line("description", page.share_description, sought, ("description", "tagline", "name")),
        line("site", page.share_site, sought, ("name",)),
    )
    return Proof(Place.SHARE, path, lines, page.theme_colour, pictures(share=page.share))


SHARE = PagePlace(Place.SHARE, read, proof)
