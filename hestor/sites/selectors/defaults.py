"""What an owner says once for all sites, and which of the sites say the same (docs/decisions/0033)."""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from typing import Any

from hestor.accounts.models import Account
from hestor.core.facts import document
from hestor.core.roles import Role
from hestor.sites.models import Defaults, Membership, Site


@dataclass(frozen=True)
class SiteDefault:
    """How one site stands to a default: whether it says the same, or nothing."""

    site: Site
    value: Any
    is_same: bool
    is_unsaid: bool


def defaults_of(account: Account) -> dict[str, Any]:
    """The defaults of an owner, by fact key; of facts that can't be common any more, none."""
    found = Defaults.objects.filter(account=account).values_list("facts", flat=True).first() or {}
    return {key: value for key, value in found.items() if key in document.COMMON_KEYS}


def owner_of(site: Site) -> Account | None:
    """Whose defaults a site goes by: of several owners the first."""
    membership = Membership.objects.filter(site=site, role=Role.OWNER).select_related("account").order_by("pk").first()
    return membership.account if membership else None


def owned(account: Account) -> Sequence[Site]:
    """The sites of an owner, by name."""
    mine = Membership.objects.filter(account=account, role=Role.OWNER, site__deleted=None).select_related("site")
    return sorted((row.site for row in mine), key=lambda site: (site.facts.name.casefold(), site.slug))


def _plain(site: Site, key: str) -> Any:
    return document.plain(site.facts, (key,))[key]


def standing(account: Account, key: str) -> list[SiteDefault]:
    """How each site of an owner stands to a default."""
    said = defaults_of(account)
    return [
        SiteDefault(site, value, key in said and value == said[key], not document.is_set(site.facts, key))
        for site in owned(account)
        for value in (_plain(site, key),)
    ]


def differing(site: Site, said: Mapping[str, Any]) -> list[str]:
    """The keys of the defaults from which a site differs."""
    return [key for key, value in said.items() if _plain(site, key) != value]
