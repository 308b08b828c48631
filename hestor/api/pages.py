"""Pages of the draft."""

from collections.abc import Sequence
from datetime import timedelta
from typing import Annotated, Any

from django.http import HttpRequest, HttpResponse
from ninja import Query, Router, Status
from pydantic import Field

from hestor import clock
from hestor.api.auth import given_revision, signed_in, site_and_role, site_for
from hestor.api.errors import Conflict, field_error
from hestor.api.page_schemas import (
    LookIn,
    LookOut,
    MovedOut,
    NamedPage,
    NewEvent,
    NewPage,
    PageChange,
    PageChoice,
    PageDrop,
    PageFull,
    PageIn,
    PageMove,
    PageOut,
    PageStep,
    PageWindowOut,
    RemovedOut,
)
from hestor.api.permissions import page_permissions
from hestor.api.schemas import MOST_AT_ONCE, Count, Identifier, Number, ProblemOut, Strict
from hestor.api.words import author_out
from hestor.core import zones
from hestor.core.errors import NotFound, StaleRevision
from hestor.core.pages import fields as page_fields
from hestor.core.pages.placing import Target
from hestor.core.roles import Action, Role
from hestor.sites.models import RemovedPage, Revision, Site
from hestor.sites.selectors import authors, previews
from hestor.sites.selectors.live_preview import look
from hestor.sites.selectors.page_fields import current, fields_of
from hestor.sites.selectors.page_list import PageWindow, Wanted, page_row, page_window, steps_of
from hestor.sites.services import home_page, page_tree
from hestor.sites.services.events import add_event
from hestor.sites.services.link_updates import follow
from hestor.sites.services.pages import add_page, change_page

router = Router(tags=["pages"])


class TreeQuery(Strict):
    """Which part of the list is asked for.

    With ``around`` it begins so that this page is in it. ``sought`` are words of a title or an address;
    ``parents_only`` leaves those below which others can stand, ``leaving_out`` those that leave out shared parts.
    ``in_texts`` looks for the words in the texts of pages, too.
    """

    start: Number = 0
    count: Count = 200
    around: Identifier | None = None
    sought: Annotated[str, Field(max_length=200)] = ""
    in_texts: bool = False
    parents_only: bool = False
    leaving_out: bool = False


def _full(request: HttpRequest, site: Site, revision: Revision, role: Role) -> dict[str, Any]:
    site.refresh_from_db()
    author = authors.of_page(site, revision.page_id)
    row = page_row(site, revision, clock.now())
    notices = [field_error(notice) for notice in page_fields.notices(fields_of(revision))]
    may = page_permissions(role, revision.kind, revision.path)
    return {
        **row,
        "body": revision.text.body,
        "revision": site.revision,
        "notices": notices,
        "may": may,
        "steps": steps_of(site, revision),
        "author": author_out(author, signed_in(request)) if author else None,
    }


@router.get("/sites/{site}/pages", response={200: list[PageOut], 404: ProblemOut})
def list_pages(
    request: HttpRequest, site: str, response: HttpResponse, start: Number = 0, count: Count = MOST_AT_ONCE
) -> Sequence[dict[str, Any]]:
    """Pages of the draft, in the order of the tree: ``count`` from number ``start`` on.

    Where there are more, a ``Link`` (RFC 8288) leads on to them.
    """
    window = page_window(site_for(request, site, Action.VIEW), Wanted(start, count), clock.now())
    following = start + len(window.rows)
    if window.rows and following < window.count:
        response["Link"] = f'<{request.path}?start={following}&count={count}>; rel="next"'
    return window.rows


@router.get("/sites/{site}/tree", response={200: PageWindowOut, 404: ProblemOut})
def show_tree(request: HttpRequest, site: str, wanted: Query[TreeQuery]) -> PageWindow:
    """A part of the list of pages, in the order of the tree, and how many there are in all."""
    return page_window(site_for(request, site, Action.VIEW), Wanted(**wanted.model_dump()), clock.now())


@router.get("/sites/{site}/pages/{page}", response={200: PageFull, 404: ProblemOut})
def show(request: HttpRequest, site: str, page: Identifier) -> dict[str, Any]:
    """One page with its text."""
    found_site, role = site_and_role(request, site, Action.VIEW)
    return _full(request, found_site, current(found_site, page), role)


@router.post("/sites/{site}/pages", response={201: PageFull, 412: ProblemOut, 422: ProblemOut})
def add(request: HttpRequest, site: str, given: PageIn) -> Status[dict[str, Any]]:
    """Adds a page to the draft."""
    found_site, role = site_and_role(request, site, Action.EDIT)
    made = add_page(found_site, given.model_dump(), given_revision(request))
    return Status(201, _full(request, found_site, made, role))


@router.post("/sites/{site}/new-pages", response={201: PageFull, 422: ProblemOut})
def add_titled(request: HttpRequest, site: str, given: NewPage) -> Status[dict[str, Any]]:
    """Adds a page from its title, last below another; or a post of today, below the news."""
    found_site, role = site_and_role(request, site, Action.EDIT)
    today = clock.now().astimezone(zones.clock_of(found_site.facts.time_zone))
    return Status(
        201,
        _full(request, found_site, page_tree.add_new(found_site, given.title, given.kind, given.parent, today), role),
    )


