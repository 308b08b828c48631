"""What a day is in other calendars than the Gregorian.

Calendars go by their BCP 47 names (``-u-ca-``). The reckoning is that of well-known packages: convertdate (Coptic,
Ethiopic, Indian, tabular Islamic), hijridate (the calendar of Umm al-Qura), jdatetime (Persian), pyluach (Hebrew).
"""

from collections.abc import Callable, Mapping
from datetime import date
from functools import lru_cache
from itertools import takewhile
from typing import NamedTuple

from convertdate import coptic, indian_civil, islamic
from hijridate import Gregorian
from jdatetime import date as PersianDate
from pyluach.dates import GregorianDate
from pyluach.hebrewcal import Year

from hestor.core import languages
from hestor.core.dates.calendar_names import USED_IN

# Months are counted from Nisan there, from Tishri here; the first Adar is there in leap years alone.
_TISHRI, _ADAR = 7, 12
_LEAP_ADAR = 7
_BUDDHIST, _ETHIOPIC, _ROC = 543, 276, 1911
# Since when eras are counted, and the year that is their first. Before 1873 Japan's calendar was another one.
_JAPANESE = (
    (date(1873, 1, 1), 1868),
    (date(1912, 7, 30), 1912),
    (date(1926, 12, 25), 1926),
    (date(1989, 1, 8), 1989),
    (date(2019, 5, 1), 2019),
)


class CalendarDay(NamedTuple):
    """A day of a calendar: year of its era, month by CLDR's number, day; ``leap`` only for the Hebrew second Adar."""

    year: int
    month: int
    day: int
    era: int = 0
    leap: bool = False


def _hebrew(day: date) -> CalendarDay:
    found = GregorianDate(day.year, day.month, day.day).to_heb()
    is_second = found.month > _ADAR
    if found.month < _TISHRI:
        return CalendarDay(found.year, found.month + _LEAP_ADAR, found.day)
    if is_second or (found.month == _ADAR and not Year(found.year).leap):
        return CalendarDay(found.year, _LEAP_ADAR, found.day, leap=is_second)
    return CalendarDay(found.year, found.month - _TISHRI + 1, found.day)


def _japanese(day: date) -> CalendarDay | None:
    begun = tuple(takewhile(lambda era: era[0] <= day, _JAPANESE))
    return CalendarDay(day.year - begun[-1][1] + 1, day.month, day.day, len(begun) - 1) if begun else None


def _ethiopic(day: date) -> CalendarDay:
    year, month, number = coptic.from_gregorian(day.year, day.month, day.day)
    return CalendarDay(year + _ETHIOPIC, month, number)


def _umm_al_qura(day: date) -> CalendarDay | None:
    try:
        return CalendarDay(*Gregorian.fromdate(day).to_hijri().datetuple())
    except OverflowError:
        return None


def _roc(day: date) -> CalendarDay | None:
    return CalendarDay(day.year - _ROC, day.month, day.day) if day.year > _ROC else None


def _persian(day: date) -> CalendarDay:
    persian = PersianDate.fromgregorian(date=day)
    return CalendarDay(persian.year, persian.month, persian.day)


_READERS: Mapping[str, Callable[[date], CalendarDay | None]] = {
    "persian": _persian,
    "islamic-umalqura": _umm_al_qura,
    "islamic-civil": lambda day: CalendarDay(*islamic.from_gregorian(day.year, day.month, day.day)),
    "hebrew": _hebrew,
    "ethiopic": _ethiopic,
    "coptic": lambda day: CalendarDay(*coptic.from_gregorian(day.year, day.month, day.day)),
    "indian": lambda day: CalendarDay(*indian_civil.from_gregorian(day.year, day.month, day.day)),
    "buddhist": lambda day: CalendarDay(day.year + _BUDDHIST, day.month, day.day),
    "roc": _roc,
    "japanese": _japanese,
}
CALENDARS = tuple(_READERS)
"""The calendars that are known, by their BCP 47 names."""
# The years in which all of them are known well enough to be said.
_FIRST, _LAST = 1800, 2200


def used_in(language: str) -> tuple[str, ...]:
    """The calendars in use where a language is at home, the most used first (CLDR calendar preferences)."""
    country = languages.with_country(language).rpartition("_")[2]
    return tuple(name for name in USED_IN.get(country, "").split() if name in _READERS)


def choices(language: str) -> dict[str, bool]:
    """The calendars to choose from, each with whether it is in use where a language is at home; those come first."""
    near = used_in(language)
    return {calendar: calendar in near for calendar in (*near, *CALENDARS)}


@lru_cache(maxsize=4096)
def read(day: date, calendar: str) -> CalendarDay | None:
    """A day in a calendar; None where the calendar says nothing certain of it."""
    return _READERS[calendar](day) if _FIRST <= day.year <= _LAST else None
