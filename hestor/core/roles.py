"""Who may do what on a site."""

from enum import StrEnum
from typing import Literal

from hestor.core.errors import Forbidden, TooManySites


class Role(StrEnum):
    """What a person is on one site."""

    OWNER = "owner"
    EDITOR = "editor"
    VIEWER = "viewer"


class Action(StrEnum):
    """What a call does to a site."""

    VIEW = "view"
    EDIT = "edit"
    PUBLISH = "publish"
    MANAGE = "manage"


_MAY: dict[Role, frozenset[Action]] = {
    Role.OWNER: frozenset(Action),
    Role.EDITOR: frozenset({Action.VIEW, Action.EDIT, Action.PUBLISH}),
    Role.VIEWER: frozenset({Action.VIEW}),
}


def may(role: Role, action: Action) -> bool:
    """Whether the role allows the action."""
    return action in _MAY[role]


Refusal = Literal["needs_editor", "needs_owner"]
"""Why a role does not allow an action: what one would have to be."""


def refusal(role: Role, action: Action) -> Refusal | None:
    """Why a role does not allow an action; None where it does."""
    if may(role, action):
        return None
    return "needs_editor" if may(Role.EDITOR, action) else "needs_owner"


def require(role: Role, action: Action) -> None:
    """Raises Forbidden unless the role allows the action."""
    if not may(role, action):
        raise Forbidden(role=role.value, action=action.value)


def may_make_sites(makers: str, owns: int, set_all_up: bool) -> bool:
    """Whether a person may make sites: an owner of one, the person who set the installation up, or, if it is set so,
    everybody.
    """
    return makers == "everyone" or owns > 0 or set_all_up


def require_another_site(makers: str, owns: int, set_all_up: bool, most: int) -> None:
    """Raises Forbidden for a person who may make no sites, TooManySites for one who owns as many as one may."""
    if not may_make_sites(makers, owns, set_all_up):
        raise Forbidden(role="", action="make")
    if owns >= most:
        raise TooManySites(most=most)
