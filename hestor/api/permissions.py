"""What a person may do, as the desk is told it: actions, and where one is refused the reason in words."""

from hestor import translations
from hestor.api.page_schemas import PagePermissionsOut
from hestor.api.schemas import PermissionOut, PermissionsOut
from hestor.core.pages import actions
from hestor.core.pages.actions import PageAction
from hestor.core.roles import Action, Role, refusal


def permission(role: Role, action: Action) -> PermissionOut:
    """Whether a role allows an action, or why not."""
    reason = refusal(role, action)
    return PermissionOut(allowed=reason is None, reason=translations.say(f"permission.{reason}") if reason else "")


def page_permissions(role: Role, kind: str, path: str) -> PagePermissionsOut:
    """What a role allows on a page, as far as the page itself allows it."""
    edit = permission(role, Action.EDIT)
    whys = {action: actions.refusal(action, kind, path) for action in PageAction}
    return PagePermissionsOut(
        edit=edit,
        **{
            action.value: PermissionOut(allowed=False, reason=translations.say(f"problem.{why}"))
            if edit.allowed and why
            else edit
            for action, why in whys.items()
        },
    )


def permissions(role: Role) -> PermissionsOut:
    """All that a role allows on a site, and does not."""
    return PermissionsOut(**{action.value: permission(role, action) for action in Action})
