"""A round of all sites of a person, and acts on several of them at once."""

from collections.abc import Sequence
from datetime import datetime
from typing import Annotated, Any

from django.http import HttpRequest
from ninja import Router, Schema
from pydantic import Field

from hestor import clock
from hestor.api.auth import signed_in, site_for
from hestor.api.errors import title_of
from hestor.api.schemas import Identifier, ProblemOut, Strict
from hestor.core.errors import HestorError
from hestor.core.facts.bundles import Bundle
from hestor.core.roles import Action
from hestor.sites.models import Deed, Membership, Site
from hestor.sites.selectors.round_of_sites import states_of
from hestor.sites.services import several_sites
from hestor.sites.services.several_sites import MOST_SITES

router = Router(tags=["sites"])
_Slugs = Annotated[list[str], Field(min_length=1, max_length=MOST_SITES)]


class LastEditionOut(Schema):
    """The live edition: who published it, and when."""

    number: int
    published: datetime
    by: str


class SiteStateOut(Schema):
    """A site on the round. ``strays`` is null where its pages were not swept since it last changed."""

    slug: str
    strays: int | None
    last: LastEditionOut | None


class FactsForSites(Strict):
    """Facts that several sites are to say."""

    sites: _Slugs
    facts: dict[str, Any]


class BundlesForSites(Strict):
    """Bundles of facts that several sites are to have from another one, and whether they follow it in them."""

    sites: _Slugs
    source: str
    bundles: Annotated[list[Bundle], Field(max_length=len(Bundle))]
    follows: bool = False


class DoneOnSite(Strict):
    """What was done to the draft of a site, by the number that takes it back."""

    site: str
    deed: Identifier


class DoneOut(Schema):
    """What was done to each draft that it changed."""

    done: list[DoneOnSite]


class TakeBack(Strict):
    """What of several drafts is to be taken back."""

    done: Annotated[list[DoneOnSite], Field(min_length=1, max_length=MOST_SITES)]


class Reviewed(Strict):
    """A draft as it was reviewed."""

    site: str
    revision: int


class ReviewedSites(Strict):
    """Drafts that are to be published, each as it was reviewed."""

    sites: Annotated[list[Reviewed], Field(min_length=1, max_length=MOST_SITES)]


class OutcomeOut(Schema):
    """What came of publishing a site: the number of its edition, or in words, why there is none."""

    site: str
    number: int | None
    why: str


def _sites(request: HttpRequest, slugs: Sequence[str], action: Action) -> list[Site]:
    return [site_for(request, slug, action) for slug in dict.fromkeys(slugs)]


def _done(done: Sequence[Deed]) -> DoneOut:
    return DoneOut(done=[DoneOnSite(site=deed.site.slug, deed=deed.pk) for deed in done])


@router.get("/several-sites", response=list[SiteStateOut])
def look(request: HttpRequest) -> list[SiteStateOut]:
    """The state of each of the person's sites."""
    mine = Membership.objects.filter(account=signed_in(request), site__deleted=None).select_related("site")
    return [
        SiteStateOut(
            slug=one.site.slug,
            strays=one.strays,
            last=LastEditionOut(
                number=one.last.number,
                published=one.last.published,
                by=one.last.by.shown_name if one.last.by else "",
            )
            if one.last
            else None,
        )
        for one in states_of([row.site for row in mine], clock.now())
    ]


@router.post("/several-sites/say", response={200: DoneOut, 403: ProblemOut, 404: ProblemOut, 422: ProblemOut})
def say(request: HttpRequest, given: FactsForSites) -> DoneOut:
    """Says facts in the drafts of several sites, all or none."""
    return _done(several_sites.say(_sites(request, given.sites, Action.EDIT), given.facts))


@router.post("/several-sites/give", response={200: DoneOut, 403: ProblemOut, 404: ProblemOut, 422: ProblemOut})
def give(request: HttpRequest, given: BundlesForSites) -> DoneOut:
    """Gives bundles of facts from one site to the drafts of others, all or none."""
    source = site_for(request, given.source, Action.VIEW)
    return _done(several_sites.give(source, _sites(request, given.sites, Action.EDIT), given.bundles, given.follows))


@router.post("/several-sites/take-back", response={200: DoneOut, 403: ProblemOut, 404: ProblemOut, 412: ProblemOut})
def take_back(request: HttpRequest, given: TakeBack) -> DoneOut:
    """Takes back what was done to several drafts, all or none; gives what does it again."""
    done = [(site_for(request, one.site, Action.EDIT), one.deed) for one in given.done]
    return _done(several_sites.take_back(done, clock.now()))


@router.post("/several-sites/publish", response={200: list[OutcomeOut], 403: ProblemOut, 404: ProblemOut})
def publish(request: HttpRequest, given: ReviewedSites) -> list[OutcomeOut]:
    """Publishes the drafts of several sites, each by itself; says for each what came of it."""
    sites = [(site_for(request, one.site, Action.PUBLISH), one.revision) for one in given.sites]
    outcomes = several_sites.publish(sites, signed_in(request), clock.now())
    return [
        OutcomeOut(
            site=site.slug,
            number=None if isinstance(outcome, HestorError) else outcome.number,
            why=title_of(outcome) if isinstance(outcome, HestorError) else "",
        )
        for (site, _), outcome in zip(sites, outcomes, strict=True)
    ]
