"""The dates on which a repeated event comes, found by the calendar alone, from any day on.

What RFC 5545 says of DTSTART, RRULE (FREQ, INTERVAL, BYDAY, BYMONTHDAY, UNTIL) and EXDATE, with weeks that begin on
Monday. Unlike a general expander this one starts at the day that is asked for, however long ago a rule began.
"""

from calendar import monthrange
from collections.abc import Iterator
from datetime import date, timedelta
from functools import lru_cache
from itertools import islice

from hestor.core.errors import Problem
from hestor.core.events.schedule import LAST_YEAR, Repeat, Schedule, Unit
from hestor.core.languages import WEEKDAYS

_WEEK, _YEAR = 7, 12
_END = date(LAST_YEAR, 12, 31)
# A rule without an end is looked at for so long to see that it yields anything; leap days come within eight years.
_SOON = timedelta(days=366 * 9 * 12)
# How far ahead is looked at once where only the next few days are wanted, for each unit of a rule.
_STRIDES: dict[Unit, timedelta] = {
    "weekly": timedelta(weeks=8),
    "yearly": timedelta(days=366 * 8),
}
_STRIDE = timedelta(days=31 * 8)
_WEEKDAY = {name: number for number, name in enumerate(WEEKDAYS)}
_month_shape = lru_cache(maxsize=4096)(monthrange)


def _number_of(day: date) -> int:
    """The months since the year 0."""
    return day.year * _YEAR + day.month - 1


def _weeks(schedule: Schedule, repeat: Repeat, first: date, last: date) -> list[date]:
    starts = schedule.starts
    monday, step = starts.toordinal() - starts.weekday(), repeat.every * _WEEK
    begin, end = first.toordinal(), last.toordinal() + 1
    weekdays = [_WEEKDAY[name] for name in repeat.weekdays] or [starts.weekday()]
    weeks: list[int] = []
    for weekday in weekdays:
        base = monday + weekday
        weeks += range(base + max(0, -(-(begin - base) // step)) * step, end, step)
    if len(weekdays) > 1:
        weeks.sort()
    return [date.fromordinal(day) for day in weeks if day >= begin]


def _nth_weekday(year: int, month: int, weekday: int, nth: int) -> int:
    """The day of the ``nth`` such weekday of a month, or of its last one for -1; beyond its end if there is none."""
    first, length = _month_shape(year, month)
    day = 1 + (weekday - first) % _WEEK
    return day + ((length - day) // _WEEK * _WEEK if nth < 0 else (nth - 1) * _WEEK)


def _months(schedule: Schedule, repeat: Repeat, first: date, last: date) -> list[date]:
    starts, nth = schedule.starts, schedule.nth_weekday
    step = repeat.every * (_YEAR if repeat.unit == "yearly" else 1)
    begin, weekday = _number_of(starts), starts.weekday()
    by_date = repeat.unit in ("monthly_date", "yearly")
    months = []
    skipped = max(0, -(-(_number_of(first) - begin) // step))
    for number in range(begin + skipped * step, _number_of(last) + 1, step):
        year, month = number // _YEAR, number % _YEAR + 1
        day = starts.day if by_date else _nth_weekday(year, month, weekday, nth)
        if day <= _month_shape(year, month)[1]:
            months.append(date(year, month, day))
    return [day for day in months if first <= day <= last]


def between(schedule: Schedule, first: date, last: date) -> list[date]:
    """The days on which the event begins, of those from ``first`` to ``last``; exceptions are left out."""
    starts, repeat = schedule.starts, schedule.repeat
    if repeat is None:
        return [starts] if first <= starts <= last else []
    begin, end = max(first, starts), min(last, repeat.until or _END)
    if begin > end:
        return []
    found = (_weeks if repeat.unit == "weekly" else _months)(schedule, repeat, begin, end)
    without = schedule.without
    return [day for day in found if day not in without] if without else found


def days(schedule: Schedule, after: date) -> Iterator[date]:
    """The days from ``after`` on, in order, on which the event begins."""
    repeat = schedule.repeat
    if repeat is None:
        yield from between(schedule, after, _END)
        return
    stride = _STRIDES.get(repeat.unit, _STRIDE) * repeat.every
    end = repeat.until or _END
    begin = max(after, schedule.starts)
    while begin <= end:
        last = min(end, begin + stride)
        yield from between(schedule, begin, last)
        begin = last + timedelta(days=1)


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
