"""What a page says of its site, wherever it stands: the evidence from which a house style is proposed."""

import json
from collections.abc import Iterator
from dataclasses import dataclass
from typing import Any

import regex

from hestor.core.sweep import contacts, hours
from hestor.core.sweep.source import Source
from hestor.core.sweep.written_dates import Written, dates_in
from hestor.core.sweep.written_hours import WrittenHours
from hestor.core.text.lines import folded

_APART = regex.compile(r"\s+[-–—|·•:»]+\s+|\s*[|»]\s*|:\s+")
_LONGEST_NAME = 120
_SITE_WIDE = frozenset(("header", "footer", "menu"))


@dataclass(frozen=True)
class Evidence:
    """What one page says: names with where they were found, language, addresses, numbers, dates, hours."""

    names: tuple[tuple[str, str], ...]
    language: str
    description: str
    short_name: str
    theme_colour: str
    emails: tuple[str, ...]
    phones: tuple[str, ...]
    dates: tuple[tuple[str, Written, bool], ...]
    hours: tuple[WrittenHours, ...]


def structured(source: Source) -> Iterator[dict[str, Any]]:
    """The records of structured data in a page (JSON-LD 1.1); what is no JSON is passed over."""
    for element in source.all("script"):
        if element.get("type").lower() != "application/ld+json":
            continue
        try:
            found = json.loads(source.text[element.end : element.closes])
        except (ValueError, RecursionError):
            continue
        graph = found.get("@graph") if isinstance(found, dict) else found
        for one in graph if isinstance(graph, list) else [found]:
            if isinstance(one, dict):
                yield one


_OF_SITES = ("WebSite", "Organization", "LocalBusiness", "Library", "Store", "CafeOrCoffeeShop")


def _structured_names(source: Source) -> Iterator[str]:
    for record in structured(source):
        kinds = record.get("@type")
        listed = kinds if isinstance(kinds, list) else [kinds]
        name = record.get("name")
        if isinstance(name, str) and any(kind in _OF_SITES for kind in listed):
            yield folded(name)


def names_on(source: Source) -> Iterator[tuple[str, str]]:
    """What may be the site's name, and where it says so, each place once; no name is longer than a line."""
    return ((where, said) for where, said in _names_on(source) if len(said) <= _LONGEST_NAME)


def _names_on(source: Source) -> Iterator[tuple[str, str]]:
    for name in ("og:site_name", "application-name"):
        if said := source.meta(name):
            yield name, said
    for said in _structured_names(source):
        yield "structured", said
    parts = [part.strip() for part in _APART.split(source.title) if part.strip()]
    if parts:
        for part in dict.fromkeys((parts[0], parts[-1])):
            yield "title", part
    for block in source.blocks:
        said = folded(source.words_of(block))
        if block.place == "header" and 1 < len(said) <= 80:
            yield "header", said
        elif block.place == "alt" and 1 < len(said) <= 80 and _is_header_picture(source, block.element):
            yield "header", regex.sub(r"\s*\blogo\b\s*", " ", said, flags=regex.IGNORECASE).strip()
    for found in _OWNER.finditer(_footer(source)):
        yield "footer", folded(found["who"])


_OWNER = regex.compile(
    r"(?:©|\(c\))\s*(?:\p{Nd}{4}(?:\s*[-–]\s*\p{Nd}{4})?)?\s*(?P<who>\p{L}[^\0.,|·•–—]{1,70}?)\s*(?:[.,|·•–—\0]|$)",
    regex.IGNORECASE,
)


def _footer(source: Source) -> str:
    return "\0".join(source.words_of(block) for block in source.blocks if block.place == "footer")


def _is_header_picture(source: Source, number: int) -> bool:
    return source.elements[number].tag == "img" and source.is_within(number, frozenset(("header", "nav")))


def evidence(source: Source, tag: str, country: str) -> Evidence:
    """All of it; ``tag`` and ``country`` are how dates, hours and numbers are read."""
    found_dates = tuple(
        (source.flat[one.start : one.end], one, _is_marked(source, one))
        for one in dates_in(source.flat, (tag,))
        if source.block_at(one.start).place in ("text", "footer", "header")
    )
    emails = list(contacts.emails_on(source))
    numbers = list(contacts.phones_on(source, country))
    return Evidence(
        tuple(names_on(source)),
        source.root.get("lang") if source.root else "",
        source.meta("description"),
        source.meta("apple-mobile-web-app-title") or source.meta("application-name"),
        source.meta("theme-color"),
        tuple(dict.fromkeys(_first(emails))),
        tuple(dict.fromkeys(_first(numbers))),
        found_dates,
        hours.said_on(source, tag),
    )


def _is_marked(source: Source, written: Written) -> bool:
    """Whether a date stands in an element that says it for machines, too (HTML, 4.5.14)."""
    return source.is_within(source.element_at(written.start), frozenset(("time",)))


def _first(said: list[contacts.Said]) -> Iterator[str]:
    """Values with those of site-wide parts twice as strong, by coming first."""
    yield from (one.value for one in said if one.place in _SITE_WIDE)
    yield from (one.value for one in said if one.place not in _SITE_WIDE)
