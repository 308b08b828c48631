"""Reach in a draft: two states of the facts are rendered on one page of each group of like pages, and compared."""

import hashlib
from collections.abc import Callable, Iterable, Mapping, Sequence
from datetime import UTC, datetime
from threading import Lock
from typing import Any

from cachetools import LRUCache, cached
from django.core.cache import caches
from propcache.api import cached_property

from hestor.core.facts import document
from hestor.core.facts.assets import PROBE_KEY
from hestor.core.facts.document import SPECS, Facts
from hestor.core.imaging.raster import Master
from hestor.core.pages.descriptions import DESCRIBED_BY
from hestor.core.places import reach
from hestor.core.places.all import FILE_PLACES
from hestor.core.places.definition import FilePlace, Source
from hestor.core.places.reach import NOWHERE, Reach, SiteReading
from hestor.core.rules import Value
from hestor.core.text import fillins, markdown
from hestor.rendering import Renderer, card
from hestor.rendering.state import Page
from hestor.sites.models import Site
from hestor.sites.selectors import groups
from hestor.sites.selectors.addresses import address_key, key_of_pages
from hestor.sites.selectors.groups import Group
from hestor.sites.selectors.one_date import with_one_date
from hestor.sites.selectors.samples import sample_message
from hestor.sites.selectors.states import StoredState, draft_of

# A moment at which it is another year east of the date line than in Greenwich, so that a clock shows in years.
MOMENT = datetime(2026, 12, 31, 12, tzinfo=UTC)
_STAND_IN = Master("svg", 300, 100, lambda: b"")


def _shows(post: Page) -> tuple[object, ...]:
    """The traits of a post that decide which facts show where it is listed, or whole in the feed."""
    plain = fillins.used(post.title), fillins.used(post.summary)
    compiled = markdown.fills_in(post.excerpt), markdown.fills_in(post.html), bool(markdown.first_picture(post.html)[0])
    return (*plain, *compiled, bool(post.summary), bool(post.excerpt), post.published is not None)


_KINDS: LRUCache[Any, Sequence[Page]] = LRUCache(200)


# The number of writes to a site's pages stands for the pages, so what is cached never goes stale.
@cached(_KINDS, key=lambda site, state, start, count: (*key_of_pages(site), start, count), lock=Lock())
def _one_of_each(_site: Site, state: StoredState, start: int, count: int) -> Sequence[Page]:
    kinds: dict[tuple[object, ...], Page] = {}
    posts = state.posts(start, count)
    for post in posts:
        kinds.setdefault(_shows(post), post)
    # The first ones also describe the list.
    return tuple(dict.fromkeys((*posts[:DESCRIBED_BY], *kinds.values())))


class _Sample:
    """A draft that lists only so many pages as are needed to show all that is shown in the whole list."""

    def __init__(self, site: Site, state: StoredState, sampled: dict[str, tuple[str, ...]]) -> None:
        self._site = site
        self._state = state
        self._sampled = sampled
        self.facts, self.origin, self.folder = state.facts, state.origin, state.folder
        self.page, self.menu, self.not_found_page = state.page, state.menu, state.not_found_page
        self.post_count, self.news, self.paths = state.post_count, state.news, state.paths
        self.path_count = state.path_count
        self.around, self.moved, self.identity = state.around, state.moved, state.identity
        self.standings = state.standings
        self.post_months, self.posts_of = state.post_months, state.posts_of
        self.event_list, self.events, self.event = state.event_list, state.events, state.event
        self.all_events = state.all_events

    def posts(self, start: int, count: int) -> Sequence[Page]:
        """Of some posts, newest first, the first ones, and one of each kind."""
        return _one_of_each(self._site, self._state, start, count)

    def master(self, key: str) -> Master | None:
        """A picture of the site; the stand-in is nobody's."""
        return _STAND_IN if key == PROBE_KEY else self._state.master(key)

    def children(self, path: str) -> Sequence[Page]:
        """One of each kind of page below ``path``."""
        pages = (self._state.page(child) for child in self._sampled.get(path, ()))
        return [page for page in pages if page]


