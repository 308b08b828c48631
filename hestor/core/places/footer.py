"""The footer of a page."""

from collections.abc import Hashable

from hestor.core.places.definition import PagePlace
from hestor.core.places.place import Place
from hestor.core.places.proof import Proof, Sought, line
from hestor.core.reading.page import PageReading

CONTACT = ("contact_email", "contact_label", "name", "legal_name", "postal_address", "phone")
"""The facts that are found in what is said of how to reach the site."""


def read(page: PageReading) -> Hashable:
    """All that a footer says, and where it leads those who write."""
    return page.whole_footer, page.addresses("footer address a")


def proof(path: str, page: PageReading, sought: Sought) -> Proof:
    """The footer as it was read."""
    contact = (line("contact", said, sought, CONTACT) for said in page.contact)
    return Proof(Place.FOOTER, path, (line("line", page.footer, sought), *contact))


FOOTER = PagePlace(Place.FOOTER, read, proof)
