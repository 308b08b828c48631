from datetime import UTC, datetime, timedelta
from zoneinfo import ZoneInfo, available_timezones

import pytest
from hypothesis import given
from hypothesis import strategies as st

from hestor.core import zones

NAMES = sorted(name for name in available_timezones() if zones.is_known(name))
MOMENTS = st.datetimes(datetime(1990, 1, 1), datetime(2040, 1, 1), timezones=st.just(UTC))
SECOND = timedelta(seconds=1)


@pytest.mark.parametrize(
    ("zone", "now", "at", "minutes"),
    [
        ("Europe/London", "2026-11-25T20:00", "2027-03-28T01:00", 60),
        ("Europe/London", "2026-05-01T00:00", "2026-10-25T01:00", -60),
        ("Europe/London", "2026-10-25T01:00", "2027-03-28T01:00", 60),
        ("Australia/Lord_Howe", "2026-11-25T00:00", "2027-04-03T15:00", -30),
        ("America/Sao_Paulo", "2026-11-25T00:00", None, 0),
        ("Asia/Kolkata", "2026-11-25T00:00", None, 0),
        # A day that was left out: Samoa went from 29 to 31 December.
        ("Pacific/Apia", "2011-12-25T00:00", "2011-12-30T10:00", 1440),
    ],
)
def test_the_next_change_of_a_clock(zone, now, at, minutes):
    found = zones.next_change(zone, datetime.fromisoformat(now).replace(tzinfo=UTC))
    if at is None:
        assert found is None
        return
    assert found == zones.ClockChange(datetime.fromisoformat(at).replace(tzinfo=UTC), timedelta(minutes=minutes))


@given(st.sampled_from(NAMES), MOMENTS)
def test_between_now_and_the_next_change_nothing_changes(zone, now):
    found = zones.next_change(zone, now)
    if found is None:
        return
    assert found.at > now.replace(microsecond=0)
    assert zones.offset(zone, found.at) - zones.offset(zone, found.at - SECOND) == found.by != timedelta()
    steps = (now + (found.at - SECOND - now) * share for share in (0, 0.1, 0.25, 0.5, 0.75, 0.9, 1))
    assert {zones.offset(zone, moment) for moment in steps} == {zones.offset(zone, now)}


@given(st.sampled_from(NAMES), MOMENTS)
def test_local_time_leads_back_to_the_same_instant(zone, now):
    assert now.astimezone(ZoneInfo(zone)).astimezone(UTC) == now


@pytest.mark.parametrize(
    ("zone", "reader", "name"),
    [
        ("Europe/Berlin", "en", "Berlin · Central European Time"),
        ("Europe/Berlin", "ar", "برلين · توقيت وسط أوروبا"),
        ("Asia/Kolkata", "de", "Kalkutta · Indien (Ortszeit)"),
        ("UTC", "es", "UTC"),
        ("+05:30", "en", "UTC+05:30"),
    ],
)
def test_a_zone_is_named_in_words(zone, reader, name):
    assert zones.name_in(zone, reader) == name


def test_every_zone_has_a_name_in_every_language_of_the_desk():
    for zone in NAMES:
        for reader in ("en", "de", "es", "fr", "ar"):
            assert zones.name_in(zone, reader).strip()
