"""The tree of a draft's pages: new ones, moved ones, copies, and deleting with a way back."""

from collections.abc import Sequence
from datetime import datetime, timedelta
from typing import Any

from django.db import IntegrityError, transaction
from django.db.models import Q, QuerySet

from hestor.core.errors import InvalidInput, NotFound, Problem
from hestor.core.pages import actions, paths, placing
from hestor.core.pages.actions import PageAction
from hestor.core.pages.fields import Kind
from hestor.core.pages.placing import Target, Way, Where
from hestor.core.text import lines
from hestor.sites.models import RemovedPage, Revision, RevisionQuerySet, Site
from hestor.sites.selectors.page_fields import current, fields_of
from hestor.sites.services import page_values
from hestor.sites.services.locking import locked
from hestor.sites.services.new_pages import free_path, page_of_kind
from hestor.sites.services.pages import add_page, check_place, remove_page

DAYS_KEPT = 30


def _tree_pages(site: Site) -> RevisionQuerySet:
    return Revision.objects.in_draft_of(site).exclude(kind="post")


def _last_below(site: Site, parent: int | None) -> int:
    return max(_tree_pages(site).filter(parent_id=parent).values_list("order", flat=True), default=0)


def add_new(site: Site, title: str, kind: Kind, parent: int | None, today: datetime) -> Revision:
    """A new page from its title, last below ``parent``; a post stands below the news. Raises InvalidInput."""
    title = lines.tidy(title)
    if kind == "post":
        listed = page_of_kind(site, "news")
        path = free_path(site, listed.path, title, "post")
        return add_page(site, {"path": path, "title": title, "kind": kind, "published": today.date()})
    above = current(site, parent).path if parent else "/"
    path = free_path(site, above, title, "page")
    order = _last_below(site, parent) + 1
    # A page at the top is for the menu, until somebody says otherwise; those below it are found from there.
    in_menu = parent is None
    return add_page(
        site, {"path": path, "title": title, "kind": kind, "parent": parent, "order": order, "in_menu": in_menu}
    )


def _in_tree(site: Site, parent: int | None) -> list[Revision]:
    """The pages of the tree directly below one, in their order; those below one that is gone stand at the top."""
    pages = _tree_pages(site)
    at_top = Q(parent_id=None) | ~Q(parent_id__in=pages.values("page_id"))
    return list(pages.filter(at_top if parent is None else Q(parent_id=parent)).order_by("order", "path"))


def _place_of(site: Site, page: int) -> Target:
    """Where a page of the tree stands. Raises NotFound."""
    named = current(site, page).parent_id
    above = named if named and _tree_pages(site).filter(page_id=named).exists() else None
    ids = _ids(site, above)
    if page not in ids:
        raise NotFound
    return Target(above, ids.index(page))


def _ids(site: Site, parent: int | None) -> list[int]:
    return [one.page_id for one in _in_tree(site, parent)]


def step(site: Site, page: int, way: Way) -> Target:
    """Where a step leads a page of the tree. Raises InvalidInput where there is none, NotFound."""
    above = _place_of(site, page).parent
    beyond = _place_of(site, above).parent if above is not None else None
    beside = _ids(site, beyond) if above is not None else []
    target = placing.stepped(page, way, _ids(site, above), above, beside, beyond)
    if target is None or (way == "into" and not _may_hold(site, target.parent)):
        raise InvalidInput([Problem("way", "no_such_step")])
    return target


def _may_hold(site: Site, parent: int | None) -> bool:
    return parent is None or placing.may_hold(current(site, parent).path)


def drop(site: Site, page: int, on: int, where: Where) -> Target:
    """Where a page goes that is dropped on another one of the tree.

    Raises NotFound, and InvalidInput for itself and for a place below the home page.
    """
    if page == on or (where == "into" and not _may_hold(site, on)):
        raise InvalidInput([Problem("on", "no_such_step")])
    above = _place_of(site, on).parent
    return placing.dropped(page, on, where, _ids(site, above), above)


def move(site: Site, page: int, target: Target) -> Target:
    """Puts a page elsewhere in the tree; its address stays. Gives where it was. Raises InvalidInput, NotFound."""
    with transaction.atomic():
        site = locked(site)
        before = _place_of(site, page)
        chosen = current(site, page)
        check_place(site, chosen, target.parent)
        places = placing.moved(chosen, _in_tree(site, target.parent), target)
        page_values.put(site, {place.page: {"parent_id": place.parent, "order": place.order} for place in places})
        return before


def duplicate(site: Site, page: int) -> Revision:
    """The same page once more, right below, at an address of its own and not in the menu. Raises InvalidInput."""
    fields = fields_of(current(site, page))
    actions.require(PageAction.DUPLICATE, fields.kind, fields.path)
    path = free_path(site, paths.above(fields.path), fields.title, fields.kind)
    return add_page(site, {**fields.model_dump(), "path": path, "in_menu": False})


def below(site: Site, page: int) -> Sequence[Revision]:
    """All pages below one, each after the one above it."""
    found: dict[int, Revision] = {}
    level = {page}
    while level:
        rows = _tree_pages(site).filter(parent_id__in=level).exclude(page_id__in=found)
        level = {row.page_id for row in rows}
        found |= {row.page_id: row for row in rows}
    return sorted(found.values(), key=lambda row: row.place)


def delete(site: Site, page: int, now: datetime, revision: int | None = None) -> list[RemovedPage]:
    """Takes a page out of the draft with all below it, each kept for a while.

    Raises InvalidInput for the home page, StaleRevision, NotFound.
    """
    with transaction.atomic():
        site = locked(site, revision)
        deleted = current(site, page)
        kept = []
        for one in [*reversed(below(site, page)), deleted]:
            fields = fields_of(one).model_dump(mode="json")
            remove_page(site, one.page_id)
            kept.append(
                RemovedPage.objects.create(site=site, page=one.page, language=site.language, fields=fields, removed=now)
            )
        return kept


def bring_back(site: Site, number: int) -> Revision:
    """Puts a deleted page back into the draft, at another address where its own was taken. Raises NotFound."""
    kept = removed(site).filter(pk=number).first()
    if kept is None:
        raise NotFound
    fields: dict[str, Any] = {**kept.fields}
    drafts = Revision.objects.in_draft_of(site)
    if drafts.filter(path=fields["path"]).exists():
        fields["path"] = free_path(site, paths.above(fields["path"]), fields["title"], fields["kind"])
    if fields["parent"] and not drafts.filter(page_id=fields["parent"]).exists():
        fields["parent"] = None
    try:
        made = add_page(site, fields, page=kept.page)
    except IntegrityError as error:
        # Somebody else brought it back at the same moment.
        raise NotFound from error
    kept.delete()
    return made


def removed(site: Site) -> QuerySet[RemovedPage]:
    """The deleted pages that can be brought back, the newest first."""
    kept = RemovedPage.objects.filter(site=site, language=site.language).order_by("-removed", "-pk")
    return kept.exclude(page_id__in=Revision.objects.in_draft_of(site).values("page_id"))


def purge(now: datetime) -> None:
    """Lets go for good of what was deleted long ago."""
    RemovedPage.objects.filter(removed__lt=now - timedelta(days=DAYS_KEPT)).delete()
