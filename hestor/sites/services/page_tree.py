"""The tree of a draft's pages: new ones, moved ones, copies, and deleting with a way back."""

from collections.abc import Sequence
from datetime import datetime, timedelta
from typing import Any

from django.db import IntegrityError, transaction
from django.db.models import QuerySet

from hestor.core.errors import NotFound
from hestor.core.pages import actions, paths, placing, tree
from hestor.core.pages.actions import PageAction
from hestor.core.pages.fields import Kind
from hestor.core.text import lines
from hestor.sites.models import RemovedPage, Revision, Site
from hestor.sites.selectors.page_fields import current, fields_of
from hestor.sites.services import page_values
from hestor.sites.services.locking import locked
from hestor.sites.services.new_pages import free_path, page_of_kind
from hestor.sites.services.pages import add_page, check_place, remove_page

DAYS_KEPT = 30


def _last_below(site_id: int, parent: int | None) -> int:
    found = Revision.objects.in_draft_of(site_id).exclude(kind="post").filter(parent_id=parent)
    return max(found.values_list("order", flat=True), default=0)


def add_new(site: Site, title: str, kind: Kind, parent: int | None, today: datetime) -> Revision:
    """A new page from its title, last below ``parent``; a post stands below the news. Raises InvalidInput."""
    title = lines.tidy(title)
    if kind == "post":
        listed = page_of_kind(site, "news")
        path = free_path(site.pk, listed.path, title, "post")
        return add_page(site.pk, {"path": path, "title": title, "kind": kind, "published": today.date()})
    above = current(site.pk, parent).path if parent else "/"
    path = free_path(site.pk, above, title, "page")
    order = _last_below(site.pk, parent) + 1
    # A page at the top is for the menu, until somebody says otherwise; those below it are found from there.
    in_menu = parent is None
    return add_page(
        site.pk, {"path": path, "title": title, "kind": kind, "parent": parent, "order": order, "in_menu": in_menu}
    )


def move(site_id: int, page: int, parent: int | None, index: int) -> None:
    """Puts a page below another, at a place among its siblings; its address stays. Raises InvalidInput, NotFound."""
    pages = list(Revision.objects.in_draft_of(site_id).exclude(kind="post"))
    if page not in {each_page.page_id for each_page in pages}:
        raise NotFound
    places = placing.moved(pages, page, parent, index)
    with transaction.atomic():
        site = locked(site_id)
        check_place(site, current(site_id, page), parent)
        page_values.put(site, {place.page: {"parent_id": place.parent, "order": place.order} for place in places})


def duplicate(site: Site, page: int) -> Revision:
    """The same page once more, right below, at an address of its own and not in the menu. Raises InvalidInput."""
    fields = fields_of(current(site.pk, page))
    actions.require(PageAction.DUPLICATE, fields.kind, fields.path)
    path = free_path(site.pk, paths.above(fields.path), fields.title, fields.kind)
    return add_page(site.pk, {**fields.model_dump(), "path": path, "in_menu": False})


def below(site_id: int, page: int) -> Sequence[Revision]:
    """All pages below one, each after the one above it."""
    return tree.below(list(Revision.objects.in_draft_of(site_id).exclude(kind="post")), page)


def delete(site_id: int, page: int, now: datetime, revision: int | None = None) -> list[RemovedPage]:
    """Takes a page out of the draft with all below it, each kept for a while.

    Raises InvalidInput for the home page, StaleRevision, NotFound.
    """
    with transaction.atomic():
        site = locked(site_id, revision)
        deleted = current(site_id, page)
        kept = []
        for one in [*reversed(below(site_id, page)), deleted]:
            fields = fields_of(one).model_dump(mode="json")
            remove_page(site_id, one.page_id)
            kept.append(RemovedPage.objects.create(site=site, page=one.page, fields=fields, removed=now))
        return kept


def bring_back(site_id: int, number: int) -> Revision:
    """Puts a deleted page back into the draft, at another address where its own was taken. Raises NotFound."""
    kept = removed(site_id).filter(pk=number).first()
    if kept is None:
        raise NotFound
    fields: dict[str, Any] = {**kept.fields}
    drafts = Revision.objects.in_draft_of(site_id)
    if drafts.filter(path=fields["path"]).exists():
        fields["path"] = free_path(site_id, paths.above(fields["path"]), fields["title"], fields["kind"])
    if fields["parent"] and not drafts.filter(page_id=fields["parent"]).exists():
        fields["parent"] = None
    try:
        made = add_page(site_id, fields, page=kept.page)
    except IntegrityError as error:
        # Somebody else brought it back at the same moment.
        raise NotFound from error
    kept.delete()
    return made


def removed(site_id: int) -> QuerySet[RemovedPage]:
    """The deleted pages that can be brought back, the newest first."""
    kept = RemovedPage.objects.filter(site_id=site_id).order_by("-removed", "-pk")
    return kept.exclude(page_id__in=Revision.objects.in_draft_of(site_id).values("page_id"))


def purge(now: datetime) -> None:
    """Lets go for good of what was deleted long ago."""
    RemovedPage.objects.filter(removed__lt=now - timedelta(days=DAYS_KEPT)).delete()
