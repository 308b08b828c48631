"""A month as a calendar shows it: weeks of seven days, beginning with the site's own first day."""

from calendar import monthrange
from collections.abc import Sequence
from dataclasses import dataclass
from datetime import date, timedelta

from hestor.core.languages import WEEKDAYS

_WEEK = 7


@dataclass(frozen=True, order=True)
class Month:
    """A month of a year; written as ``2026-05`` (ISO 8601) in addresses."""

    year: int
    month: int

    def __str__(self) -> str:
        return f"{self.year:04}-{self.month:02}"

    @property
    def first(self) -> date:
        """Its first day."""
        return date(self.year, self.month, 1)

    @property
    def last(self) -> date:
        """Its last day."""
        return date(self.year, self.month, monthrange(self.year, self.month)[1])

    def moved(self, months: int) -> "Month":
        """The month so many months later."""
        year, month = divmod(self.year * 12 + self.month - 1 + months, 12)
        return Month(year, month + 1)


def month_of(day: date) -> Month:
    """The month that a day is in."""
    return Month(day.year, day.month)


def read(text: str) -> Month | None:
    """A month as addresses write it; None for anything else."""
    year, dash, month = text.partition("-")
    if not (dash and len(year) == 4 and len(month) == 2 and (year + month).isascii() and (year + month).isdigit()):
        return None
    return Month(int(year), int(month)) if 1900 <= int(year) < 2200 and 1 <= int(month) <= 12 else None


def weekdays(first_day: str) -> tuple[str, ...]:
    """The days of the week in the order in which a calendar shows them."""
    at = WEEKDAYS.index(first_day)
    return WEEKDAYS[at:] + WEEKDAYS[:at]


def weeks(month: Month, first_day: str) -> Sequence[Sequence[date]]:
    """The weeks that the month touches, each of seven days; the first and last ones with days of other months."""
    begin = month.first
    back = (begin.weekday() - WEEKDAYS.index(first_day)) % _WEEK
    start = begin - timedelta(days=back)
    count = -(-((month.last - start).days + 1) // _WEEK)
    return [[start + timedelta(days=week * _WEEK + day) for day in range(_WEEK)] for week in range(count)]
