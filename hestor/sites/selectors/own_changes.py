"""What a person changed lately at a site, the newest first."""

from collections.abc import Mapping
from dataclasses import dataclass
from datetime import datetime
from typing import Any

from hestor.accounts.models import Account
from hestor.core.errors import NotFound
from hestor.core.facts import document
from hestor.core.pages.fields import PageFields
from hestor.sites.models import OwnChange, Site
from hestor.sites.selectors.page_fields import current, fields_of

SHOWN = 20


@dataclass(frozen=True)
class Undoable:
    """A change of facts, or of fields of a page, by what they said before and after it.

    ``page`` and ``title`` are those of the page. ``is_changed``: whether somebody changed the same again since.
    """

    id: int
    at: datetime
    page: int | None
    title: str
    before: Mapping[str, Any]
    after: Mapping[str, Any]
    is_changed: bool


def _page(site: Site, number: int) -> PageFields | None:
    try:
        return fields_of(current(site, number))
    except NotFound:
        return None


def _now(site: Site, change: OwnChange, page: PageFields | None) -> Mapping[str, Any] | None:
    """What the fields of a change say now, those of its ``page``; None where that is gone."""
    if change.page_id is None:
        return document.plain(site.facts, tuple(change.after))
    return page.model_dump(mode="json", include=set(change.after)) if page else None


def still_stands(site: Site, change: OwnChange) -> bool:
    """Whether nobody changed the same again since."""
    return not _undoable(site, change).is_changed


def of(site: Site, who: Account) -> list[Undoable]:
    """The last changes of a person, each with whether it still stands."""
    rows = OwnChange.objects.filter(site=site, by=who, language=site.language, is_undone=False).order_by("-pk")[:SHOWN]
    return [_undoable(site, row) for row in rows]


def _undoable(site: Site, row: OwnChange) -> Undoable:
    page = _page(site, row.page_id) if row.page_id is not None else None
    is_changed = _now(site, row, page) != row.after
    return Undoable(row.pk, row.at, row.page_id, page.title if page else "", row.before, row.after, is_changed)
