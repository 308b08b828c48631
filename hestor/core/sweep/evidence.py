"""What a page says of its site, wherever it stands: the evidence from which a house style is proposed."""

from collections.abc import Iterator
from dataclasses import dataclass

import regex

from hestor.core.reading.page import PageReading
from hestor.core.reading.source import Source
from hestor.core.sweep import contacts, hours
from hestor.core.sweep.written_dates import Written, dates_in
from hestor.core.sweep.written_hours import WrittenHours
from hestor.core.text.lines import folded

_APART = regex.compile(r"(?<!\s)\s++[-–—|·•:»]++\s++|(?<!\s)\s++[|»]\s*+|[|»]\s*+|:\s++")
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


_OF_SITES = ("WebSite", "Organization", "LocalBusiness", "Library", "Store", "CafeOrCoffeeShop")


def _structured_names(page: PageReading) -> Iterator[str]:
    for record in page.records():
        kinds = record.get("@type")
        listed = kinds if isinstance(kinds, list) else [kinds]
        name = record.get("name")
        if isinstance(name, str) and any(kind in _OF_SITES for kind in listed):
            yield folded(name)


def names_on(page: PageReading, source: Source) -> Iterator[tuple[str, str]]:
    """What may be the site's name, and where it says so, each place once; no name is longer than a line."""
    return ((where, said) for where, said in _names_on(page, source) if len(said) <= _LONGEST_NAME)


def _names_on(page: PageReading, source: Source) -> Iterator[tuple[str, str]]:
    for name in ("og:site_name", "application-name"):
        if said := page.meta(name):
            yield name, said
    for said in _structured_names(page):
        yield "structured", said
    parts = [part.strip() for part in _APART.split(page.title) if part.strip()]
    if parts:
        for part in dict.fromkeys((parts[0], parts[-1])):
            yield "title", part
    described = _LOGO.sub(" ", page.logo.alt).strip() if page.logo else ""
    for said in dict.fromkeys((page.site_name, described)):
        if len(said) > 1:
            yield "header", said
    for match in _OWNER.finditer(_footer(source)):
        yield "footer", folded(match["who"])


_LOGO = regex.compile(r"\s*\blogo\b\s*", regex.IGNORECASE)
_OWNER = regex.compile(
    r"(?:©|\(c\))\s*+(?:\p{Nd}{4}(?:\s*+[-–]\s*+\p{Nd}{4})?+\s*+)?+(?P<who>\p{L}[^\0.,|·•–—]{1,70}?)\s*(?:[.,|·•–—\0]|$)",
    regex.IGNORECASE,
)


def _footer(source: Source) -> str:
    return "\0".join(source.words_of(block) for block in source.blocks if block.place == "footer")


def evidence(source: Source, tag: str, country: str) -> Evidence:
    """All of it; ``tag`` and ``country`` are how dates, hours and numbers are read."""
    page = PageReading.of(source)
    found_dates = tuple(
        (source.flat[date.start : date.end], date, _is_marked(source, date))
        for date in dates_in(source, (tag,))
        if source.block_at(date.start).place in ("text", "footer", "header")
    )
    emails = list(contacts.emails_on(source))
    numbers = list(contacts.phones_on(source, country))
    return Evidence(
        tuple(names_on(page, source)),
        page.language,
        page.description,
        page.short_name,
        page.theme_colour,
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
