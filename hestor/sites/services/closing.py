"""Closing a site to visitors for a while."""

from datetime import datetime

from hestor import clock
from hestor.core import ahead
from hestor.core.errors import InvalidInput
from hestor.front import switching
from hestor.sites.models import Site


def close(site: Site, until: datetime | None) -> Site:
    """Closes a site; it opens by itself at a moment, if there is one. Raises InvalidInput."""
    if until is not None and (found := list(ahead.problems("until", until, clock.now()))):
        raise InvalidInput(found)
    site.closed, site.closed_until = True, until
    with switching(site.pk):
        site.save(update_fields=["closed", "closed_until"])
    return site


def reopen(site: Site) -> Site:
    """Opens a site again."""
    site.closed, site.closed_until = False, None
    site.save(update_fields=["closed", "closed_until"])
    return site
