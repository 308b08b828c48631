"""Which copies are kept, against a slow count of the rule in words."""

from datetime import UTC, datetime, timedelta

from hypothesis import given
from hypothesis import strategies as st

from hestor.core.retention import kept

_BEGUN = datetime(2026, 1, 31, 3, tzinfo=UTC)
MOMENTS = st.lists(st.integers(0, 900 * 24 * 60).map(lambda minutes: _BEGUN + timedelta(minutes=minutes)), unique=True)


def _naive(moments: list[datetime]) -> set[datetime]:
    found = set()
    for key, most in (
        (lambda at: at.strftime("%Y%m%d"), 7),
        (lambda at: at.strftime("%G%V"), 4),
        (lambda at: at.strftime("%Y%m"), 12),
    ):
        for span in sorted({key(at) for at in moments}, reverse=True)[:most]:
            found.add(max(at for at in moments if key(at) == span))
    return found


@given(MOMENTS)
def test_it_is_the_rule_in_words(moments):
    assert kept(moments) == _naive(moments)


@given(MOMENTS)
def test_deleting_what_is_not_kept_changes_nothing_of_what_is(moments):
    assert kept(kept(moments)) == kept(moments)


def test_two_years_of_daily_copies():
    daily = [_BEGUN + timedelta(days=day) for day in range(730)]
    left = sorted(kept(daily))
    assert left[-7:] == daily[-7:]
    assert len(left) <= 7 + 4 + 12
    assert (daily[-1] - left[0]).days > 300


def test_weeks_of_two_years_are_not_taken_for_one():
    """The third week of a year is not that of the next; newer ones of the days and of the month hide it otherwise."""
    seven = [datetime(2026, 1, 12, tzinfo=UTC) + timedelta(days=day) for day in range(7)]
    third = datetime(2025, 1, 14, tzinfo=UTC)
    moments = [third, datetime(2025, 1, 31, tzinfo=UTC), *seven]
    assert third in _naive(moments)
    assert kept(moments) == _naive(moments)


def test_what_was_asked_for_is_kept_besides_the_three_newest_of_it():
    daily = [_BEGUN + timedelta(days=day) for day in range(800)]
    asked = [_BEGUN + timedelta(days=day, hours=-1) for day in (100, 200, 300, 400)]
    found = kept([*daily, *asked], asked)
    assert set(asked) & found == set(asked[1:])
