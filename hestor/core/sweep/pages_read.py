"""The pages of a folder, read once: what is a page, what is another text of the site, and what could not be read."""

from collections.abc import Iterator, Sequence
from dataclasses import dataclass
from typing import Literal

from propcache.api import cached_property

from hestor.core.reading import positions
from hestor.core.reading.source import Source
from hestor.core.reading.tokens import is_intricate
from hestor.core.sweep import parts
from hestor.core.sweep.encodings import Decoded, Undecodable, decode
from hestor.core.sweep.files import HTML, Files
from hestor.core.sweep.unset import home_rank

MOST_BYTES = 5_000_000
# What most pages agree on shows in so many, taken evenly.
_ENOUGH = 40
_TEXTS = {".webmanifest": "manifest", ".ics": "calendar", ".vcf": "card", ".rss": "feed", ".atom": "feed"}
_FEED_MARKS = ("<rss", "<feed", "<rdf:rdf")
_MANIFESTS = ("manifest.json", "site.webmanifest")
Why = Literal["too_big", "no_text", "no_html", "unreadable", "links_out", "intricate", "not_reached"]


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
    if is_intricate(decoded.text):
        return Unread(path, "intricate")
    source = positions.read(path, decoded.text)
    if not source.elements:
        return Unread(path, "no_html")
    return Page(source, decoded)


def path_of(read: Page | OtherText) -> str:
    """Which file it is."""
    return read.source.path if isinstance(read, Page) else read.path


def _read(files: Files, path: str) -> Read | None:
    try:
        return read_one(path, files.read(path))
    except OSError:
        return Unread(path, "unreadable")


class Pages:
    """What can be read of a folder, in the order of the paths, one at a time: of a large site only a few are held.

    ``sample`` are the pages that tell what most agree on, ``home`` the one that the site begins with. These are read
    first, and kept until it is their turn.
    """

    def __init__(self, files: Files) -> None:
        self._files = files
        self._paths = sorted(path for path in files.paths if is_page(path) or _other_place(path))
        names = [path for path in self._paths if is_page(path)]
        self.count = len(names)
        self._kept = {path: _read(files, path) for path in names[:: max(1, len(names) // _ENOUGH)]}
        self.home = self._home(names)
        found = [one for one in self._kept.values() if isinstance(one, Page)]
        # Pages that only lead on say nothing of their site.
        self.sample = [page for page in found if not page.source.leads_on] or found

    def _home(self, names: Sequence[str]) -> Page | None:
        for path in sorted(names, key=home_rank):
            if path not in self._kept:
                self._kept[path] = _read(self._files, path)
            if isinstance(found := self._kept[path], Page):
                return found
        return None

    def in_turn(self) -> Iterator[Read]:
        """All of it, once."""
        for path in self._paths:
            found = self._kept.pop(path) if path in self._kept else _read(self._files, path)
            if found is not None:
                yield found
