"""Keys by which a database gives pages in the order of the tree, a window at a time, without reading all of them.

A page's key is that of the page above it, and behind it its own part: its place among its siblings, and its address.
So a page comes right before those below it, and these come before its next sibling. Posts come after the tree.
"""

from collections.abc import Collection, Mapping
from datetime import date
from typing import Protocol

from hestor.core.pages.tree import Placed

END = " "
"""What ends each part: lower than any character of an address, so that a shorter address comes first."""
_AFTER_ALL = "!"
POSTS = "~"
"""What the keys of posts begin with."""
_NEWEST = date.max.toordinal()
# Databases refuse to index what is much longer; only addresses that nobody would type make keys like that.
_LONGEST = 1_500


def key_of(above: str, order: int, path: str) -> str:
    """The key of a page below the one with the key ``above`` (empty: at the top).

    ``order`` is its place among its siblings (0 to 1,000,000); of two with the same the lower address comes first.
    """
    return f"{above}{order:07d}{path}{END}"[:_LONGEST]


def post_key(published: date | None, path: str) -> str:
    """The key of a post: after all pages of the tree, the newest first, then by address; undated ones last."""
    age = _NEWEST - published.toordinal() if published else _NEWEST
    return f"{POSTS}{age:07d}{path}{END}"[:_LONGEST]


def past_below(key: str) -> str:
    """Where keys go on after the page with this key and all below it."""
    return key.removesuffix(END) + _AFTER_ALL


def above(key: str) -> str:
    """The key of the page above; empty for one at the top."""
    return "".join(_parts(key)[:-1])


def sibling(key: str, other: str) -> str | None:
    """The key of the sibling of a page that ``other``, some page's key, belongs to: its own, or one below it.

    None where that page stands elsewhere.
    """
    parts, others = _parts(key), _parts(other)
    depth = len(parts) - 1
    if other.startswith(POSTS) or len(others) <= depth or others[:depth] != parts[:depth]:
        return None
    return "".join(others[: depth + 1])


def _parts(key: str) -> list[str]:
    return [part + END for part in key.removesuffix(END).split(END)] if key else []


class Keyed(Placed, Protocol):
    """A page as its key needs it: where it stands, what kind it is, and the day of a post."""

    @property
    def kind(self) -> str:
        """Its kind."""

    @property
    def published(self) -> date | None:
        """The day of a post."""


def keys_of(pages: Collection[Keyed], known: Mapping[int, str]) -> dict[int, str]:
    """The key of each page, by page; ``known`` are the keys of those above them that are not among them.

    A page that stands below one that is in neither, or below a post, stands at the top.
    """
    here = {page.page_id: page for page in pages if page.kind != "post"}
    keys: dict[int, str] = {}
    for page in pages:
        chain: list[Keyed] = []
        at: Keyed | None = page
        # Nobody stands below itself; should it be so all the same, this comes to an end.
        while at is not None and at.page_id not in keys and at not in chain:
            chain.append(at)
            at = here.get(at.parent_id) if at.parent_id else None
        for one in reversed(chain):
            parent = one.parent_id or 0
            above_it = keys[parent] if parent in here and parent in keys else known.get(parent, "")
            keys[one.page_id] = _key(one, above_it)
    return keys


def _key(page: Keyed, above: str) -> str:
    return post_key(page.published, page.path) if page.kind == "post" else key_of(above, page.order, page.path)
