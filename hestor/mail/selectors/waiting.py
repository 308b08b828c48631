"""What waits for somebody at the desk, for many sites at once."""

from collections.abc import Collection, Mapping
from dataclasses import dataclass

from django.db.models import Count, QuerySet

from hestor.mail.models import Enquiry, Message, State


@dataclass(frozen=True)
class Waiting:
    """By site: messages of visitors that nobody marked as done, and messages of the site that could not be sent."""

    unanswered: Mapping[int, int]
    unsent: Mapping[int, int]


def _by_site(found: "QuerySet[Enquiry] | QuerySet[Message]") -> dict[int, int]:
    return dict(found.order_by().values_list("site_id").annotate(count=Count("pk")))


def waiting(site_ids: Collection[int]) -> Waiting:
    """What waits on some sites."""
    open_ = Enquiry.objects.filter(site_id__in=site_ids, suspect=False, done__isnull=True)
    failed = Message.objects.filter(site_id__in=site_ids, state=State.FAILED)
    return Waiting(_by_site(open_), _by_site(failed))
