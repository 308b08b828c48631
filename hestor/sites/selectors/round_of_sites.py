"""What of each of a person's sites is looked at on a round: how its pages agree, and what was published last."""

from collections.abc import Collection
from dataclasses import dataclass
from datetime import datetime

from hestor.sites.models import Edition, Revision, Site
from hestor.sites.selectors.consistency import Sweeping, house_of, told_apart

_MOST_PAGES = 2_000
"""Of a site with more pages, strays are counted where they are listed."""


@dataclass(frozen=True)
class SiteState:
    """A site on the round: its strays, None where it was not swept since it last changed, and its last edition."""

    site: Site
    strays: int | None
    last: Edition | None


def _strays(site: Site, now: datetime) -> int | None:
    drafts = Revision.objects.in_draft_of(site)
    sweeping = Sweeping(site, now)
    progress = sweeping.progress()
    if progress.total > _MOST_PAGES or progress.done < progress.total:
        return None
    return len(told_apart(site, drafts, house_of(site), sweeping.strays()).strays)


def states_of(sites: Collection[Site], now: datetime) -> list[SiteState]:
    """Each of the sites, as it is now."""
    numbers = {site.pk: site.live_number for site in sites}
    editions = Edition.objects.filter(site__in=sites, number__in=set(numbers.values())).select_related("by")
    last = {one.site_id: one for one in editions if one.number == numbers[one.site_id]}
    return [SiteState(site, _strays(site, now), last.get(site.pk)) for site in sites]
