"""What the press asks of a state of a site, however it is kept."""

from collections.abc import Iterable, Sequence
from dataclasses import dataclass
from datetime import date
from typing import Protocol

from hestor.core.facts.document import Facts
from hestor.core.imaging.raster import Master
from hestor.core.pages.fields import Kind


@dataclass(frozen=True)
class Page:
    """One page of one state. ``html`` and ``excerpt`` are compiled (``core.text.markdown``), fill-ins open.

    ``title`` and ``summary`` are plain text that may hold fill-ins. ``trail`` names the pages above it,
    from the top, each as (path, title).
    """

    path: str
    title: str
    kind: Kind = "page"
    html: str = ""
    excerpt: str = ""
    summary: str = ""
    published: date | None = None
    trail: tuple[tuple[str, str], ...] = ()
    has_children: bool = False


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
        """Scheme, host and port of the public site, without a slash at its end."""

    def page(self, path: str) -> Page | None:
        """The page at an address, if there is one."""

    def menu(self) -> Sequence[MenuItem]:
        """The menu, in its order."""

    def children(self, path: str) -> Sequence[Page]:
        """The pages directly below the page at ``path``."""

    def posts(self, start: int, count: int) -> Sequence[Page]:
        """Posts, newest first, from number ``start`` on."""

    def post_count(self) -> int:
        """How many posts there are."""

    def news(self) -> tuple[str, str] | None:
        """Path and title of the page that lists the posts, if there is one."""

    def paths(self) -> Iterable[str]:
        """The addresses of all pages and posts, without the numbered pages of the news list."""

    def master(self, key: str) -> Master | None:
        """A picture of the site by its key, or None if the site has none of that key."""
