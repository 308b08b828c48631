"""What a page of the draft says otherwise than visitors read now, by paragraph."""

from dataclasses import dataclass
from typing import Literal, get_args

from hestor.core.text import passages
from hestor.core.text.passages import Passage
from hestor.sites.models import Revision, Site
from hestor.sites.selectors.page_fields import current
from hestor.sites.selectors.states import live_edition

Line = Literal["title", "menu_title", "own_title", "path", "summary"]
LINES: tuple[Line, ...] = get_args(Line)
"""The fields of a page that are one line each, in the order in which they are told."""


@dataclass(frozen=True)
class ChangedLine:
    """A line of a page that differs: the field, what visitors read, and what the draft says."""

    field: Line
    old: str
    new: str


@dataclass(frozen=True)
class PageChanges:
    """A page beside its live state: its lines that differ, and its whole text passage by passage."""

    lines: tuple[ChangedLine, ...]
    passages: tuple[Passage, ...]


def _live(site: Site, page: int) -> Revision | None:
    live = live_edition(site)
    if live is None:
        return None
    return Revision.objects.in_edition_of(site, live.number).filter(page_id=page).select_related("text").first()


def page_changes(site: Site, page: int, body: str | None) -> PageChanges | None:
    """A page of the draft, or one with another text, beside what is live; none for a page that isn't live.

    Raises NotFound.
    """
    draft, live = current(site, page), _live(site, page)
    if live is None:
        return None
    told = (ChangedLine(field, getattr(live, field), getattr(draft, field)) for field in LINES)
    text = draft.text.body if body is None else body
    return PageChanges(
        tuple(line for line in told if line.old != line.new), tuple(passages.compared(live.text.body, text))
    )
