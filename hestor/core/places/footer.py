"""The footer of a page."""

from collections.abc import Hashable

from hestor.core.places.definition import PagePlace
from hestor.core.places.place import Place
from hestor.core.places.proof import Proof, Sought, line
from hestor.core.places.reading import PageReading


def read(page: PageReading) -> Hashable:
    """All that a footer says."""
    return page.whole_footer


def proof(path: str, page: PageReading, sought: Sought) -> Proof:
    """The footer as it was read."""
    contact = (
        (line("contact", page.contact, sought, ("contact_email", "contact_label", "name")),) if page.contact else ()
    )
    return Proof(Place.FOOTER, path, (line("line", page.footer, sought), *contact))


FOOTER = PagePlace(Place.FOOTER, read, proof)
