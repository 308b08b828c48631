"""From the draft to an edition, and from an edition back to the draft.

Publishing writes one row for the edition, one for the site, and those of the pages that changed; no page is
copied or rendered. All of it is one transaction, so that a crash leaves the old edition live.
"""

from datetime import datetime

from django.db import transaction

from hestor.accounts.models import Account
from hestor.core import facts as facts_module
from hestor.core.changes import Change, PageState, fact_changes, page_changes
from hestor.core.errors import NotFound, NothingToPublish
from hestor.sites.counting import counts_of
from hestor.sites.drafts import bump, locked
from hestor.sites.models import Edition, Revision, RevisionQuerySet, Site
from hestor.sites.source import live_edition


def _states(revisions: RevisionQuerySet) -> list[PageState]:
    return [PageState(*row) for row in revisions.values_list("page_id", "path", "title")]


def changes_of(site: Site) -> tuple[Change, ...]:
    """What the draft says otherwise than the live edition, with the reach of each difference."""
    live = live_edition(site)
    facts = fact_changes(live.facts if live else None, site.facts, counts_of(site))
    gone = _states(Revision.objects.leaving(site.pk))
    return facts + page_changes(gone, _states(Revision.objects.coming(site.pk)))


def count_changes(site: Site, live: Edition | None) -> tuple[tuple[str, ...], int]:
    """The keys of the changed facts, and the number of changed pages."""
    keys = facts_module.differing(live.facts if live else None, site.facts)
    coming = Revision.objects.coming(site.pk).values_list("page_id", flat=True)
    leaving = Revision.objects.leaving(site.pk).values_list("page_id", flat=True)
    return keys, len(set(coming) | set(leaving))


def publish(site_id: int, by: Account, now: datetime, revision: int | None = None) -> Edition:
    """Makes the draft the next edition and live, in one step.

    Raises NothingToPublish, and StaleRevision if the draft is not the one that was reviewed.
    """
    with transaction.atomic():
        site = locked(site_id, revision)
        changes = changes_of(site)
        if not changes:
            raise NothingToPublish
        number = site.live_number + 1
        Revision.objects.leaving(site.pk).update(live_to=number - 1)
        Revision.objects.coming(site.pk).update(live_from=number)
        Site.objects.filter(pk=site.pk).update(live_number=number)
        return Edition.objects.create(
            site=site,
            number=number,
            facts_document=facts_module.document(site.facts),
            changes=[change.document() for change in changes],
            published=now,
            by=by,
        )


def _again(old: Revision) -> Revision:
    """A new draft state that says what a former one said."""
    fields = [f.attname for f in Revision._meta.concrete_fields]
    left_out = {"id", "in_draft", "live_from", "live_to", "written"}
    return Revision(**{name: getattr(old, name) for name in fields if name not in left_out})


def _restore_pages(site: Site, number: int) -> bool:
    wanted = Revision.objects.in_edition_of(site.pk, number)
    dropped = list(Revision.objects.in_draft_of(site.pk).exclude(pk__in=wanted.values("pk")))
    taken = list(wanted.filter(in_draft=False))
    Revision.objects.filter(pk__in=[r.pk for r in dropped]).update(in_draft=False)
    for old in taken:
        if old.live_to is None:
            Revision.objects.filter(pk=old.pk).update(in_draft=True)
        else:
            _again(old).save()
    return bool(dropped or taken)


def restore(site_id: int, number: int, revision: int | None = None) -> Site:
    """Makes the draft say exactly what edition ``number`` said. Raises NotFound, StaleRevision."""
    with transaction.atomic():
        site = locked(site_id, revision)
        edition = Edition.objects.filter(site=site, number=number).first()
        if edition is None:
            raise NotFound
        moved = _restore_pages(site, number)
        if moved or edition.facts != site.facts:
            site.draft_facts = facts_module.document(edition.facts)
            bump(site, pages=moved)
        return site
