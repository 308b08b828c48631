"""Time zones by their names in the IANA time zone database, as towns keep them."""

from datetime import date, datetime
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
