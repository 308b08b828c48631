"""Occurrences: an event on one of its days, as moments on the site's clock."""

from collections.abc import Iterable, Iterator
from dataclasses import dataclass
from datetime import date, datetime, timedelta

from hestor.core import zones
from hestor.core.dates import local_time
from hestor.core.dates.local_time import Reading
from hestor.core.errors import Param, Problem
from hestor.core.events import expansion
from hestor.core.events.schedule import Schedule


@dataclass(frozen=True)
class Occurrence:
    """An event once. Of one that takes whole days, ``end`` is the midnight after; ``reading`` is how its time was
    read where the clock skips it or shows it twice (``core.dates.local_time``)."""

    day: date
    last_day: date
    start: datetime
    end: datetime
    reading: Reading


def on(schedule: Schedule, day: date, zone: str) -> Occurrence:
    """The occurrence that begins on a day. Its length is that of the first one, as clocks on the wall show it."""
    later = day - schedule.starts
    begun = local_time.resolve(schedule.start + later, zone)
    ended = local_time.resolve(schedule.end + later, zone).moment
    # A time that is skipped lands later, and must not land behind its end.
    return Occurrence(day, schedule.last_day + later, begun.moment, max(begun.moment, ended), begun.reading)


def upcoming(schedule: Schedule, zone: str, now: datetime, count: int) -> list[Occurrence]:
    """The next occurrences that are not over at the moment ``now``, in order."""
    today = zones.day_in(zone, now)
    occurrences: list[Occurrence] = []
    for occurrence in _from(schedule, zone, today):
        if occurrence.end > now or occurrence.start >= now:
            occurrences.append(occurrence)
        if len(occurrences) == count:
            break
    return occurrences


def notices(occurrences: Iterable[Occurrence]) -> Iterator[Problem]:
    """Occurrences whose time the clock skips or shows twice, each with how it is read."""
    for occurrence in occurrences:
        if occurrence.reading != "plain":
            code = "event_skipped" if occurrence.reading == "skipped" else "event_twice"
            params: dict[str, Param] = {"day": occurrence.day.isoformat(), "time": occurrence.start.strftime("%H:%M")}
            yield Problem("schedule.starts_at", code, params)


def last(schedule: Schedule, zone: str, now: datetime) -> Occurrence:
    """The last occurrence that began before the day of ``now``; the first one of all, if none did."""
    found = schedule.starts
    for day in expansion.days(schedule, schedule.starts):
        if day > zones.day_in(zone, now):
            break
        found = day
    return on(schedule, found, zone)


def _from(schedule: Schedule, zone: str, today: date) -> Iterator[Occurrence]:
    length = schedule.last_day - schedule.starts + timedelta(days=1)
    for day in expansion.days(schedule, max(schedule.starts, today - length)):
        yield on(schedule, day, zone)
