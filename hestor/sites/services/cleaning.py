"""What is cleaned up once a day: pictures deleted long ago, generated files nobody asks for, sessions that ended."""

from datetime import datetime, timedelta

from django.db import transaction
from django.db.models import Q

from hestor.accounts import devices, tries
from hestor.pictures import selectors, store
from hestor.pictures.models import Content, Picture
from hestor.pictures.services import DAYS_KEPT
from hestor.sites.models import Edition, Site, Text
from hestor.sites.selectors.picture_uses import ADDRESS
from hestor.sites.services import deeds, own_changes, page_tree, removal

_DAYS_GENERATED = 90


def clean(now: datetime) -> int:
    """Cleans all sites; says how many pictures went for good."""
    gone = 0
    removal.purge(now)
    deeds.forget_old(now)
    own_changes.forget_old(now)
    devices.forget_ended(now)
    tries.forget_old(now)
    page_tree.purge(now)
    for site_id in Site.objects.values_list("pk", flat=True):
        gone += _purge(site_id, now)
        store.drop_generated_before(site_id, (now - timedelta(days=_DAYS_GENERATED)).timestamp())
    store.drop_left_over((now - timedelta(days=1)).timestamp())
    return gone


@transaction.atomic
def _purge(site_id: int, now: datetime) -> int:
    """Deletes pictures that were deleted more than 30 days ago, and their content unless some state shows it.

    The files go within the transaction, which no upload can enter: else one might take up content that is just going.
    """
    old = list(Picture.objects.deleted_of(site_id).filter(deleted__lt=now - timedelta(days=DAYS_KEPT)))
    for picture in old:
        picture.delete()
        if _ever_shown(site_id, picture.key):
            continue
        Content.objects.filter(site_id=site_id, key=picture.key).delete()
        if not Content.objects.filter(key=picture.key).exists():
            store.drop_master(picture.key)
    if old:
        selectors.clear_caches()
    return len(old)


def _ever_shown(site_id: int, key: str) -> bool:
    return (
        Picture.objects.filter(site_id=site_id, key=key).exists()
        or Edition.objects.filter(site_id=site_id, facts_document__icontains=key).exists()
        or Site.objects.filter(pk=site_id, draft_facts__icontains=key).exists()
        or Text.objects.filter(Q(body__contains=ADDRESS + key), revision__site_id=site_id).exists()
    )
