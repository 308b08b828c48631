"""Groups of like pages in a draft: one page of each group stands for all when reach is found.

A page's own signature says what its own text shows. Pages that name other pages, in a list below them or in the
trail above them, also show what those pages' names and descriptions show; that is added here.
"""

from collections import Counter
from collections.abc import Iterable, Iterator, Sequence
from dataclasses import dataclass
from threading import Lock
from typing import Any, NamedTuple

from cachetools import LRUCache, cached
from django.db.models import Count, Min

from hestor.core.pages import signature
from hestor.core.pages.descriptions import DESCRIBED_BY
from hestor.core.pages.pagination import POSTS_A_PAGE, page_path
from hestor.core.pages.signature import Signature
from hestor.sites.models import Revision, RevisionQuerySet, Site
from hestor.sites.selectors.addresses import key_of_pages

Teasers = frozenset[tuple[Any, ...]]


@dataclass(frozen=True)
class Group:
    """Pages that show the same facts in the same places: the address of one, and how many there are.

    ``children`` are the addresses of pages below that one which between them show all that those below it show.
    """

    path: str
    count: int
    children: tuple[str, ...] = ()


class _Alike(NamedTuple):
    """Pages of one signature: how many those are, and the first of their addresses."""

    signature: str
    pages: int
    first: str

    @property
    def traits(self) -> Signature:
        return signature.parse(self.signature)


def _counted(draft: RevisionQuerySet) -> list[_Alike]:
    """All pages by their signatures, read from an index alone."""
    counted = draft.values("signature").annotate(count=Count("pk"), first=Min("path"))
    alike = [_Alike(*row) for row in counted.values_list("signature", "count", "first")]
    # The not-found page is no page of its own, but a place that the site has once.
    return [one for one in alike if one.traits.kind != "not_found"]


def _plain(draft: RevisionQuerySet, counted: Sequence[_Alike], apart: set[int]) -> Iterator[Group]:
    """Pages that name no others, counted by their own signature."""
    special = Counter(draft.filter(page_id__in=apart).values_list("signature", flat=True))
    for text, count, first in counted:
        if count <= special[text]:
            continue
        rest = draft.filter(signature=text).exclude(page_id__in=apart).values_list("path", flat=True)
        yield Group((rest.first() or first) if special[text] else first, count - special[text])


def _teasers(draft: RevisionQuerySet) -> dict[int, dict[tuple[Any, ...], str]]:
    """For each page with others below it: what their teasers show, and the address of one that shows it."""
    teasers: dict[int, dict[tuple[Any, ...], str]] = {}
    rows = (
        draft.filter(kind="page", parent__isnull=False)
        .values("parent_id", "signature")
        .annotate(first=Min("path"))
        .values_list("parent_id", "signature", "first")
    )
    for parent, text, first in rows:
        teasers.setdefault(parent, {}).setdefault(signature.parse(text).teaser, first)
    return teasers


def _named(title_fills: Iterable[str]) -> str:
    return "+".join(sorted({name for fills in title_fills for name in fills.split("+") if name}))


def _above(draft: RevisionQuerySet) -> Iterator[tuple[int, set[int]]]:
    """Each page that is no post, with all those above it."""
    parents = dict(draft.exclude(kind="post").values_list("page_id", "parent_id"))
    for page in parents:
        above, seen = parents[page], set()
        while above is not None and above in parents and above not in seen:
            seen.add(above)
            above = parents[above]
        yield page, seen


def _beside(draft: RevisionQuerySet) -> Iterator[tuple[int, set[int]]]:
    """Each post, with the list above it and the posts just newer and older."""
    news = set(draft.filter(kind="news").order_by("path").values_list("page_id", flat=True)[:1])
    posts = list(draft.filter(kind="post").order_by("-published", "path").values_list("page_id", flat=True))
    for at, post in enumerate(posts):
        yield post, {*news, *posts[max(0, at - 1) : at], *posts[at + 1 : at + 2]}


def _named_pages(draft: RevisionQuerySet, counted: Sequence[_Alike]) -> dict[int, str]:
    """For each page that names others around its text: the fill-ins in their titles.

    Hardly any site has fill-ins in titles, so as a rule nothing more is read.
    """
    filling = {one.signature: one.traits.title_fills for one in counted if one.traits.title_fills}
    rows = draft.filter(signature__in=filling).values_list("page_id", "signature")
    titled = {page: filling[text] for page, text in rows}
    around = (*_above(draft), *_beside(draft)) if titled else ()
    named_pages = ((page, _named(titled[one] for one in named if one in titled)) for page, named in around)
    return {page: fills for page, fills in named_pages if fills}


def _with_others(draft: RevisionQuerySet, teasers: Any, named: dict[int, str], apart: set[int]) -> Iterator[Group]:
    """Pages that name others, by their own signature and by what those others' names show."""
    groups: dict[tuple[Any, ...], list[tuple[str, int]]] = {}
    for page, path, text in (
        draft.filter(page_id__in=apart).exclude(kind="not_found").values_list("page_id", "path", "signature")
    ):
        key = (text, frozenset(teasers.get(page, {})), named.get(page, ""))
        groups.setdefault(key, []).append((path, page))
    for group in groups.values():
        path, page = group[0]
        yield Group(path, len(group), tuple(teasers.get(page, {}).values()))


def _teasers_of_posts(draft: RevisionQuerySet, counted: Sequence[_Alike]) -> list[tuple[Any, ...]]:
    """What the teaser of each post shows, the newest first; where all show the same, no post is read."""
    known = {one.signature: one.traits.teaser for one in counted if one.traits.kind == "post"}
    if len(set(known.values())) == 1:
        return [*known.values()][:1] * sum(one.pages for one in counted if one.signature in known)
    posts = draft.filter(kind="post").order_by("-published", "path").values_list("signature", flat=True)
    return [known[text] for text in posts]


def _numbered(draft: RevisionQuerySet, counted: Sequence[_Alike]) -> Iterator[Group]:
    """The numbered pages of the news list, by what the posts on them show."""
    news = draft.filter(kind="news").order_by("path").values_list("path", flat=True).first()
    if news is None:
        return
    posts = _teasers_of_posts(draft, counted)
    groups: dict[tuple[Teasers, Any], list[int]] = {}
    for start in range(POSTS_A_PAGE, len(posts), POSTS_A_PAGE):
        shown = posts[start : start + POSTS_A_PAGE]
        # The first ones also describe the page.
        groups.setdefault((frozenset(shown), tuple(shown[:DESCRIBED_BY])), []).append(start // POSTS_A_PAGE + 1)
    for numbers in groups.values():
        yield Group(page_path(news, numbers[0]), len(numbers))


_GROUPS: LRUCache[Any, tuple[Group, ...]] = LRUCache(200)


# The number of writes to a site's pages stands for the pages, so what is cached never goes stale.
@cached(_GROUPS, key=key_of_pages, lock=Lock())
def _groups(site: Site) -> tuple[Group, ...]:
    draft = Revision.objects.in_draft_of(site)
    counted, teasers = _counted(draft), _teasers(draft)
    named = _named_pages(draft, counted)
    apart = set(teasers) | set(named) | set(draft.filter(kind="news").values_list("page_id", flat=True))
    return (
        *_plain(draft, counted, apart),
        *_with_others(draft, teasers, named, apart),
        *_numbered(draft, counted),
    )


def groups_of(site: Site) -> tuple[Group, ...]:
    """The groups of like pages in a site's draft."""
    return _groups(site)


def clear_caches() -> None:
    """Empties the cache, as after another database was put in place."""
    _GROUPS.clear()
