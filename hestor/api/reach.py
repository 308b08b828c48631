"""Reach: where each fact lands, and on how many pages; also while facts are being typed."""

from django.http import HttpRequest
from ninja import Router

from hestor.api.auth import site_for
from hestor.api.schemas import PlaceReachOut, ProblemOut, ReachIn, ReachOut
from hestor.core.facts import document
from hestor.core.places.reach import Reach
from hestor.core.roles import Action
from hestor.sites.selectors.reach import ReachFinder

router = Router(tags=["reach"])


def _out(reach: Reach) -> ReachOut:
    places = [PlaceReachOut(place=place.place, number=place.number) for place in reach.places]
    return ReachOut(pages=reach.pages, places=places)


@router.post("/sites/{site}/reach", response={200: dict[str, ReachOut], 404: ProblemOut})
def find(request: HttpRequest, site: str, given: ReachIn) -> dict[str, ReachOut]:
    """Where the facts ``keys`` (all, if none are named) land in the draft, with values as they are being typed."""
    found_site = site_for(request, site, Action.VIEW)
    good, _ = document.check_all(given.facts)
    finder = ReachFinder(found_site, found_site.facts.model_copy(update=good))
    keys = document.KEYS if given.keys is None else [key for key in document.KEYS if key in given.keys]
    return {key: _out(finder.of_fact(key)) for key in keys}
