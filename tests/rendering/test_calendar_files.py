"""Calendar files read back by icalendar and dateutil, over changes of the clock and in zones of one offset."""

import io
from datetime import UTC, date, datetime, time, timedelta, tzinfo
from zoneinfo import ZoneInfo

import icalendar
import pytest
from dateutil import rrule, tz

from hestor.core import zones
from hestor.core.dates import local_time
from hestor.core.events import expansion
from hestor.core.events.schedule import Repeat, Schedule
from hestor.core.facts.document import Facts
from hestor.core.hours.opening import OpeningHours, Span, Week
from hestor.rendering import Renderer, opening
from tests.support.memory import MemoryState, page

NOW = datetime(2026, 1, 5, 9, tzinfo=UTC)
ZONES = ["Europe/Berlin", "America/New_York", "Australia/Lord_Howe", "Africa/Casablanca", "UTC", "+05:30", "-03:00"]


def read_back(schedule: Schedule, zone: str, name: str = "Seeds") -> tuple[icalendar.Calendar, str]:
    events = [page("/events/", "Events", "", "events"), page("/events/one/", "One", "", "event", schedule=schedule)]
    state = MemoryState(Facts(name=name, time_zone=zones.read(zone)), [page("/", "Welcome"), *events])
    body = Renderer(state, NOW).respond("/events.ics").body.decode()
    return icalendar.Calendar.from_ical(body), body


def moments(schedule: Schedule, zone: str, count: int) -> list[tuple[datetime, timedelta]]:
    """When the file says that the event begins, by its own rules, and how long it lasts."""
    calendar, body = read_back(schedule, zone)
    (event,) = calendar.walk("VEVENT")
    start = event["dtstart"]
    wall = start.dt.replace(tzinfo=None)
    left_out = {one.dt.replace(tzinfo=None) for one in event["exdate"].dts} if "exdate" in event else set()
    if "rrule" in event:
        rule = event["rrule"].to_ical().decode().partition(";UNTIL=")[0]
        walls = list(rrule.rrulestr(rule, dtstart=wall)[: count + len(left_out)])
    else:
        walls = [wall]
    clock = UTC if zone == "UTC" else tz.tzical(io.StringIO(body)).get(start.params["TZID"])
    kept = [one for one in walls if one not in left_out][:count]
    return [(moment_of(one, clock, zone), event["duration"].dt) for one in kept]


def moment_of(wall: datetime, clock: tzinfo, zone: str) -> datetime:
    """RFC 5545, 3.3.5: a time that is skipped is read by the offset before the change."""
    its = clock if zone[0] in "+-" else ZoneInfo(zone)
    exists = wall.replace(tzinfo=its).astimezone(UTC).astimezone(its).replace(tzinfo=None) == wall
    offset = clock.utcoffset(wall if exists else wall - timedelta(hours=3))
    assert offset is not None
    return (wall - offset).replace(tzinfo=UTC)


def ours(schedule: Schedule, zone: str, count: int) -> list[datetime]:
    days = expansion.following(schedule, schedule.starts, count)
    starts = (schedule.start + (day - schedule.starts) for day in days)
    return [local_time.resolve(wall, zones.read(zone)).moment.astimezone(UTC) for wall in starts]


SKIPPED = Schedule(
    starts=date(2026, 3, 29), starts_at=time(2, 30), ends_at=time(3, 15), repeat=Repeat(unit="weekly"),
    without=(date(2026, 4, 12),),
)  # fmt: skip
NIGHT = Schedule(
    starts=date(2026, 1, 3),
    starts_at=time(23),
    ends=date(2026, 1, 4),
    ends_at=time(1, 30),
    repeat=Repeat(unit="weekly"),
)


@pytest.mark.parametrize("zone", ZONES)
@pytest.mark.parametrize("schedule", [SKIPPED, NIGHT], ids=["skipped", "night"])
def test_other_libraries_find_the_moments_that_pages_say(schedule, zone):
    told = moments(schedule, zone, 60)
    assert [begin for begin, _ in told] == ours(schedule, zone, 60)
    assert all(lasts > timedelta() for _, lasts in told)


def test_a_series_that_begins_in_a_skipped_hour_keeps_its_own():
    first, second = [
        begin.astimezone(zones.clock_of("Europe/Berlin")) for begin, _ in moments(SKIPPED, "Europe/Berlin", 2)
    ]
    assert (first.hour, first.minute, second.hour, second.minute) == (3, 30, 2, 30)


@pytest.mark.parametrize(
    ("starts_at", "ends_at", "lasts"), [(time(1), time(4), 2), (time(2, 30), time(3), 0.5), (time(2), time(3, 30), 0.5)]
)
def test_one_event_over_a_change_of_the_clock_lasts_as_long_as_it_is(starts_at, ends_at, lasts):
    once = Schedule(starts=date(2026, 3, 29), starts_at=starts_at, ends_at=ends_at)
    assert moments(once, "Europe/Berlin", 1)[0][1] == timedelta(hours=lasts)


@pytest.mark.parametrize("zone", [zone for zone in ZONES if zone != "UTC"])
def test_every_clock_that_is_named_is_defined_once(zone):
    calendar, _ = read_back(SKIPPED, zone)
    (defined,) = calendar.walk("VTIMEZONE")
    (event,) = calendar.walk("VEVENT")
    assert {str(defined["tzid"])} == {event["dtstart"].params["TZID"], event["exdate"].params["TZID"]}


def test_the_calendar_bears_the_sites_name():
    calendar, _ = read_back(NIGHT, "UTC", "مقهى; Seeds")
    assert (calendar["x-wr-calname"], calendar["name"]) == ("مقهى; Seeds", "مقهى; Seeds")


@pytest.mark.parametrize(
    ("opens", "closes", "told"),
    [
        (time(0), time(0), ("00:00", "23:59")),
        (time(8), time(8), ("08:00", "07:59")),
        (time(9), time(17), ("09:00", "17:00")),
    ],
)
def test_open_round_the_clock_is_not_told_as_closed(opens, closes, told):
    week = Week(mon=(Span(opens=opens, closes=closes),))
    (record,) = opening.records(OpeningHours(week=week), date(2026, 1, 5))
    assert (record["opens"], record["closes"]) == told
