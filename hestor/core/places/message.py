"""A message that the site sends."""

from collections.abc import Hashable

from hestor.core.places import header
from hestor.core.places.definition import FilePlace
from hestor.core.places.footer import CONTACT
from hestor.core.places.place import Place
from hestor.core.places.proof import Line, Proof, Sought, line, pictures
from hestor.core.reading.page import PageReading
from hestor.core.reading.stylesheet import StyleReading


def read(body: bytes, _: StyleReading) -> Hashable:
    """All that a message shows of its site."""
    page = PageReading(body)
    return header.read(page), page.title, page.text, page.language, page.direction, page.whole_footer, page.inline_style


def proof(body: bytes, sought: Sought) -> Proof:
    """The head of a message as it was read."""
    page = PageReading(body)
    role = "name" if page.name_is_seen else "name_read_out"
    contact = (line("contact", said, sought, CONTACT) for said in page.contact)
    lines = (line(role, page.site_name, sought, ("name",)), Line("subject", page.title), *contact)
    return Proof(Place.MESSAGE, "", lines, "", pictures(logo=page.logo, icon=page.header_icon))


MESSAGE = FilePlace(Place.MESSAGE, "message", read, proof)
