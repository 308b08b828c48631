"""Several pages of the draft at once: added by their titles, moved, shown in the menu or hidden, deleted."""

from typing import Annotated, Any, Literal

from django.http import HttpRequest
from ninja import Body, Router, Schema, Status
from pydantic import Field

from hestor import clock
from hestor.api.auth import site_for
from hestor.api.page_schemas import NamedPage, PageMove
from hestor.api.schemas import Identifier, ProblemOut, Strict
from hestor.core import zones
from hestor.core.pages.placing import Target
from hestor.core.roles import Action
from hestor.sites.services import several_pages
from hestor.sites.services.several_pages import MOST_PAGES

router = Router(tags=["pages"])
_MOST_BROUGHT_BACK = 20_000
_Pages = Annotated[list[Identifier], Field(min_length=1, max_length=MOST_PAGES)]


class NewPages(Strict):
    """New pages, one title each: below another, or posts of the news."""

    titles: Annotated[list[str], Field(min_length=1, max_length=MOST_PAGES)]
    kind: Literal["page", "post"] = "page"
    parent: Identifier | None = None


class PageAndPlace(PageMove):
    """A page, and where it is to stand."""

    page: Identifier


class PutBelow(Strict):
    """Puts pages last below another (none: at the top), in the order that they have."""

    act: Literal["put_below"]
    pages: _Pages
    parent: Identifier | None = None

    def service(self) -> several_pages.Act:
        """What it asks of the service."""
        return several_pages.PutBelow(self.pages, self.parent)


class PutAt(Strict):
    """Puts pages at places, one after the other."""

    act: Literal["put_at"]
    places: Annotated[list[PageAndPlace], Field(min_length=1, max_length=MOST_PAGES)]

    def service(self) -> several_pages.Act:
        """What it asks of the service."""
        return several_pages.PutAt([(one.page, Target(one.parent, one.index)) for one in self.places])


class ShowInMenu(Strict):
    """Shows pages in the menu, or hides them from it."""

    act: Literal["menu"]
    pages: _Pages
    on: bool

    def service(self) -> several_pages.Act:
        """What it asks of the service."""
        return several_pages.ShowInMenu(self.pages, self.on)


class Delete(Strict):
    """Deletes pages with all below them."""

    act: Literal["delete"]
    pages: _Pages

    def service(self) -> several_pages.Act:
        """What it asks of the service."""
        return several_pages.Delete(self.pages)


class BringBack(Strict):
    """Brings deleted pages back, in this order."""

    act: Literal["bring_back"]
    removed: Annotated[list[Identifier], Field(min_length=1, max_length=_MOST_BROUGHT_BACK)]

    def service(self) -> several_pages.Act:
        """What it asks of the service."""
        return several_pages.BringBack(self.removed)


class UndoOut(Schema):
    """The act that takes back what was done; none where nothing was."""

    undo: PutBelow | PutAt | ShowInMenu | Delete | BringBack | None


def _taken_back(act: several_pages.Act) -> dict[str, Any] | None:
    """An act of the service as the call takes it."""
    match act:
        case several_pages.PutAt(places):
            sent = [{"page": page, "parent": to.parent, "index": to.index} for page, to in places]
            return {"act": "put_at", "places": sent} if sent else None
        case several_pages.ShowInMenu(pages, on):
            return {"act": "menu", "pages": pages, "on": on} if pages else None
        case several_pages.BringBack(removed):
            return {"act": "bring_back", "removed": removed}
        case several_pages.Delete(pages):
            return {"act": "delete", "pages": pages}
        case several_pages.PutBelow(pages, parent):
            return {"act": "put_below", "pages": pages, "parent": parent}


@router.post("/sites/{site}/new-pages/several", response={201: list[NamedPage], 422: ProblemOut})
def add_titled(request: HttpRequest, site: str, given: NewPages) -> Status[list[dict[str, Any]]]:
    """Adds pages from their titles, in this order, last below another; or posts of today. All of them or none."""
    found_site = site_for(request, site, Action.EDIT)
    today = clock.now().astimezone(zones.clock_of(found_site.facts.time_zone))
    made = several_pages.add_titled(found_site, given.titles, given.parent, today, given.kind)
    return Status(201, [{"id": one.page_id, "title": one.title, "path": one.path} for one in made])


@router.post("/sites/{site}/pages/several", response={200: UndoOut, 404: ProblemOut, 422: ProblemOut})
def treat(
    request: HttpRequest,
    site: str,
    given: Body[Annotated[PutBelow | PutAt | ShowInMenu | Delete | BringBack, Field(discriminator="act")]],
) -> dict[str, Any]:
    """Does one act on several pages, all of it or nothing; gives the act that takes it back."""
    found_site = site_for(request, site, Action.EDIT)
    return {"undo": _taken_back(several_pages.do(found_site, given.service(), clock.now()))}
