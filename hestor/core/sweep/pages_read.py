"""The pages of a folder, read once: what is a page, what is another text of the site, and what could not be read."""

from collections.abc import Iterator
from dataclasses import dataclass
from functools import cached_property
from typing import Literal

from hestor.core.reading import positions
from hestor.core.reading.source import Source
from hestor.core.sweep import parts
from hestor.core.sweep.encodings import Decoded, Undecodable, decode
from hestor.core.sweep.files import HTML, Files

MOST_BYTES = 5_000_000
_TEXTS = {".webmanifest": "manifest", ".ics": "calendar", ".vcf": "card", ".rss": "feed", ".atom": "feed"}
_FEED_MARKS = ("<rss", "<feed", "<rdf:rdf")
_MANIFESTS = ("manifest.json", "site.webmanifest")
Why = Literal["too_big", "no_text", "no_html", "unreadable", "links_out"]


@dataclass(frozen=True)
class Unread:
    """A file that could not be looked at, and why (a code; its words are in the translations)."""

    page: str
    why: Why


@dataclass
class Page:
    """A page with its text in the file's encoding."""

    source: Source
    decoded: Decoded

    @cached_property
    def parts(self) -> frozenset[str]:
        """Which site-wide parts it has."""
        return parts.parts_of(self.source)


@dataclass
class OtherText:
    """A feed, calendar, card or manifest: its place, and its words as one block."""

    path: str
    place: str
    decoded: Decoded


Read = Page | OtherText | Unread


def _ending(path: str) -> str:
    name = path.rpartition("/")[2]
    return f".{name.rpartition('.')[2].lower()}" if "." in name else ""


def _other_place(path: str) -> str:
    name = path.rpartition("/")[2].lower()
    if name in _MANIFESTS:
        return "manifest"
    return _TEXTS.get(_ending(path), "feed" if _ending(path) == ".xml" else "")


def is_page(path: str) -> bool:
    """Whether a file says by its name that it is a page."""
    return _ending(path) in HTML


def read_one(path: str, raw: bytes) -> Read | None:
    """A file as the sweep reads it; None for what holds no texts of the site."""
    place = "" if is_page(path) else _other_place(path)
    if not place and not is_page(path):
        return None
    if len(raw) > MOST_BYTES:
        return Unread(path, "too_big")
    try:
        decoded = decode(raw)
    except Undecodable:
        return Unread(path, "no_text")
    if place:
        is_feed = place != "feed" or any(mark in decoded.text[:2000].lower() for mark in _FEED_MARKS)
        return OtherText(path, place, decoded) if is_feed else None
    source = positions.read(path, decoded.text)
    if not source.elements:
        return Unread(path, "no_html")
    return Page(source, decoded)


def read_all(files: Files) -> Iterator[Read]:
    """All that can be read of a folder, in the order of the paths."""
    for path in sorted(files.paths):
        if not (is_page(path) or _other_place(path)):
            continue
        try:
            raw = files.read(path)
        except OSError:
            yield Unread(path, "unreadable")
            continue
        found = read_one(path, raw)
        if found is not None:
            yield found
