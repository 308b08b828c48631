"""When an event is: its days and times on the site's clock, and the rule by which it comes again (after RFC 5545)."""

from collections.abc import Iterator
from datetime import date, datetime, time, timedelta
from typing import Annotated, Literal

from pydantic import AfterValidator, BaseModel, BeforeValidator, ConfigDict, Field, PlainSerializer

from hestor.core.errors import Problem
from hestor.core.rules import Line

Unit = Literal["weekly", "monthly_date", "monthly_weekday", "monthly_last", "yearly"]
Weekday = Literal["mon", "tue", "wed", "thu", "fri", "sat", "sun"]
MOST_EXCEPTIONS = 200
FIRST_YEAR, LAST_YEAR = 1900, 2199
_LONGEST = timedelta(days=366)
_SHORTEST_MONTH, _WEEK = 28, 7
_PLACE = Line(0, 160)


def _as_a_text(given: object) -> object:
    """A number is neither a day nor a time, though it could be read as seconds."""
    if isinstance(given, (int, float)):
        raise ValueError("said as a text (ISO 8601)")
    return given


def _to_the_minute(given: time) -> time:
    return given.replace(second=0, microsecond=0, tzinfo=None)


Day = Annotated[date, BeforeValidator(_as_a_text)]
Clock = Annotated[
    time,
    BeforeValidator(_as_a_text),
    AfterValidator(_to_the_minute),
    PlainSerializer(lambda clock: clock.strftime("%H:%M"), return_type=str),
]


class Repeat(BaseModel):
    """A rule of repetition: each ``every``-th week, month or year.

    ``monthly_date`` keeps the day of the month, ``monthly_weekday`` which of its weekdays in the month the first day
    is, ``monthly_last`` the last such weekday. ``weekdays`` are for ``weekly``; empty, that of the first day.
    ``until`` is the last day on which it may begin.
    """

    model_config = ConfigDict(frozen=True, extra="forbid")

    unit: Unit
    every: int = Field(default=1, ge=1, le=99)
    weekdays: tuple[Weekday, ...] = Field(default=(), max_length=7)
    until: Day | None = None


class Schedule(BaseModel):
    """When and where an event is. Without ``starts_at`` it takes whole days; ``without`` are days that are left out."""

    model_config = ConfigDict(frozen=True, extra="forbid")

    starts: Day
    starts_at: Clock | None = None
    ends: Day | None = None
    ends_at: Clock | None = None
    place: str = ""
    repeat: Repeat | None = None
    without: tuple[Day, ...] = Field(default=(), max_length=MOST_EXCEPTIONS)

    @property
    def whole_day(self) -> bool:
        """Whether it takes whole days."""
        return self.starts_at is None

    @property
    def nth_weekday(self) -> int:
        """Which of its weekdays in the month the first day is, from 1 to 5; -1 for a rule of the last one."""
        is_last = self.repeat is not None and self.repeat.unit == "monthly_last"
        return -1 if is_last else (self.starts.day - 1) // _WEEK + 1

    @property
    def last_day(self) -> date:
        """The last day that its first occurrence touches."""
        return self.ends or self.starts

    @property
    def start(self) -> datetime:
        """Its first beginning, on the wall."""
        return datetime.combine(self.starts, self.starts_at or time())

    @property
    def end(self) -> datetime:
        """The end of its first occurrence, on the wall; of whole days, the midnight after the last one."""
        if self.whole_day:
            return datetime.combine(self.last_day, time()) + timedelta(days=1)
        return datetime.combine(self.last_day, self.ends_at or self.starts_at or time())


def tidied(schedule: Schedule) -> Schedule:
    """The schedule as it is kept: exceptions in order, nothing that says the same twice."""
    repeat = schedule.repeat
    if repeat and repeat.unit != "weekly" and repeat.weekdays:
        repeat = repeat.model_copy(update={"weekdays": ()})
    return schedule.model_copy(
        update={
            "ends_at": schedule.ends_at if schedule.starts_at else None,
            "ends": None if schedule.ends == schedule.starts else schedule.ends,
            "place": " ".join(schedule.place.split()),
            "repeat": repeat,
            "without": tuple(sorted(set(schedule.without))) if repeat else (),
        }
    )


def _years(schedule: Schedule) -> Iterator[Problem]:
    days = {"starts": schedule.starts, "ends": schedule.ends}
    days["until"] = schedule.repeat.until if schedule.repeat else None
    for name, day in days.items():
        if day and not FIRST_YEAR <= day.year <= LAST_YEAR:
            yield Problem(f"schedule.{name}", "event_year", {"first": FIRST_YEAR, "last": LAST_YEAR})


def problems(schedule: Schedule) -> Iterator[Problem]:
    """What is wrong with a schedule by itself, each thing at its field. See also ``expansion.problems``."""
    yield from _PLACE("schedule.place", schedule.place)[1]
    wrong_years = tuple(_years(schedule))
    yield from wrong_years
    if wrong_years:
        return
    if schedule.last_day < schedule.starts:
        yield Problem("schedule.ends", "event_ends_before")
    elif schedule.end < schedule.start:
        yield Problem("schedule.ends_at", "event_ends_before")
    elif schedule.end - schedule.start > _LONGEST:
        yield Problem("schedule.ends", "event_too_long")
    until = schedule.repeat.until if schedule.repeat else None
    if until and until < schedule.starts:
        yield Problem("schedule.until", "event_until_before")


def notices(schedule: Schedule) -> Iterator[Problem]:
    """What should be thought of with a schedule that is free of problems."""
    repeat = schedule.repeat
    if repeat is None:
        return
    if repeat.until is None:
        yield Problem("schedule.until", "event_without_end")
    day = schedule.starts.day
    if repeat.unit == "monthly_date" and day > _SHORTEST_MONTH:
        yield Problem("schedule.unit", "event_short_months", {"day": day})
    if repeat.unit == "yearly" and (schedule.starts.month, day) == (2, 29):
        yield Problem("schedule.unit", "event_leap_years")
    if repeat.unit == "monthly_weekday" and day > _SHORTEST_MONTH:
        yield Problem("schedule.unit", "event_fifth_weekday")
