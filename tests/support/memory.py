"""A state of a site that lies in memory: the press's counterpart in tests and benchmarks."""

from collections.abc import Iterable, Sequence
from dataclasses import dataclass, field, replace
from datetime import date

from hestor.core.facts.document import Facts
from hestor.core.imaging.raster import Master
from hestor.core.pages.fields import Kind
from hestor.core.text import markdown
from hestor.press.state import MenuItem, Page


def page(path: str, title: str, body: str = "", kind: Kind = "page", **more: object) -> Page:
    made = markdown.compile_text(body)
    return replace(Page(path, title, kind, made.html, made.excerpt), **more)


@dataclass
class MemoryState:
    facts: Facts
    pages: list[Page] = field(default_factory=list)
    origin: str = "https://seeds.example"
    masters: dict[str, Master] = field(default_factory=dict)

    def master(self, key: str) -> Master | None:
        return self.masters.get(key)

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

    def paths(self) -> Iterable[str]:
        return [p.path for p in self.pages]


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
