"""The pages in which two states of a site differ, a part of them at a time."""

from collections.abc import Collection
from heapq import merge
from itertools import islice

from django.db.models import Exists, OuterRef

from hestor.core.changes import Change, PageState, page_changes
from hestor.sites.models import RevisionQuerySet

_AT_ONCE = 5_000


def _states(revisions: RevisionQuerySet) -> list[PageState]:
    """Pages as their changes are told."""
    return [PageState(*row) for row in revisions.values_list("page_id", "path", "title")]


class PageDiff:
    """Pages that differ: states that are ``gone``, and those that came (``come``) in their place, or are new."""

    def __init__(self, gone: RevisionQuerySet, come: RevisionQuerySet) -> None:
        self._gone, self._come = gone, come
        # Without any other state of the same page.
        self._removed = gone.filter(~Exists(come.filter(page_id=OuterRef("page_id"))))

    def count(self) -> int:
        """How many pages differ."""
        return self._come.count() + self._removed.count()

    def window(self, start: int, count: int | None) -> tuple[Change, ...]:
        """``count`` changes, or all, from number ``start`` on, by the addresses that they are known by."""
        end = None if count is None else start + count
        paths = [states.order_by("path").values_list("path", "page_id")[:end] for states in (self._come, self._removed)]
        return self._of_pages({page for _, page in islice(merge(*paths), start, end)})

    def named(self, keys: Collection[tuple[str, str]]) -> tuple[Change, ...]:
        """Those that are known by a kind and an address."""
        paths = {path for _, path in keys}
        both = (
            states.filter(path__in=paths).values_list("page_id", flat=True) for states in (self._come, self._removed)
        )
        return tuple(one for one in self._of_pages({*next(both), *next(both)}) if (one.kind, one.key) in keys)

    def _of_pages(self, pages: Collection[int]) -> tuple[Change, ...]:
        return page_changes(_within(self._gone, pages), _within(self._come, pages))


def _within(states: RevisionQuerySet, pages: Collection[int]) -> list[PageState]:
    ordered = sorted(pages)
    parts = (ordered[first : first + _AT_ONCE] for first in range(0, len(ordered), _AT_ONCE))
    return [state for part in parts for state in _states(states.filter(page_id__in=part))]
