"""What differs between two states of a site, with the reach of each difference."""

import json
from collections.abc import Collection, Iterable, Mapping
from dataclasses import dataclass, field
from typing import Any, Literal

from hestor.core.facts import document
from hestor.core.facts.document import Facts
from hestor.core.places.place import Place
from hestor.core.places.reach import PlaceReach, Reach

Kind = Literal["fact", "page_added", "page_changed", "page_removed"]


@dataclass(frozen=True)
class Change:
    """One difference. ``key`` is the fact's key or the page's address.

    ``old`` and ``new`` are what was and what will be: a fact's value as plain JSON, or a page's title. ``pages`` is
    on how many pages it is seen at all, ``reach`` in how many in each place. ``page`` is the number of a page that
    differs and is still there; it is not kept with an edition.
    """

    kind: Kind
    key: str
    old: Any = None
    new: Any = None
    pages: int = 0
    reach: tuple[PlaceReach, ...] = ()
    page: int | None = field(default=None, compare=False)

    def document(self) -> dict[str, Any]:
        """The change as plain values, to be kept with an edition."""
        places = [[one.place.value, one.number] for one in self.reach]
        return {
            "kind": self.kind,
            "key": self.key,
            "old": self.old,
            "new": self.new,
            "pages": self.pages,
            "reach": places,
        }

    @classmethod
    def parse(cls, document: Mapping[str, Any]) -> "Change":
        """A change that was kept by ``document``, also by an older Hestor's."""
        if "feeds" in document:
            document = _from_first_form(document)
        places = tuple(PlaceReach(Place(place), number) for place, number in document["reach"])
        return cls(**{**document, "reach": places})


def _from_first_form(kept: Mapping[str, Any]) -> dict[str, Any]:
    """Until version 0.2 a change held its values as texts, and counts of feeds and manifests beside its pages."""
    files = {"feed": kept["feeds"], "manifest": kept["manifests"]}
    values = {side: kept[side] for side in ("old", "new")}
    if kept["kind"] == "fact" and document.is_structured(kept["key"]):
        values = {side: json.loads(text) if text else None for side, text in values.items()}
    places = [[place, number] for place, number in files.items() if number]
    return {"kind": kept["kind"], "key": kept["key"], **values, "pages": kept["pages"], "reach": places}


@dataclass(frozen=True)
class PageState:
    """As much of a page as is compared: its identity, its address and its title."""

    page: int
    path: str
    title: str


def fact_change(key: str, live: Facts | None, draft: Facts, reach: Reach) -> Change:
    """A fact that differs, with its reach."""
    old, new = (document.plain(facts, (key,))[key] if facts else None for facts in (live, draft))
    return Change("fact", key, old, new, reach.pages, reach.places)


def page_changes(gone: Iterable[PageState], come: Iterable[PageState]) -> tuple[Change, ...]:
    """The pages that differ, from the states that stop being public and those that become so."""
    old, new = ({state.page: state for state in states} for states in (gone, come))
    changes = []
    for page in sorted(old.keys() | new.keys(), key=lambda page: (new.get(page) or old[page]).path):
        before, after = old.get(page), new.get(page)
        if before is None and after is not None:
            changes.append(Change("page_added", after.path, "", after.title, 1, page=page))
        elif after is None and before is not None:
            changes.append(Change("page_removed", before.path, before.title, "", 1))
        elif before is not None and after is not None:
            changes.append(Change("page_changed", after.path, before.title, after.title, 1, page=page))
    return tuple(changes)


def shown_on(menu: Iterable[str], touched: Collection[str]) -> str:
    """The page on which facts are looked at: an inner one, as most pages are, that no change has ``touched``.

    ``menu`` are the addresses of the pages that the menu names, in its order; where none will do, it is the home page.
    """
    return next((path for path in menu if path != "/" and path not in touched), "/")
