"""Who may reach which site."""

from django.conf import settings

from hestor.accounts.models import Account
from hestor.accounts.selectors import keeps_installation
from hestor.core import roles
from hestor.core.errors import NotFound
from hestor.core.roles import Action, Role, require
from hestor.sites.models import Membership, Site


def reach_site(account: Account, slug: str, action: Action) -> tuple[Site, Role]:
    """The site and the person's role on it.

    Raises NotFound for a site that is not there or that the person has no role on (so that nobody learns
    which sites exist), and Forbidden if the role doesn't allow the action.
    """
    # At most one: asked for in no order, which is found sooner.
    listed = Membership.objects.select_related("site__timed").filter(
        account=account, site__slug=slug, site__deleted=None
    )
    reached = next(iter(listed), None)
    if reached is None:
        raise NotFound
    role = Role(reached.role)
    require(role, action)
    return reached.site, role


def _standing(account: Account) -> tuple[int, bool]:
    """How many sites a person owns, and whether it is the one who set the installation up."""
    owned = Membership.objects.filter(account=account, role=Role.OWNER)
    # An owner who deleted the last one stays an owner.
    number = owned.filter(site__deleted=None).count() or min(owned.count(), 1)
    return number, keeps_installation(account)


def may_make_sites(account: Account) -> bool:
    """Whether a person may make sites here."""
    return roles.may_make_sites(settings.NEW_SITES, *_standing(account))


def require_another_site(account: Account) -> None:
    """Raises Forbidden or TooManySites for a person who may not make another site here."""
    roles.require_another_site(settings.NEW_SITES, *_standing(account), settings.SITES_OF_ONE)
