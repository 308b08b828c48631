"""The site as a card for address books (vCard 4.0, RFC 6350)."""

from collections.abc import Iterator

from hestor.core.text import lines
from hestor.press import contact
from hestor.press.frame import Frame
from hestor.press.response import Response

MEDIA_TYPE = "text/vcard; charset=utf-8"
PATH = "/contact.vcf"
_MOST_OCTETS = 75


def _escaped(text: str) -> str:
    """A text value (RFC 6350, 3.4)."""
    for plain, said in (("\\", "\\\\"), (",", "\\,"), (";", "\\;"), ("\n", "\\n")):
        text = text.replace(plain, said)
    return lines.carried(text)


def _folded(line: str) -> bytes:
    """A line in pieces of at most 75 octets, never within a character (RFC 6350, 3.2)."""
    pieces: list[bytes] = []
    piece = b""
    for letter in line:
        octets = letter.encode(errors="replace")
        # A piece that goes on begins with a space, which counts.
        if len(piece) + len(octets) > _MOST_OCTETS - bool(pieces):
            pieces.append(piece)
            piece = b""
        piece += octets
    return b"\r\n ".join([*pieces, piece]) + b"\r\n"


def _lines(frame: Frame) -> Iterator[str]:
    facts, origin = frame.facts, frame.state.origin
    yield "BEGIN:VCARD"
    yield "VERSION:4.0"
    yield "KIND:org"
    yield f"UID:{frame.state.identity.urn}"
    yield f"FN:{_escaped(facts.name)}"
    yield f"ORG:{_escaped(facts.name)}"
    yield f"EMAIL:{_escaped(facts.contact_email)}"
    yield f"URL:{origin}/"
    yield f"LOGO;MEDIATYPE=image/png:{origin}{frame.public_brand.icon_folder}icon-512.png"
    yield f"LANG:{facts.language}"
    if facts.description:
        yield f"NOTE:{_escaped(facts.description)}"
    yield "END:VCARD"


def respond(frame: Frame) -> Response | None:
    """The card; None where there is no contact for one."""
    if not contact.has_card(frame.facts):
        return None
    return Response(200, MEDIA_TYPE, b"".join(_folded(line) for line in _lines(frame)))
