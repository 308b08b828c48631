"""What differs between two states of a site, with the reach of each difference."""

from collections.abc import Iterable, Mapping
from dataclasses import asdict, dataclass
from typing import Any, Literal

from hestor.core import facts as facts_module
from hestor.core.facts import Facts
from hestor.core.reach import Counts, Place, files_in, reach, total_pages

Kind = Literal["fact", "page_added", "page_changed", "page_removed"]


@dataclass(frozen=True)
class Change:
    """One difference. ``key`` is the fact's key or the page's address; the numbers are its reach.

    ``old`` and ``new`` are what a reader saw and will see: a fact's value, or a page's title.
    """

    kind: Kind
    key: str
    old: str = ""
    new: str = ""
    pages: int = 0
    feeds: int = 0
    manifests: int = 0

    def document(self) -> dict[str, Any]:
        """The change as plain values, to be kept with an edition."""
        return asdict(self)

    @classmethod
    def parse(cls, document: Mapping[str, Any]) -> "Change":
        """A change that was kept by ``document``."""
        return cls(**document)


@dataclass(frozen=True)
class PageState:
    """As much of a page as is compared: its identity, its address and its title."""

    page: int
    path: str
    title: str


def fact_changes(live: Facts | None, draft: Facts, counts: Counts) -> tuple[Change, ...]:
    """The facts that differ, in the sheet's order, each with where the new value lands."""
    return tuple(_fact_change(key, live, draft, counts) for key in facts_module.differing(live, draft))


def _fact_change(key: str, live: Facts | None, draft: Facts, counts: Counts) -> Change:
    # A fact that is emptied vanishes from where it was, so its old reach is what changes.
    places = reach(key, draft, counts) or (reach(key, live, counts) if live else ())
    old = facts_module.said(live, key) if live else ""
    feeds, manifests = files_in(Place.FEED, places), files_in(Place.MANIFEST, places)
    return Change("fact", key, old, facts_module.said(draft, key), total_pages(places), feeds, manifests)


def page_changes(gone: Iterable[PageState], come: Iterable[PageState]) -> tuple[Change, ...]:
    """The pages that differ, from the states that stop being public and those that become so."""
    old, new = ({state.page: state for state in states} for states in (gone, come))
    found = []
    for page in sorted(old.keys() | new.keys(), key=lambda page: (new.get(page) or old[page]).path):
        before, after = old.get(page), new.get(page)
        if before is None and after is not None:
            found.append(Change("page_added", after.path, "", after.title, 1))
        elif after is None and before is not None:
            found.append(Change("page_removed", before.path, before.title, "", 1))
        elif before is not None and after is not None:
            found.append(Change("page_changed", after.path, before.title, after.title, 1))
    return tuple(found)
