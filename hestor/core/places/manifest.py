"""The site as it is named below its icon on a home screen (W3C's web app manifest)."""

from hestor.core.places.definition import FilePlace
from hestor.core.places.place import Place
from hestor.core.places.proof import Proof, Sought, line, pictures
from hestor.core.reading.files import read_manifest
from hestor.core.reading.tree import ImageReading


def proof(body: bytes, sought: Sought) -> Proof:
    """The entry as it was read."""
    reading = read_manifest(body)
    lines = (
        line("short_name", reading.short_name, sought, ("short_name",)),
        line("name", reading.name, sought, ("name",)),
    )
    found_pictures = pictures(icon=ImageReading(reading.icon), maskable=ImageReading(reading.maskable))
    return Proof(Place.MANIFEST, "", lines, reading.theme_colour, found_pictures)


MANIFEST = FilePlace(Place.MANIFEST, "manifest", lambda body, _: read_manifest(body), proof)
