"""Closing a site to visitors for a while."""

from datetime import datetime

from hestor import clock
from hestor.core import schedule_rules
from hestor.core.errors import InvalidInput
from hestor.edge_cache import invalidating
from hestor.sites.models import Site


def close(site: Site, until: datetime | None) -> Site:
    """Closes a site; it opens by itself at a moment, if there is one. Raises InvalidInput."""
    if until is not None and (problems := list(schedule_rules.problems("until", until, clock.now()))):
        raise InvalidInput(problems)
    site.closed, site.closed_until = True, until
    with invalidating(site.pk):
        site.save(update_fields=["closed", "closed_until"])
    return site


def reopen(site: Site) -> Site:
    """Opens a site again."""
    site.closed, site.closed_until = False, None
    site.save(update_fields=["closed", "closed_until"])
    return site
