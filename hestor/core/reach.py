"""Reach: in which places, and on how many pages, each fact of a site lands.

The numbers are counted from what a site holds; tests hold them against a reading of every rendered page.
"""

from collections.abc import Mapping
from dataclasses import dataclass
from enum import StrEnum

from hestor.core import facts as facts_module
from hestor.core import fillins
from hestor.core.facts import Facts


class Place(StrEnum):
    """Anywhere a fact is seen."""

    TAB = "tab"
    HEADER = "header"
    FOOTER = "footer"
    SEARCH = "search"
    TEXT = "text"
    FEED = "feed"
    MANIFEST = "manifest"
    STRUCTURED = "structured"
    NOT_FOUND = "not_found"
    SHARE = "share"
    LINKS = "links"
    MESSAGE = "message"


@dataclass(frozen=True)
class Counts:
    """How many addresses a site has, and how many page texts use each fill-in.

    ``pages`` are all addresses that answer with a page, further leaves of the news list included;
    ``undescribed`` are those but the home page that have no text of their own to show in a search result;
    ``tagline_titles`` and ``tagline_searches`` those but the home page whose title, or whose search result,
    has the tagline filled in. ``pictured`` have a picture of their own, which stands for them where their address is
    shared. ``structured`` is 1 if there is a home page, which carries the site's record.
    """

    pages: int
    using: Mapping[str, int]
    undescribed: int = 0
    tagline_titles: int = 0
    tagline_searches: int = 0
    structured: int = 1
    pictured: int = 0


@dataclass(frozen=True)
class PlaceReach:
    """One place, and the number of pages or files in which the fact is found there."""

    place: Place
    pages: int = 0
    files: int = 0


def _footer(facts: Facts, fill_in: str, pages: int) -> list[PlaceReach]:
    used = fill_in in fillins.used(facts.footer_text)
    return [PlaceReach(Place.FOOTER, pages)] if used and pages else []


def _text(counts: Counts, fill_in: str) -> list[PlaceReach]:
    number = counts.using.get(fill_in, 0)
    return [PlaceReach(Place.TEXT, number)] if number else []


def _name(facts: Facts, counts: Counts) -> list[PlaceReach]:
    everywhere = [PlaceReach(place, counts.pages) for place in (Place.TAB, Place.HEADER, Place.SEARCH, Place.SHARE)]
    files = [PlaceReach(place, files=1) for place in (Place.FEED, Place.MANIFEST, Place.MESSAGE)]
    once = [PlaceReach(Place.STRUCTURED, counts.structured), PlaceReach(Place.NOT_FOUND, 1)]
    return everywhere + _footer(facts, "site", counts.pages) + _text(counts, "site") + files + once


def _tagline(facts: Facts, counts: Counts) -> list[PlaceReach]:
    own = [
        PlaceReach(Place.TAB, 1 + counts.tagline_titles),
        PlaceReach(Place.HEADER, counts.pages),
        PlaceReach(Place.SEARCH, 1 + counts.tagline_searches),
    ]
    rest = _footer(facts, "tagline", counts.pages) + _text(counts, "tagline")
    share = [] if facts.share_picture else _share_picture(facts, counts)
    return own + rest + share + [PlaceReach(Place.FEED, files=1)]


def _description(facts: Facts, counts: Counts) -> list[PlaceReach]:
    return [
        PlaceReach(Place.SEARCH, 1 + counts.undescribed),
        PlaceReach(Place.STRUCTURED, counts.structured),
        PlaceReach(Place.MANIFEST, files=1),
    ]


def _short_name(facts: Facts, counts: Counts) -> list[PlaceReach]:
    return [PlaceReach(Place.MANIFEST, files=1), PlaceReach(Place.STRUCTURED, counts.structured)]


def _footer_text(facts: Facts, counts: Counts) -> list[PlaceReach]:
    return [PlaceReach(Place.FOOTER, counts.pages), PlaceReach(Place.NOT_FOUND, 1)]


