"""The dates on which a repeated event comes, found by the calendar alone, from any day on.

What RFC 5545 says of DTSTART, RRULE (FREQ, INTERVAL, BYDAY, BYMONTHDAY, UNTIL) and EXDATE, with weeks that begin on
Monday. Unlike a general expander this one starts at the day that is asked for, however long ago a rule began.
"""

from bisect import bisect_left
from calendar import monthrange
from collections.abc import Iterator
from datetime import date, timedelta
from itertools import islice

from hestor.core.errors import Problem
from hestor.core.events.schedule import LAST_YEAR, Repeat, Schedule
from hestor.core.languages import WEEKDAYS

_WEEK, _YEAR = 7, 12
_END = date(LAST_YEAR, 12, 31)
# A rule without an end is looked at for so long to see that it yields anything; leap days come within eight years.
_SOON = timedelta(days=366 * 9 * 12)


def _month_of(number: int) -> tuple[int, int]:
    year, month = divmod(number, _YEAR)
    return year, month + 1


def _number_of(day: date) -> int:
    """The months since the year 0."""
    return day.year * _YEAR + day.month - 1


def _weeks(starts: date, repeat: Repeat, after: date) -> Iterator[date]:
    wanted = sorted(WEEKDAYS.index(name) for name in repeat.weekdays) or [starts.weekday()]
    monday = starts.toordinal() - starts.weekday()
    step = repeat.every * _WEEK
    skipped = max(0, (after.toordinal() - monday) // step)
    week = monday + skipped * step
    last = _END.toordinal()
    while week <= last:
        yield from (date.fromordinal(week + weekday) for weekday in wanted)
        week += step


def _nth_weekday(year: int, month: int, weekday: int, nth: int) -> date | None:
    """The ``nth`` such weekday of a month, or its last one for -1; None if it has not so many."""
    first, length = monthrange(year, month)
    day = 1 + (weekday - first) % _WEEK
    day += (length - day) // _WEEK * _WEEK if nth < 0 else (nth - 1) * _WEEK
    return date(year, month, day) if day <= length else None


def _on_date(year: int, month: int, day: int) -> date | None:
    return date(year, month, day) if day <= monthrange(year, month)[1] else None


def _months(starts: date, repeat: Repeat, after: date) -> Iterator[date]:
    step = repeat.every * (_YEAR if repeat.unit == "yearly" else 1)
    first = _number_of(starts)
    number = first + max(0, (_number_of(after) - first) // step) * step
    nth = -1 if repeat.unit == "monthly_last" else (starts.day - 1) // _WEEK + 1
    by_date = repeat.unit in ("monthly_date", "yearly")
    last = _number_of(_END)
    while number <= last:
        year, month = _month_of(number)
        found = _on_date(year, month, starts.day) if by_date else _nth_weekday(year, month, starts.weekday(), nth)
        if found:
            yield found
        number += step


def days(schedule: Schedule, after: date) -> Iterator[date]:
    """The days from ``after`` on, in order, on which the event begins; exceptions are left out."""
    starts, repeat = schedule.starts, schedule.repeat
    if repeat is None:
        if starts >= after:
            yield starts
        return
    begin = max(after, starts)
    until = repeat.until or _END
    without = schedule.without
    for day in (_weeks if repeat.unit == "weekly" else _months)(starts, repeat, begin):
        if day > until:
            return
        if day >= begin:
            at = bisect_left(without, day)
            if at == len(without) or without[at] != day:
                yield day


def between(schedule: Schedule, first: date, last: date) -> list[date]:
    """The days on which the event begins, of those from ``first`` to ``last``, both included."""
    found = []
    for day in days(schedule, first):
        if day > last:
            break
        found.append(day)
    return found


def touching(schedule: Schedule, first: date, last: date) -> list[date]:
    """The days on which occurrences begin that touch any day from ``first`` to ``last``."""
    return between(schedule, first - (schedule.last_day - schedule.starts), last)


def last_day(schedule: Schedule) -> date | None:
    """The last day that the event may touch; None if it goes on without end."""
    length = schedule.last_day - schedule.starts
    if schedule.repeat is None:
        return schedule.last_day
    return schedule.repeat.until + length if schedule.repeat.until else None


def problems(schedule: Schedule) -> Iterator[Problem]:
    """What is wrong with what a rule yields: nothing at all, or not its own first day."""
    if schedule.repeat is None:
        return
    until = min(schedule.repeat.until or _END, schedule.starts + _SOON)
    first = next(iter(between(schedule, schedule.starts, until)[:1]), None)
    if first is None:
        yield Problem("schedule.until", "event_never")


def following(schedule: Schedule, after: date, count: int) -> list[date]:
    """The next ``count`` days from ``after`` on."""
    return list(islice(days(schedule, after), count))
