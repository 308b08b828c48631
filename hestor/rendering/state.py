"""What the renderer asks of a state of a site, however it is kept."""

from collections.abc import Iterable, Sequence
from dataclasses import dataclass
from datetime import date, datetime, time
from typing import Protocol
from uuid import UUID

from hestor.core.events.month import Month
from hestor.core.events.schedule import Schedule
from hestor.core.facts.document import Facts
from hestor.core.facts.plates import Standings
from hestor.core.imaging.raster import Master
from hestor.core.pages.fields import Kind

NOBODY = UUID(int=0)
Named = tuple[str, str]
"""A page as another names it: its path and its title, which may hold fill-ins."""


@dataclass(frozen=True)
class Page:
    """One page of one state. ``html`` and ``excerpt`` are compiled (``core.text.markdown``), fill-ins open.

    ``title`` and ``summary`` are plain text that may hold fill-ins; ``schedule`` says when an event is. ``trail`` names
    the pages above it, from the top; above a post stands the news. ``own_title`` is its title where it has one of its
    own, ``published_at`` the time on its day from which on visitors see it, ``left_out`` the parts that all pages share
    and it leaves out. ``identity`` stays the same whatever happens to its
    address; ``worded`` is when its words last changed.
    """

    path: str
    title: str
    kind: Kind = "page"
    html: str = ""
    excerpt: str = ""
    summary: str = ""
    published: date | None = None
    identity: UUID = NOBODY
    worded: datetime | None = None
    trail: tuple[Named, ...] = ()
    has_children: bool = False
    schedule: Schedule | None = None
    own_title: str = ""
    published_at: time | None = None
    left_out: tuple[str, ...] = ()
    shows_heading: bool = True


@dataclass(frozen=True)
class Event:
    """An event as lists and calendars name it; its title and summary may hold fill-ins.

    ``identity`` and ``worded`` are known where all events are asked for.
    """

    path: str
    title: str
    schedule: Schedule
    summary: str = ""
    identity: UUID = NOBODY
    worded: datetime | None = None


@dataclass(frozen=True)
class MenuItem:
    """An entry of the site's menu, with those nested below it."""

    path: str
    title: str
    children: tuple["MenuItem", ...] = ()


class SiteState(Protocol):
    """One state of a whole site: a published edition, or the draft."""

    @property
    def facts(self) -> Facts:
        """The house style of this state."""

    @property
    def origin(self) -> str:
        """Scheme, host and port of the public site and the folder that it is in, without a slash at its end."""

    @property
    def folder(self) -> str:
        """The folder that the site is in, as ``/seeds``; empty for most."""

    @property
    def identity(self) -> UUID:
        """What machines know the site by, whatever becomes of its name and address."""

    def page(self, path: str) -> Page | None:
        """The page at an address, if there is one."""

    def moved(self, path: str) -> str | None:
        """Where the page is now that had an address before, if there is one."""

    def not_found_page(self) -> Page | None:
        """The page that stands for all addresses that lead nowhere, if there is one."""

    def menu(self) -> Sequence[MenuItem]:
        """The menu, in its order."""

    def children(self, path: str) -> Sequence[Page]:
        """The pages directly below the page at ``path``."""

    def posts(self, start: int, count: int) -> Sequence[Page]:
        """Posts, newest first, from number ``start`` on."""

    def post_count(self) -> int:
        """How many posts there are."""

    def around(self, post: Page) -> tuple[Named | None, Named | None]:
        """The post just older than one, and the one just newer."""

    def news(self) -> Named | None:
        """The page that lists the posts, if there is one."""

    def post_months(self) -> Sequence[tuple[Month, int]]:
        """The months in which posts came out, the newest first, each with how many."""

    def posts_of(self, month: Month) -> Sequence[Page]:
        """The posts of a month, newest first."""

    def event_list(self) -> Named | None:
        """The page that lists the events, if there is one."""

    def events(self, first: date, last: date) -> Sequence[Event]:
        """The events whose schedules may touch any day from ``first`` to ``last``."""

    def all_events(self) -> Sequence[Event]:
        """All events, with what machines know them by."""

    def event(self, name: str) -> Event | None:
        """The event whose address ends with a name, if there is one."""

    def paths(self, start: int = 0, count: int | None = None) -> Iterable[tuple[str, datetime | None]]:
        """Addresses of pages and posts, without the numbered pages of the news list, each with its wording.

        ``count`` of them, or all, from number ``start`` on.
        """

    def path_count(self) -> int:
        """How many addresses of pages and posts there are."""

    @property
    def standings(self) -> Standings:
        """How the logo stands on each ground; nothing where pages don't depend on it."""

    def master(self, key: str) -> Master | None:
        """A picture of the site by its key, or None if the site has none of that key."""
