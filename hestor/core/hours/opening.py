"""Opening hours: a week that comes again, and the days on which it does not hold."""

from collections.abc import Iterator
from datetime import date, timedelta
from itertools import pairwise
from typing import Any

from pydantic import BaseModel, ConfigDict, Field, ValidationError

from hestor.core.errors import MOST_PROBLEMS, Problem
from hestor.core.events.schedule import FIRST_YEAR, LAST_YEAR, Clock, Day
from hestor.core.languages import WEEKDAYS
from hestor.core.rules import Checked, Line

_NOTE = Line(0, 80)
_MOST_SPANS, _MOST_EXCEPTIONS = 6, 60
_LONGEST = timedelta(days=400)
MIDNIGHT = 24 * 60


class _Part(BaseModel):
    model_config = ConfigDict(frozen=True, extra="forbid")


class Span(_Part):
    """From one time of the day to another; to an earlier or the same one, beyond midnight."""

    opens: Clock
    closes: Clock

    @property
    def minutes(self) -> tuple[int, int]:
        """Its begin and end in minutes since midnight; the end may lie on the next day."""
        begin, end = (clock.hour * 60 + clock.minute for clock in (self.opens, self.closes))
        return begin, end if end > begin else end + MIDNIGHT


Spans = tuple[Span, ...]


class Exceptional(_Part):
    """Days, from ``first`` to ``last``, that have hours of their own; none, if it is closed. ``note`` says why."""

    first: Day
    last: Day
    spans: Spans = Field(default=(), max_length=_MOST_SPANS)
    note: str = ""


class Week(_Part):
    """The hours of each day of a week; a day without any is closed."""

    mon: Spans = Field(default=(), max_length=_MOST_SPANS)
    tue: Spans = Field(default=(), max_length=_MOST_SPANS)
    wed: Spans = Field(default=(), max_length=_MOST_SPANS)
    thu: Spans = Field(default=(), max_length=_MOST_SPANS)
    fri: Spans = Field(default=(), max_length=_MOST_SPANS)
    sat: Spans = Field(default=(), max_length=_MOST_SPANS)
    sun: Spans = Field(default=(), max_length=_MOST_SPANS)

    def on(self, weekday: str) -> Spans:
        """The hours of one of ``languages.WEEKDAYS``."""
        spans: Spans = getattr(self, weekday)
        return spans


class OpeningHours(_Part):
    """The hours of a usual week, and the exceptions, in their order."""

    week: Week = Week()
    exceptions: tuple[Exceptional, ...] = Field(default=(), max_length=_MOST_EXCEPTIONS)

    def exception_on(self, day: date) -> Exceptional | None:
        """The exception that holds on a day; of several the shortest, and of those the last one said."""
        exceptions = [exception for exception in self.exceptions if exception.first <= day <= exception.last]
        return min(reversed(exceptions), key=lambda one: one.last - one.first, default=None)

    def on(self, day: date) -> Spans:
        """The hours that hold on a day."""
        exception = self.exception_on(day)
        return self.week.on(WEEKDAYS[day.weekday()]) if exception is None else exception.spans


def _overlaps(key: str, spans: Spans) -> Iterator[Problem]:
    ordered = sorted(span.minutes for span in spans)
    if any(begin < end for (_, end), (begin, _) in pairwise(ordered)):
        yield Problem(key, "hours_overlap")


def _exceptional(key: str, exception: Exceptional) -> Iterator[Problem]:
    yield from _overlaps(key, exception.spans)
    yield from _NOTE(f"{key}.note", exception.note)[1]
    years = {exception.first.year, exception.last.year}
    if not all(FIRST_YEAR <= year <= LAST_YEAR for year in years):
        yield Problem(key, "event_year", {"first": FIRST_YEAR, "last": LAST_YEAR})
    elif exception.last < exception.first:
        yield Problem(key, "hours_backwards")
    elif exception.last - exception.first > _LONGEST:
        yield Problem(key, "event_too_long")


def problems(key: str, hours: OpeningHours) -> Iterator[Problem]:
    """What is wrong with hours by themselves, at their day or exception."""
    for weekday in WEEKDAYS:
        yield from _overlaps(f"{key}.week.{weekday}", hours.week.on(weekday))
    for number, exception in enumerate(hours.exceptions):
        yield from _exceptional(f"{key}.exceptions.{number}", exception)


def _ordered(spans: Spans) -> Spans:
    return tuple(sorted(spans, key=lambda span: span.minutes))


def tidied(hours: OpeningHours) -> OpeningHours:
    """The hours as they are kept: in their order."""
    exceptions = [
        exception.model_copy(update={"spans": _ordered(exception.spans), "note": " ".join(exception.note.split())})
        for exception in hours.exceptions
    ]
    return OpeningHours(
        week=Week(**{day: _ordered(hours.week.on(day)) for day in WEEKDAYS}),
        exceptions=tuple(sorted(exceptions, key=lambda one: (one.first, one.last))),
    )


def rule(key: str, given: object) -> Checked[OpeningHours | None]:
    """Opening hours as plain values, or None."""
    if given is None:
        return None, ()
    try:
        hours = OpeningHours.model_validate(given.model_dump() if isinstance(given, BaseModel) else given)
    except ValidationError as error:
        return None, tuple(_unreadable(key, each_error) for each_error in error.errors()[:MOST_PROBLEMS])
    found_problems = tuple(problems(key, hours))
    return (hours, found_problems) if found_problems else (tidied(hours), ())


def _unreadable(key: str, error: Any) -> Problem:
    return Problem(".".join([key, *(str(step) for step in error["loc"])])[:120], "hours_unreadable")