def read_state(site: Site, facts: Facts, found_groups: Sequence[Group]) -> SiteReading:
    """One state of the facts as it shows on one page of each group, and in the files. Raises LookupError."""
    sampled = {group.path: group.children for group in found_groups if group.children}
    state = with_one_date(draft_of(site, facts))
    renderer = Renderer(_Sample(site, state, sampled), MOMENT)
    pages = []
    for group in found_groups:
        page = renderer.read(group.path)
        if page is None:
            raise LookupError(group.path)
        pages.append((group.count, reach.read_page(page)))
    return SiteReading(tuple(pages), reach.read_files(files_of(renderer), renderer.style))


def _message(renderer: Renderer) -> bytes:
    return sample_message(renderer, "enquiry").html


def _feed(renderer: Renderer) -> bytes | None:
    """The feed, where there is news."""
    return renderer.respond("/feed.xml").body if renderer.frame.has_news else None


def _card(renderer: Renderer) -> bytes | None:
    """The card, where there is a way to reach the site."""
    made = card.respond(renderer.frame)
    return made.body if made else None


_SOURCES: Mapping[Source, Callable[[Renderer], bytes | None]] = {
    "not_found": lambda renderer: renderer.not_found().body,
    "feed": _feed,
    "manifest": lambda renderer: renderer.respond("/site.webmanifest").body,
    "message": _message,
    "card": _card,
}


def files_of(renderer: Renderer, wanted: Iterable[FilePlace] = FILE_PLACES) -> dict[str, bytes]:
    """The files that are places of their own, by their sources: those that are ``wanted``, where the site has them."""
    sources = (place.source for place in wanted)
    return {source: body for source in sources if (body := _SOURCES[source](renderer)) is not None}


class ReachFinder:
    """Finds reach in one site's draft with one document of facts; the state as it is is read once."""

    def __init__(self, site: Site, facts: Facts) -> None:
        self._site = site
        self._facts = facts

    @cached_property
    def _groups(self) -> tuple[Group, ...]:
        return groups.groups_of(self._site)

    @cached_property
    def _as_it_is(self) -> SiteReading:
        return _reading(self._site, self._facts, self._groups)

    def of_fact(self, key: str) -> Reach:
        """Where a fact lands. One that is unset lands nowhere, unless something else stands in for it."""
        if SPECS[key].private:
            return NOWHERE
        if not document.is_set(self._facts, key) and not SPECS[key].derived:
            return NOWHERE
        return self.of_value(key, SPECS[key].other(self._facts))

    def of_value(self, key: str, value: Value) -> Reach:
        """Where it shows that a fact says what it says, and not ``value``."""
        other = self._facts.model_copy(update={key: value})
        return _between(self._site, self._facts, other, self._groups, self._as_it_is)


_READINGS: LRUCache[Any, SiteReading] = LRUCache(32)
_REACHES: LRUCache[Any, Reach] = LRUCache(2000)


def _state_key(site: Site, *facts: Facts) -> tuple[Any, ...]:
    """All that a reading depends on: the pages by their revision, the addresses, and the facts themselves."""
    return (site.pk, site.pages_revision, *address_key(site), *(fact.model_dump_json() for fact in facts))


@cached(_READINGS, key=lambda site, facts, found: _state_key(site, facts), lock=Lock())
def _reading(site: Site, facts: Facts, found_groups: Sequence[Group]) -> SiteReading:
    # What one process read of a draft, for its review or for its edition, another one knows.
    key = hashlib.sha256(repr(_state_key(site, facts)).encode()).hexdigest()
    known: SiteReading | None = caches["readings"].get(key)
    if known is None:
        known = read_state(site, facts, found_groups)
        # What is being typed is seldom asked for twice.
        if facts == site.facts:
            caches["readings"].set(key, known)
    return known


# What is held against the draft is read once, too: the live edition's facts were the draft of the last publishing,
# and what stands in for the fact that is typed stays the same while it is.
@cached(_REACHES, key=lambda site, one, other, found, before: _state_key(site, one, other), lock=Lock())
def _between(site: Site, facts: Facts, other: Facts, found_groups: Sequence[Group], before: SiteReading) -> Reach:
    return reach.between(before, _reading(site, other, found_groups))


def clear_caches() -> None:
    """Empties the caches, as after another database was put in place."""
    _KINDS.clear()
    _READINGS.clear()
    caches["readings"].clear()
    _REACHES.clear()
    groups.clear_caches()
