"""What a person may do, as the desk is told it: actions, and where one is refused the reason in words."""

from hestor import translations
from hestor.api.schemas import PermissionOut, PermissionsOut
from hestor.core.roles import Action, Role, refusal


def permission(role: Role, action: Action) -> PermissionOut:
    """Whether a role allows an action, or why not."""
    reason = refusal(role, action)
    return PermissionOut(allowed=reason is None, reason=translations.say(f"permission.{reason}") if reason else "")


def permissions(role: Role) -> PermissionsOut:
    """All that a role allows on a site, and does not."""
    return PermissionsOut(**{action.value: permission(role, action) for action in Action})
