"""Time zones by their names in the IANA time zone database, as towns keep them; and fixed offsets from UTC."""

import re
from dataclasses import dataclass
from datetime import UTC, date, datetime, timedelta, timezone, tzinfo
from functools import lru_cache
from pkgutil import get_data
from types import MappingProxyType
from zoneinfo import ZoneInfo, ZoneInfoNotFoundError, available_timezones

from babel import dates

from hestor.core import languages

_OFFSET = re.compile(r"([+-])(0\d|1[0-4]):([0-5]\d)")
# Clocks are kept from Baker Island to Kiritimati, nowhere further (IANA time zone database).
_LEAST, _MOST = timedelta(hours=-12), timedelta(hours=14)
_LOOSE = re.compile(r"(?:UTC|GMT)?\s*([+\u2212-])\s*(\d{1,2})(?::?([0-5]\d))?", re.IGNORECASE)


def _table(name: str) -> list[str]:
    """The lines of a table of the package tzdata, as constant as the zones that ``zoneinfo`` reads there."""
    text = (get_data("tzdata", f"zoneinfo/{name}") or b"").decode()
    return [line for line in text.splitlines() if line and not line.startswith("#")]


@lru_cache(maxsize=1)
def countries() -> MappingProxyType[str, tuple[str, ...]]:
    """The countries (ISO 3166) that each zone is kept in: those of the database's ``zone.tab`` and ``zone1970.tab``."""
    found_countries: dict[str, list[str]] = {}
    for line in (*_table("zone.tab"), *_table("zone1970.tab")):
        codes, _, zone = line.split("\t")[:3]
        known = found_countries.setdefault(zone, [])
        known += [code for code in codes.split(",") if code not in known]
    return MappingProxyType({zone: tuple(codes) for zone, codes in found_countries.items()})


@lru_cache(maxsize=512)
def of_country(code: str) -> tuple[str, ...]:
    """The zones that are kept in a country, the database's first one first."""
    return tuple(zone for zone, codes in countries().items() if code in codes)


@lru_cache(maxsize=1)
def _links() -> MappingProxyType[str, str]:
    """Former names of zones with their present ones."""
    rows = (line.split() for line in _table("tzdata.zi") if line.startswith("L "))
    return MappingProxyType({row[2]: row[1] for row in rows})


@lru_cache(maxsize=1)
def _names() -> frozenset[str]:
    # Only zones of a region follow a town's summer time; "Etc/GMT+1" and "EST" never do.
    return frozenset(name for name in available_timezones() if "/" in name and not name.startswith("Etc/"))


def canonical(zone: str) -> str:
    """The present name of a renamed zone.

    A name that some country's towns are listed under is kept, though the database may have joined its rules with
    another's: Copenhagen's clock is not called Berlin's.
    """
    return zone if zone in countries() else _links().get(zone, zone)


def _as_offset(ahead: timedelta) -> str:
    minutes = round(ahead.total_seconds() / 60)
    hours, rest = divmod(abs(minutes), 60)
    return f"{'-' if minutes < 0 else '+'}{hours:02}:{rest:02}" if minutes else "UTC"


@lru_cache(maxsize=4096)
def read(given: str) -> str | None:
    """A zone as it is kept: an IANA name by its present name, ``UTC``, or a fixed offset such as ``+05:30`` (ISO 8601).

    ``UTC+5:30`` and fixed zones of the database, such as ``Etc/GMT-1``, are read as offsets. None for anything else.
    """
    name = canonical(given)
    if name == "UTC" or name in _names():
        return name
    if match := _LOOSE.fullmatch(given):
        sign = 1 if match[1] == "+" else -1
        ahead = sign * timedelta(hours=int(match[2]), minutes=int(match[3] or 0))
        return _as_offset(ahead) if _LEAST <= ahead <= _MOST else None
    try:
        zone = ZoneInfo(name)
    except (ZoneInfoNotFoundError, ValueError, OSError):
        return None
    winter, summer = (datetime(2026, month, 1, tzinfo=zone).utcoffset() or timedelta() for month in (1, 7))
    return _as_offset(winter) if winter == summer and name not in countries() else None


def is_known(zone: str) -> bool:
    """Whether ``zone`` is one as it is kept."""
    return len(zone) < 60 and read(zone) == zone


def is_fixed(zone: str) -> bool:
    """Whether a kept zone is a fixed offset, which doesn't follow summer time."""
    return zone == "UTC" or bool(_OFFSET.fullmatch(zone))


def name_in(zone: str, reader: str) -> str:
    """A kept zone as a reader of a language calls it (CLDR): its city and its time; a fixed offset beside UTC."""
    if is_fixed(zone):
        return zone if zone == "UTC" else f"UTC{zone}"
    clock, locale = clock_of(zone), languages.locale_of(reader)
    city = dates.get_timezone_location(clock, locale=locale, return_city=True)
    return f"{city} · {dates.get_timezone_name(clock, locale=locale, zone_variant='generic')}"


@lru_cache(maxsize=1024)
def clock_of(zone: str) -> tzinfo:
    """The clock of a kept zone. Raises ValueError for one that isn't."""
    if match := _OFFSET.fullmatch(zone):
        ahead = timedelta(hours=int(match[2]), minutes=int(match[3]))
        return timezone(-ahead if match[1] == "-" else ahead)
    try:
        return ZoneInfo(zone)
    except (ZoneInfoNotFoundError, OSError) as error:
        raise ValueError(f"no such clock: {zone!r}") from error


def day_in(zone: str, now: datetime) -> date:
    """The calendar day that it is in ``zone`` at the moment ``now`` (which must know its own zone)."""
    if now.tzinfo is None:
        raise ValueError("now needs a time zone, such as datetime.UTC")
    return now.astimezone(clock_of(zone)).date()


def offset(zone: str, now: datetime) -> timedelta:
    """How far the clock of ``zone`` is ahead of UTC at the moment ``now``; behind it, if negative."""
    return now.astimezone(clock_of(zone)).utcoffset() or timedelta()


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
