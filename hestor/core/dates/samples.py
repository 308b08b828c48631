"""Dates and times on which a form shows what it is worth: the shortest, the longest, the turn of a year or a day."""

from collections.abc import Iterator
from dataclasses import dataclass
from datetime import date, datetime, time, timedelta
from typing import Literal

from hestor.core import languages, zones
from hestor.core.dates import patterns
from hestor.core.dates.patterns import Kind

What = Literal["one_digit", "longest", "last_day", "midnight", "noon", "evening", "before_change", "after_change"]
_DAY, _LAST_MONTH = 3, 12


@dataclass(frozen=True)
class Sample:
    """A date or time in a form; ``what`` says why it is shown."""

    what: What
    text: str


def _longest_month(language: str) -> int:
    names = languages.locale_of(language).months["format"]["wide"]
    return max(range(1, _LAST_MONTH + 1), key=lambda month: len(names[month]))


def _dates(language: str, year: int) -> Iterator[tuple[What, date]]:
    yield "one_digit", date(year, 1, _DAY)
    yield "longest", date(year, _longest_month(language), 28)
    yield "last_day", date(year, _LAST_MONTH, 31)


_TIMES: tuple[tuple[What, time], ...] = (("midnight", time(0, 0)), ("noon", time(12, 0)), ("evening", time(20, 5)))


def _around_change(zone: str, now: datetime) -> Iterator[tuple[What, time]]:
    """The last minute before the clock is changed next, and the first one after; nothing, where it never is."""
    change = zones.next_change(zone, now)
    if change:
        clock = zones.clock_of(zone)
        yield "before_change", (change.at - timedelta(minutes=1)).astimezone(clock).time()
        yield "after_change", change.at.astimezone(clock).time()


def samples(pattern: str, kind: Kind, language: str, now: datetime, zone: str = "UTC") -> tuple[Sample, ...]:
    """A form, which must be free of problems, on what tries it in the year of ``now``, on the clock of ``zone``."""
    if kind == "date":
        return tuple(
            Sample(what, patterns.format_day(day, pattern, language)) for what, day in _dates(language, now.year)
        )
    times = (*_TIMES, *_around_change(zone, now))
    return tuple(Sample(what, patterns.format_clock(moment, pattern, language)) for what, moment in times)
