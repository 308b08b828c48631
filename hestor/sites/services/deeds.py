"""Taking back what one act did to a whole draft, and doing it again."""

from collections.abc import Iterable, Mapping
from datetime import datetime, timedelta
from typing import Any

from django.db import transaction

from hestor import clock
from hestor.core.errors import NotFound, StaleRevision
from hestor.sites.models import Deed, Revision, Site, Text
from hestor.sites.services.locking import bump, locked_whole

KEPT = timedelta(days=30)
Document = Mapping[str, Any]
_AT_ONCE = 500


def note(site: Site, gone: Iterable[int], came: Iterable[int], before: Document) -> Deed:
    """Notes what was just done to a draft, within the same transaction: states of pages that went and came, and the
    facts as they were ``before``.
    """
    said = {"gone": list(gone), "came": list(came), "facts": before, "after": site.draft_facts}
    return Deed.objects.create(site=site, made=clock.now(), **said)


def _facts_back(now: Document, deed: Deed) -> dict[str, Any] | None:
    """The facts with those put back that a deed changed; None where one of them was changed again since."""
    after, before = deed.after or now, deed.facts
    changed = [key for key in before.keys() | after.keys() if before.get(key) != after.get(key)]
    if any(now.get(key) != after.get(key) for key in changed):
        return None
    kept = {key: value for key, value in now.items() if key not in changed}
    return kept | {key: before[key] for key in changed if key in before}


def take_back(site_id: int, number: int, now: datetime) -> tuple[Site, Deed]:
    """Puts the draft back as it was before a deed; gives the deed that does it again.

    Raises NotFound, and StaleRevision where what it brought was changed since: those words would be lost.
    """
    with transaction.atomic():
        site = locked_whole(site_id)
        deed = Deed.objects.filter(site=site, pk=number).first()
        if deed is None:
            raise NotFound
        drafts = Revision.objects.in_whole_draft_of(site.pk)
        back = Revision.objects.filter(site=site, pk__in=deed.gone)
        facts = _facts_back(site.draft_facts, deed)
        if facts is None or drafts.filter(pk__in=deed.came).count() < len(deed.came) or back.count() < len(deed.gone):
            raise StaleRevision(site.revision, site.revision)
        taken = set(back.values_list("language", "path"))
        others = drafts.exclude(pk__in=deed.came).filter(path__in={path for _, path in taken})
        if taken & set(others.values_list("language", "path")):
            raise StaleRevision(site.revision, site.revision)
        touched = Revision.objects.filter(pk__in=[*deed.came, *deed.gone]).values_list("page_id", flat=True)
        drafts.filter(pk__in=deed.came).leave()
        back.come_in()
        before, site.draft_facts = site.draft_facts, facts
        bump(site, list(touched))
        again = note(site, deed.came, deed.gone, before)
        deed.delete()
        return site, again


def forget_old(now: datetime) -> None:
    """Deletes what nobody took back in time, with the states of pages that only it knew."""
    Deed.objects.filter(made__lt=now - KEPT).delete()
    named = {number for gone, came in Deed.objects.values_list("gone", "came") for number in (*gone, *came)}
    never_public = Revision.objects.filter(in_draft=False, live_from=None)
    unknown = sorted(set(never_public.values_list("pk", flat=True).iterator()) - named)
    for start in range(0, len(unknown), _AT_ONCE):
        with transaction.atomic():
            dropped = never_public.filter(pk__in=unknown[start : start + _AT_ONCE])
            texts = list(dropped.values_list("text_id", flat=True))
            dropped.delete()
            Text.objects.filter(pk__in=texts, revision=None).delete()
