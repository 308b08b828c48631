"""Editions: list, publish, bring back."""

from typing import Annotated, Any

from django.http import HttpRequest, HttpResponse
from ninja import Body, Router, Status
from pydantic import Field

from hestor import clock
from hestor.api.auth import given_revision, needed_revision, signed_in, site_for
from hestor.api.lifecycle import HeldChanges
from hestor.api.schemas import (
    MOST_AT_ONCE,
    ComparedOut,
    Count,
    DeedOut,
    EditionName,
    EditionOut,
    EditionPartIn,
    Identifier,
    Number,
    ProblemOut,
    PublishedOut,
    RestoredOut,
    Strict,
)
from hestor.api.words import changes_out
from hestor.core.changes import Change
from hestor.core.roles import Action
from hestor.sites.models import Edition, Site
from hestor.sites.selectors import previews
from hestor.sites.selectors.addresses import base_of
from hestor.sites.selectors.changes import count_changes
from hestor.sites.selectors.comparison import compared
from hestor.sites.selectors.states import live_edition
from hestor.sites.services import deeds, parts_of_editions
from hestor.sites.services.publishing import publish, restore

router = Router(tags=["editions"])
_AT_ONCE = 50


def _values(site: Site, edition: Edition, live: int) -> dict[str, Any]:
    return {
        "number": edition.number,
        "published": edition.published,
        "by": edition.by.shown_name if edition.by else "",
        "writers": edition.writers,
        "live": edition.number == live,
        "name": edition.facts.name,
        "label": edition.label,
        "changes": changes_out(Change.parse(change) for change in edition.changes),
        "more": edition.more_changes,
        "preview_url": previews.link(site, edition.number),
    }


@router.get("/sites/{site}/editions", response={200: list[EditionOut], 404: ProblemOut})
def list_editions(
    request: HttpRequest, response: HttpResponse, site: str, before: Identifier | None = None
) -> list[EditionOut]:
    """Fifty editions, newest first; older ones with ``before`` a number, which the Link header names (RFC 8288)."""
    found_site = site_for(request, site, Action.VIEW)
    editions = Edition.objects.filter(site=found_site).select_related("by").order_by("-number")
    if before is not None:
        editions = editions.filter(number__lt=before)
    shown = list(editions[:_AT_ONCE])
    if shown and shown[-1].number > 1:
        response["Link"] = f'<{request.path}?before={shown[-1].number}>; rel="next"'
    return [EditionOut(**_values(found_site, edition, found_site.live_number)) for edition in shown]


class PublishIn(Strict):
    """What of the draft is not published yet."""

    held_back: HeldChanges = Field(default_factory=list)


@router.post("/sites/{site}/editions", response={201: PublishedOut, 409: ProblemOut, 412: ProblemOut, 422: ProblemOut})
def publish_draft(
    request: HttpRequest, site: str, given: Annotated[PublishIn | None, Body()] = None
) -> Status[PublishedOut]:
    """Publishes the draft, without what is held back; with If-Match, only if it is still what was reviewed."""
    found_site = site_for(request, site, Action.PUBLISH)
    held = [(one.kind, one.key) for one in given.held_back] if given else []
    made = publish(found_site.pk, signed_in(request), clock.now(), given_revision(request), held)
    return Status(201, PublishedOut(address=base_of(found_site) + "/", **_values(found_site, made, made.number)))


@router.post("/sites/{site}/editions/{number}/restore", response={200: RestoredOut, 404: ProblemOut, 412: ProblemOut})
def bring_back(request: HttpRequest, site: str, number: Identifier) -> RestoredOut:
    """Makes the draft say what an edition said; nothing is published."""
    found_site = site_for(request, site, Action.EDIT)
    after, deed = restore(found_site.pk, number, given_revision(request))
    keys, pages = count_changes(after, live_edition(after))
    return RestoredOut(
        number=number, revision=after.revision, changed=list(keys), changed_pages=pages, deed=deed.pk if deed else None
    )


@router.post("/sites/{site}/deeds/{deed}/take-back", response={200: DeedOut, 404: ProblemOut, 412: ProblemOut})
def take_back(request: HttpRequest, site: str, deed: Identifier) -> DeedOut:
    """Puts the draft back as it was before an act on the whole of it; gives what does that again."""
    found_site = site_for(request, site, Action.EDIT)
    after, again = deeds.take_back(found_site.pk, deed, clock.now())
    return DeedOut(deed=again.pk, revision=after.revision)


@router.patch("/sites/{site}/editions/{number}", response={200: EditionOut, 404: ProblemOut, 422: ProblemOut})
def name(request: HttpRequest, site: str, number: Identifier, given: EditionName) -> EditionOut:
    """Calls an edition something at the desk, so that it is found again; what was published is not altered."""
    found_site = site_for(request, site, Action.EDIT)
    return EditionOut(
        **_values(found_site, parts_of_editions.name(found_site, number, given.label), found_site.live_number)
    )


@router.get("/sites/{site}/editions/{number}/compared", response={200: ComparedOut, 404: ProblemOut})
def compare(
    request: HttpRequest,
    site: str,
    number: Identifier,
    other: Identifier,
    start: Number = 0,
    count: Count = MOST_AT_ONCE,
) -> ComparedOut:
    """What edition ``other`` says otherwise than this one: facts, then pages, from number ``start`` on."""
    window = compared(site_for(request, site, Action.VIEW), number, other, start, count)
    return ComparedOut(one=number, other=other, changes=changes_out(window.changes), count=window.count)


@router.post(
    "/sites/{site}/editions/{number}/restore-part",
    response={200: RestoredOut, 404: ProblemOut, 412: ProblemOut, 422: ProblemOut},
)
def bring_part_back(request: HttpRequest, site: str, number: Identifier, given: EditionPartIn) -> RestoredOut:
    """Makes the draft say one fact, or one page, as an edition said it; nothing is published."""
    found_site = site_for(request, site, Action.EDIT)
    revision = needed_revision(request)
    if given.fact:
        after = parts_of_editions.bring_back_fact(found_site, number, given.fact, revision)
    else:
        after = parts_of_editions.bring_back_page(found_site, number, given.page, revision)
    keys, pages = count_changes(after, live_edition(after))
    return RestoredOut(number=number, revision=after.revision, changed=list(keys), changed_pages=pages)
