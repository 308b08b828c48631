"""The record of the site in its home page, for machines (schema.org as JSON-LD)."""

from collections.abc import Hashable, Mapping
from typing import Any

from hestor.core.places.definition import PagePlace
from hestor.core.places.footer import CONTACT
from hestor.core.places.place import Place
from hestor.core.places.proof import Line, Proof, Sought, line
from hestor.core.reading.page import PageReading


def read(page: PageReading) -> Hashable:
    """The whole record."""
    return page.structured_text


def _organisation(page: PageReading) -> Mapping[str, Any]:
    """The record of the site's publisher, wherever in the page's records it stands."""
    records = page.structured.get("@graph", [page.structured])
    for record in records if isinstance(records, list) else ():
        found = record.get("publisher") or record.get("mainEntity") if isinstance(record, dict) else None
        if isinstance(found, dict):
            return found
    return {}


def _address(value: Any) -> str:
    parts = ("streetAddress", "addressLocality", "addressRegion", "postalCode", "addressCountry")
    return ", ".join(str(value[part]) for part in parts if part in value) if isinstance(value, dict) else ""


def proof(path: str, page: PageReading, sought: Sought) -> Proof:
    """The record of the site's publisher, as one that lists it would show it."""
    organisation = _organisation(page)
    texts = {name: str(organisation.get(name, "")) for name in ("name", "legalName", "telephone", "email", "url")}
    texts["address"] = _address(organisation.get("address"))
    lines = tuple(line(name, text, sought, CONTACT) for name, text in texts.items() if text)
    return Proof(Place.STRUCTURED, path, (Line("type", str(organisation["@type"])), *lines) if organisation else ())


STRUCTURED = PagePlace(Place.STRUCTURED, read, proof)
