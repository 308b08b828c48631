"""The live edition looked at as visitors get it, page by page: whether every page agrees."""

from collections.abc import Sequence
from datetime import datetime
from typing import Annotated

from django.http import HttpRequest
from ninja import Router, Schema
from pydantic import Field

from hestor import clock, wording
from hestor.api.auth import site_for
from hestor.api.schemas import ProblemOut, Strict
from hestor.core.roles import Action
from hestor.core.sweep import confirmed, own
from hestor.core.sweep.own import OwnHouse, OwnStray
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


def _deviations(site: Site, edition: Edition, house: OwnHouse, meant: frozenset[str], one: Revision) -> list[Deviation]:
    """Why a page does not agree, if it does not."""
    found = serving.live(site, f"{folder_of(site)}{one.path}", "identity").response
    if found.status != 200:
        why = wording.say("live.status", status=found.status)
        return [Deviation(page=one.path, title=one.title, why=why, says="")]
    strays = own.grouped(list(own.of_page(found.body.decode(), own_page(one), house)))
    loud = [stray for stray in strays if stray.key not in meant]
    facts = dict.fromkeys(confirmed.outdated(found.body, edition.facts, tuple(one.left_out)))
    told = [
        Deviation(page=one.path, title=one.title, why=wording.say("live.outdated"), says=wording.say(f"fact.{key}"))
        for key in facts
    ]
    return told + [_deviation(one, stray) for stray in loud]


def _deviation(one: Revision, stray: OwnStray) -> Deviation:
    return Deviation(page=one.path, title=one.title, why=wording.say(f"sweep.kind.{stray.kind}"), says=stray.says)


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
    deviations = [one for revision in revisions for one in _deviations(found, edition, house, meant, revision)]
    return _out(edition.number, min(total, given.start + len(revisions)), total, deviations)
