"""Proofs: the texts of each place as they were read back, with the facts found in them."""

from collections.abc import Iterable, Mapping
from dataclasses import dataclass

import regex

from hestor.core import facts as facts_module
from hestor.core import fillins
from hestor.core.facts import Facts
from hestor.core.reach import Place
from hestor.core.readback import FeedSays, ManifestSays, PageSays, PictureSays


@dataclass(frozen=True)
class Mark:
    """Where in a line a fact stands, in code points."""

    fact: str
    start: int
    end: int


@dataclass(frozen=True)
class Line:
    """One text of a place: what it is in the place (``role``), its words, the facts in it."""

    role: str
    text: str
    marks: tuple[Mark, ...] = ()


@dataclass(frozen=True)
class Picture:
    """A picture in a place: what it is there (``role``), its address, its words, its size in CSS pixels."""

    role: str
    src: str
    alt: str = ""
    width: int = 0
    height: int = 0


def _pictures(**found: PictureSays | None) -> tuple[Picture, ...]:
    return tuple(
        Picture(role, one.src, one.alt, one.width, one.height) for role, one in found.items() if one and one.src
    )


@dataclass(frozen=True)
class Proof:
    """One place on one page (``path`` is empty for a file that belongs to no page)."""

    place: Place
    path: str
    lines: tuple[Line, ...]
    colour: str = ""
    pictures: tuple[Picture, ...] = ()
    plates: str = ""


def sought(facts: Facts, values: fillins.Values) -> dict[str, str]:
    """The words by which each fact is found in a place."""
    found = {key: getattr(facts, key) for key in ("name", "tagline", "description")}
    found["short_name"] = facts_module.short_name(facts)
    found["footer_text"] = fillins.fill(facts.footer_text, values)
    return {key: " ".join(words.split()) for key, words in found.items() if words}


def _mark(fact: str, words: str, text: str) -> Iterable[Mark]:
    """Each spot where ``words`` stand in ``text`` by themselves, not inside a longer word."""
    inside = r"[\p{L}\p{N}\p{M}]"
    before = rf"(?<!{inside})" if regex.match(inside, words) else ""
    after = rf"(?!{inside})" if regex.match(inside, words[-1]) else ""
    for found in regex.finditer(before + regex.escape(words) + after, text):
        yield Mark(fact, found.start(), found.end())


def line(role: str, text: str, facts: Iterable[str], words: Mapping[str, str]) -> Line:
    """A line with the marks of those ``facts`` that a place of this kind can carry."""
    marks = [mark for fact in facts if fact in words for mark in _mark(fact, words[fact], text)]
    return Line(role, text, tuple(marks))


def tab(path: str, page: PageSays, words: Mapping[str, str]) -> Proof:
    """The browser tab of a page."""
    lines = (line("title", page.title, ("name", "tagline"), words),)
    return Proof(Place.TAB, path, lines, page.theme_colour, _pictures(icon=PictureSays(page.tab_icon)))


def header(path: str, page: PageSays, words: Mapping[str, str]) -> Proof:
    """The header of a page."""
    lines = (
        line("name" if page.name_is_seen else "name_read_out", page.site_name, ("name",), words),
        line("tagline", page.tagline, ("tagline",), words),
    )
    pictures = _pictures(logo=page.logo, logo_dark=page.logo_dark, mark=page.mark)
    return Proof(Place.HEADER, path, lines, page.theme_colour, pictures, page.logo_plates)


def footer(path: str, page: PageSays, words: Mapping[str, str]) -> Proof:
    """The footer of a page."""
    return Proof(Place.FOOTER, path, (line("line", page.footer, ("footer_text", "name", "tagline"), words),))


def search(path: str, page: PageSays, words: Mapping[str, str]) -> Proof:
    """A page as a search result: address, title and description."""
    lines = (
        Line("address", page.canonical.partition("://")[2].rstrip("/")),
        line("title", page.title, ("name", "tagline"), words),
        line("description", page.description, ("description", "tagline", "name"), words),
    )
    return Proof(Place.SEARCH, path, lines)


def feed(says: FeedSays, words: Mapping[str, str]) -> Proof:
    """The head of the feed, as a feed reader lists it."""
    lines = (
        line("title", says.title, ("name",), words),
        line("subtitle", says.subtitle, ("tagline",), words),
        Line("newest", says.newest),
    )
    return Proof(Place.FEED, "", lines)


def manifest(says: ManifestSays, words: Mapping[str, str]) -> Proof:
    """The site as it is named below its icon on a home screen."""
    lines = (
        line("short_name", says.short_name, ("short_name",), words),
        line("name", says.name, ("name",), words),
    )
    pictures = _pictures(icon=PictureSays(says.icon), maskable=PictureSays(says.maskable))
    return Proof(Place.MANIFEST, "", lines, says.theme_colour, pictures)


def message(says: PageSays, words: Mapping[str, str]) -> Proof:
    """The head of a message that the site sends."""
    role = "name" if says.name_is_seen else "name_read_out"
    lines = (line(role, says.site_name, ("name",), words), Line("subject", says.title))
    return Proof(Place.MESSAGE, "", lines, "", _pictures(logo=says.logo, mark=says.mark))


def links(path: str, page: PageSays) -> Proof:
    """Links of a page, whose colours its stylesheet says."""
    return Proof(Place.LINKS, path, tuple(Line("link", text) for text in page.menu[:2]))


def share(path: str, page: PageSays, words: Mapping[str, str]) -> Proof:
    """A page's address as it is shared: picture, title, description, the site's name."""
    lines = (
        line("title", page.share_title, ("name", "tagline"), words),
        line("description", page.description, ("description", "tagline", "name"), words),
        line("site", page.share_site, ("name",), words),
    )
    return Proof(Place.SHARE, path, lines, page.theme_colour, _pictures(share=page.share))
