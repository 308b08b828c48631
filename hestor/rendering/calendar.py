"""The events of a site as pages show them: the ones ahead, and a calendar of a month."""

from collections import defaultdict
from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from datetime import date, datetime, time, timedelta
from heapq import nsmallest
from itertools import islice

from hestor.core import languages
from hestor.core.events import expansion, month, occurrences
from hestor.core.events.month import Month
from hestor.core.events.occurrences import Occurrence
from hestor.core.events.schedule import Schedule
from hestor.core.facts import clock
from hestor.rendering.frame import Frame
from hestor.rendering.state import Event
from hestor.rendering.when import Stamp, stamps

AHEAD = timedelta(days=400)
_LISTED, _FURTHER = 20, 3
_A_DAY = 5
_DAY = timedelta(days=1)
_MIDNIGHT = time()


@dataclass(frozen=True)
class Listed:
    """An event in a list: its next occurrence, and the days of those after it."""

    url: str
    title: str
    text: str
    place: str
    stamps: Sequence[Stamp]
    further: Sequence[Stamp]


@dataclass(frozen=True)
class Entry:
    """An event on one day of a calendar. ``at`` is when it begins; nothing, where it takes the day or goes on."""

    url: str
    title: str
    at: Stamp | None


@dataclass(frozen=True)
class Cell:
    """A day of a calendar; ``more`` counts the events that there is no room for."""

    number: str
    iso: str
    entries: Sequence[Entry]
    more: int
    is_today: bool
    in_month: bool


@dataclass(frozen=True)
class Calendar:
    """A month; ``weekdays`` are (short, full) names. ``before`` and ``after`` are the addresses of its neighbours."""

    name: str
    weekdays: Sequence[tuple[str, str]]
    weeks: Sequence[Sequence[Cell]]
    before: tuple[str, str]
    after: tuple[str, str]
    has_events: bool


def path_of(list_path: str, wanted: Month) -> str:
    """The address of a month's calendar, below the page that lists the events."""
    return f"{list_path}{wanted}/"


def _next(frame: Frame, event: Event) -> Occurrence | None:
    """The event's next occurrence that is not over, if it comes soon enough."""
    today, zone = frame.now.date(), frame.facts.time_zone
    schedule = event.schedule
    length = schedule.last_day - schedule.starts + _DAY
    for day in expansion.days(schedule, max(schedule.starts, today - length)):
        if day > today + AHEAD:
            return None
        # Whether it is over has to be asked of the clock only around today.
        if day > today + _DAY:
            return occurrences.on(schedule, day, zone)
        one = occurrences.on(schedule, day, zone)
        if one.end > frame.now or one.start >= frame.now:
            return one
    return None


def ahead(frame: Frame) -> list[Listed]:
    """The events ahead, each once, by when it comes next; with the days on which it comes after that."""
    today = frame.now.date()
    with_next = ((event, _next(frame, event)) for event in frame.state.events(today, today + AHEAD))
    coming = [(one.start, event.path, event, one) for event, one in with_next if one]
    return [_listed(frame, event, one) for _, _, event, one in nsmallest(_LISTED, coming, key=lambda row: row[:2])]


def _listed(frame: Frame, event: Event, occurrence: Occurrence) -> Listed:
    schedule = event.schedule
    later = expansion.following(schedule, occurrence.day + _DAY, _FURTHER)
    return Listed(
        frame.root + event.path,
        frame.shown(event.title),
        frame.shown(event.summary),
        schedule.place,
        stamps(frame, schedule, occurrence),
        [Stamp(frame.short_day(day), day.isoformat()) for day in later],
    )


_Row = tuple[time, str, Event, bool]


def _on_days(frame: Frame, first: date, last: date) -> Mapping[date, list[_Row]]:
    """What is on, by day: when it begins (midnight, where it takes the day or goes on), and the event."""
    found: defaultdict[date, list[_Row]] = defaultdict(list)
    for event in frame.state.events(first, last):
        schedule = event.schedule
        row = (schedule.starts_at or _MIDNIGHT, event.path, event, True)
        if schedule.ends is None:
            for day in expansion.between(schedule, first, last):
                found[day].append(row)
        else:
            _over_days(found, row, first, last)
    return found


def _over_days(found: defaultdict[date, list[_Row]], row: _Row, first: date, last: date) -> None:
    """Puts an event of several days on each of them."""
    _, path, event, _ = row
    going_on = (_MIDNIGHT, path, event, False)
    for begin in expansion.touching(event.schedule, first, last):
        days = [begin + number * _DAY for number in range(_nights(event.schedule) + 1)]
        for number, day in enumerate(days):
            if first <= day <= last:
                found[day].append(going_on if number else row)


def _nights(schedule: Schedule) -> int:
    """How many more days an occurrence takes; one that ends at midnight doesn't take the day after."""
    days = (schedule.last_day - schedule.starts).days
    ends_at_midnight = not schedule.whole_day and schedule.ends_at == _MIDNIGHT
    return days - 1 if days and ends_at_midnight else days


def _entry(frame: Frame, day: date, row: _Row) -> Entry:
    begin, path, event, begins = row
    at = None
    if begins and not event.schedule.whole_day:
        # A time that the clock skips or shows twice has here, too, the offset before the change.
        moment = datetime.combine(day, begin, frame.now.tzinfo)
        at = Stamp(frame.clock(begin), moment.isoformat(), True)
    return Entry(frame.root + path, frame.shown(event.title), at)


def _cell(frame: Frame, day: date, rows: list[_Row], shown: Month) -> Cell:
    rows.sort(key=lambda row: row[:2])
    entries = [_entry(frame, day, row) for row in islice(rows, _A_DAY)]
    more = max(0, len(rows) - _A_DAY)
    in_month = (day.year, day.month) == (shown.year, shown.month)
    is_today = day == frame.now.date()
    return Cell(frame.number(day.day), day.isoformat(), entries, more, is_today, in_month)


def _neighbour(frame: Frame, list_path: str, wanted: Month) -> tuple[str, str]:
    return frame.root + path_of(list_path, wanted), frame.month(wanted)


def calendar(frame: Frame, list_path: str, shown: Month) -> Calendar:
    """A month of the site's events, its weeks beginning with the site's own first day."""
    first_day, language = clock.first_day(frame.facts), frame.facts.language
    weeks = month.weeks(shown, first_day)
    on = _on_days(frame, shown.first, shown.last)
    names = [
        (languages.weekday_name(day, language, "abbreviated"), languages.weekday_name(day, language))
        for day in month.weekdays(first_day)
    ]
    cells = [[_cell(frame, day, on.get(day, []), shown) for day in week] for week in weeks]
    before, after = (_neighbour(frame, list_path, shown.moved(step)) for step in (-1, 1))
    return Calendar(frame.month(shown), names, cells, before, after, bool(on))


def month_of(now: datetime) -> Month:
    """The month that it is."""
    return month.month_of(now.date())
