"""The draft against the live edition."""

from collections.abc import Iterable

from hestor.core.changes import Change, PageState, fact_change, page_changes, shown_on
from hestor.core.facts import document
from hestor.sites.models import Edition, Revision, RevisionQuerySet, Site
from hestor.sites.selectors.reach import ReachFinder
from hestor.sites.selectors.states import draft_of, live_edition


def states_of(revisions: RevisionQuerySet) -> list[PageState]:
    """Pages as their changes are told."""
    return [PageState(*row) for row in revisions.values_list("page_id", "path", "title")]


def _fact_changes(site: Site, live: Edition | None) -> tuple[Change, ...]:
    """The facts that differ, each with where its new value shows; before the first edition, where it lands."""
    draft, before = site.facts, live.facts if live else None
    finder = ReachFinder(site, draft)
    return tuple(
        fact_change(key, before, draft, finder.of_value(key, getattr(before, key)) if before else finder.of_fact(key))
        for key in document.differing(before, draft)
    )


def changes_of(site: Site) -> tuple[Change, ...]:
    """What the draft says otherwise than the live edition, with the reach of each difference."""
    gone = states_of(Revision.objects.leaving(site.pk))
    come = states_of(Revision.objects.coming(site.pk))
    return _fact_changes(site, live_edition(site)) + page_changes(gone, come)


def page_shown(site: Site, changes: Iterable[Change] = ()) -> str:
    """The page of the draft on which facts are looked at, or those that ``changes`` changes."""
    return shown_on((entry.path for entry in draft_of(site).menu()), changes)


def count_changes(site: Site, live: Edition | None) -> tuple[tuple[str, ...], int]:
    """The keys of the changed facts, and the number of changed pages."""
    keys = document.differing(live.facts if live else None, site.facts)
    coming = Revision.objects.coming(site.pk).values_list("page_id", flat=True)
    leaving = Revision.objects.leaving(site.pk).values_list("page_id", flat=True)
    return keys, len(set(coming) | set(leaving))
