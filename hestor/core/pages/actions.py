"""What can be done with a page as a whole, and where something can't, the reason: a rule that the desk asks, too."""

from enum import StrEnum
from typing import Literal

from hestor.core.errors import InvalidInput, Problem
from hestor.core.pages.fields import COPIED_KINDS, HOME_KINDS


class PageAction(StrEnum):
    """What can be done with a page."""

    MOVE = "move"
    READDRESS = "readdress"
    DUPLICATE = "duplicate"
    MAKE_HOME = "make_home"
    MAKE_NOT_FOUND = "make_not_found"
    DELETE = "delete"


Refusal = Literal["home_stays", "home_already", "post_by_day", "one_of_a_kind", "no_home", "no_not_found"]
"""Why not, as the code of a problem."""
_HOME = "/"


def _of_home(action: PageAction) -> Refusal | None:
    if action is PageAction.MAKE_HOME:
        return "home_already"
    if action is PageAction.MAKE_NOT_FOUND:
        return "no_not_found"
    return None if action is PageAction.MOVE else "home_stays"


def refusal(action: PageAction, kind: str, path: str) -> Refusal | None:
    """Why something can't be done with a page of a kind at an address; None where it can."""
    if action is PageAction.DUPLICATE:
        return None if kind in COPIED_KINDS else "one_of_a_kind"
    if path == _HOME:
        return _of_home(action)
    if action is PageAction.MOVE:
        return "post_by_day" if kind == "post" else None
    if action is PageAction.MAKE_HOME:
        return None if kind in HOME_KINDS else "no_home"
    if action is PageAction.MAKE_NOT_FOUND:
        return None if kind in ("page", "not_found") else "no_not_found"
    return None


def require(action: PageAction, kind: str, path: str) -> None:
    """Raises InvalidInput where something can't be done with a page."""
    why = refusal(action, kind, path)
    if why:
        raise InvalidInput([Problem("path" if why == "home_stays" else "kind", why)])
