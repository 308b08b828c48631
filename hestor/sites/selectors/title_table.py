"""The table of titles and descriptions of a draft: every page, with what is amiss over all of them."""

from collections import Counter
from collections.abc import Mapping, Sequence
from datetime import datetime
from threading import Lock
from typing import Any, NamedTuple

from cachetools import LRUCache, cached

from hestor.core import zones
from hestor.core.dates import patterns
from hestor.core.facts import clock
from hestor.core.pages import descriptions, tree
from hestor.core.pages.faults import KINDS, House, Kind, NamedPage, Row, rows_of
from hestor.core.text import markdown
from hestor.sites.models import Edition, Revision, Site
from hestor.sites.selectors.page_list import Naming, naming_of


class _Found(NamedTuple):
    page_id: int
    parent_id: int | None
    order: int
    path: str
    kind: str
    published: Any
    title: str
    own_title: str
    menu_title: str
    summary: str
    text__excerpt: str


def former_names(site: Site) -> tuple[str, ...]:
    """The names that the site had in earlier editions and has no more, the newest first."""
    names = Edition.objects.filter(site=site).order_by("-number").values_list("facts_document__name", flat=True)
    return tuple(dict.fromkeys(name for name in names if name and name != site.facts.name))


def _named(naming: Naming, found: _Found) -> NamedPage:
    return NamedPage(
        found.page_id,
        found.path,
        found.title,
        found.own_title,
        found.menu_title,
        found.summary,
        markdown.filled_plain(found.text__excerpt, naming.titling.values),
        naming.section(found.page_id, found.kind),
        found.published,
    )


_TABLES: LRUCache[Any, tuple[Row, ...]] = LRUCache(8)
_COUNTS: LRUCache[Any, Mapping[Kind, tuple[int, int]]] = LRUCache(8)


def _key(site: Site, now: datetime) -> tuple[Any, ...]:
    return (site.pk, site.pages_revision, site.facts.model_dump_json(), zones.day_in(site.facts.time_zone, now))


# The number of writes to a site's pages stands for the pages, so what is cached never goes stale.
@cached(_TABLES, key=_key, lock=Lock())
def table_of(site: Site, now: datetime) -> tuple[Row, ...]:
    """All pages of the draft in the order of the tree, then the posts, newest first."""
    naming = naming_of(site, now)
    drafts = Revision.objects.in_draft_of(site.pk).exclude(kind="not_found")
    rows = [_Found(*row) for row in drafts.values_list(*_Found._fields)]
    posts = [row for row in rows if row.kind == "post"]
    placed = [row for row, _ in tree.walk(tree.nested([row for row in rows if row.kind != "post"]))]
    posts.sort(key=lambda row: (str(row.published or ""), row.path), reverse=True)
    listed = descriptions.of_list(naming.filled(row.title) for row in posts)
    placed = [row._replace(text__excerpt=row.text__excerpt or listed) if row.kind == "news" else row for row in placed]
    facts, form = site.facts, clock.short_form(site.facts)
    house = House(
        naming.titling,
        facts.description,
        former_names(site),
        lambda day: patterns.format_day(day, form, facts.language),
    )
    return rows_of([_named(naming, row) for row in (*placed, *posts)], house)


@cached(_COUNTS, key=_key, lock=Lock())
def counts_of(site: Site, now: datetime) -> Mapping[Kind, tuple[int, int]]:
    """On how many pages each fault is, and for how many of those there is a mend; only those that there are."""
    pages: Counter[Kind] = Counter()
    mends: Counter[Kind] = Counter()
    for row in table_of(site, now):
        for fault in row.faults:
            pages[fault.kind] += 1
            mends[fault.kind] += bool(fault.mend)
    return {kind: (pages[kind], mends[kind]) for kind in KINDS if pages[kind]}


def rows_for(site: Site, pages: Sequence[int], now: datetime) -> list[Row]:
    """The rows of some pages."""
    wanted = set(pages)
    return [row for row in table_of(site, now) if row.page.page_id in wanted]


def clear_caches() -> None:
    """Empties the cache, as after another database was put in place."""
    _TABLES.clear()
    _COUNTS.clear()
