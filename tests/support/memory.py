"""A state of a site that lies in memory: the renderer's counterpart in tests and benchmarks."""

from collections import Counter
from collections.abc import Iterable, Sequence
from dataclasses import dataclass, field, replace
from datetime import date, datetime
from uuid import UUID, uuid5

from hestor.core.events import expansion, month
from hestor.core.events.month import Month
from hestor.core.facts.document import Facts
from hestor.core.facts.plates import Standings
from hestor.core.imaging.raster import Master
from hestor.core.pages.fields import Kind
from hestor.core.text import markdown
from hestor.rendering.state import Event, MenuItem, Named, Page

NAMES = UUID("b1b8f0de-8a5b-4d0c-9a54-0a0d0c1d2e3f")


def page(path: str, title: str, body: str = "", kind: Kind = "page", **more: object) -> Page:
    made = markdown.compile_text(body)
    return replace(Page(path, title, kind, made.html, made.excerpt, identity=uuid5(NAMES, path)), **more)


@dataclass
class MemoryState:
    facts: Facts
    pages: list[Page] = field(default_factory=list)
    origin: str = "https://seeds.example"
    folder: str = ""
    masters: dict[str, Master] = field(default_factory=dict)
    stands: Standings = field(default_factory=dict)
    former: dict[str, str] = field(default_factory=dict)
    identity: UUID = NAMES

    def master(self, key: str) -> Master | None:
        return self.masters.get(key)

    @property
    def standings(self) -> Standings:
        return self.stands

    def moved(self, path: str) -> str | None:
        return self.former.get(path)

    def around(self, post: Page) -> tuple[Named | None, Named | None]:
        posts = self.posts(0, self.post_count())
        at = posts.index(post)
        older, newer = posts[at + 1 : at + 2], posts[max(0, at - 1) : at]
        return tuple((found[0].path, found[0].title) if found else None for found in (older, newer))

    def page(self, path: str) -> Page | None:
        return next((p for p in self.pages if p.path == path), None)

    def _top(self) -> list[Page]:
        return [p for p in self.pages if p.kind != "post" and p.path.count("/") <= 2]

    def menu(self) -> Sequence[MenuItem]:
        return [
            MenuItem(p.path, p.title, tuple(MenuItem(c.path, c.title) for c in self.children(p.path)))
            for p in self._top()
        ]

    def children(self, path: str) -> Sequence[Page]:
        return [p for p in self.pages if p.trail and p.trail[-1][0] == path]

    def posts(self, start: int, count: int) -> Sequence[Page]:
        posts = sorted((p for p in self.pages if p.kind == "post"), key=lambda p: p.published or date.min, reverse=True)
        return posts[start : start + count]

    def post_count(self) -> int:
        return sum(p.kind == "post" for p in self.pages)

    def news(self) -> tuple[str, str] | None:
        return next(((p.path, p.title) for p in self.pages if p.kind == "news"), None)

    def post_months(self) -> Sequence[tuple[Month, int]]:
        found = Counter(month.month_of(p.published) for p in self.posts(0, self.post_count()) if p.published)
        return sorted(found.items(), reverse=True)

    def posts_of(self, wanted: Month) -> Sequence[Page]:
        return [p for p in self.posts(0, self.post_count()) if p.published and month.month_of(p.published) == wanted]

    def not_found_page(self) -> Page | None:
        return next((page for page in self.pages if page.kind == "not_found"), None)

    def event_list(self) -> tuple[str, str] | None:
        return next(((p.path, p.title) for p in self.pages if p.kind == "events"), None)

    def events(self, first: date, last: date) -> Sequence[Event]:
        return [
            Event(p.path, p.title, p.schedule, p.summary, p.identity, p.worded)
            for p in self.pages
            if p.schedule and p.schedule.starts <= last and (expansion.last_day(p.schedule) or date.max) >= first
        ]

    def all_events(self) -> Sequence[Event]:
        return self.events(date.min, date.max)

    def event(self, name: str) -> Event | None:
        return next((e for e in self.events(date.min, date.max) if e.path.endswith(f"/{name}/")), None)

    def paths(self, start: int = 0, count: int | None = None) -> Iterable[tuple[str, datetime | None]]:
        return [(p.path, p.worded) for p in self.pages][start : None if count is None else start + count]

    def path_count(self) -> int:
        return len(self.pages)


def small(facts: Facts) -> MemoryState:
    return MemoryState(
        facts,
        [
            page("/", "Welcome to {site}", "Hello from {site}, *friend*."),
            page("/about/", "About us", "Since {year:2019}.", has_children=True),
            page("/about/people/", "People", "Fourteen of us.", trail=(("/about/", "About us"),)),
            page("/news/", "News", kind="news"),
            page("/news/first/", "First post", "It began with {site}.", "post", published=date(2026, 4, 1)),
        ],
    )
