"""Publishing without some of the changes: which states of pages stay as they are, and whether the rest goes together.

A held change stays in the draft, and visitors go on seeing what was before it.
"""

from collections.abc import Collection, Iterator
from dataclasses import dataclass

from hestor.core.changes import Change
from hestor.core.errors import InvalidInput, Problem
from hestor.core.facts.document import Facts
from hestor.sites.models import Edition, Revision, RevisionQuerySet, Site
from hestor.sites.selectors.changes import page_diff
from hestor.sites.selectors.page_diff import PageDiff

Key = tuple[str, str]
"""The kind and the key of a change."""
_MOST = 2_000


@dataclass(frozen=True)
class HeldBack:
    """What of a draft is not published: facts by key, pages by number."""

    facts: frozenset[str] = frozenset()
    pages: frozenset[int] = frozenset()

    def leaving(self, site: Site) -> RevisionQuerySet:
        """The live states that the next edition has no more."""
        return Revision.objects.leaving(site.pk).exclude(page_id__in=self.pages)

    def coming(self, site: Site) -> RevisionQuerySet:
        """The draft's states that the next edition has for the first time."""
        return Revision.objects.coming(site.pk).exclude(page_id__in=self.pages)

    def diff(self, site: Site) -> PageDiff:
        """The pages in which the next edition differs from the live one."""
        return PageDiff(self.leaving(site), self.coming(site))

    def facts_of(self, site: Site, live: Edition | None) -> Facts:
        """The facts that the next edition says."""
        if live is None or not self.facts:
            return site.said
        return site.said.model_copy(update={key: getattr(live.said, key) for key in self.facts})


NOTHING_HELD = HeldBack()


def split(
    site: Site, facts: Collection[Change], held: Collection[Key]
) -> tuple[tuple[Change, ...], tuple[Change, ...]]:
    """The changes of ``facts`` that are published, and all those that are held back, of pages too.

    Raises InvalidInput for one that there is not.
    """
    wanted = set(held)
    if len(wanted) > _MOST:
        raise InvalidInput([Problem("held_back", "held_unknown")])
    held_facts = tuple(change for change in facts if (change.kind, change.key) in wanted)
    kept = held_facts + (page_diff(site).named(wanted) if wanted else ())
    if len(kept) < len(wanted):
        raise InvalidInput([Problem("held_back", "held_unknown")])
    return tuple(change for change in facts if change not in held_facts), kept


def _pages(site: Site, held: Collection[Change]) -> frozenset[int]:
    now = {change.key for change in held if change.kind in ("page_added", "page_changed")}
    gone = {change.key for change in held if change.kind == "page_removed"}
    coming = Revision.objects.coming(site.pk)
    leaving = Revision.objects.leaving(site.pk).filter(path__in=gone).exclude(page_id__in=coming.values("page_id"))
    both = (states.values_list("page_id", flat=True) for states in (coming.filter(path__in=now), leaving))
    return frozenset({*next(both), *next(both)})


def held_back(site: Site, live: Edition | None, held: Collection[Change]) -> HeldBack:
    """What holding these changes back leaves as it is. Raises InvalidInput where the rest can't go without them."""
    if not held:
        return NOTHING_HELD
    found = HeldBack(frozenset(change.key for change in held if change.kind == "fact"), _pages(site, held))
    problems = [*_first_edition(live, held), *_same_address(site, found), *_below(site, found)]
    if problems:
        raise InvalidInput(problems[:5])
    return found


def _first_edition(live: Edition | None, held: Collection[Change]) -> Iterator[Problem]:
    if live is None and any(change.kind == "fact" or change.key == "/" for change in held):
        yield Problem("held_back", "held_first")


def _same_address(site: Site, held: HeldBack) -> Iterator[Problem]:
    """Where one page took the address of another, both changes go together."""
    stays = Revision.objects.leaving(site.pk).filter(page_id__in=held.pages).values_list("path", flat=True)
    for path in held.coming(site).filter(path__in=stays).values_list("path", flat=True):
        yield Problem("held_back", "held_address", {"path": path})


def _below(site: Site, held: HeldBack) -> Iterator[Problem]:
    """A page can't stand below one that visitors don't see."""
    live = Revision.objects.leaving(site.pk).filter(page_id__in=held.pages)
    only_drafts = held.pages - set(live.values_list("page_id", flat=True))
    for title in held.coming(site).filter(parent_id__in=only_drafts).values_list("title", flat=True):
        yield Problem("held_back", "held_below", {"title": title})
    drafts = Revision.objects.in_whole_draft_of(site.pk).values("page_id")
    removed = set(held.leaving(site).exclude(page_id__in=drafts).values_list("page_id", flat=True))
    for title in live.filter(parent_id__in=removed).values_list("title", flat=True):
        yield Problem("held_back", "held_below", {"title": title})