@router.post("/sites/{site}/pages/{page}/move", response={200: MovedOut, 404: ProblemOut, 422: ProblemOut})
def move(request: HttpRequest, site: str, page: Identifier, given: PageMove | PageStep | PageDrop) -> MovedOut:
    """Puts a page elsewhere in the tree: to a place, by a step, or beside another page; its address stays."""
    found_site = site_for(request, site, Action.EDIT)
    if isinstance(given, PageStep):
        target = page_tree.step(found_site, page, given.way)
    elif isinstance(given, PageDrop):
        target = page_tree.drop(found_site, page, given.on, given.where)
    else:
        target = Target(given.parent, given.index)
    before = page_tree.move(found_site, page, target)
    return MovedOut.model_validate({"before": before, "after": target}, from_attributes=True)


@router.post("/sites/{site}/pages/{page}/home", response={204: None, 404: ProblemOut, 422: ProblemOut})
def make_home(request: HttpRequest, site: str, page: Identifier) -> Status[None]:
    """Makes a page the home page; the one that was gets an address of its own."""
    home_page.make_home(site_for(request, site, Action.EDIT), page)
    return Status(204, None)


@router.post("/sites/{site}/pages/{page}/not-found", response={204: None, 404: ProblemOut, 422: ProblemOut})
def make_not_found(request: HttpRequest, site: str, page: Identifier, given: PageChoice) -> Status[None]:
    """Makes a page the one for addresses that lead nowhere, or a page like others again."""
    home_page.make_not_found(site_for(request, site, Action.EDIT), page, given.on)
    return Status(204, None)


@router.post("/sites/{site}/pages/{page}/duplicate", response={201: PageFull, 404: ProblemOut, 422: ProblemOut})
def duplicate(request: HttpRequest, site: str, page: Identifier) -> Status[dict[str, Any]]:
    """The same page once more, at an address of its own."""
    found_site, role = site_and_role(request, site, Action.EDIT)
    return Status(201, _full(request, found_site, page_tree.duplicate(found_site, page), role))


@router.get("/sites/{site}/pages/{page}/below", response={200: list[NamedPage], 404: ProblemOut})
def below(request: HttpRequest, site: str, page: Identifier) -> list[NamedPage]:
    """All pages below one: they are deleted with it."""
    found_site = site_for(request, site, Action.VIEW)
    current(found_site, page)
    return [NamedPage(id=one.page_id, title=one.title, path=one.path) for one in page_tree.below(found_site, page)]


def _removed(page: RemovedPage) -> RemovedOut:
    gone = page.removed + timedelta(days=page_tree.DAYS_KEPT)
    return RemovedOut(id=page.pk, title=page.fields["title"], path=page.fields["path"], removed=page.removed, gone=gone)


@router.get("/sites/{site}/removed-pages", response={200: list[RemovedOut], 404: ProblemOut})
def list_removed(request: HttpRequest, site: str) -> list[RemovedOut]:
    """The deleted pages that can be brought back, the newest first."""
    found_site = site_for(request, site, Action.VIEW)
    return [_removed(page) for page in page_tree.removed(found_site)]


@router.post(
    "/sites/{site}/removed-pages/{removed}/restore", response={200: PageFull, 404: ProblemOut, 422: ProblemOut}
)
def bring_back(request: HttpRequest, site: str, removed: Identifier) -> dict[str, Any]:
    """Puts a deleted page back into the draft."""
    found_site, role = site_and_role(request, site, Action.EDIT)
    return _full(request, found_site, page_tree.bring_back(found_site, removed), role)


@router.post("/sites/{site}/events", response={201: PageFull, 422: ProblemOut})
def plan(request: HttpRequest, site: str, given: NewEvent) -> Status[dict[str, Any]]:
    """Adds an event to the draft, below the page that lists them; that page, too, where there is none yet."""
    found_site, role = site_and_role(request, site, Action.EDIT)
    return Status(201, _full(request, found_site, add_event(found_site, given.title, given.schedule), role))


@router.patch("/sites/{site}/pages/{page}", response={200: PageFull, 412: ProblemOut, 422: ProblemOut})
def change(request: HttpRequest, site: str, page: Identifier, given: PageChange) -> dict[str, Any]:
    """Changes a page in the draft; what is live stays as it is. A stale write is refused, with both values."""
    found_site, role = site_and_role(request, site, Action.EDIT)
    sent = given.model_dump(exclude_unset=True)
    try:
        before = current(found_site, page).path if "path" in sent else ""
        changed = change_page(found_site, page, sent, given_revision(request))
        if before not in ("", changed.path):
            follow(found_site, {before: changed.path})
        return _full(request, found_site, current(found_site, page), role)
    except StaleRevision as error:
        theirs = PageFull.model_validate(_full(request, found_site, current(found_site, page), role)).model_dump(
            mode="json"
        )
        raise Conflict(error, given.model_dump(mode="json", exclude_unset=True), theirs) from error


@router.post("/sites/{site}/pages/{page}/look", response={200: LookOut, 404: ProblemOut, 422: ProblemOut})
def look_at(request: HttpRequest, site: str, page: Identifier, given: LookIn) -> LookOut:
    """The main part of a page as it would be with words that are being typed; nothing is kept."""
    found_site = site_for(request, site, Action.VIEW)
    ticket = previews.read(given.root + "/")
    if ticket is None or ticket[0].site != found_site.pk:
        raise NotFound
    seen = look(found_site, page, given.model_dump(exclude_unset=True, exclude={"root"}), given.root, clock.now())
    return LookOut.model_validate(seen, from_attributes=True)


@router.delete("/sites/{site}/pages/{page}", response={204: None, 412: ProblemOut, 422: ProblemOut})
def remove(request: HttpRequest, site: str, page: Identifier) -> Status[None]:
    """Deletes a page from the draft with all below it, for 30 days; what is live stays as it is."""
    found_site = site_for(request, site, Action.EDIT)
    page_tree.delete(found_site, page, clock.now(), given_revision(request))
    return Status(204, None)
