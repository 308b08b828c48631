"""Events as they lie in the database."""

from collections.abc import Sequence

from django.db.models import TextField
from django.db.models.functions import Cast

from hestor.core.events.schedule import Schedule
from hestor.press.state import Event
from hestor.sites.models import RevisionQuerySet


def stored_events(revisions: RevisionQuerySet) -> Sequence[Event]:
    """The events among revisions, which may be thousands."""
    # Read as text: to make JSON of each, and then a schedule of that, takes twice the time.
    rows = revisions.annotate(said=Cast("schedule", TextField())).values_list(
        "path", "title", "said", "page__identity", "worded", "summary"
    )
    return [
        Event(path, title, Schedule.model_validate_json(said), identity, worded, summary)
        for path, title, said, identity, worded, summary in rows
        if said
    ]
