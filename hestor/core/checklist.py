"""What a site still has to say: facts that it lacks or never changed from its start, and pages that say nothing yet."""

from collections.abc import Iterator
from dataclasses import dataclass
from typing import Literal, cast

from hestor.core.facts.document import SPECS, Facts

Kind = Literal[
    "tagline", "description", "logo", "icon", "contact_email", "notices_email", "starter_text", "one_page",
    "empty_pages", "titles", "undescribed_pictures", "unpublished",
]  # fmt: skip
_FACTS = tuple(cast(Kind, key) for key, spec in SPECS.items() if spec.missed)


@dataclass(frozen=True)
class Seen:
    """What was found of a site: how many pages, which say nothing or still Hestor's own start, and what else waits.

    ``starters`` are pages by their numbers, ``empty`` the first without a text, of ``bare`` ones in all; ``faulty`` is
    how many pages have a title that misleads, ``undescribed`` how many pictures on pages have no description.
    """

    facts: Facts
    pages: int
    starters: tuple[int, ...] = ()
    empty: int | None = None
    bare: int = 0
    faulty: int = 0
    undescribed: int = 0
    published: bool = True


@dataclass(frozen=True)
class ChecklistItem:
    """One thing to say: where it is said (a fact's key, or a page's number), and of how many it is."""

    kind: Kind
    fact: str = ""
    page: int | None = None
    count: int = 1


def items(seen: Seen) -> tuple[ChecklistItem, ...]:
    """All that is still to be said, what visitors miss most first. Done ones are not in it."""
    return tuple(_found(seen))


def _found(seen: Seen) -> Iterator[ChecklistItem]:
    if seen.starters:
        yield ChecklistItem("starter_text", page=seen.starters[0], count=len(seen.starters))
    for kind in _FACTS:
        if not getattr(seen.facts, kind) and not (kind == "icon" and seen.facts.logo):
            yield ChecklistItem(kind, fact=kind)
    if seen.pages <= 1:
        yield ChecklistItem("one_page")
    if seen.bare:
        yield ChecklistItem("empty_pages", page=seen.empty, count=seen.bare)
    if seen.faulty:
        yield ChecklistItem("titles", count=seen.faulty)
    if seen.undescribed:
        yield ChecklistItem("undescribed_pictures", count=seen.undescribed)
    if not seen.published:
        yield ChecklistItem("unpublished")
