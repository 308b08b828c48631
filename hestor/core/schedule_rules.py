"""Moments that are still to come, chosen by a person: to publish at, to be closed until."""

from collections.abc import Iterator
from datetime import datetime, timedelta

from hestor.core.errors import Problem

FARTHEST = timedelta(days=366)
_AN_HOUR = 3600


def problems(field: str, at: datetime, now: datetime) -> Iterator[Problem]:
    """What keeps a moment from being chosen."""
    if at <= now:
        yield Problem(field, "time_past")
    elif at - now > FARTHEST:
        yield Problem(field, "time_far")


def proposed(now: datetime) -> datetime:
    """What most would choose, on the clock of ``now``: nine in the morning of the day after."""
    return (now + timedelta(days=1)).replace(hour=9, minute=0, second=0, microsecond=0)


def is_closed(closed: bool, until: datetime | None, now: datetime) -> bool:
    """Whether a site that was closed still is: one with a moment opens by itself."""
    return closed and (until is None or now < until)


def retry_after(until: datetime | None, now: datetime) -> int:
    """In how many seconds a program may ask a closed site again (RFC 9110, 10.2.3)."""
    return max(int((until - now).total_seconds()) + 1, 1) if until else _AN_HOUR
