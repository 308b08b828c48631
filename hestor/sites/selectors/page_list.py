"""The pages of a draft as the Pages view lists them."""

from collections.abc import Mapping
from dataclasses import dataclass
from datetime import datetime
from typing import Any

from hestor.core.facts.titles import titling
from hestor.core.pages import posting, titles, tree
from hestor.core.pages.titles import Titling
from hestor.core.text import fillins
from hestor.rendering.files import address
from hestor.rendering.frame import Frame
from hestor.rendering.page import title_of
from hestor.sites.models import Revision, Site
from hestor.sites.selectors.addresses import base_of
from hestor.sites.selectors.page_fields import columns_of
from hestor.sites.selectors.states import draft_of


@dataclass(frozen=True)
class Naming:
    """What titles of a draft's pages are made of: the house style, and what each page is called."""

    titling: Titling
    names: Mapping[int, str]
    parents: Mapping[int, int | None]
    lists: Mapping[str, int]

    def filled(self, text: str) -> str:
        """A text with its fill-ins filled."""
        return fillins.fill(text, self.titling.values)

    def section(self, page: int, kind: str) -> str:
        """What the page at the top above one is called; nothing for one that is at the top itself."""
        above = tree.above(page, kind, self.parents, self.lists)
        return self.filled(self.names[above[0]]) if above else ""

    def title(self, row: Any) -> str:
        """The title of a page; ``row`` has its id, kind, path, title and own title."""
        page, own = self.filled(row.title), self.filled(row.own_title)
        return titles.title_of(self.titling, row.path, page, self.section(row.page_id, row.kind), own)


def naming_of(site: Site, now: datetime) -> Naming:
    """What the titles of a site's draft are made of at a moment."""
    rows = list(Revision.objects.in_draft_of(site.pk).values_list("page_id", "parent_id", "title", "kind", "path"))
    # Of several of a kind the first by its address counts, as on the pages themselves.
    by_path = sorted(rows, key=lambda row: row[4], reverse=True)
    return Naming(
        titling(site.facts, values_at(site, now)),
        {page: title for page, _, title, _, _ in rows},
        {page: parent for page, parent, _, _, _ in rows},
        {kind: page for page, _, _, kind, _ in by_path if kind in tree.LISTED_BY.values()},
    )


def values_at(site: Site, now: datetime) -> fillins.Values:
    """What fill-ins stand for in a draft at a moment."""
    return Frame(draft_of(site), now).values


def _state(revision: Revision, was_live: bool, zone: str, now: datetime) -> str:
    if revision.live_from is None:
        return "changed" if was_live else "new"
    out = posting.came_out(revision.published, zone, revision.published_at) if revision.published else now
    return "held" if out > now else "live"


@dataclass(frozen=True)
class _Named:
    """What a page is called in lists, and in its tab."""

    shown: str
    tab: str


def _row(
    site: Site, base: str, revision: Revision, named: _Named, was_live: bool, depth: int, now: datetime
) -> dict[str, Any]:
    return {
        **columns_of(revision),
        "id": revision.page_id,
        "shown_title": named.shown,
        "tab_title": named.tab,
        "state": _state(revision, was_live, site.facts.time_zone, now),
        "address": address(base, revision.path),
        "depth": depth,
    }


def page_row(site: Site, revision: Revision, now: datetime) -> dict[str, Any]:
    """One page, with its computed title, its address and its state: live, held back until its day, changed or new.

    Its title is asked of the renderer, which reads no more pages than those above it.
    """
    was_live = Revision.objects.leaving(site.pk).filter(page_id=revision.page_id).exists()
    state = draft_of(site)
    frame, page = Frame(state, now), state.page(revision.path)
    tab = title_of(frame, page) if page else ""
    named = _Named(frame.filled(revision.title), tab)
    return _row(site, base_of(site), revision, named, was_live, _depth(site, revision), now)


def _depth(site: Site, revision: Revision) -> int:
    """How many pages stand above one."""
    depth, above = 0, revision.parent_id
    while above is not None and depth < tree.MOST_LEVELS:
        row = Revision.objects.in_draft_of(site.pk).filter(page_id=above).values_list("parent_id").first()
        depth, above = (depth + 1, row[0]) if row else (depth, None)
    return depth


def page_rows(site: Site, now: datetime) -> list[dict[str, Any]]:
    """All pages: the tree in its order first, then the posts, newest first."""
    naming = naming_of(site, now)
    leaving = set(Revision.objects.leaving(site.pk).values_list("page_id", flat=True))
    drafts = list(Revision.objects.in_draft_of(site.pk))
    posts = sorted(
        (r for r in drafts if r.kind == "post"), key=lambda r: (str(r.published or ""), r.path), reverse=True
    )
    placed = tree.walk(tree.nested([r for r in drafts if r.kind != "post"]))
    rows = [*placed, *((post, 0) for post in posts)]
    base = base_of(site)
    return [
        _row(
            site,
            base,
            revision,
            _Named(naming.filled(revision.title), naming.title(revision)),
            revision.page_id in leaving,
            depth,
            now,
        )
        for revision, depth in rows
    ]
