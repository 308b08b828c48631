"""The pages of a draft as the Pages view lists them."""

import re
from collections.abc import Iterable, Mapping, Sequence
from dataclasses import dataclass
from datetime import datetime
from functools import reduce
from operator import or_
from typing import Any, NamedTuple

from django.db.models import Q

from hestor.core.facts.titles import titling
from hestor.core.pages import posting, titles, tree, tree_keys
from hestor.core.pages.placing import WAYS, Way, may_hold
from hestor.core.pages.titles import Titling
from hestor.core.text import fillins
from hestor.rendering.files import address
from hestor.rendering.frame import Frame
from hestor.rendering.page import title_of
from hestor.sites.models import Revision, RevisionQuerySet, Site
from hestor.sites.selectors.addresses import base_of
from hestor.sites.selectors.page_fields import columns_of
from hestor.sites.selectors.states import draft_of


@dataclass(frozen=True)
class Naming:
    """What titles of a draft's pages are made of: the house style, and what each page is called.

    ``parents`` has the page above each; ``in_tree`` the same without posts, which stand in no tree.
    """

    titling: Titling
    names: Mapping[int, str]
    parents: Mapping[int, int | None]
    in_tree: Mapping[int, int | None]
    lists: Mapping[str, int]

    def filled(self, text: str) -> str:
        """A text with its fill-ins filled."""
        return fillins.fill(text, self.titling.values)

    def above(self, row: Any) -> tuple[int, ...]:
        """The pages above one in the tree, from the top; none above a post."""
        return () if row.kind == "post" else tree.above(row.page_id, "", self.in_tree, {})

    def section(self, page: int, kind: str) -> str:
        """What the page at the top above one is called; nothing for one that is at the top itself."""
        above = tree.above(page, kind, self.parents, self.lists)
        return self.filled(self.names[above[0]]) if above else ""

    def title(self, row: Any) -> str:
        """The title of a page; ``row`` has its id, kind, path, title and own title."""
        page, own = self.filled(row.title), self.filled(row.own_title)
        return titles.title_of(self.titling, row.path, page, self.section(row.page_id, row.kind), own)


class _Above(NamedTuple):
    page_id: int
    parent_id: int | None
    title: str
    kind: str


def naming_of(site: Site, now: datetime, pages: Iterable[Any]) -> Naming:
    """What the titles of some pages of a site's draft are made of at a moment; only those above them are read.

    Each of ``pages`` has its ``page_id``, ``parent_id``, ``title`` and ``kind``.
    """
    drafts = Revision.objects.in_draft_of(site)
    lists = {kind: first for kind in tree.LISTED_BY.values() if (first := _first_of(drafts, kind))}
    rows = {row.page_id: row for row in lists.values()}
    rows |= {page.page_id: _Above(page.page_id, page.parent_id, page.title, page.kind) for page in pages}
    for _ in range(tree.MOST_LEVELS):
        wanted = {row.parent_id for row in rows.values() if row.parent_id} - rows.keys()
        above = drafts.filter(page_id__in=wanted).values_list(*_Above._fields) if wanted else ()
        found = {row.page_id: row for row in map(_Above._make, above)}
        if not found:
            break
        rows |= found
    return Naming(
        titling(site.facts, values_at(site, now)),
        {page: row.title for page, row in rows.items()},
        {page: row.parent_id for page, row in rows.items()},
        {page: row.parent_id for page, row in rows.items() if row.kind != "post"},
        {kind: row.page_id for kind, row in lists.items()},
    )


def _first_of(drafts: RevisionQuerySet, kind: str) -> _Above | None:
    """Of several of a kind the first by its address counts, as on the pages themselves."""
    row = drafts.filter(kind=kind).order_by("path").values_list(*_Above._fields).first()
    return _Above(*row) if row else None


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
    site: Site, base: str, revision: Revision, named: _Named, was_live: bool, above: Sequence[int], now: datetime
) -> dict[str, Any]:
    return {
        **columns_of(revision),
        "id": revision.page_id,
        "shown_title": named.shown,
        "tab_title": named.tab,
        "state": _state(revision, was_live, site.facts.time_zone, now),
        "address": address(base, revision.path),
        "depth": len(above),
        "above": above,
    }


def page_row(site: Site, revision: Revision, now: datetime) -> dict[str, Any]:
    """One page, with its computed title, its address and its state: live, held back until its day, changed or new.

    Its title is asked of the renderer, which reads no more pages than those above it.
    """
    was_live = Revision.objects.leaving(site.pk).in_language_of(site).filter(page_id=revision.page_id).exists()
    state = draft_of(site)
    frame, page = Frame(state, now), state.page(revision.path)
    tab = title_of(frame, page) if page else ""
    named = _Named(frame.filled(revision.title), tab)
    above = naming_of(site, now, [revision]).above(revision)
    return _row(site, base_of(site), revision, named, was_live, above, now)


