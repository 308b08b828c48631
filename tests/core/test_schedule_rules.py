"""Moments that are still to come."""

from datetime import UTC, datetime, timedelta
from zoneinfo import ZoneInfo

import pytest

from hestor.core import schedule_rules

NOW = datetime(2026, 5, 1, 12, tzinfo=UTC)


@pytest.mark.parametrize(
    ("away", "codes"),
    [(-1, ["time_past"]), (0, ["time_past"]), (60, []), (366 * 86400, []), (366 * 86400 + 1, ["time_far"])],
)
def test_what_keeps_a_moment_from_being_chosen(away, codes):
    found = schedule_rules.problems("at", NOW + timedelta(seconds=away), NOW)
    assert [(one.field, one.code) for one in found] == [("at", code) for code in codes]


def test_a_closed_site_opens_by_itself():
    assert schedule_rules.is_closed(True, None, NOW)
    assert schedule_rules.is_closed(True, NOW + timedelta(seconds=1), NOW)
    assert not schedule_rules.is_closed(True, NOW, NOW)
    assert not schedule_rules.is_closed(False, None, NOW)


def test_when_to_ask_again():
    assert schedule_rules.retry_after(None, NOW) == 3600
    assert schedule_rules.retry_after(NOW + timedelta(minutes=5), NOW) == 301
    assert schedule_rules.retry_after(NOW - timedelta(minutes=5), NOW) == 1


def test_the_morning_after_is_proposed_on_the_clock_on_the_wall():
    said = schedule_rules.proposed(datetime(2026, 10, 24, 23, 50, tzinfo=ZoneInfo("Europe/London")))
    assert said.strftime("%Y-%m-%dT%H:%M") == "2026-10-25T09:00"
