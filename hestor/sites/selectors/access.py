"""Who may reach which site."""

from hestor.accounts.models import Account
from hestor.core.errors import NotFound
from hestor.core.roles import Action, Role, require
from hestor.sites.models import Membership, Site


def reach_site(account: Account, slug: str, action: Action) -> tuple[Site, Role]:
    """The site and the person's role on it.

    Raises NotFound for a site that is not there or that the person has no role on (so that nobody learns
    which sites exist), and Forbidden if the role doesn't allow the action.
    """
    found = Membership.objects.select_related("site").filter(account=account, site__slug=slug).first()
    if found is None:
        raise NotFound
    role = Role(found.role)
    require(role, action)
    return found.site, role
