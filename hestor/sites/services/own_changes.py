"""What each person changed, kept so that they can undo it after a reload, on another machine, days later."""

from collections.abc import Iterator, Mapping
from contextlib import contextmanager
from contextvars import ContextVar
from datetime import datetime, timedelta
from typing import Any

from hestor import clock
from hestor.sites.models import OwnChange, Site
from hestor.sites.services import authors

KEPT = timedelta(days=30)
MOST = 50
"""Of one person at one site; the oldest go first."""
_ONE_SITTING = timedelta(minutes=10)
Values = Mapping[str, Any]
_SILENT: ContextVar[bool] = ContextVar("own_changes_silent", default=False)


@contextmanager
def unnoted() -> Iterator[None]:
    """Within it nothing is noted: what undoes a change is no change of its own."""
    token = _SILENT.set(True)
    try:
        yield
    finally:
        _SILENT.reset(token)


def note(site: Site, page: int | None, before: Values, after: Values) -> None:
    """Notes what was just changed, within the same transaction, by fields of the facts or of a page.

    Changes of the same fields within some minutes are one; one that came back to where it began is none.
    """
    who = authors.acting()
    changed = {name: value for name, value in after.items() if before.get(name) != value}
    if who is None or not changed or _SILENT.get():
        return
    now = clock.now()
    own = OwnChange.objects.filter(site=site, by=who, is_undone=False)
    last = own.order_by("-pk").first()
    was = {name: before.get(name) for name in changed}
    # Where somebody else wrote in between, what they said is what comes back.
    goes_on = last is not None and (last.page_id, last.language, last.after) == (page, site.language, was)
    if last is not None and goes_on and now - last.at < _ONE_SITTING:
        last.after, last.at = changed, now
        if last.after == last.before:
            last.delete()
        else:
            last.save(update_fields=["after", "at"])
        return
    said = {"before": was, "after": changed}
    OwnChange.objects.create(site=site, language=site.language, page_id=page, by=who, at=now, **said)
    too_many = list(OwnChange.objects.filter(site=site, by=who).order_by("-pk").values_list("pk", flat=True)[MOST:])
    if too_many:
        OwnChange.objects.filter(pk__in=too_many).delete()


def forget_old(now: datetime) -> None:
    """Deletes what nobody undid in time."""
    OwnChange.objects.filter(at__lt=now - KEPT).delete()
