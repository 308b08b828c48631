"""Who may reach which site."""

from django.conf import settings

from hestor.accounts.models import Account
from hestor.core.errors import Forbidden, NotFound, TooManySites
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


def may_make_sites(account: Account) -> bool:
    """Whether a person may make sites here: whoever owns one, and who set all up; or everybody, if it is set so."""
    owns = Membership.objects.filter(account=account, role=Role.OWNER)
    first = Account.objects.order_by("pk").values_list("pk", flat=True).first()
    return settings.MAKERS == "everyone" or account.pk == first or owns.exists()


def require_another_site(account: Account) -> None:
    """Raises Forbidden for who may make no sites, TooManySites for who has as many as one may have."""
    if not may_make_sites(account):
        raise Forbidden(role="", action="make")
    if Membership.objects.filter(account=account, role=Role.OWNER).count() >= settings.MOST_SITES:
        raise TooManySites(most=settings.MOST_SITES)
