"""Taking back what one act did to a whole draft, and doing it again."""

from datetime import datetime, timedelta

from django.db import transaction

from hestor.core.errors import NotFound, StaleRevision
from hestor.sites.models import Deed, Revision, Site
from hestor.sites.services.locking import bump, locked

KEPT = timedelta(days=30)


def take_back(site_id: int, number: int, now: datetime) -> tuple[Site, Deed]:
    """Puts the draft back as it was before a deed; gives the deed that does it again.

    Raises NotFound, and StaleRevision where pages that it brought were changed since: their words would be lost.
    """
    with transaction.atomic():
        site = locked(site_id)
        deed = Deed.objects.filter(site=site, pk=number).first()
        if deed is None:
            raise NotFound
        drafts = Revision.objects.in_draft_of(site.pk)
        back = Revision.objects.filter(site=site, pk__in=deed.gone)
        if drafts.filter(pk__in=deed.came).count() < len(deed.came) or back.count() < len(deed.gone):
            raise StaleRevision(site.revision, site.revision)
        taken = set(back.values_list("path", flat=True))
        if drafts.exclude(pk__in=deed.came).filter(path__in=taken).exists():
            raise StaleRevision(site.revision, site.revision)
        drafts.filter(pk__in=deed.came).update(in_draft=False)
        back.update(in_draft=True)
        before, site.draft_facts = site.draft_facts, deed.facts
        bump(site, pages=bool(deed.came or deed.gone))
        again = Deed.objects.create(site=site, gone=deed.came, came=deed.gone, facts=before, made=now)
        deed.delete()
        return site, again


def forget_old(now: datetime) -> None:
    """Deletes what nobody took back in time."""
    Deed.objects.filter(made__lt=now - KEPT).delete()
