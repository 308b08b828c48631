"""Time zones by their names in the IANA time zone database, as towns keep them."""

from dataclasses import dataclass
from datetime import UTC, date, datetime, timedelta
from functools import lru_cache
from zoneinfo import ZoneInfo, ZoneInfoNotFoundError, available_timezones


@lru_cache(maxsize=1)
def _names() -> frozenset[str]:
    # Only zones of a region follow a town's summer time; "Etc/GMT+1" and "EST" never do.
    return frozenset(name for name in available_timezones() if "/" in name and not name.startswith("Etc/"))


def is_known(zone: str) -> bool:
    """Whether ``zone`` is a town's zone, or plain ``UTC``."""
    return zone == "UTC" or zone in _names()


def is_fixed(zone: str) -> bool:
    """Whether ``zone`` is a fixed offset, which doesn't follow summer time."""
    try:
        ZoneInfo(zone)
    except (ZoneInfoNotFoundError, ValueError, OSError):
        return False
    return not is_known(zone)


def day_in(zone: str, now: datetime) -> date:
    """The calendar day that it is in ``zone`` at the moment ``now`` (which must know its own zone)."""
    if now.tzinfo is None:
        raise ValueError("now needs a time zone, such as datetime.UTC")
    return now.astimezone(ZoneInfo(zone)).date()


def year_in(zone: str, now: datetime) -> int:
    """The calendar year that it is in ``zone`` at the moment ``now``."""
    return day_in(zone, now).year


def offset(zone: str, now: datetime) -> timedelta:
    """How far the clock of ``zone`` is ahead of UTC at the moment ``now``; behind it, if negative."""
    return now.astimezone(ZoneInfo(zone)).utcoffset() or timedelta()


@dataclass(frozen=True)
class ClockChange:
    """A moment (UTC) at which a clock is put forward by ``by``, or back if that is negative."""

    at: datetime
    by: timedelta


# No clock is changed twice within a step; rules are known for some years, and then the same ones go on.
_STEP = timedelta(hours=12)
_FAR = timedelta(days=366 * 12)


def next_change(zone: str, now: datetime) -> ClockChange | None:
    """When the clock of ``zone`` is put forward or back next after ``now``; None if it never is, as far as is known."""
    start = now.astimezone(UTC).replace(microsecond=0)
    before, at = offset(zone, start), start
    while offset(zone, at) == before:
        at += _STEP
        if at - start > _FAR:
            return None
    return _narrowed(zone, at - _STEP, at)


def _narrowed(zone: str, low: datetime, high: datetime) -> ClockChange:
    """The change between two moments, to the second."""
    before = offset(zone, low)
    while high - low > timedelta(seconds=1):
        middle = low + timedelta(seconds=(high - low) // timedelta(seconds=2))
        low, high = (middle, high) if offset(zone, middle) == before else (low, middle)
    return ClockChange(high, offset(zone, high) - before)
