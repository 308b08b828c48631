"""How sites stand with their visitors: closed, deleted, published at a chosen time."""

from dataclasses import dataclass
from datetime import datetime, timedelta

from hestor import clock
from hestor.accounts.models import Account
from hestor.core import schedule_rules
from hestor.core.roles import Role
from hestor.sites.models import Site, TimedPublishing

DAYS_KEPT = timedelta(days=30)
"""How long a deleted site can be brought back."""


@dataclass(frozen=True)
class Deleted:
    """A deleted site, when that was, and until when it can be brought back."""

    site: Site
    at: datetime
    until: datetime


def is_closed(site: Site) -> bool:
    """Whether visitors are told that the site is closed for a while."""
    return schedule_rules.is_closed(site.closed, site.closed_until, clock.now())


def deleted_of(account: Account) -> list[Deleted]:
    """The sites that a person owned and can bring back, the one that was deleted last first."""
    rows = Site.objects.filter(memberships__account=account, memberships__role=Role.OWNER, deleted__isnull=False)
    return [Deleted(row, at, at + DAYS_KEPT) for row in rows.order_by("-deleted") if (at := row.deleted)]


def timed_of(site: Site) -> tuple[TimedPublishing | None, bool]:
    """What is to be published by itself, and whether the draft was changed since, so that it would not be."""
    planned = TimedPublishing.objects.filter(site=site).select_related("by").first()
    return planned, planned is not None and planned.revision != site.revision
