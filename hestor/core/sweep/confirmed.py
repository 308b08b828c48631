"""Whether a page, as a visitor gets it, says the facts of its house style: read back by what any browser reads."""

from collections.abc import Collection, Iterator
from dataclasses import dataclass
from typing import Literal

from hestor.core.facts.document import Facts
from hestor.core.pages.parts import Part
from hestor.core.reading.page import PageReading
from hestor.core.sweep import own
from hestor.core.sweep.own import OwnHouse, OwnPage, OwnStray


def outdated(html: bytes, facts: Facts, left_out: tuple[Part, ...]) -> Iterator[str]:
    """The keys of facts that the page says otherwise; what it leaves out by choice is not missed."""
    page = PageReading(html)
    if page.language != facts.language:
        yield "language"
    if "header" not in left_out and facts.header_parts and page.site_name and page.site_name != facts.name:
        yield "name"
    if page.share_site and page.share_site != facts.name:
        yield "name"
    if facts.tagline and page.tagline and page.tagline != facts.tagline:
        yield "tagline"


@dataclass(frozen=True)
class Served:
    """A page as a visitor got it: its own fields, the status, the bytes, and the parts that it leaves out."""

    page: OwnPage
    status: int
    html: bytes
    left_out: tuple[Part, ...] = ()


@dataclass(frozen=True)
class Deviation:
    """Why a page does not agree: it is not there, a fact (its key in ``says``) is outdated, or a stray is on it."""

    why: Literal["status", "outdated", "stray"]
    says: str
    stray: OwnStray | None = None


def deviations(served: Served, facts: Facts, house: OwnHouse, meant: Collection[str]) -> Iterator[Deviation]:
    """All reasons why a page does not agree with its house style; what somebody said is meant is none."""
    if served.status != 200:
        yield Deviation("status", str(served.status))
        return
    for key in dict.fromkeys(outdated(served.html, facts, served.left_out)):
        yield Deviation("outdated", key)
    for stray in own.grouped(tuple(own.of_page(served.html.decode(), served.page, house))):
        if stray.key not in meant:
            yield Deviation("stray", stray.says, stray)
