"""Moving a page within the tree: where a step or a drop leads, and what that makes of it and of its siblings."""

from collections.abc import Sequence
from dataclasses import dataclass
from typing import Literal

from hestor.core.pages.tree import Placed

Way = Literal["up", "down", "into", "out"]
"""A step: past the sibling before, past the one after, below the one before, out from below the page above."""
WAYS: tuple[Way, ...] = ("up", "down", "into", "out")
Where = Literal["before", "after", "into"]
"""Beside a page that another is dropped on, or below it."""
LAST = 1_000_000
"""A place after all siblings."""


def may_hold(path: str) -> bool:
    """Whether pages are put below the one at an address: the home page stands beside the others, above none."""
    return path != "/"


@dataclass(frozen=True)
class Target:
    """Where a page is to stand: the page above it (none: at the top), and its place among those below that one."""

    parent: int | None
    index: int


@dataclass(frozen=True)
class NewPlace:
    """Where a page stands from now on: the page above it, and its place among its siblings."""

    page: int
    parent: int | None
    order: int


def moved(page: Placed, siblings: Sequence[Placed], target: Target) -> list[NewPlace]:
    """The pages that have to be written so that ``page`` stands where it is to.

    ``siblings`` are the pages that stand below the target's page, in their order; ``page`` may be one of them. Places
    begin with 1, as those of pages that were never moved may be 0 and stand by their address.
    """
    row = [one for one in siblings if one.page_id != page.page_id]
    row.insert(max(0, min(target.index, len(row))), page)
    before = {one.page_id: (one.parent_id, one.order) for one in row}
    places = [NewPlace(one.page_id, target.parent, order) for order, one in enumerate(row, 1)]
    return [place for place in places if before[place.page] != (place.parent, place.order)]


def stepped(
    page: int, way: Way, siblings: Sequence[int], above: int | None, beside: Sequence[int], beyond: int | None
) -> Target | None:
    """Where a step leads; None where there is none.

    ``siblings`` are the pages below the page ``above``, this one among them, ``beside`` those beside that page, which
    stand below the page ``beyond``; all in their order.
    """
    at = siblings.index(page)
    if way == "out":
        return Target(beyond, beside.index(above) + 1) if above is not None else None
    if way == "down":
        return Target(above, at + 1) if at + 1 < len(siblings) else None
    if at == 0:
        return None
    return Target(above, at - 1) if way == "up" else Target(siblings[at - 1], LAST)


def dropped(page: int, on: int, where: Where, siblings: Sequence[int], above: int | None) -> Target:
    """Where a page goes that is dropped on another: ``siblings`` are the pages below ``above``, that one among them."""
    if where == "into":
        return Target(on, LAST)
    others = [one for one in siblings if one != page]
    return Target(above, others.index(on) + (where == "after"))
