"""Events as they lie in the database."""

from collections.abc import Sequence
from functools import lru_cache

from django.db.models import TextField
from django.db.models.functions import Cast

from hestor.core.events.schedule import Schedule
from hestor.rendering.state import Event
from hestor.sites.models import RevisionQuerySet

_LISTED = ("path", "title", "said", "summary")


@lru_cache(maxsize=10_000)
def _schedule(said: str) -> Schedule:
    """A schedule from its text, by which it is the same in whatever edition."""
    return Schedule.model_validate_json(said)


def _read(revisions: RevisionQuerySet) -> RevisionQuerySet:
    # Read as text: to make JSON of each, and then a schedule of that, takes twice the time.
    return revisions.annotate(said=Cast("schedule", TextField()))


def stored_events(revisions: RevisionQuerySet) -> Sequence[Event]:
    """The events among revisions, which may be thousands, as lists and calendars of a month need them."""
    rows = _read(revisions).values_list(*_LISTED)
    return [Event(path, title, _schedule(said), summary) for path, title, said, summary in rows if said]


def whole_events(revisions: RevisionQuerySet) -> Sequence[Event]:
    """The same with what machines know them by."""
    rows = _read(revisions).values_list(*_LISTED, "page__identity", "worded")
    return [Event(path, title, _schedule(said), *more) for path, title, said, *more in rows if said]
