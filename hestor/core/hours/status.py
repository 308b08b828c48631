"""Whether it is open at a moment, on the site's clock, and when that changes."""

from collections.abc import Iterator
from dataclasses import dataclass
from datetime import date, datetime, timedelta

from hestor.core import zones
from hestor.core.dates import local_time
from hestor.core.hours.opening import MIDNIGHT, OpeningHours, Span

_AHEAD = 15
_FAR = 400


@dataclass(frozen=True)
class Status:
    """Open or closed, and the moment at which that changes next; None if it doesn't, as far as one looks."""

    is_open: bool
    until: datetime | None


def _moment(day: date, minutes: int, zone: str) -> datetime:
    days, rest = divmod(minutes, MIDNIGHT)
    at = datetime(day.year, day.month, day.day) + timedelta(days=days, minutes=rest)
    return local_time.resolve(at, zone).moment


def _open_times(hours: OpeningHours, zone: str, first: date, days: int) -> Iterator[tuple[datetime, datetime]]:
    """From when to when it is open, in order; what touches is one."""
    begun: tuple[datetime, datetime] | None = None
    for number in range(days):
        day = first + timedelta(days=number)
        for span in sorted(hours.on(day), key=lambda one: one.minutes):
            begin, end = (_moment(day, minutes, zone) for minutes in span.minutes)
            if begun and begin <= begun[1]:
                begun = (begun[0], max(begun[1], end))
            else:
                if begun:
                    yield begun
                begun = (begin, end)
    if begun:
        yield begun


def status(hours: OpeningHours, zone: str, now: datetime) -> Status:
    """Whether it is open at ``now``. Closing past midnight belongs to the day on which it opened."""
    yesterday = zones.day_in(zone, now) - timedelta(days=1)
    for days in (_AHEAD, _FAR):
        end = _moment(yesterday, days * MIDNIGHT, zone)
        for begin, close in _open_times(hours, zone, yesterday, days):
            if close <= now:
                continue
            if begin > now:
                return Status(False, begin)
            if close < end:
                return Status(True, close)
            break
    return Status(any(begin <= now < close for begin, close in _open_times(hours, zone, yesterday, 3)), None)


def span_text(span: Span) -> tuple[str, str]:
    """The begin and the end of a span as machines write them (``HH:MM``)."""
    return span.opens.strftime("%H:%M"), span.closes.strftime("%H:%M")
