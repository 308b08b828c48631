"""The band of clock and dates."""

from collections.abc import Callable
from datetime import date, datetime
from typing import Annotated, Any

from hestor.core import languages, zones
from hestor.core.dates import calendars, forms, patterns, reckoning
from hestor.core.dates.patterns import Kind
from hestor.core.facts import rules
from hestor.core.facts.spec import Band, FactGroup, FactSpec, Slot, Words, itself
from hestor.core.hours import opening
from hestor.core.hours.opening import OpeningHours
from hestor.core.places.place import Place

# At noon in Greenwich on the last day of a year it is the next year already in Kiritimati, and in Pago Pago not yet.
_EARLY, _LATE = "Pacific/Kiritimati", "Pacific/Pago_Pago"
_FAR_EAST = ("Pacific/Kiritimati", "Pacific/Apia", "Pacific/Tongatapu", "Pacific/Fakaofo", "Pacific/Auckland")

_ISO, _SPELT, _ISO_TIME, _BY_HALVES = "y-MM-dd", "EEEE, d MMMM y", "HH:mm:ss", "h:mm a"
_EXAMPLE = datetime(2026, 9, 23, 16, 45)


def long_form(facts: Any) -> str:
    """The form of a long date: as said, else the language's own."""
    return str(facts.date_long) or forms.own_long(facts.language)


def short_form(facts: Any) -> str:
    """The form of a date in lists: as said, else the language's own."""
    return str(facts.date_short) or forms.own_short(facts.language)


def time_form(facts: Any) -> str:
    """The form of a time of the day: as said, else the language's own."""
    return str(facts.time_style) or forms.own_time(facts.language)


def day_said(facts: Any, day: date) -> str:
    """A day in the long form, with what it is in the further calendar, if there is one."""
    return calendars.day_said(day, long_form(facts), facts.language, facts.further_calendar)


def moment_said(facts: Any, moment: datetime) -> str:
    """A moment, on the clock that it knows: the day and the time, as the language joins them."""
    time = patterns.format_clock(moment, time_form(facts), facts.language)
    return forms.joined(facts.language, day_said(facts, moment.date()), time)


def first_day(facts: Any) -> str:
    """The day that weeks begin with: as said, else as is usual where the language is at home."""
    return str(facts.first_weekday) or languages.first_weekday(facts.language)


_ANY_HOURS = OpeningHours.model_validate({"week": {"wed": [{"opens": "09:00", "closes": "17:00"}]}})
_OTHER_HOURS = OpeningHours.model_validate({"week": {"thu": [{"opens": "10:00", "closes": "18:00"}]}})


def _example(form: str, language: str) -> str:
    return patterns.format_moment(_EXAMPLE, form, language)


# British English, as the desk's words are.
_REGIONAL = {"en": "en-GB"}


def _form_words(form: str) -> Words:
    """A form is said by example, as the desk's language would say it."""
    return (
        Words(said=lambda reader: _example(form, _REGIONAL.get(reader, reader)))
        if form
        else Words("value.languages_own")
    )


def _weekday_words(day: str) -> Words:
    return Words(said=lambda reader: languages.weekday_name(day, reader)) if day else Words("value.regions_own")


def _form_fact(key: str, kind: Kind, in_effect: Callable[[Any], str], slot: Slot, needed: bool = False) -> FactSpec:
    """A form of dates or times; ``in_effect`` gives the one that pages take."""
    one, another = (_ISO, _SPELT) if kind == "date" else (_ISO_TIME, _BY_HALVES)
    return FactSpec(
        Band.CLOCK,
        rules.Form(kind),
        lambda facts: one if getattr(facts, key) != one else another,
        editor="date_form" if kind == "date" else "time_form",
        slots=(slot,),
        derived=lambda facts: _example(in_effect(facts), facts.language),
        in_words=_form_words,
        held=in_effect if kind == "date" else None,
        per_language=True,
        needed=needed,
    )


class ClockFacts(FactGroup):
    """The clock that the site keeps, and how it writes dates and times (UTS 35 patterns; empty, the language's own)."""

    time_zone: Annotated[
        str,
        FactSpec(
            Band.CLOCK,
            rules.time_zone,
            lambda facts: _LATE if facts.time_zone in _FAR_EAST else _EARLY,
            editor="clock",
            slots=(Slot(Place.FOOTER),),
            in_words=lambda zone: Words(said=lambda reader: zones.name_in(zone, reader)),
            held=itself("time_zone"),
            needed=True,
        ),
    ] = "UTC"
    date_long: Annotated[str, _form_fact("date_long", "date", long_form, Slot(Place.DATED), needed=True)] = ""
    date_short: Annotated[str, _form_fact("date_short", "date", short_form, Slot(Place.DATED, home=True))] = ""
    time_style: Annotated[str, _form_fact("time_style", "time", time_form, Slot(Place.DATED))] = ""
    further_calendar: Annotated[
        str,
        FactSpec(
            Band.CLOCK,
            rules.OneOf(("", *reckoning.CALENDARS)),
            lambda facts: "persian" if facts.further_calendar != "persian" else "hebrew",
            editor="calendar",
            slots=(Slot(Place.DATED),),
            in_words=lambda calendar: Words(f"calendar.{calendar}" if calendar else "calendar.none"),
            per_language=True,
        ),
    ] = ""
    first_weekday: Annotated[
        str,
        FactSpec(
            Band.CLOCK,
            rules.OneOf(("", *languages.WEEKDAYS)),
            lambda facts: "wed" if facts.first_weekday != "wed" else "thu",
            editor="weekday",
            slots=(Slot(Place.CALENDAR),),
            derived=lambda facts: languages.weekday_name(first_day(facts), facts.language),
            in_words=lambda day: (
                Words(said=lambda reader: languages.weekday_name(day, reader)) if day else Words("value.regions_own")
            ),
            per_language=True,
        ),
    ] = ""
    opening_hours: Annotated[
        OpeningHours | None,
        FactSpec(
            Band.CLOCK,
            opening.rule,
            lambda facts: _ANY_HOURS if facts.opening_hours != _ANY_HOURS else _OTHER_HOURS,
            editor="hours",
            slots=(Slot(Place.HOURS),),
            in_words=lambda hours: Words("value.hours" if hours else "value.no_hours"),
        ),
    ] = None