_MOST_TEXTS = 5_000
"""Of a site with more pages, texts are not looked through: that would take longer than a person waits."""


@dataclass(frozen=True)
class Wanted:
    """Which part of a list is asked for: ``count`` pages from number ``start`` on (0 is the first).

    With ``around`` it begins so that this page is in it, and ``start`` says nothing. ``sought`` are words that a title
    or an address has, or a text, ``in_texts``; ``parents_only`` leaves those below which others can stand,
    ``leaving_out`` those that don't show all that pages share.
    """

    start: int = 0
    count: int = 200
    around: int | None = None
    sought: str = ""
    in_texts: bool = False
    parents_only: bool = False
    leaving_out: bool = False


@dataclass(frozen=True)
class PageWindow:
    """A part of a list: the number of its first page, its rows, and how many pages the whole list has."""

    start: int
    rows: Sequence[dict[str, Any]]
    count: int


def _listed(site: Site, wanted: Wanted, values: fillins.Values) -> RevisionQuerySet:
    """The pages that are asked for, in the order of the tree, then the posts, newest first."""
    drafts: RevisionQuerySet = Revision.objects.in_draft_of(site).order_by("place")
    if wanted.parents_only:
        drafts = drafts.filter(kind="page").exclude(path="/")
    if wanted.leaving_out:
        drafts = drafts.exclude(left_out=[])
    texts = ("text__body",) if wanted.in_texts and drafts.count() <= _MOST_TEXTS else ()
    return sought_in(drafts, wanted.sought, ("title", "path", *texts), values)


def sought_in(drafts: RevisionQuerySet, sought: str, fields: Sequence[str], values: fillins.Values) -> RevisionQuerySet:
    """The pages of which one of some fields has the words that are sought; all of them where none are."""
    sought = sought.strip()
    if not sought:
        return drafts
    # Databases fold small and capital letters of all scripts only in patterns, which takes them ten times as long.
    how, what = ("icontains", sought) if sought.isascii() else ("iregex", re.escape(sought))
    fits = reduce(or_, (Q(**{f"{name}__{how}": what}) for name in fields))
    # Few texts have fill-ins; what those say is known when they are filled.
    filling = drafts.filter(reduce(or_, (Q(**{f"{name}__contains": "{"}) for name in fields)))
    said = [
        pk
        for pk, *texts in filling.values_list("pk", *fields)
        if any(sought.casefold() in fillins.fill(text, values).casefold() for text in texts)
    ]
    return drafts.filter(fits | Q(pk__in=said))


def page_window(site: Site, wanted: Wanted, now: datetime) -> PageWindow:
    """A part of the list of pages: the tree in its order first, then the posts, newest first."""
    listed = _listed(site, wanted, values_at(site, now))
    start = wanted.start
    if wanted.around is not None:
        place = listed.filter(page_id=wanted.around).values_list("place", flat=True).first()
        before = listed.filter(place__lt=place).count() if place is not None else 0
        start = before - before % wanted.count
    if wanted.sought.strip():
        # To look through all titles takes long enough once.
        pages = list(listed.values_list("pk", flat=True))
        part, count = Revision.objects.filter(pk__in=pages[start : start + wanted.count]).order_by("place"), len(pages)
    else:
        part, count = listed[start : start + wanted.count], listed.count()
    return PageWindow(start, _rows(site, list(part), now), count)


def _rows(site: Site, revisions: Sequence[Revision], now: datetime) -> list[dict[str, Any]]:
    naming, base = naming_of(site, now, revisions), base_of(site)
    pages = [revision.page_id for revision in revisions]
    leaving = Revision.objects.leaving(site.pk).in_language_of(site).filter(page_id__in=pages)
    were_live = set(leaving.values_list("page_id", flat=True))
    return [
        _row(
            site,
            base,
            revision,
            _Named(naming.filled(revision.title), naming.title(revision)),
            revision.page_id in were_live,
            naming.above(revision),
            now,
        )
        for revision in revisions
    ]


def steps_of(site: Site, revision: Revision) -> dict[Way, bool]:
    """Which steps a page can take within the tree, found from its place alone."""
    drafts = Revision.objects.in_draft_of(site)
    place = drafts.filter(page_id=revision.page_id).values_list("place", flat=True).first()
    if place is None or revision.kind == "post":
        return dict.fromkeys(WAYS, False)
    before = drafts.filter(place__lt=place).order_by("-place").values_list("place", flat=True).first()
    after = drafts.filter(place__gte=tree_keys.past_below(place)).order_by("place").values_list("place", flat=True)
    earlier = tree_keys.sibling(place, before) if before else None
    later = tree_keys.sibling(place, next(iter(after[:1]), ""))
    above_it = drafts.filter(place=earlier).values_list("path", flat=True).first() if earlier else None
    into = above_it is not None and may_hold(above_it)
    return {"up": earlier is not None, "down": later is not None, "into": into, "out": bool(tree_keys.above(place))}
