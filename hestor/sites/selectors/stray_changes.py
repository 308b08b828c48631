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
from hestor.sites.selectors.consistency import Sweeping, house_of, is_told, of_facts, strays_on
from hestor.sites.selectors.states import live_edition
from hestor.sites.selectors.unlinked import unlinked_edition

MOST_PAGES = 500
"""Of a site with more, only the pages that change are compared."""
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


def _of_edition(site: Site, edition: Edition, revisions: Iterable[Revision], now: datetime) -> Iterator[OwnStray]:
    yield from own_texts.by_themselves(Revision.objects.in_edition_of(site.pk, edition.number))
    state, pages = unlinked_edition(site, edition)
    renderer, house = Renderer(state, now), house_of(site, edition.facts)
    yield from of_facts(edition.facts, house)
    for revision in revisions:
        yield from filter(is_told, strays_on(renderer, pages, revision, house))


def _edition_key(site: Site, edition: Edition, pages: RevisionQuerySet, now: datetime) -> tuple[Any, ...]:
    day = zones.day_in(edition.facts.time_zone, now)
    return edition.pk, day, *address_key(site), tuple(pages.order_by("pk").values_list("pk", flat=True))


_SAID: LRUCache[Any, Counter[Said]] = LRUCache(16)


# What was published stays as it is, and whoever reviews a change looks at it more than once.
@cached(_SAID, key=_edition_key, lock=Lock())
def said_by(site: Site, edition: Edition, pages: RevisionQuerySet, now: datetime) -> Counter[Said]:
    """How often pages of an edition say what strays."""
    return Counter(map(_said, _of_edition(site, edition, pages.order_by("path"), now)))


def clear_caches() -> None:
    """Forgets what editions say, as after another database was put in place."""
    _SAID.clear()


def pages_of(edition: Edition) -> RevisionQuerySet:
    """All pages of an edition, as they are compared."""
    return Revision.objects.in_edition_of(edition.site_id, edition.number).select_related("text", "page")


def changes_of(site: Site, now: datetime) -> StrayChanges:
    """The draft's strays beside those of the live edition; in a first one all are new."""
    edition = live_edition(site)
    if edition is None:
        return StrayChanges(_of_first(site, now), 0, True)
    live = pages_of(edition)
    same_facts = edition.facts == site.facts
    is_whole = live.count() <= MOST_PAGES
    changed = live.filter(in_draft=False)
    compared = changed if same_facts or not is_whole else live
    sweeping = Sweeping(site, now)
    sweeping.run()
    pages = set(compared.values_list("page_id", flat=True))
    before = said_by(site, edition, compared, now)
    live_pages = set(live.values_list("page_id", flat=True))
    # What texts say by themselves is read on every page, on both sides.
    by_themselves = set(map(_said, own_texts.by_themselves(Revision.objects.in_draft_of(site.pk))))
    compares = pages | {0}
    concerned = [
        stray
        for stray in sweeping.strays()
        if stray.page_id in compares or stray.page_id not in live_pages or _said(stray) in by_themselves
    ]
    made = _beyond([one for one in concerned if _is_of_texts(one)], before)
    after = Counter(map(_said, concerned))
    return StrayChanges(tuple(made), sum((before - after).values()), is_whole or same_facts)


def _of_first(site: Site, now: datetime) -> tuple[OwnStray, ...]:
    sweeping = Sweeping(site, now)
    sweeping.run()
    return tuple(stray for stray in sweeping.strays() if _is_of_texts(stray))


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
