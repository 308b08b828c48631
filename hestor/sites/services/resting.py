"""Addresses that were given up: for a while only their former owners get them (``core.site_address.RESTS``)."""

from collections.abc import Collection, Iterable
from datetime import datetime

from hestor.core.roles import Role
from hestor.core.site_address import RESTS
from hestor.sites.models import RestingHost, Site


def owners_of(site: Site) -> list[int]:
    """The accounts that own a site."""
    return list(site.memberships.filter(role=Role.OWNER).values_list("account_id", flat=True))


def lay_down(hosts: Iterable[str], owners: Collection[int], now: datetime) -> None:
    """Notes that the owners of a site gave up hosts."""
    for host in hosts:
        RestingHost.objects.update_or_create(host=host, defaults={"owners": list(owners), "left": now})


def rests(host: str, owners: Collection[int], now: datetime) -> bool:
    """Whether a host was given up lately, by others than these."""
    bare = host.removeprefix("www.")
    found = RestingHost.objects.filter(host__in=(bare, f"www.{bare}"), left__gt=now - RESTS)
    return bool(host) and any(not set(one.owners) & set(owners) for one in found)


def forget_rested(now: datetime) -> None:
    """Deletes what anybody may have again."""
    RestingHost.objects.filter(left__lte=now - RESTS).delete()
