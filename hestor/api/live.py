"""The live edition looked at as visitors get it, page by page: whether every page agrees."""

from collections.abc import Sequence
from datetime import datetime
from typing import Annotated

from django.http import HttpRequest
from ninja import Router, Schema
from pydantic import Field

from hestor import clock, translations
from hestor.api.auth import site_for
from hestor.api.errors import field_name
from hestor.api.schemas import ProblemOut, Strict
from hestor.core.roles import Action
from hestor.core.sweep import confirmed
from hestor.core.sweep.confirmed import Deviation as Why
from hestor.core.sweep.confirmed import Served
from hestor.sites.models import Edition, Meant, Revision, Site
from hestor.sites.selectors.addresses import folder_of
from hestor.sites.selectors.consistency import house_of, own_page
from hestor.sites.selectors.states import visible
from hestor.web import serving

router = Router(tags=["consistency"])
_AT_ONCE = 25


class LiveIn(Strict):
    """From which page on."""

    start: Annotated[int, Field(ge=0, le=10_000_000)] = 0


class Deviation(Schema):
    """A page that does not agree, and why: what it says, in words."""

    page: str
    title: str
    why: str
    says: str


class LiveOut(Schema):
    """How far it is, and the pages of this step that do not agree."""

    edition: int
    done: int
    total: int
    checked_at: datetime
    deviations: list[Deviation]


def _revisions(site: Site, edition: Edition, start: int) -> tuple[list[Revision], int]:
    """The next pages that visitors can get at this moment, and how many there are."""
    now = clock.now()
    listed = visible(site, edition, now).exclude(kind="not_found").order_by("path")
    return list(listed.select_related("text", "page")[start : start + _AT_ONCE]), listed.count()


def _why(found: Why) -> str:
    if found.stray:
        return translations.say(f"sweep.kind.{found.stray.kind}")
    return translations.say(f"live.{found.why}", status=found.says)


def _deviation(one: Revision, found: Why) -> Deviation:
    says = {"status": "", "outdated": field_name(found.says)}.get(found.why, found.says)
    return Deviation(page=one.path, title=one.title, why=_why(found), says=says)


def _served(site: Site, one: Revision) -> Served:
    """A page as a visitor gets it."""
    found = serving.live(site, f"{folder_of(site)}{one.path}", "identity", even_closed=True).response
    return Served(own_page(one), found.status, found.body, tuple(one.left_out))


def _out(edition: int, done: int, total: int, found: Sequence[Deviation]) -> LiveOut:
    return LiveOut(edition=edition, done=done, total=total, checked_at=clock.now(), deviations=list(found))


@router.post("/sites/{site}/sweep/live", response={200: LiveOut, 404: ProblemOut, 422: ProblemOut})
def step(request: HttpRequest, site: str, given: LiveIn) -> LiveOut:
    """Looks at the next pages of the live edition; whoever wants all asks again from ``done`` on."""
    found = site_for(request, site, Action.VIEW)
    edition = Edition.objects.filter(site=found, number=found.live_number).first()
    if edition is None:
        return _out(0, 0, 0, ())
    revisions, total = _revisions(found, edition, given.start)
    house = house_of(found, edition.facts)
    meant = frozenset(Meant.objects.filter(site=found).values_list("stray", flat=True))
    deviations = [
        _deviation(one, why)
        for one in revisions
        for why in confirmed.deviations(_served(found, one), edition.facts, house, meant)
    ]
    return _out(edition.number, min(total, given.start + len(revisions)), total, deviations)
