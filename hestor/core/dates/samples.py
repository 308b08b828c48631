"""Dates and times on which a form shows what it is worth: the shortest, the longest, the turn of a year or a day."""

from collections.abc import Iterator
from dataclasses import dataclass
from datetime import date, time
from typing import Literal

from hestor.core import languages
from hestor.core.dates import patterns
from hestor.core.dates.patterns import Kind

What = Literal["one_digit", "longest", "last_day", "midnight", "noon", "evening"]
_DAY, _LAST_MONTH = 3, 12


@dataclass(frozen=True)
class Sample:
    """A date or time in a form; ``what`` says why it is shown."""

    what: What
    text: str


def _longest_month(language: str) -> int:
    names = languages.locale_of(language).months["format"]["wide"]
    return max(range(1, _LAST_MONTH + 1), key=lambda month: len(names[month]))


def _dates(language: str, year: int) -> Iterator[tuple[What, date]]:
    yield "one_digit", date(year, 1, _DAY)
    yield "longest", date(year, _longest_month(language), 28)
    yield "last_day", date(year, _LAST_MONTH, 31)


_TIMES: tuple[tuple[What, time], ...] = (("midnight", time(0, 0)), ("noon", time(12, 0)), ("evening", time(20, 5)))


def samples(pattern: str, kind: Kind, language: str, year: int) -> tuple[Sample, ...]:
    """A form, which must be free of problems, on what tries it."""
    if kind == "date":
        return tuple(Sample(what, patterns.format_day(day, pattern, language)) for what, day in _dates(language, year))
    return tuple(Sample(what, patterns.format_clock(moment, pattern, language)) for what, moment in _TIMES)
