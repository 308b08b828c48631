"""What a site still has to say: facts that it lacks or never changed from its start, and pages that say nothing yet."""

from collections.abc import Iterator
from dataclasses import dataclass
from typing import Literal, cast

from hestor.core.facts.assets import DrawnIcon
from hestor.core.facts.document import SPECS, Facts
from hestor.core.text import lines

Kind = Literal[
    "tagline", "description", "logo", "icon", "icon_letters", "contact_email", "notices_email", "starter_text",
    "one_page", "empty_pages", "titles", "undescribed_pictures", "unpublished",
]  # fmt: skip
_FACTS = tuple(cast(Kind, key) for key, spec in SPECS.items() if spec.missed)


@dataclass(frozen=True)
class Seen:
    """What was found of a site: how many pages, which say nothing or still Hestor's own start, and what else waits.

    ``starters`` are pages by their numbers, ``empty`` the first without a text, of ``bare`` ones in all; ``faulty`` is
    how many pages have a title that misleads, ``undescribed`` how many pictures on pages have no description.
    ``former_names`` are those that the site was published under before.
    ``former_names`` are those that the site was published under before.
    """

    facts: Facts
    pages: int
    starters: tuple[int, ...] = ()
    empty: int | None = None
    bare: int = 0
    faulty: int = 0
    undescribed: int = 0
    former_names: tuple[str, ...] = ()
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
    if _are_of_a_former_name(seen):
        yield ChecklistItem("icon_letters", fact="icon")
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


def _begins(name: str, letters: str) -> bool:
    """Whether letters begin a name, or each one a word of it."""
    initials = "".join(lines.first_letter(word) for word in name.split())
    return any(whole.casefold().startswith(letters.casefold()) for whole in (name, initials))


def _are_of_a_former_name(seen: Seen) -> bool:
    """Whether the icon shows letters that began a name of before and begin none of now; signs of its own are meant."""
    icon = seen.facts.icon
    letters = icon.letters if isinstance(icon, DrawnIcon) else ""
    now = (seen.facts.name, seen.facts.short_name)
    if not letters or any(_begins(name, letters) for name in now):
        return False
    return any(_begins(name, letters) for name in seen.former_names)
