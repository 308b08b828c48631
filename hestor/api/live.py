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


def _why(why: Why) -> str:
    if why.stray:
        return translations.say(f"sweep.kind.{why.stray.kind}")
    return translations.say(f"live.{why.why}", status=why.says)


def _deviation(revision: Revision, why: Why) -> Deviation:
    says = {"status": "", "outdated": field_name(why.says)}.get(why.why, why.says)
    return Deviation(page=revision.path, title=revision.title, why=_why(why), says=says)


def _served(site: Site, revision: Revision) -> Served:
    """A page as a visitor gets it."""
    response = serving.live(site, f"{folder_of(site)}{revision.path}", "identity", even_closed=True).response
    return Served(own_page(revision), response.status, response.body, tuple(revision.left_out))


def _out(edition: int, done: int, total: int, deviations: Sequence[Deviation]) -> LiveOut:
    return LiveOut(edition=edition, done=done, total=total, checked_at=clock.now(), deviations=list(deviations))


@router.post("/sites/{site}/sweep/live", response={200: LiveOut, 404: ProblemOut, 422: ProblemOut})
def step(request: HttpRequest, site: str, given: LiveIn) -> LiveOut:
    """Looks at the next pages of the live edition; a caller that wants all asks again from ``done`` on."""
    found_site = site_for(request, site, Action.VIEW)
    edition = Edition.objects.filter(site=found_site, number=found_site.live_number).first()
    if edition is None:
        return _out(0, 0, 0, ())
    revisions, total = _revisions(found_site, edition, given.start)
    house = house_of(found_site, edition.facts)
    meant = frozenset(Meant.objects.filter(site=found_site).values_list("stray", flat=True))
    deviations = [
        _deviation(revision, why)
        for revision in revisions
        for why in confirmed.deviations(_served(found_site, revision), edition.facts, house, meant)
    ]
    return _out(edition.number, min(total, given.start + len(revisions)), total, deviations)
