"""Keeping the places of a draft's pages, by which lists come in the order of the tree without reading all of it."""

from collections.abc import Collection, Iterable, Mapping
from datetime import date
from typing import NamedTuple

from hestor.core.pages import tree_keys
from hestor.sites.models import Revision, RevisionQuerySet

_AT_ONCE = 500
_MOST = 5_000
"""As many pages are put in order one by one; of more all are."""


class _Row(NamedTuple):
    pk: int
    page_id: int
    parent_id: int | None
    order: int
    path: str
    kind: str
    published: date | None
    place: str


def _rows(drafts: RevisionQuerySet) -> Iterable[_Row]:
    return (_Row(*row) for row in drafts.values_list(*_Row._fields))


def _write(places: Mapping[int, str]) -> None:
    revisions = [Revision(pk=pk, place=place) for pk, place in places.items()]
    Revision.objects.bulk_update(revisions, ["place"], batch_size=_AT_ONCE)


def _put(rows: Collection[_Row], known: Mapping[int, str]) -> dict[int, str]:
    """Writes the places of pages that have others; gives those by page."""
    places = tree_keys.keys_of(rows, known)
    changed = [row for row in rows if places[row.page_id] != row.place]
    _write({row.pk: places[row.page_id] for row in changed})
    return {row.page_id: places[row.page_id] for row in changed}


def put_in_order(site_id: int, pages: Collection[int]) -> None:
    """Gives pages their places that came into a draft, changed there or left it, and all that stand below them.

    Each language has a tree of its own. It is called within the transaction that changed them.
    """
    written = Revision.objects.filter(site_id=site_id)
    written = written if len(pages) > _MOST else written.filter(page_id__in=pages)
    for language in written.order_by().values_list("language", flat=True).distinct():
        _put_tree_in_order(Revision.objects.in_whole_draft_of(site_id).filter(language=language), pages)


def _put_tree_in_order(drafts: RevisionQuerySet, pages: Collection[int]) -> None:
    if len(pages) > _MOST:
        _put(list(_rows(drafts)), {})
        return
    # Those below a page that left come to the top.
    left = set(pages) - set(drafts.filter(page_id__in=pages).values_list("page_id", flat=True))
    rows = list(_rows(drafts.filter(page_id__in=pages) | drafts.filter(parent_id__in=left)))
    while rows:
        above = {row.parent_id for row in rows if row.parent_id} - {row.page_id for row in rows}
        known = dict(drafts.filter(page_id__in=above).exclude(kind="post").values_list("page_id", "place"))
        moved = _put(rows, known)
        rows = list(_rows(drafts.filter(parent_id__in=moved).exclude(kind="post").exclude(page_id__in=moved)))
