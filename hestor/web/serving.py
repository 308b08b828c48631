"""Finds what a public site says: the right edition, by the renderer or in the caches."""

from bisect import bisect_right
from dataclasses import dataclass, field, replace
from datetime import date, datetime
from threading import Lock
from typing import Any, TypeVar
from uuid import UUID

from cachetools import Cache, LRUCache

from hestor import clock
from hestor.core import zones
from hestor.core.hours.opening import OpeningHours
from hestor.core.hours.status import Status, status
from hestor.pictures import selectors as pictures
from hestor.rendering import Preview, Renderer, Response, brand_files, static_files
from hestor.rendering.brand_files import BrandFiles
from hestor.rendering.contact_page import STAMP
from hestor.rendering.renderer import unpublished
from hestor.rendering.state import Page
from hestor.sites import generated_files
from hestor.sites.models import Edition, Site
from hestor.sites.selectors import (
    brand_report,
    logo_measures,
    picture_uses,
    previews,
    reach,
    states,
    stray_changes,
    title_table,
)
from hestor.sites.selectors.addresses import address_key, desk_origin
from hestor.sites.selectors.lifecycle import is_closed
from hestor.sites.selectors.states import draft_of, edition_of, held_moments, live_edition
from hestor.sites.selectors.turning import turns_by_day
from hestor.web import encoding, etags


@dataclass(frozen=True)
class EncodedResponse:
    """A response in one coding, with its strong validator."""

    response: Response
    coding: str
    body: bytes
    etag: str


def _weight(encoded: EncodedResponse) -> int:
    return len(encoded.body) + len(encoded.response.body) + 500


# All are keyed by an edition's number, among others, so nothing in them ever goes stale.
_RESPONSES: Cache[Any, EncodedResponse] = LRUCache(16_000_000, _weight)
# What all pages of an edition share (menu, footer …) is cached for the editions asked for last.
_RENDERERS: Cache[Any, Renderer] = LRUCache(50)
_CLOCKS: Cache[Any, "_Clock"] = LRUCache(10_000)
_PUBLISHED: Cache[Any, bool] = LRUCache(10_000)
_LOCK = Lock()
# Paths that nobody wrote are not worth caching; anyone could fill the cache with them.
_CACHED = (200, 301)
FAVICON = "favicon.ico"
# How many editions back a page that is still open may ask for its files.
_PAST = 3
V = TypeVar("V")


def _get(cache: Cache[Any, V], key: object) -> V | None:
    with _LOCK:
        return cache.get(key)


def _put(cache: Cache[Any, V], key: object, value: V) -> V:
    with _LOCK:
        # One that is too large for the whole cache is not worth its room.
        if cache.getsizeof(value) <= cache.maxsize:
            cache[key] = value
    return value


def clear_caches() -> None:
    """Empties all caches, as after another database was put in place."""
    for module in (reach, states, brand_report, logo_measures, stray_changes, title_table, generated_files):
        module.clear_caches()
    for cache in (_RESPONSES, _RENDERERS, _CLOCKS, _PUBLISHED):
        cache.clear()


def _encoded(response: Response, accepts: str) -> EncodedResponse:
    coding = encoding.choose(accepts, response.media_type, len(response.body))
    body = encoding.encode(response.body, coding)
    return EncodedResponse(response, coding, body, etags.validator(response.body, body, coding))


@dataclass(frozen=True)
class _Clock:
    """The clock of an edition, and what of it turns with the day or the hour.

    ``held`` are the moments at which more comes out, ``notice_until`` is the last day of its notice. ``edition``
    is what the edition alone is known by.
    """

    edition: UUID
    zone: str
    held: tuple[datetime, ...]
    notice_until: date | None
    hours: OpeningHours | None
    turns_by_day: bool


@dataclass(frozen=True)
class _Moment:
    """All of the present moment that pages depend on.

    The year that they say, how much has come out, whether the notice has not ended, on a site with events or hours the
    day, and whether it is open.
    ``now`` is one such moment.
    """

    year: int
    out: int
    noticed: bool
    day: date | None
    status: Status | None
    now: datetime = field(compare=False, repr=False)


def _clock_of(site: Site) -> _Clock | None:
    key = (site.pk, site.live_number, site.language)
    if found := _get(_CLOCKS, key):
        return found
    edition = live_edition(site)
    if edition is None:
        return None
    facts = edition.facts_in(site.language)
    until = facts.site_notice.until if facts.site_notice else None
    held, has_dates = held_moments(site, edition), turns_by_day(site, edition)
    clocked = _Clock(edition.identity, facts.time_zone, held, until, facts.opening_hours, has_dates)
    return _put(_CLOCKS, key, clocked)


def _moment(site: Site) -> _Moment | None:
    """The present moment for the live edition; None before the first."""
    return moment_at(site, clock.now())


def edition_identity(site: Site) -> UUID | None:
    """What the live edition alone is known by, also after a restore; None before the first."""
    found_clock = _clock_of(site)
    return found_clock.edition if found_clock else None


