"""Opening hours: what is refused, and whether it is open, against a look at every minute."""

from datetime import UTC, date, datetime, time, timedelta
from zoneinfo import ZoneInfo

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from hestor.core.hours import opening
from hestor.core.hours.opening import Exceptional, OpeningHours, Span, Week
from hestor.core.hours.status import status
from hestor.core.languages import WEEKDAYS

LONDON = ZoneInfo("Europe/London")
CLOCKS = st.builds(time, st.integers(0, 23), st.sampled_from((0, 15, 30)))
SPANS = st.lists(st.builds(Span, opens=CLOCKS, closes=CLOCKS), max_size=2)
WEEKS = st.fixed_dictionaries(dict.fromkeys(WEEKDAYS, SPANS)).map(lambda days: Week(**days))
# Around new year, when no clock is changed.
DAYS = st.dates(date(2026, 12, 20), date(2027, 1, 10))
EXCEPTIONS = st.lists(
    st.tuples(DAYS, st.integers(0, 4), SPANS).map(
        lambda one: Exceptional(first=one[0], last=one[0] + timedelta(days=one[1]), spans=one[2])
    ),
    max_size=2,
)
HOURS = st.builds(OpeningHours, week=WEEKS, exceptions=EXCEPTIONS)
USUAL = [{"opens": "09:00", "closes": "12:00"}, {"opens": "14:00", "closes": "18:00"}]


def is_open(hours: OpeningHours, now: datetime) -> bool:
    """Looked at plainly: a span of today, or one of yesterday that goes on."""
    for back in (0, 1):
        day = now.date() - timedelta(days=back)
        minute = now.hour * 60 + now.minute + back * 24 * 60
        if any(begin <= minute < end for begin, end in (span.minutes for span in hours.on(day))):
            return True
    return False


@settings(max_examples=60)
@given(HOURS, DAYS, st.integers(0, 24 * 60 - 1))
def test_open_now_and_the_next_change_are_what_every_minute_says(hours, day, minute):
    now = datetime.combine(day, time(), LONDON) + timedelta(minutes=minute)
    found = status(hours, "Europe/London", now)
    assert found.is_open == is_open(hours, now)
    if found.until is None:
        return
    minutes = int((found.until - now).total_seconds() // 60)
    assert is_open(hours, found.until) != found.is_open
    for later in range(0, min(minutes, 3 * 24 * 60), 15):
        assert is_open(hours, now + timedelta(minutes=later)) == found.is_open


def kept(given: object) -> OpeningHours:
    value, problems = opening.rule("opening_hours", given)
    assert problems == ()
    return value


def test_a_holiday_stands_before_the_week():
    hours = kept(
        {"week": {"thu": USUAL}, "exceptions": [{"first": "2026-12-24", "last": "2027-01-03", "note": "Away"}]}
    )
    assert hours.on(date(2026, 12, 17))
    assert not hours.on(date(2026, 12, 24))
    found = status(hours, "Europe/London", datetime(2026, 12, 24, 10, tzinfo=UTC))
    assert (found.is_open, found.until) == (False, datetime(2027, 1, 7, 9, tzinfo=LONDON))


def test_of_two_exceptions_the_shorter_one_holds():
    hours = kept(
        {
            "week": {},
            "exceptions": [
                {"first": "2026-12-20", "last": "2026-12-31"},
                {"first": "2026-12-24", "last": "2026-12-24", "spans": USUAL[:1]},
            ],
        }
    )
    assert [len(hours.on(date(2026, 12, day))) for day in (24, 25)] == [1, 0]


def test_closing_past_midnight_belongs_to_the_day_before():
    hours = kept({"week": {"fri": [{"opens": "20:00", "closes": "02:00"}]}})
    found = status(hours, "Europe/London", datetime(2026, 5, 2, 0, 30, tzinfo=LONDON))
    assert (found.is_open, found.until) == (True, datetime(2026, 5, 2, 2, 0, tzinfo=LONDON))


def test_always_open_never_changes_and_never_open_neither():
    always = kept({"week": {day: [{"opens": "00:00", "closes": "00:00"}] for day in WEEKDAYS}})
    assert status(always, "Europe/London", datetime(2026, 5, 2, tzinfo=UTC)).is_open
    assert status(always, "Europe/London", datetime(2026, 5, 2, tzinfo=UTC)).until is None
    never = kept({"week": {}})
    assert status(never, "Europe/London", datetime(2026, 5, 2, tzinfo=UTC)) == status(
        never, "UTC", datetime(2026, 5, 2, tzinfo=UTC)
    )


def test_a_day_on_which_the_clock_is_changed_opens_by_the_wall():
    hours = kept({"week": {"sun": [{"opens": "01:30", "closes": "04:00"}]}})
    found = status(hours, "Europe/London", datetime(2026, 3, 29, 0, 0, tzinfo=UTC))
    # Half past one does not exist on that night.
    assert found.until == datetime(2026, 3, 29, 2, 30, tzinfo=LONDON)


def _exception(first: str, last: str) -> dict:
    return {"week": {}, "exceptions": [{"first": first, "last": last}]}


UNREADABLE = [("week.mon.0.opens", "hours_unreadable"), ("week.mon.0.closes", "hours_unreadable")]
OVERLAP = [{"opens": "09:00", "closes": "12:00"}, {"opens": "11:00", "closes": "13:00"}]


@pytest.mark.parametrize(
    ("given", "found"),
    [
        ({"week": {"mon": [{"opens": "9", "closes": "x"}]}}, UNREADABLE),
        ({"week": {"mon": [{"opens": 9, "closes": 12}]}}, UNREADABLE),
        ({"week": {"mon": OVERLAP}}, [("week.mon", "hours_overlap")]),
        (_exception("2026-05-03", "2026-05-02"), [("exceptions.0", "hours_backwards")]),
        (_exception("2026-02-30", "2026-03-01"), [("exceptions.0.first", "hours_unreadable")]),
        (_exception("0001-01-01", "0001-01-01"), [("exceptions.0", "event_year")]),
        (_exception("2026-01-01", "2028-01-01"), [("exceptions.0", "event_too_long")]),
        ("always", [("", "hours_unreadable")]),
    ],
)
def test_hours_that_can_not_be_are_said_where_they_are(given, found):
    problems = opening.rule("opening_hours", given)[1]
    assert [(one.field.removeprefix("opening_hours").strip("."), one.code) for one in problems] == found
