"""Rules of repetition against a second implementation (dateutil, RFC 5545), and against the bare calendar."""

from datetime import date, datetime, time, timedelta

import pytest
from dateutil import rrule
from hypothesis import given
from hypothesis import strategies as st

from hestor.core.events import expansion, schedule
from hestor.core.events.schedule import Repeat, Schedule
from hestor.core.languages import WEEKDAYS

DAYS = st.dates(date(1990, 1, 1), date(2060, 12, 31))
UNITS = ("weekly", "monthly_date", "monthly_weekday", "monthly_last", "yearly")
REPEATS = st.builds(
    Repeat,
    unit=st.sampled_from(UNITS),
    every=st.integers(1, 9),
    weekdays=st.lists(st.sampled_from(WEEKDAYS), unique=True, max_size=7),
    until=st.none() | DAYS,
)
SCHEDULES = st.builds(Schedule, starts=DAYS, repeat=REPEATS, without=st.lists(DAYS, max_size=5))
FREQUENCIES = {"weekly": rrule.WEEKLY, "yearly": rrule.YEARLY}


def other(of: Schedule, last: date) -> list[date]:
    """The same rule by dateutil."""
    repeat, starts = of.repeat, of.starts
    by = {}
    if repeat.unit == "weekly":
        by["byweekday"] = [WEEKDAYS.index(day) for day in repeat.weekdays] or [starts.weekday()]
    elif repeat.unit in ("monthly_date", "yearly"):
        by["bymonthday"] = starts.day
        by |= {"bymonth": starts.month} if repeat.unit == "yearly" else {}
    else:
        nth = -1 if repeat.unit == "monthly_last" else (starts.day - 1) // 7 + 1
        by["byweekday"] = rrule.weekday(starts.weekday(), nth)
    frequency = FREQUENCIES.get(repeat.unit, rrule.MONTHLY)
    end = datetime.combine(min(last, repeat.until or last), time())
    begin = datetime.combine(starts, time())
    found = rrule.rrule(frequency, dtstart=begin, interval=repeat.every, until=end, wkst=rrule.MO, **by)
    return [day.date() for day in found if day.date() not in of.without]


@given(SCHEDULES, st.integers(0, 4000), st.integers(0, 2000))
def test_any_window_of_any_rule_is_what_the_other_says(of, later, length):
    first = of.starts + timedelta(days=later)
    last = first + timedelta(days=length)
    assert expansion.between(of, first, last) == [day for day in other(of, last) if day >= first]


@given(SCHEDULES, st.integers(0, 3000))
def test_the_following_days_are_those_of_a_wide_window(of, later):
    after = of.starts + timedelta(days=later)
    wide = expansion.between(of, after, after + timedelta(days=366 * 50))
    assert expansion.following(of, after, 5) == wide[:5] or len(wide) < 5


@given(DAYS, DAYS)
def test_an_event_without_a_rule_comes_once(starts, after):
    assert expansion.following(Schedule(starts=starts), after, 3) == ([starts] if starts >= after else [])


def test_what_touches_a_window_began_before_it():
    of = Schedule(starts=date(2026, 5, 1), ends=date(2026, 5, 4), repeat=Repeat(unit="weekly"))
    assert expansion.touching(of, date(2026, 5, 10), date(2026, 5, 10)) == [date(2026, 5, 8)]
    assert expansion.last_day(of) is None
    until = of.model_copy(update={"repeat": Repeat(unit="weekly", until=date(2026, 5, 15))})
    assert expansion.last_day(until) == date(2026, 5, 18)


@pytest.mark.parametrize(
    ("starts", "unit", "days"),
    [
        (date(2024, 2, 29), "yearly", ["2024-02-29", "2028-02-29", "2032-02-29"]),
        (date(2026, 1, 31), "monthly_date", ["2026-01-31", "2026-03-31", "2026-05-31"]),
        (date(2026, 5, 30), "monthly_last", ["2026-05-30", "2026-06-27", "2026-07-25"]),
        (date(2026, 5, 30), "monthly_weekday", ["2026-05-30", "2026-08-29", "2026-10-31"]),
    ],
)
def test_what_months_and_years_lack_is_left_out(starts, unit, days):
    of = Schedule(starts=starts, repeat=Repeat(unit=unit))
    assert [day.isoformat() for day in expansion.following(of, of.starts, 3)] == days


def codes(of: Schedule) -> list[tuple[str, str]]:
    return [(one.field, one.code) for one in (*schedule.problems(of), *expansion.problems(of))]


@pytest.mark.parametrize(
    ("of", "found"),
    [
        (Schedule(starts=date(2026, 5, 2)), []),
        (Schedule(starts=date(2026, 5, 2), ends=date(2026, 5, 1)), [("schedule.ends", "event_ends_before")]),
        (
            Schedule(starts=date(2026, 5, 2), starts_at=time(10), ends_at=time(9)),
            [("schedule.ends_at", "event_ends_before")],
        ),
        (Schedule(starts=date(1, 1, 1)), [("schedule.starts", "event_year")]),
        (Schedule(starts=date(9999, 12, 31)), [("schedule.starts", "event_year")]),
        (Schedule(starts=date(2026, 5, 2), ends=date(2028, 5, 2)), [("schedule.ends", "event_too_long")]),
        (
            Schedule(starts=date(2026, 5, 2), repeat=Repeat(unit="weekly", until=date(2026, 5, 1))),
            [("schedule.until", "event_until_before"), ("schedule.until", "event_never")],
        ),
        (
            Schedule(
                starts=date(2026, 5, 2),
                repeat=Repeat(unit="weekly", until=date(2026, 5, 9)),
                without=(date(2026, 5, 2), date(2026, 5, 9)),
            ),
            [("schedule.until", "event_never")],
        ),
        (Schedule(starts=date(2026, 5, 2), place="x" * 161), [("schedule.place", "too_long")]),
    ],
)
def test_a_schedule_that_can_not_be_is_said_where_it_is(of, found):
    assert codes(of) == found


def test_what_should_be_thought_of_is_said():
    def noticed(starts: date, unit: str, until: date | None = None) -> list[str]:
        return [one.code for one in schedule.notices(Schedule(starts=starts, repeat=Repeat(unit=unit, until=until)))]

    assert noticed(date(2026, 5, 2), "weekly") == ["event_without_end"]
    assert noticed(date(2026, 5, 2), "weekly", date(2027, 1, 1)) == []
    assert noticed(date(2026, 5, 31), "monthly_date", date(2027, 1, 1)) == ["event_short_months"]
    assert noticed(date(2024, 2, 29), "yearly", date(2044, 1, 1)) == ["event_leap_years"]
    assert noticed(date(2026, 5, 30), "monthly_weekday", date(2027, 1, 1)) == ["event_fifth_weekday"]