def moment_at(site: Site, now: datetime) -> _Moment | None:
    """What pages of the live edition depend on of a moment; None before the first edition."""
    found_clock = _clock_of(site)
    if found_clock is None:
        return None
    day = zones.day_in(found_clock.zone, now)
    open_now = status(found_clock.hours, found_clock.zone, now) if found_clock.hours else None
    turns = found_clock.hours or found_clock.turns_by_day
    noticed = found_clock.notice_until is None or day <= found_clock.notice_until
    return _Moment(day.year, bisect_right(found_clock.held, now), noticed, day if turns else None, open_now, now)


def _renderer(site: Site, moment: _Moment) -> Renderer:
    key = (site.pk, site.live_number, moment, *address_key(site))
    if cached := _get(_RENDERERS, key):
        return cached
    edition = Edition.objects.get(site=site, number=site.live_number)
    return _put(_RENDERERS, key, Renderer(edition_of(site, edition, moment.now), moment.now))


def form_page(site: Site, path: str) -> tuple[Renderer, Page] | None:
    """The public page at a path if it has a form, with the renderer that makes it."""
    moment = _moment(site)
    renderer = _renderer(site, moment) if moment else None
    found = renderer.form_page(path) if renderer else None
    return (renderer, found) if renderer and found else None


def encoded(response: Response, accepts: str) -> EncodedResponse:
    """A response made for one visitor alone."""
    return _encoded(response, accepts)


def stamped(response: Response, stamp: str) -> Response:
    """The response with a stamp in its form."""
    return replace(response, body=response.body.replace(STAMP.encode(), stamp.encode()), stamped=False)


def _is_part(path: str) -> bool:
    """Whether an address is that of a file which a page is shown with."""
    return path.startswith(static_files.PREFIX) or brand_files.is_address(path) or path == f"/{FAVICON}"


def live(site: Site, path: str, accepts: str, even_closed: bool = False) -> EncodedResponse:
    """What the public reads at ``path`` now; ``even_closed``: what it would read if the site were open."""
    moment = _moment(site)
    if moment and not even_closed and is_closed(site) and not _is_part(path):
        return _encoded(_renderer(site, moment).closed(site.closed_until), accepts)
    if moment is None:
        own = static_files.respond(path) if path.startswith(static_files.PREFIX) else None
        return _encoded(own or unpublished(site.facts.language), accepts)
    if brand_files.is_address(path):
        return _encoded(_generated(site, moment, path) or _renderer(site, moment).not_found(), accepts)
    if path == f"/{FAVICON}":
        own = _favicon(site, _renderer(site, moment).brand)
        return _encoded(own or _renderer(site, moment).not_found(), accepts)
    coding = encoding.choose(accepts, "text/", 1 << 20)
    key = (site.pk, site.live_number, *address_key(site), moment, coding, path)
    if cached := _get(_RESPONSES, key):
        return cached
    encoded = _encoded(_renderer(site, moment).respond(path), accepts)
    return _put(_RESPONSES, key, encoded) if encoded.response.status in _CACHED else encoded


def _is_published(site: Site, key: str) -> bool:
    known = (site.pk, site.live_number, key)
    cached = _get(_PUBLISHED, known)
    return _put(_PUBLISHED, known, picture_uses.is_published(site, key, _PAST)) if cached is None else cached


def _generated(site: Site, moment: _Moment, path: str) -> Response | None:
    """A generated file. One that only an edition just past names is still asked for by pages open then."""
    key = brand_files.picture_key(path)
    if key and not _is_published(site, key):
        return None
    if file := generated_files.file(site.pk, _renderer(site, moment).brand, path):
        return file
    if key:
        return None
    for edition in Edition.objects.filter(site=site, number__lt=site.live_number).order_by("-number")[:_PAST]:
        if file := generated_files.file(
            site.pk, BrandFiles(edition.facts_in(site.language), pictures.masters(site.pk)), path
        ):
            return file
    return None


def _favicon(site: Site, brand: BrandFiles) -> Response | None:
    """The icon at the address that browsers try by themselves; unlike the others it changes what it shows."""
    file = generated_files.file(site.pk, brand, f"{brand.icon_folder}{FAVICON}")
    return replace(file, immutable=False) if file else None


def preview(site: Site, path: str, accepts: str) -> EncodedResponse | None:
    """What a private preview shows; None if the link is not good for this site."""
    found = previews.read(path)
    if found is None or found[0].site != site.pk:
        return None
    ticket, root, inner = found
    edition = Edition.objects.filter(site=site, number=ticket.edition).first() if ticket.edition else None
    if ticket.edition and edition is None:
        return None
    state = edition_of(site, edition) if edition else draft_of(site)
    brand = BrandFiles(state.facts, pictures.masters(site.pk))
    renderer = Renderer(state, clock.now(), Preview(root, ticket.edition, ticket.bare, desk_origin()))
    if brand_files.is_address(inner):
        return _encoded(generated_files.file(site.pk, brand, inner) or renderer.not_found(), accepts)
    if inner == f"/{FAVICON}":
        return _encoded(_favicon(site, brand) or renderer.not_found(), accepts)
    return _encoded(renderer.respond(inner), accepts)
