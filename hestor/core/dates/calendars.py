"""Days of other calendars as languages write them (CLDR), beside the Gregorian, which stays the base."""

import re
from collections.abc import Iterator, Sequence
from datetime import date
from functools import lru_cache

from pyluach.dates import HebrewDate

from hestor.core import languages, numerals
from hestor.core.dates import patterns
from hestor.core.dates.calendar_names import ROWS, Row
from hestor.core.dates.patterns import Piece
from hestor.core.dates.reckoning import CalendarDay, read

_NARROW_BRACKETS, _WIDE_BRACKETS = (" (", ")"), ("（", "）")
_FIRST_YEAR = "元"
_UNNAMED = re.compile(r"ERA\d")
_WIDE = frozenset(("zh", "ja", "yue"))


def _asked(language: str) -> Iterator[str]:
    """The locales whose row may be a language's, the nearest first."""
    locale = languages.locale_of(language)
    name, country = locale.language, locale.territory
    for script in (locale.script, languages.script(language)):
        if script and country:
            yield f"{name}-{script}-{country}"
        if country and not locale.script:
            yield f"{name}-{country}"
        if script:
            yield f"{name}-{script}"
    yield name
    yield "en"


@lru_cache(maxsize=256)
def _row(calendar: str, language: str) -> Row:
    # The two Islamic ones are written alike.
    names = ROWS[calendar.partition("-")[0]]
    by_locale = {locale: row for row in names for locale in row[0].split()}
    return next(by_locale[locale] for locale in _asked(language) if locale in by_locale)


def _month(day: CalendarDay, width: int, months: Sequence[str], language: str) -> str:
    if width < 3:
        return str(day.month)
    if not months:
        return str(languages.locale_of(language).months["format"]["wide"][day.month])
    return months[-1] if day.leap else months[day.month - 1]


def _hebrew_number(found_day: CalendarDay, letter: str) -> str:
    """The day or the year in Hebrew numerals, which pyluach writes."""
    day = HebrewDate(found_day.year, 1, found_day.day)
    return str(day.hebrew_year() if letter == "y" else day.hebrew_day())


def _number(day: CalendarDay, piece: Piece, numbers: str) -> str:
    if numbers == "hebr":
        return _hebrew_number(day, piece.letter)
    value = day.year if piece.letter == "y" else day.day
    is_first_year = piece.letter == "y" and value == 1
    return _FIRST_YEAR if is_first_year and numbers == "jpanyear" else f"{value:0{len(piece.text)}}"


def _era(names: Sequence[str], era: int) -> str:
    name = names[era] if era < len(names) else names[-1]
    return "" if _UNNAMED.fullmatch(name) else name


@lru_cache(maxsize=4096)
def written(day: date, calendar: str, language: str) -> str:
    """A day in a calendar as a language writes a long date of it; empty where nothing certain is known of it."""
    found = read(day, calendar)
    if found is None:
        return ""
    _, form, numbers, months, eras = _row(calendar, language)
    made = ""
    for piece in patterns.pieces(form):
        if not piece.is_field:
            made += patterns.unquoted(piece.text)
        elif piece.letter == "M":
            made += _month(found, len(piece.text), months.split("|") if months else (), language)
        elif piece.letter == "G":
            made += _era(eras.split("|"), found.era)
        else:
            made += _number(found, piece, numbers)
    # An era that has no name in a language leaves its gap.
    return numerals.written(" ".join(made.split()), language)


@lru_cache(maxsize=4096)
def day_said(day: date, form: str, language: str, calendar: str = "") -> str:
    """A day in a form, followed in brackets by what it is in another calendar, if one is given."""
    said = patterns.format_day(day, form, language)
    other = written(day, calendar, language) if calendar else ""
    if not other:
        return said
    opens, closes = _WIDE_BRACKETS if languages.locale_of(language).language in _WIDE else _NARROW_BRACKETS
    return f"{said}{opens}{other}{closes}"
