"""What one changed oneself, listed to be undone, days later and on another machine."""

from collections.abc import Mapping
from datetime import datetime
from typing import Any

from django.http import HttpRequest
from ninja import Router, Schema

from hestor import translations
from hestor.api.auth import signed_in, site_for
from hestor.api.errors import field_name
from hestor.api.schemas import Identifier, ProblemOut
from hestor.api.words import fact_words
from hestor.core.roles import Action
from hestor.core.text import lines
from hestor.sites.selectors import own_changes
from hestor.sites.selectors.own_changes import Undoable
from hestor.sites.services import undoing

router = Router(tags=["changes"])
_SHOWN = 120


class OwnChangeOut(Schema):
    """One of the caller's own changes: of which facts, or of which page (by its number), and what it said in words.

    ``before`` and ``after`` are empty where several things were changed at once. ``is_changed``: somebody changed the
    same again since, so that it can't be undone.
    """

    id: int
    at: datetime
    name: str
    page: int | None
    before: str
    after: str
    is_changed: bool


class UndoneOut(Schema):
    """The draft's number of writes after it."""

    revision: int


def _words(change: Undoable, values: Mapping[str, Any]) -> str:
    """What was said in words, where it was one thing."""
    if len(values) > 1:
        return ""
    ((key, value),) = values.items()
    if change.page is None:
        return lines.shorten(fact_words(key, value), _SHOWN)
    return lines.shorten(value, _SHOWN) if isinstance(value, str) else ""


def _out(change: Undoable) -> OwnChangeOut:
    names = ", ".join(field_name(key) for key in change.after) if change.page is None else change.title
    return OwnChangeOut(
        id=change.id,
        at=change.at,
        name=names or translations.say("own_change.gone"),
        page=change.page,
        before=_words(change, change.before),
        after=_words(change, change.after),
        is_changed=change.is_changed,
    )


@router.get("/sites/{site}/own-changes", response={200: list[OwnChangeOut], 404: ProblemOut})
def show(request: HttpRequest, site: str) -> list[OwnChangeOut]:
    """What the caller changed in the draft in the last 30 days, the newest first."""
    found_site = site_for(request, site, Action.EDIT)
    return [_out(change) for change in own_changes.of(found_site, signed_in(request))]


@router.post(
    "/sites/{site}/own-changes/{number}/undo",
    response={200: UndoneOut, 404: ProblemOut, 412: ProblemOut, 422: ProblemOut},
)
def undo(request: HttpRequest, site: str, number: Identifier) -> UndoneOut:
    """Makes the draft say what it said before one of the caller's changes; the same call again makes it once more.

    Refused where it was changed again since.
    """
    found_site = site_for(request, site, Action.EDIT)
    return UndoneOut(revision=undoing.undo(found_site, number, signed_in(request)).revision)
