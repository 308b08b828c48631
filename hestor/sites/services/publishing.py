"""From the draft to an edition, and from an edition back to the draft.

Publishing writes one row for the edition, one for the site, and those of the pages that changed; no page is
copied, and nothing is rendered while other writers wait. All of it is one transaction, so that a crash leaves the
old edition live.
"""

from collections.abc import Collection
from datetime import datetime

from django.db import transaction

from hestor import clock
from hestor.accounts.models import Account
from hestor.core.changes import Change
from hestor.core.errors import NotFound, NothingToPublish, StaleRevision
from hestor.core.facts import document
from hestor.edge_cache import invalidating
from hestor.sites.models import Deed, Edition, Revision, Site, TimedPublishing
from hestor.sites.selectors.authors import writers
from hestor.sites.selectors.changes import fact_changes
from hestor.sites.selectors.comparison import edition as edition_of_number
from hestor.sites.selectors.states import live_edition
from hestor.sites.services import deeds, page_values
from hestor.sites.services.held_back import Key, held_back, split
from hestor.sites.services.locking import bump, locked_whole

_TRIES = 5
_PAGES_KEPT = 500
"""As many changes of pages are kept with an edition; all are found by comparing it."""


def publish(
    site_id: int, by: Account, now: datetime, revision: int | None = None, held: Collection[Key] = ()
) -> Edition:
    """Makes the draft the next edition and live, in one step; without the changes that are ``held`` back.

    Raises NothingToPublish, NotFound, StaleRevision if the draft is not the one that was reviewed, and InvalidInput if
    what is left can't go without what is held back.
    """
    for _ in range(_TRIES):
        site = Site.objects.filter(pk=site_id).first()
        if site is None:
            raise NotFound
        # Reach takes rendering, so it is found before the lock; the lock sees to it that it is still true.
        facts = fact_changes(site, live_edition(site))
        try:
            with invalidating(site_id):
                return _publish(site, facts, by, now, site.revision if revision is None else revision, held)
        except StaleRevision as error:
            if revision is not None:
                raise
            latest = error
    raise latest


@transaction.atomic
def _publish(
    seen: Site, facts: tuple[Change, ...], by: Account, now: datetime, revision: int, held: Collection[Key]
) -> Edition:
    site = locked_whole(seen.pk, revision)
    if site.live_number != seen.live_number:
        raise StaleRevision(revision, site.revision)
    live = live_edition(site)
    facts, held_changes = split(site, facts, held)
    stays = held_back(site, live, held_changes)
    diff = stays.diff(site)
    count, pages = diff.count(), diff.window(0, _PAGES_KEPT)
    said = stays.facts_of(site, live)
    if not facts and not count and live and document.without_private(said) == live.said:
        raise NothingToPublish
    number = site.live_number + 1
    wrote = writers(site, [change.key for change in facts], stays.coming(site))
    stays.leaving(site).update(live_to=number - 1)
    stays.coming(site).update(live_from=number)
    Site.objects.filter(pk=site.pk).update(live_number=number)
    TimedPublishing.objects.filter(site=site).delete()
    return Edition.objects.create(
        site=site,
        number=number,
        facts_document=document.document(document.without_private(said)),
        changes=[change.document() for change in (*facts, *pages)],
        more_changes=count - len(pages),
        writers=wrote,
        published=now,
        by=by,
    )


def _restore_pages(site: Site, number: int) -> tuple[list[int], list[int]]:
    """Makes the draft hold the pages of an edition; the states that went, and those that came, by number."""
    wanted = Revision.objects.in_whole_edition_of(site.pk, number)
    gone = list(
        Revision.objects.in_whole_draft_of(site.pk).exclude(pk__in=wanted.values("pk")).values_list("pk", flat=True)
    )
    missing = list(wanted.filter(in_draft=False))
    Revision.objects.filter(pk__in=gone).leave()
    came = []
    for old in missing:
        if old.live_to is None:
            Revision.objects.filter(pk=old.pk).come_in()
            came.append(old.pk)
        else:
            copied = page_values.copied(old, worded=clock.now())
            copied.save()
            came.append(copied.pk)
    return gone, came


def restore(site_id: int, number: int, revision: int | None = None) -> tuple[Site, Deed | None]:
    """Makes the draft say exactly what edition ``number`` said; what takes it back, if anything changed.

    Raises NotFound, StaleRevision.
    """
    with transaction.atomic():
        site = locked_whole(site_id, revision)
        edition = edition_of_number(site, number)
        before = site.draft_facts
        gone, came = _restore_pages(site, number)
        facts = document.without_private(edition.said, site.said)
        if not (gone or came) and facts == site.said:
            return site, None
        site.draft_facts = document.document(facts)
        bump(site, Revision.objects.filter(pk__in=[*gone, *came]).values_list("page_id", flat=True))
        return site, deeds.note(site, gone, came, before)
