"""Who may do what on a site."""

from enum import StrEnum

from hestor.core.errors import Forbidden


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


def require(role: Role, action: Action) -> None:
    """Raises Forbidden unless the role allows the action."""
    if not may(role, action):
        raise Forbidden(role=role.value, action=action.value)
