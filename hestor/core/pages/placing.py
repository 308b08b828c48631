"""Moving a page within the tree: what its new place makes of it and of its siblings."""

from collections.abc import Sequence
from dataclasses import dataclass

from hestor.core.pages.tree import Placed


@dataclass(frozen=True)
class NewPlace:
    """Where a page stands from now on: the page above it, and its place among its siblings."""

    page: int
    parent: int | None
    order: int


def moved(pages: Sequence[Placed], page: int, parent: int | None, index: int) -> list[NewPlace]:
    """Who has to be written so that ``page`` stands at ``index`` (0 is first) below ``parent``.

    Places begin with 1, as those of pages that were never moved may be 0 and stand by their address. Raises KeyError
    for a page that is not among ``pages``.
    """
    here = {each_page.page_id: each_page for each_page in pages}
    known = here[page]
    siblings = [
        each_page
        for each_page in sorted(pages, key=lambda one: (one.order, one.path))
        if each_page.page_id != page and (each_page.parent_id if each_page.parent_id in here else None) == parent
    ]
    row: list[Placed] = [*siblings]
    row.insert(max(0, min(index, len(row))), known)
    places = [NewPlace(one.page_id, parent, order) for order, one in enumerate(row, 1)]
    before = {one.page_id: (one.parent_id if one.parent_id in here else None, one.order) for one in row}
    return [place for place in places if before[place.page] != (place.parent, place.order)]
