"""Jobs that come again. Each has one row waiting or at work; when that has ended, the next is written."""

from dataclasses import dataclass
from datetime import datetime, timedelta

from django.db import transaction
from django.utils import timezone
from django_tasks.base import Task
from django_tasks_db.models import DBTaskResult

from hestor.jobs import tasks

_WAITING = ("READY", "RUNNING")


@dataclass(frozen=True)
class Recurring:
    """A job, how long after it ended it comes again, and how long after the server's first start it comes first."""

    task: Task[[], None]
    every: timedelta
    first: timedelta = timedelta(minutes=10)

    @property
    def path(self) -> str:
        """By what its rows are known."""
        return self.task.module_path


RECURRING = (
    Recurring(tasks.clean, timedelta(days=1)),
    Recurring(tasks.count_rows, timedelta(hours=1)),
    Recurring(tasks.domains, timedelta(minutes=20)),
    Recurring(tasks.backup, timedelta(days=1), timedelta(minutes=2)),
)


def _next(recurring: Recurring, now: datetime) -> datetime:
    last = DBTaskResult.objects.filter(task_path=recurring.path).order_by("-enqueued_at").first()
    if last is None:
        return now + recurring.first
    ended = min(last.finished_at or now, now)
    # One that failed is tried again before the day is over.
    pause = recurring.every if last.status == "SUCCESSFUL" else min(recurring.every, timedelta(hours=1))
    return max(ended + pause, now)


@transaction.atomic
def ensure() -> None:
    """Writes the next row of each job that has none, and brings near one that a clock set back has put far away."""
    now = timezone.now()
    for one in RECURRING:
        waiting = DBTaskResult.objects.filter(task_path=one.path, status__in=_WAITING).order_by("run_after").first()
        if waiting is None:
            one.task.using(run_after=_next(one, now)).enqueue()
        elif waiting.status == "READY" and waiting.run_after > now + one.every:
            DBTaskResult.objects.filter(pk=waiting.pk, status="READY").update(run_after=now + one.every)