def _brand_colour(facts: Facts, counts: Counts) -> list[PlaceReach]:
    return [
        PlaceReach(Place.HEADER, counts.pages),
        *([] if facts.accent_colour else [PlaceReach(Place.LINKS, counts.pages)]),
        PlaceReach(Place.MANIFEST, files=1),
    ]


def _logo(facts: Facts, counts: Counts) -> list[PlaceReach]:
    share = [] if facts.share_picture else _share_picture(facts, counts)
    tab = [PlaceReach(Place.TAB, counts.pages)] if facts.icon and facts.icon.source == "logo" else []
    once = [PlaceReach(Place.NOT_FOUND, 1), PlaceReach(Place.STRUCTURED, counts.structured)]
    return [PlaceReach(Place.HEADER, counts.pages), *share, *tab, PlaceReach(Place.MESSAGE, files=1), *once]


def _in_header(facts: Facts, counts: Counts) -> list[PlaceReach]:
    return [PlaceReach(Place.HEADER, counts.pages), PlaceReach(Place.NOT_FOUND, 1)] if facts.logo else []


def _icon(facts: Facts, counts: Counts) -> list[PlaceReach]:
    header = [] if facts.logo else [PlaceReach(Place.HEADER, counts.pages)]
    return [
        PlaceReach(Place.TAB, counts.pages),
        *header,
        PlaceReach(Place.MANIFEST, files=1),
        PlaceReach(Place.NOT_FOUND, 1),
    ]


def _share_picture(facts: Facts, counts: Counts) -> list[PlaceReach]:
    pages = counts.pages - counts.pictured
    return [PlaceReach(Place.SHARE, pages)] if pages else []


def _accent_colour(facts: Facts, counts: Counts) -> list[PlaceReach]:
    return [PlaceReach(Place.LINKS, counts.pages)]


def _typefaces(facts: Facts, counts: Counts) -> list[PlaceReach]:
    return [PlaceReach(place, counts.pages) for place in (Place.HEADER, Place.TEXT)]


def _language(facts: Facts, counts: Counts) -> list[PlaceReach]:
    return [PlaceReach(Place.TEXT, counts.pages), PlaceReach(Place.FEED, files=1), PlaceReach(Place.MANIFEST, files=1)]


def _time_zone(facts: Facts, counts: Counts) -> list[PlaceReach]:
    return _footer(facts, "year", counts.pages) + _text(counts, "year")


_REACH = {
    "name": _name,
    "short_name": _short_name,
    "tagline": _tagline,
    "description": _description,
    "footer_text": _footer_text,
    "brand_colour": _brand_colour,
    "logo": _logo,
    "logo_dark": _in_header,
    "logo_plate": _in_header,
    "logo_width": _in_header,
    "logo_says_name": _in_header,
    "icon": _icon,
    "share_picture": _share_picture,
    "accent_colour": _accent_colour,
    "typefaces": _typefaces,
    "language": _language,
    "time_zone": _time_zone,
}


# For these something is derived where the owner has said nothing.
_DERIVED = ("short_name", "icon", "share_picture", "logo_width", "accent_colour")


def reach(key: str, facts: Facts, counts: Counts) -> tuple[PlaceReach, ...]:
    """Where the fact ``key`` lands. A fact that is empty lands nowhere, unless another is derived for it."""
    if not facts_module.is_set(facts, key) and key not in _DERIVED:
        return ()
    return tuple(_REACH[key](facts, counts))


def total_pages(places: tuple[PlaceReach, ...]) -> int:
    """On how many pages the fact is found at all: the widest of its places, as they overlap."""
    return max((place.pages for place in places), default=0)


def files_in(place: Place, places: tuple[PlaceReach, ...]) -> int:
    """In how many files of one kind (feeds, manifests) the fact is found."""
    return sum(found.files for found in places if found.place is place)
