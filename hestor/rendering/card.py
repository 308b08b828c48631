"""The site as a card for address books (vCard 4.0, RFC 6350; its addresses elsewhere by RFC 9554)."""

from collections.abc import Callable, Iterator, Mapping

from hestor.core.contact import postal
from hestor.core.contact.postal import PostalAddress
from hestor.core.facts import organisation
from hestor.core.facts.document import Facts
from hestor.core.text import lines
from hestor.rendering import details
from hestor.rendering.frame import Frame
from hestor.rendering.response import Response

MEDIA_TYPE = "text/vcard; charset=utf-8"
PATH = "/contact.vcf"
_MOST_OCTETS = 75


def _escaped(text: str) -> str:
    """A text value (RFC 6350, 3.4)."""
    for plain, said in (("\\", "\\\\"), (",", "\\,"), (";", "\\;"), ("\n", "\\n")):
        text = text.replace(plain, said)
    return lines.carried(text)


def _quoted(text: str) -> str:
    """A value of a parameter, in which a quotation mark can't stand (RFC 6868)."""
    return lines.carried(text).replace("^", "^^").replace("\n", "^n").replace('"', "^'")


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


def _address(address: PostalAddress, language: str) -> str:
    """The address by its parts, and as it is written on an envelope (RFC 6350, 6.3.1)."""
    label = _quoted("\n".join(postal.written(address, language)))
    parts = ("", "", ", ".join(address.street), address.locality, address.region, address.postcode, address.country)
    return f'ADR;LABEL="{label}":{";".join(map(_escaped, parts))}'


def _email(facts: Facts) -> Iterator[str]:
    yield f"EMAIL:{_escaped(facts.contact_email)}"


def _phone(facts: Facts) -> Iterator[str]:
    if phone := details.phone_of(facts):
        yield f"TEL;VALUE=uri;TYPE=voice:{phone.uri}"


def _postal(facts: Facts) -> Iterator[str]:
    if facts.postal_address:
        yield _address(facts.postal_address, facts.language)


def _social(facts: Facts) -> Iterator[str]:
    for profile in facts.social:
        yield f'SOCIALPROFILE;SERVICE-TYPE="{_quoted(profile.label)}":{profile.address}'


_WAYS: Mapping[details.Way, Callable[[Facts], Iterator[str]]] = {
    "email": _email,
    "phone": _phone,
    "address": _postal,
    "social": _social,
}


def _ways(facts: Facts) -> Iterator[str]:
    for way in details.ways_told(facts):
        yield from _WAYS[way](facts)


def _lines(frame: Frame) -> Iterator[str]:
    facts, origin = frame.facts, frame.state.origin
    yield "BEGIN:VCARD"
    yield "VERSION:4.0"
    yield "KIND:org"
    yield f"UID:{frame.state.identity.urn}"
    yield f"FN:{_escaped(facts.name)}"
    yield f"ORG:{_escaped(organisation.shown_name(facts))}"
    yield from _ways(facts)
    yield f"URL:{origin}/"
    yield f"LOGO;MEDIATYPE=image/png:{origin}{frame.public_brand.icon_folder}icon-512.png"
    yield f"LANG:{facts.language}"
    if facts.description:
        yield f"NOTE:{_escaped(facts.description)}"
    yield "END:VCARD"


def respond(frame: Frame) -> Response | None:
    """The card; None where there is no contact for one."""
    if not details.ways_told(frame.facts):
        return None
    return Response(200, MEDIA_TYPE, b"".join(_folded(line) for line in _lines(frame)))
