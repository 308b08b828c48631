"""How the installation is: its disks, queues, copies and last errors."""

import os
import platform
from dataclasses import dataclass
from datetime import datetime, timedelta
from pathlib import Path
from typing import Any

import django
from django.conf import settings
from django.db import DatabaseError, connection
from django.db.models import Count
from django.utils import timezone
from django_tasks_db.models import DBTaskResult, get_date_max

from hestor.backups import folder as copies
from hestor.jobs.checks import Disk, disk
from hestor.mail.models import Message, State

_LATELY = timedelta(days=14)
_MOST = 20


@dataclass(frozen=True)
class Job:
    """A job: what, how it stands, and when; ``reason`` is the last line of why it failed."""

    name: str
    status: str
    at: datetime | None
    reason: str


def versions() -> dict[str, str]:
    """What runs here."""
    return {
        "Hestor": settings.VERSION,
        "Python": platform.python_version(),
        "Django": django.get_version(),
        connection.display_name: ".".join(map(str, connection.get_database_version())),
    }


def disks() -> dict[str, Disk]:
    """The disks of what is kept, by what is on them."""
    found_disks = {"data": disk(Path(settings.DATA)), "copies": disk(copies.folder())}
    return {**found_disks, "front": disk(Path(settings.FRONT))} if settings.FRONT else found_disks


def amiss() -> list[str]:
    """What keeps the server from working, each in a word."""
    found = []
    try:
        with connection.cursor() as cursor:
            cursor.execute("SELECT 1")
    except DatabaseError:
        found.append("database")
    if not os.access(settings.DATA, os.W_OK):
        found.append("data")
    if disk(Path(settings.DATA)).is_nearly_full:
        found.append("disk")
    return found


def queues() -> dict[str, int]:
    """How many messages and jobs wait, and how many failed lately."""
    messages = dict(Message.objects.values_list("state").annotate(Count("pk")).order_by())
    jobs = DBTaskResult.objects
    return {
        "messages_waiting": messages.get(State.QUEUED, 0),
        "messages_failed": messages.get(State.FAILED, 0) + messages.get(State.UNSURE, 0),
        "jobs_waiting": jobs.filter(status="READY").count(),
        "jobs_running": jobs.running().count(),
        "jobs_failed": jobs.failed().filter(finished_at__gte=timezone.now() - _LATELY).count(),
    }


def newest_copy() -> datetime | None:
    """When the newest copy was made; None if there is none."""
    copies_made = copies.listed()
    return copies_made[0].manifest.made_at if copies_made else None


def _reason(row: "DBTaskResult[..., Any]") -> str:
    lines = (row.traceback or "").strip().splitlines()
    return lines[-1].partition(": ")[2] or lines[-1] if lines else ""


def _when(row: "DBTaskResult[..., Any]") -> datetime | None:
    """When a job ended, else when it is due; one that is due at once has no moment of its own but that it was asked."""
    due: datetime | None = row.enqueued_at if row.run_after == get_date_max() else row.run_after
    began: datetime | None = row.finished_at or row.started_at
    return began or due


def jobs() -> list[Job]:
    """What waits and runs, then what was done or failed last."""
    waiting = DBTaskResult.objects.filter(status__in=("RUNNING", "READY")).order_by("run_after")[:_MOST]
    ended = DBTaskResult.objects.finished().order_by("-finished_at")[:_MOST]
    return [
        Job(row.task_path.rpartition(".")[2], row.status.lower(), _when(row), _reason(row))
        for row in (*waiting, *ended)
    ]
