"""Closing a site to visitors for a while."""

from datetime import datetime, timedelta

from hestor import clock
from hestor.core.errors import InvalidInput, Problem
from hestor.front import switching
from hestor.sites.models import Site

_FARTHEST = timedelta(days=366)


def close(site: Site, until: datetime | None) -> Site:
    """Closes a site; it opens by itself at a moment, if there is one. Raises InvalidInput."""
    if until is not None and until <= clock.now():
        raise InvalidInput([Problem("until", "time_past")])
    if until is not None and until - clock.now() > _FARTHEST:
        raise InvalidInput([Problem("until", "time_far")])
    site.closed, site.closed_until = True, until
    with switching(site.pk):
        site.save(update_fields=["closed", "closed_until"])
    return site


def reopen(site: Site) -> Site:
    """Opens a site again."""
    site.closed, site.closed_until = False, None
    site.save(update_fields=["closed", "closed_until"])
    return site
