"""Occurrences and wall times across changes of the clock; months as calendars show them."""

import calendar
from datetime import UTC, date, datetime, time, timedelta
from zoneinfo import ZoneInfo

import pytest
from hypothesis import given
from hypothesis import strategies as st

from hestor.core import zones
from hestor.core.dates import local_time
from hestor.core.events import month, occurrences
from hestor.core.events.month import Month
from hestor.core.events.schedule import Repeat, Schedule
from hestor.core.languages import WEEKDAYS
from tests.core.test_zones import MOMENTS, NAMES

ZONES = st.sampled_from(NAMES)


@given(ZONES, MOMENTS)
def test_a_moment_on_the_wall_and_back_is_the_same_moment(zone, moment):
    local = moment.astimezone(zones.clock_of(zone))
    found = local_time.resolve(local.replace(tzinfo=None, fold=0), zone)
    assert found.reading in ("plain", "twice")
    # Of a time that comes twice the first is meant.
    behind = moment - found.moment.astimezone(UTC)
    assert behind == (timedelta() if not local.fold else -found.by)


@given(ZONES, st.datetimes(datetime(1990, 1, 1), datetime(2040, 1, 1)))
def test_a_time_on_the_wall_is_skipped_exactly_where_no_moment_shows_it(zone, local):
    found = local_time.resolve(local, zone)
    shown = found.moment.astimezone(UTC).astimezone(zones.clock_of(zone)).replace(tzinfo=None)
    assert (found.reading == "skipped") == (shown != local)
    if found.reading == "skipped":
        assert shown - local == found.by


@pytest.mark.parametrize(
    ("local", "zone", "reading", "moment"),
    [
        ("2026-03-29T01:30", "Europe/London", "skipped", "2026-03-29T02:30+01:00"),
        ("2026-10-25T01:30", "Europe/London", "twice", "2026-10-25T01:30+01:00"),
        ("2026-07-01T12:00", "Europe/London", "plain", "2026-07-01T12:00+01:00"),
        ("2026-07-01T12:00", "+05:30", "plain", "2026-07-01T12:00+05:30"),
        # Half an hour, and a whole day that Samoa left out.
        ("2026-10-04T02:15", "Australia/Lord_Howe", "skipped", "2026-10-04T02:45+11:00"),
        ("2011-12-30T12:00", "Pacific/Apia", "skipped", "2011-12-31T12:00+14:00"),
    ],
)
def test_gaps_and_folds_are_read_by_the_rule(local, zone, reading, moment):
    found = local_time.resolve(datetime.fromisoformat(local), zone)
    # Moments that come twice are equal to nothing outside of their zone, so what they say is compared.
    assert (found.reading, found.moment.isoformat(timespec="minutes")) == (reading, moment)


def test_an_event_keeps_its_time_on_the_wall_across_a_change():
    weekly = Schedule(starts=date(2026, 3, 22), starts_at=time(9), ends_at=time(10), repeat=Repeat(unit="weekly"))
    now = datetime(2026, 3, 20, tzinfo=UTC)
    found = occurrences.upcoming(weekly, "Europe/London", now, 2)
    assert [one.start.isoformat() for one in found] == ["2026-03-22T09:00:00+00:00", "2026-03-29T09:00:00+01:00"]


def test_what_is_on_now_is_ahead_and_what_is_over_is_not():
    walk = Schedule(
        starts=date(2026, 12, 31), starts_at=time(22, 30), ends=date(2027, 1, 1), ends_at=time(0, 30), place="Gate"
    )

    def ahead(at: str) -> int:
        return len(occurrences.upcoming(walk, "Europe/London", datetime.fromisoformat(at).replace(tzinfo=UTC), 3))

    assert [ahead(at) for at in ("2026-12-31T10:00", "2027-01-01T00:15", "2027-01-01T00:30")] == [1, 1, 0]
    assert occurrences.last(walk, "Europe/London", datetime(2028, 1, 1, tzinfo=UTC)).day == date(2026, 12, 31)


def test_a_time_that_is_skipped_does_not_end_before_it_begins():
    short = Schedule(starts=date(2026, 3, 29), starts_at=time(1, 30), ends_at=time(2))
    one = occurrences.on(short, short.starts, "Europe/London")
    assert (one.reading, one.end >= one.start) == ("skipped", True)


@given(st.integers(1900, 2199), st.integers(1, 12), st.sampled_from(WEEKDAYS))
def test_a_month_has_the_weeks_that_the_calendar_module_gives(year, number, first):
    shown = month.weeks(Month(year, number), first)
    assert [list(week) for week in shown] == calendar.Calendar(WEEKDAYS.index(first)).monthdatescalendar(year, number)
    assert month.weekdays(first)[0] == first
    assert month.read(str(Month(year, number))) == Month(year, number)
    assert Month(year, number).moved(1).moved(-1) == Month(year, number)


@pytest.mark.parametrize("text", ["2026-13", "2026-0", "26-05", "2026-5", "2026/05", "٢٠٢٦-٠٥", "1899-12", ""])
def test_what_is_no_month_is_none(text):
    assert month.read(text) is None


def test_fixed_offsets_and_names_are_read_as_they_are_kept():
    assert [zones.read(one) for one in ("UTC+1", "GMT-3", "+5:30", "−04:00", "Etc/GMT-2")] == [
        "+01:00", "-03:00", "+05:30", "-04:00", "+02:00",
    ]  # fmt: skip
    assert [zones.read(one) for one in ("Europe/Kiev", "Asia/Calcutta", "US/Eastern", "Asia/Saigon")] == [
        "Europe/Kyiv", "Asia/Kolkata", "America/New_York", "Asia/Ho_Chi_Minh",
    ]  # fmt: skip
    assert [zones.read(one) for one in ("+14:30", "+25:00", "Mars/Base", "", "x" * 300)] == [None] * 5
    assert all(zones.read(zone) == zone for zone in zones.countries())
    assert zones.clock_of("+05:30").utcoffset(None) == timedelta(hours=5, minutes=30)
    assert zones.clock_of("Europe/London") == ZoneInfo("Europe/London")
