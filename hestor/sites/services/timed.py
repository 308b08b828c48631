"""Publishing at a chosen time: what was reviewed, and nothing that was written after it."""

from collections.abc import Collection
from datetime import datetime

from django.db import transaction
from django.utils import timezone
from django_tasks import task

from hestor import clock
from hestor.accounts.models import Account
from hestor.core import schedule_rules
from hestor.core.errors import HestorError, InvalidInput, NothingToPublish
from hestor.core.roles import Action
from hestor.sites.models import Site, TimedPublishing
from hestor.sites.selectors.access import reach_site
from hestor.sites.selectors.changes import fact_changes
from hestor.sites.selectors.states import live_edition
from hestor.sites.services.held_back import Key, held_back, split
from hestor.sites.services.locking import locked_whole
from hestor.sites.services.publishing import publish


def set_time(site_id: int, by: Account, at: datetime, revision: int, held: Collection[Key] = ()) -> TimedPublishing:
    """Has the draft, as it is at ``revision``, published at a moment.

    Raises InvalidInput, NothingToPublish, StaleRevision, NotFound.
    """
    if problems := list(schedule_rules.problems("at", at, clock.now())):
        raise InvalidInput(problems)
    seen = locked_whole(site_id, revision)
    live = live_edition(seen)
    facts, held_changes = split(seen, fact_changes(seen, live), held)
    stays = held_back(seen, live, held_changes)
    if not facts and not stays.diff(seen).count():
        raise NothingToPublish
    with transaction.atomic():
        site = locked_whole(site_id, revision)
        values = {"at": at, "revision": revision, "held_back": sorted(held), "by": by, "failed": ""}
        timed, _ = TimedPublishing.objects.update_or_create(site=site, defaults=values)
        _set_job(site.pk, at)
        return timed


def _set_job(site_id: int, at: datetime) -> None:
    # Jobs go by the machine's clock, also where the moment is said to be another one.
    publish_due.using(run_after=timezone.now() + (at - clock.now())).enqueue(site_id, at.isoformat())


def forget_time(site: Site) -> None:
    """Publishes at no time by itself; what was to be published stays in the draft."""
    TimedPublishing.objects.filter(site=site).delete()


def publish_timed(site_id: int, now: datetime) -> None:
    """Publishes what is due on a site; notes why, if that can't be. Done twice it does nothing more."""
    timed = TimedPublishing.objects.filter(site_id=site_id, failed="", at__lte=now).select_related("by", "site").first()
    if timed is None or timed.site.deleted:
        return
    try:
        reach_site(timed.by, timed.site.slug, Action.PUBLISH)
        # Publishing takes the row with it, in the same step.
        publish(site_id, timed.by, now, timed.revision, [(kind, key) for kind, key in timed.held_back])
    except HestorError as error:
        TimedPublishing.objects.filter(pk=timed.pk, at=timed.at).update(failed=error.code)


@task()
def publish_due(site_id: int, at: str) -> None:
    """The job that is set for a moment; where that was changed meanwhile, another one is set, and this does nothing."""
    moment = datetime.fromisoformat(at)
    publish_timed(site_id, clock.now())
    # A clock that was set back meanwhile makes a job come too early.
    if moment > clock.now() and TimedPublishing.objects.filter(site_id=site_id, at=moment, failed="").exists():
        _set_job(site_id, moment)
