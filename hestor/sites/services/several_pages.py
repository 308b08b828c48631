"""Acts on several pages of a draft at once: all of it or nothing, and each says by which act it is taken back."""

from collections.abc import Callable, Sequence
from dataclasses import dataclass, replace
from datetime import datetime

from django.db import transaction

from hestor.core.errors import InvalidInput, NotFound, Problem
from hestor.core.pages.fields import NEVER_IN_MENU, Kind
from hestor.core.pages.placing import LAST, Target
from hestor.sites.models import Revision, Site
from hestor.sites.services import page_tree, page_values
from hestor.sites.services.locking import locked

MOST_PAGES = 500
"""How many pages one act takes: more would hold up other writers."""


@dataclass(frozen=True)
class PutBelow:
    """Puts pages last below another (none: at the top), in the order that they have in the tree."""

    pages: Sequence[int]
    parent: int | None


@dataclass(frozen=True)
class PutAt:
    """Puts pages at places, one after the other."""

    places: Sequence[tuple[int, Target]]


@dataclass(frozen=True)
class ShowInMenu:
    """Shows pages in the menu, or hides them from it; their addresses stay."""

    pages: Sequence[int]
    on: bool


@dataclass(frozen=True)
class Delete:
    """Deletes pages with all below them, for as long as deleted pages are kept."""

    pages: Sequence[int]


@dataclass(frozen=True)
class BringBack:
    """Brings deleted pages back, in the order given."""

    removed: Sequence[int]


Act = PutBelow | PutAt | ShowInMenu | Delete | BringBack


def do(site: Site, act: Act, now: datetime) -> Act:
    """Does an act and gives the one that takes it back.

    Raises InvalidInput where one of the pages can't be treated so, and NotFound for one that is gone; nothing is
    done then.
    """
    with transaction.atomic():
        return _DOES[type(act)](locked(site), act, now)


def add_titled(site: Site, titles: Sequence[str], parent: int | None, today: datetime, kind: Kind) -> list[Revision]:
    """New pages from their titles, in this order last below ``parent``; or posts.

    Raises InvalidInput, at ``titles.3`` for the third, and NotFound; none is made then.
    """
    made = []
    with transaction.atomic():
        for number, title in enumerate(titles, 1):
            try:
                made.append(page_tree.add_new(site, title, kind, parent, today))
            except InvalidInput as error:
                raise InvalidInput([_in_line(problem, number) for problem in error.problems]) from error
    return made


def _in_line(problem: Problem, number: int) -> Problem:
    return replace(problem, field=f"titles.{number}") if problem.field == "title" else problem


def _in_tree_order(site: Site, pages: Sequence[int]) -> list[Revision]:
    """The pages of the draft with these numbers. Raises NotFound where one is missing."""
    found = list(Revision.objects.in_draft_of(site).filter(page_id__in=pages).order_by("place"))
    if len(found) != len(set(pages)):
        raise NotFound
    return found


def _put_below(site: Site, act: PutBelow, now: datetime) -> Act:
    places = [(page.page_id, Target(act.parent, LAST)) for page in _in_tree_order(site, act.pages)]
    return _put_at(site, PutAt(places), now)


def _put_at(site: Site, act: PutAt, _now: datetime) -> Act:
    before = [(page, page_tree.move(site, page, target)) for page, target in act.places]
    # Each place was right just before its page was moved, so the last one goes back first.
    return PutAt(before[::-1])


def _show_in_menu(site: Site, act: ShowInMenu, _now: datetime) -> Act:
    wrong = [page for page in _in_tree_order(site, act.pages) if page.kind in NEVER_IN_MENU]
    if act.on and wrong:
        raise InvalidInput([Problem("pages", "never_in_menu", {"title": wrong[0].title})])
    return ShowInMenu(page_values.put(site, {page: {"in_menu": act.on} for page in act.pages}), not act.on)


def _delete(site: Site, act: Delete, now: datetime) -> Act:
    removed: list[int] = []
    gone: set[int] = set()
    for page in _in_tree_order(site, act.pages):
        if page.page_id in gone:
            continue
        # It went last, and those below it find it there when it comes back first.
        kept = page_tree.delete(site, page.page_id, now)[::-1]
        gone.update(one.page_id for one in kept)
        removed.extend(one.pk for one in kept)
    return BringBack(removed)


def _bring_back(site: Site, act: BringBack, _now: datetime) -> Act:
    return Delete([page_tree.bring_back(site, removed).page_id for removed in act.removed])


_DOES: dict[type, Callable[..., Act]] = {
    PutBelow: _put_below,
    PutAt: _put_at,
    ShowInMenu: _show_in_menu,
    Delete: _delete,
    BringBack: _bring_back,
}
