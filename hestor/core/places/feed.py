"""The feed, as a feed reader lists it."""

from hestor.core.places.definition import FilePlace
from hestor.core.places.place import Place
from hestor.core.places.proof import Line, Proof, Sought, line
from hestor.core.reading.files import read_feed


def proof(body: bytes, sought: Sought) -> Proof:
    """The feed's head as it was read."""
    reading = read_feed(body)
    lines = (
        line("title", reading.title, sought, ("name",)),
        line("subtitle", reading.subtitle, sought, ("tagline",)),
        line("rights", reading.rights, sought, ("footer_text",)),
        Line("newest", reading.newest),
    )
    return Proof(Place.FEED, "", lines)


FEED = FilePlace(Place.FEED, "feed", lambda body, _: read_feed(body), proof)
