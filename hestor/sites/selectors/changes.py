"""The draft against the live edition."""

from collections.abc import Callable, Iterable, Sequence
from dataclasses import dataclass

from hestor.core.changes import Change, fact_change, shown_on
from hestor.core.facts import document
from hestor.sites.models import Edition, Revision, Site
from hestor.sites.selectors.page_diff import PageDiff
from hestor.sites.selectors.reach import ReachFinder
from hestor.sites.selectors.states import draft_of, live_edition


def fact_changes(site: Site, live: Edition | None, keys: Iterable[str] | None = None) -> tuple[Change, ...]:
    """The facts that differ, or some of them, each with where its new value shows.

    Before the first edition it is told where each of them lands.
    """
    draft, before = site.facts, live.facts_in(site.language) if live else None
    finder = ReachFinder(site, draft)
    return tuple(
        fact_change(key, before, draft, finder.of_value(key, getattr(before, key)) if before else finder.of_fact(key))
        for key in (document.differing(before, draft) if keys is None else keys)
    )


def page_diff(site: Site) -> PageDiff:
    """The pages in which the draft differs from the live edition."""
    return PageDiff(Revision.objects.leaving(site.pk), Revision.objects.coming(site.pk))


@dataclass(frozen=True)
class ChangeWindow:
    """A part of what the draft says otherwise: its changes, and how many there are in all."""

    changes: tuple[Change, ...]
    count: int


def windowed(
    keys: Sequence[str],
    told: Callable[[Sequence[str]], tuple[Change, ...]],
    diff: PageDiff,
    start: int,
    count: int | None,
) -> ChangeWindow:
    """A part of the facts of some keys, as they are ``told``, and of the pages that come after them."""
    facts = told(keys[start:][:count])
    pages = diff.window(max(0, start - len(keys)), None if count is None else count - len(facts))
    return ChangeWindow(facts + pages, len(keys) + diff.count())


def change_window(site: Site, start: int = 0, count: int | None = None) -> ChangeWindow:
    """What the draft says otherwise than the live edition, from number ``start`` on: facts first, then pages.

    Only facts that are in it are looked for in the pages.
    """
    live = live_edition(site)
    keys = document.differing(live.facts_in(site.language) if live else None, site.facts)
    return windowed(keys, lambda some: fact_changes(site, live, some), page_diff(site), start, count)


def changes_of(site: Site) -> tuple[Change, ...]:
    """All that the draft says otherwise than the live edition, with the reach of each difference."""
    return change_window(site).changes


def page_shown(site: Site, unchanged: bool = False) -> str:
    """The page of the draft on which facts are looked at; one that is no change itself, if that is asked for."""
    menu = [entry.path for entry in draft_of(site).menu()]
    coming = Revision.objects.coming(site.pk).filter(path__in=menu) if unchanged else Revision.objects.none()
    return shown_on(menu, set(coming.values_list("path", flat=True)))


def count_changes(site: Site, live: Edition | None) -> tuple[tuple[str, ...], int]:
    """The keys of the changed facts, and the number of changed pages."""
    keys = document.differing(live.facts_in(site.language) if live else None, site.facts)
    return keys, page_diff(site).count()
