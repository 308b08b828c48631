"""Deleting a site, and bringing it back while that is possible."""

from datetime import datetime

from django.conf import settings
from django.db import transaction

from hestor.accounts.models import Account
from hestor.core.errors import NotFound, TooManySites
from hestor.core.roles import Role
from hestor.edge_cache import drop_site, invalidating
from hestor.pictures import store
from hestor.pictures.models import Content
from hestor.sites.models import Site, Text
from hestor.sites.selectors.addresses import hosts_of
from hestor.sites.selectors.lifecycle import DAYS_KEPT
from hestor.sites.services import resting


def delete_site(site: Site, now: datetime) -> None:
    """Deletes a site: from now on nobody sees it, at the desk or as a visitor. Its address stays its own meanwhile."""
    with invalidating(site.pk):
        Site.objects.filter(pk=site.pk, deleted=None).update(deleted=now)


def bring_back(account: Account, slug: str) -> Site:
    """Brings a deleted site back as it was. Raises NotFound, and TooManySites if the person has enough others."""
    with transaction.atomic():
        mine = Site.objects.filter(memberships__account=account, memberships__role=Role.OWNER)
        found = mine.filter(slug=slug, deleted__isnull=False).first()
        if found is None:
            raise NotFound
        if mine.filter(deleted=None).count() >= settings.SITES_OF_ONE:
            raise TooManySites(most=settings.SITES_OF_ONE)
        found.deleted = None
        found.save(update_fields=["deleted"])
        return found


def purge(now: datetime) -> int:
    """Deletes for good the sites that were deleted more than 30 days ago, with all that is theirs alone."""
    old = list(Site.objects.filter(deleted__lt=now - DAYS_KEPT))
    for site in old:
        _purge(site, now)
    resting.forget_rested(now)
    return len(old)


@transaction.atomic
def _purge(site: Site, now: datetime) -> None:
    keys = set(Content.objects.filter(site=site).values_list("key", flat=True))
    texts = set(site.page_revisions.values_list("text_id", flat=True))
    number = site.pk
    resting.lay_down(hosts_of(site), resting.owners_of(site), now)
    site.delete()
    Text.objects.filter(pk__in=texts, revision=None).delete()
    for key in keys - set(Content.objects.filter(key__in=keys).values_list("key", flat=True)):
        store.drop_master(key)
    store.drop_generated(number)
    drop_site(number)
