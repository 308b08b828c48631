"""Pages of the draft."""

from typing import Any

from django.http import HttpRequest
from ninja import Router, Status

from hestor.api.auth import given_revision, site_for
from hestor.api.schemas import PageChange, PageFull, PageIn, PageOut, ProblemOut
from hestor.core.errors import NotFound
from hestor.core.roles import Action
from hestor.sites.listing import page_row, page_rows
from hestor.sites.models import Revision, Site
from hestor.sites.pages import add_page, change_page, remove_page

router = Router(tags=["pages"])
# A page may stand at the top, and need not be dated; for the other fields null says nothing.
_MAY_BE_NONE = ("parent", "published")


def _full(site: Site, revision: Revision) -> dict[str, Any]:
    return {**page_row(site, revision), "body": revision.text.body}


@router.get("/sites/{site}/pages", response={200: list[PageOut], 404: ProblemOut})
def list_pages(request: HttpRequest, site: str) -> list[dict[str, Any]]:
    """All pages of the draft, in the order of the tree."""
    return page_rows(site_for(request, site, Action.LOOK))


@router.get("/sites/{site}/pages/{page}", response={200: PageFull, 404: ProblemOut})
def show(request: HttpRequest, site: str, page: int) -> dict[str, Any]:
    """One page with its text."""
    found = site_for(request, site, Action.LOOK)
    revision = Revision.objects.in_draft_of(found.pk).filter(page_id=page).select_related("text").first()
    if revision is None:
        raise NotFound
    return _full(found, revision)


@router.post("/sites/{site}/pages", response={201: PageFull, 412: ProblemOut, 422: ProblemOut})
def add(request: HttpRequest, site: str, given: PageIn) -> Status[dict[str, Any]]:
    """Adds a page to the draft."""
    found = site_for(request, site, Action.EDIT)
    made = add_page(found.pk, given.model_dump(), given_revision(request))
    return Status(201, _full(found, made))


@router.patch("/sites/{site}/pages/{page}", response={200: PageFull, 412: ProblemOut, 422: ProblemOut})
def change(request: HttpRequest, site: str, page: int, given: PageChange) -> dict[str, Any]:
    """Changes a page in the draft; what is live stays as it is."""
    found = site_for(request, site, Action.EDIT)
    sent = given.model_dump(exclude_unset=True)
    values = {key: value for key, value in sent.items() if value is not None or key in _MAY_BE_NONE}
    return _full(found, change_page(found.pk, page, values, given_revision(request)))


@router.delete("/sites/{site}/pages/{page}", response={204: None, 412: ProblemOut, 422: ProblemOut})
def remove(request: HttpRequest, site: str, page: int) -> Status[None]:
    """Takes a page out of the draft; what is live stays as it is."""
    found = site_for(request, site, Action.EDIT)
    remove_page(found.pk, page, given_revision(request))
    return Status(204, None)
