"""Which strays publishing the draft would bring before visitors, and which it would end."""

from collections import Counter
from collections.abc import Iterable, Iterator, Sequence
from dataclasses import dataclass
from datetime import datetime
from threading import Lock
from typing import Any

from cachetools import LRUCache, cached

from hestor.core import zones
from hestor.core.sweep import detectors
from hestor.core.sweep.own import OwnStray
from hestor.rendering import Renderer
from hestor.sites.models import Edition, Revision, RevisionQuerySet, Site
from hestor.sites.selectors import own_texts
from hestor.sites.selectors.addresses import address_key
from hestor.sites.selectors.consistency import Sweeping, house_of, is_told, left_out, of_facts, strays_on
from hestor.sites.selectors.states import live_edition
from hestor.sites.selectors.unlinked import unlinked_draft, unlinked_edition

MOST_PAGES = 500
"""Of a site with more, only so many of the pages that change are compared."""
Said = tuple[str, int, str, str]


@dataclass(frozen=True)
class StrayChanges:
    """The strays that come, and how many go; ``is_whole``: whether all pages were compared."""

    made: tuple[OwnStray, ...]
    ended: int
    is_whole: bool


def _said(stray: OwnStray) -> Said:
    """What a stray says, whatever it should say."""
    return stray.kind, stray.page_id, stray.field, stray.says


def _of_edition(
    site: Site, edition: Edition, revisions: Iterable[Revision], now: datetime, read: RevisionQuerySet | None = None
) -> Iterator[OwnStray]:
    """The strays of some pages of an edition and of its facts.

    What texts say by themselves is looked for in all of them, or in those of the pages that are ``read``.
    """
    yield from own_texts.by_themselves(Revision.objects.in_edition_of(site, edition.number), read)
    state, pages = unlinked_edition(site, edition)
    facts = edition.facts_in(site.language)
    renderer, house = Renderer(state, now), house_of(site, facts)
    yield from of_facts(facts, house)
    for revision in revisions:
        yield from filter(is_told, strays_on(renderer, pages, revision, house))


def _edition_key(site: Site, edition: Edition, pages: RevisionQuerySet, now: datetime) -> tuple[Any, ...]:
    day = zones.day_in(edition.facts.time_zone, now)
    return edition.pk, day, *address_key(site), tuple(pages.order_by("pk").values_list("pk", flat=True))


_SAID: LRUCache[Any, Counter[Said]] = LRUCache(16)


# What was published stays as it is, and a change is looked at more than once in a review.
@cached(_SAID, key=_edition_key, lock=Lock())
def said_by(site: Site, edition: Edition, pages: RevisionQuerySet, now: datetime) -> Counter[Said]:
    """How often pages of an edition say what strays."""
    return Counter(map(_said, _of_edition(site, edition, pages.order_by("path"), now)))


def clear_caches() -> None:
    """Forgets what editions say, as after another database was put in place."""
    _SAID.clear()


def pages_of(site: Site, edition: Edition) -> RevisionQuerySet:
    """All pages of an edition, as they are compared."""
    return Revision.objects.in_edition_of(site, edition.number).select_related("text", "page")


def changes_of(site: Site, now: datetime) -> StrayChanges:
    """The draft's strays beside those of the live edition; in a first one all are new."""
    edition = live_edition(site)
    drafts = Revision.objects.in_draft_of(site)
    if drafts.count() > MOST_PAGES:
        return _of_changed_pages(site, edition, now)
    sweeping = Sweeping(site, now)
    sweeping.run()
    if edition is None:
        return StrayChanges(tuple(filter(_is_of_texts, sweeping.strays())), 0, True)
    live = pages_of(site, edition)
    compared = live.filter(in_draft=False) if edition.facts_in(site.language) == site.facts else live
    pages = set(compared.values_list("page_id", flat=True))
    before = said_by(site, edition, compared, now)
    live_pages = set(live.values_list("page_id", flat=True))
    # What texts say by themselves is read on every page, on both sides.
    by_themselves = set(map(_said, own_texts.by_themselves(drafts)))
    compares = pages | {0}
    concerned = [
        stray
        for stray in sweeping.strays()
        if stray.page_id in compares or stray.page_id not in live_pages or _said(stray) in by_themselves
    ]
    return _between(concerned, before, True)


def _of_changed_pages(site: Site, edition: Edition | None, now: datetime) -> StrayChanges:
    """The same of a large site: of its changed pages alone, and of no more than a person waits for."""
    come = (
        Revision.objects.coming(site.pk)
        .in_language_of(site)
        .select_related("text", "page")
        .order_by("path")[:MOST_PAGES]
    )
    after = list(_of_draft(site, come, now))
    if edition is None:
        return StrayChanges(tuple(filter(_is_of_texts, after)), 0, False)
    gone = (
        Revision.objects.leaving(site.pk)
        .in_language_of(site)
        .values_list("pk", flat=True)
        .order_by("path")[:MOST_PAGES]
    )
    live = Revision.objects.filter(pk__in=list(gone)).select_related("text", "page")
    return _between(after, Counter(map(_said, _of_edition(site, edition, live, now, live))), False)


def _between(after: Sequence[OwnStray], before: Counter[Said], is_whole: bool) -> StrayChanges:
    made = _beyond([one for one in after if _is_of_texts(one)], before)
    return StrayChanges(tuple(made), sum((before - Counter(map(_said, after))).values()), is_whole)


def _of_draft(site: Site, revisions: RevisionQuerySet, now: datetime) -> Iterator[OwnStray]:
    """The strays of some pages of the draft, and of its facts."""
    state, pages = unlinked_draft(site)
    renderer, house = Renderer(state, now), house_of(site)
    yield from of_facts(site.facts, house)
    read = Revision.objects.filter(pk__in=[one.pk for one in revisions])
    yield from own_texts.by_themselves(Revision.objects.in_draft_of(site), read)
    for revision in revisions:
        yield from filter(is_told, strays_on(renderer, pages, revision, house))
        yield from left_out(revision)


def _is_of_texts(stray: OwnStray) -> bool:
    """Whether a stray is one of a text, which the review tells of; of what leads nowhere, fill-ins are."""
    return stray.kind in detectors.TEXT_KINDS or (stray.kind == "link_broken" and stray.says.startswith("{next:"))


def _beyond(strays: Sequence[OwnStray], before: Counter[Said]) -> Iterator[OwnStray]:
    left = before.copy()
    for stray in strays:
        if left[_said(stray)] > 0:
            left[_said(stray)] -= 1
        else:
            yield stray
