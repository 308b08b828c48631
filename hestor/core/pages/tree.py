"""The tree of pages: which page is below which, in which order, how deep."""

from collections.abc import Iterator, Mapping, Sequence
from dataclasses import dataclass
from typing import Generic, Protocol, TypeVar


class Placed(Protocol):
    """A page as the tree needs it: its identity, that of the page above it, and its place among its siblings."""

    @property
    def page_id(self) -> int:
        """The page."""

    @property
    def parent_id(self) -> int | None:
        """The page above it."""

    @property
    def order(self) -> int:
        """Its place among its siblings."""

    @property
    def path(self) -> str:
        """Its address, which decides between siblings of one place."""


MOST_LEVELS = 10
"""How many pages may stand one below the other, the one at the top among them."""
LISTED_BY: Mapping[str, str] = {"post": "news", "event": "events"}
"""By which kind of page those of a kind are listed; it stands above them wherever they are."""
P = TypeVar("P", bound=Placed)


@dataclass(frozen=True)
class Node(Generic[P]):
    """A page with those below it."""

    page: P
    children: tuple["Node[P]", ...] = ()


def nested(pages: Sequence[P]) -> tuple[Node[P], ...]:
    """The pages as a tree. A page whose parent is not among them stands at the top."""
    here = {page.page_id for page in pages}
    below: dict[int | None, list[P]] = {}
    for page in sorted(pages, key=lambda page: (page.order, page.path)):
        below.setdefault(page.parent_id if page.parent_id in here else None, []).append(page)

    def nodes(above: int | None) -> tuple[Node[P], ...]:
        return tuple(Node(page, nodes(page.page_id)) for page in below.get(above, ()))

    return nodes(None)


def above(page: int, kind: str, parents: Mapping[int, int | None], lists: Mapping[str, int]) -> tuple[int, ...]:
    """The pages above one, from the top, by their numbers; ``lists`` are those that list others, by their kind."""
    found: list[int] = []
    parent = parents.get(page)
    while parent is not None and parent in parents and parent not in found:
        found.insert(0, parent)
        parent = parents[parent]
    listed = lists.get(LISTED_BY.get(kind, ""))
    return tuple(found) if listed is None or listed in found else (listed, *found)


def walk(nodes: Sequence[Node[P]], depth: int = 0) -> Iterator[tuple[P, int]]:
    """Each page after the one above it, with how deep it stands (0 at the top)."""
    for node in nodes:
        yield node.page, depth
        yield from walk(node.children, depth + 1)
