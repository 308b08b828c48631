"""How a site stands with its visitors: closed for a while, deleted, published at a chosen time."""

from datetime import datetime
from typing import Annotated

from django.http import HttpRequest
from ninja import Router, Schema, Status
from pydantic import Field

from hestor import clock, translations
from hestor.api.auth import needed_revision, signed_in, site_for
from hestor.api.schemas import ProblemOut, Strict
from hestor.core import schedule_rules, zones
from hestor.core.changes import Kind
from hestor.core.dates import local_time
from hestor.core.roles import Action
from hestor.sites.models import Site
from hestor.sites.selectors.lifecycle import deleted_of, is_closed, timed_of
from hestor.sites.services import closing, removal, timed

router = Router(tags=["sites"])
WallTime = Annotated[str, Field(max_length=40)]
_ON_THE_WALL = "%Y-%m-%dT%H:%M"


class HeldChange(Strict):
    """A change that stays in the draft, by its kind and key in the review."""

    kind: Kind
    key: Annotated[str, Field(max_length=300)]


HeldChanges = Annotated[list[HeldChange], Field(max_length=2000)]


class TimedIn(Strict):
    """When to publish, on the site's clock (``2026-12-01T09:00``), and what to hold back."""

    at: WallTime
    held_back: HeldChanges = Field(default_factory=list)


class TimedOut(Schema):
    """What is to be published by itself: when, on the site's clock and as a moment, and by whom.

    ``is_stale`` says that the draft was changed since, so that it would not be published. ``failed`` says in words why
    it was not published when its time had come; empty, if that is still ahead.
    """

    at: str
    moment: datetime
    by: str
    held_back: list[HeldChange]
    is_stale: bool
    failed: str


class Timing(Schema):
    """What is to be published by itself, if anything is; on the site's clock the time now, and one to begin with."""

    now: str
    proposed: str
    zone: str
    timed: TimedOut | None


class ClosedIn(Strict):
    """Until when, on the site's clock; empty, until somebody opens it."""

    until: WallTime = ""


class ClosedOut(Schema):
    """Whether the site is closed, and until when: on its clock, and as a moment."""

    closed: bool
    until: str
    moment: datetime | None


class DeletedSite(Schema):
    """A deleted site that can be brought back until a moment."""

    slug: str
    name: str
    deleted: datetime
    until: datetime


def _on_the_wall(site: Site, moment: datetime) -> str:
    return moment.astimezone(zones.clock_of(site.facts.time_zone)).strftime(_ON_THE_WALL)


def _timed(site: Site) -> TimedOut | None:
    found, is_stale = timed_of(site)
    if found is None:
        return None
    return TimedOut(
        at=_on_the_wall(site, found.at),
        moment=found.at,
        by=found.by.shown_name,
        held_back=[HeldChange(kind=kind, key=key) for kind, key in found.held_back],
        is_stale=is_stale,
        failed=translations.say(f"timed.{found.failed}") if found.failed else "",
    )


def _timing(site: Site) -> Timing:
    now, zone = clock.now(), site.facts.time_zone
    proposed = schedule_rules.proposed(now.astimezone(zones.clock_of(zone)))
    return Timing(now=_on_the_wall(site, now), proposed=proposed.strftime(_ON_THE_WALL), zone=zone, timed=_timed(site))


@router.get("/sites/{site}/timed", response={200: Timing, 404: ProblemOut})
def timing(request: HttpRequest, site: str) -> Timing:
    """What is to be published by itself."""
    return _timing(site_for(request, site, Action.VIEW))


@router.put("/sites/{site}/timed", response={200: Timing, 409: ProblemOut, 412: ProblemOut, 422: ProblemOut})
def publish_at(request: HttpRequest, site: str, given: TimedIn) -> Timing:
    """Has the draft that was reviewed published at a time; what is written after it is not published."""
    found_site = site_for(request, site, Action.PUBLISH)
    at = local_time.read("at", given.at, found_site.facts.time_zone).moment
    held = [(one.kind, one.key) for one in given.held_back]
    timed.set_time(found_site.pk, signed_in(request), at, needed_revision(request), held)
    return _timing(found_site)


@router.delete("/sites/{site}/timed", response={200: Timing, 404: ProblemOut})
def publish_by_hand(request: HttpRequest, site: str) -> Timing:
    """Publishes nothing by itself any more."""
    found_site = site_for(request, site, Action.PUBLISH)
    timed.forget_time(found_site)
    return _timing(found_site)


def _closed(site: Site) -> ClosedOut:
    until, closed = site.closed_until, is_closed(site)
    return ClosedOut(
        closed=closed, until=_on_the_wall(site, until) if closed and until else "", moment=until if closed else None
    )


@router.get("/sites/{site}/closed", response={200: ClosedOut, 404: ProblemOut})
def closed(request: HttpRequest, site: str) -> ClosedOut:
    """Whether visitors are told that the site is closed."""
    return _closed(site_for(request, site, Action.VIEW))


@router.put("/sites/{site}/closed", response={200: ClosedOut, 403: ProblemOut, 422: ProblemOut})
def close(request: HttpRequest, site: str, given: ClosedIn) -> ClosedOut:
    """Closes the site to visitors at once; at the time that is given, if any, it opens by itself."""
    found_site = site_for(request, site, Action.MANAGE)
    until = local_time.read("until", given.until, found_site.facts.time_zone).moment if given.until else None
    return _closed(closing.close(found_site, until))


@router.delete("/sites/{site}/closed", response={200: ClosedOut, 403: ProblemOut})
def reopen(request: HttpRequest, site: str) -> ClosedOut:
    """Opens the site to visitors again."""
    return _closed(closing.reopen(site_for(request, site, Action.MANAGE)))


@router.get("/deleted-sites", response=list[DeletedSite])
def deleted(request: HttpRequest) -> list[DeletedSite]:
    """The person's sites that were deleted and can be brought back, the last one first."""
    return [
        DeletedSite(slug=one.site.slug, name=one.site.facts.name, deleted=one.at, until=one.until)
        for one in deleted_of(signed_in(request))
    ]


@router.post("/deleted-sites/{site}/restore", response={204: None, 403: ProblemOut, 404: ProblemOut})
def restore(request: HttpRequest, site: str) -> Status[None]:
    """Brings a deleted site back as it was."""
    removal.bring_back(signed_in(request), site)
    return Status(204, None)
