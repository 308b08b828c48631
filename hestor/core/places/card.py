"""The card for address books (vCard 4.0, RFC 6350)."""

import re
from collections.abc import Hashable, Iterator

from hestor.core.places.definition import FilePlace
from hestor.core.places.footer import CONTACT
from hestor.core.places.place import Place
from hestor.core.places.proof import Line, Proof, Sought, line
from hestor.core.reading.stylesheet import StyleReading

_FOLD = re.compile(r"\r\n[ \t]")
_ESCAPED = re.compile(r"\\(.)")
_LABEL = re.compile(r'LABEL="([^"]*)"')
# What a card's reader shows, in its order.
_SHOWN = {"FN": "name", "ORG": "organisation", "EMAIL": "email", "TEL": "phone", "ADR": "address", "URL": "page"}


def properties(body: bytes) -> Iterator[tuple[str, str, str]]:
    """Each property's name, parameters and value, unfolded and without its escapes (RFC 6350, 3.2 and 3.4)."""
    for text in _FOLD.sub("", body.decode()).split("\r\n"):
        head, _, value = _split(text)
        name, _, parameters = head.partition(";")
        if name:
            yield name, parameters, _ESCAPED.sub(lambda found: "\n" if found[1] in "nN" else found[1], value)


def _split(text: str) -> tuple[str, str, str]:
    """A line at the first colon that is not within quotation marks."""
    quoted = False
    for at, letter in enumerate(text):
        quoted ^= letter == '"'
        if letter == ":" and not quoted:
            return text[:at], ":", text[at + 1 :]
    return text, "", ""


def _as_text(name: str, parameters: str, value: str) -> str:
    if name == "ADR" and (label := _LABEL.search(parameters)):
        return label[1].replace("^n", ", ").replace("^'", '"').replace("^^", "^")
    return value.removeprefix("tel:").replace("-", " ") if name == "TEL" else value


def read(body: bytes, _: StyleReading) -> Hashable:
    """All that the card says."""
    return tuple(properties(body))


def proof(body: bytes, sought: Sought) -> Proof:
    """The card as an address book would show it."""
    found = {name: _as_text(name, parameters, value) for name, parameters, value in properties(body)}
    lines: list[Line] = [
        line(role, found[name], sought, (*CONTACT, "short_name")) for name, role in _SHOWN.items() if name in found
    ]
    return Proof(Place.CARD, "", tuple(lines))


CARD = FilePlace(Place.CARD, "card", read, proof)
