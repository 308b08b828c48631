"""The band of clock and dates."""

from datetime import datetime
from typing import Annotated, Any

from hestor.core.dates import forms, patterns
from hestor.core.facts import rules
from hestor.core.facts.spec import Band, FactGroup, FactSpec, Slot, Words
from hestor.core.places.place import Place

# At noon in Greenwich on the last day of a year it is the next year already in Kiritimati, and in Pago Pago not yet.
_EARLY, _LATE = "Pacific/Kiritimati", "Pacific/Pago_Pago"
_FAR_EAST = ("Pacific/Kiritimati", "Pacific/Apia", "Pacific/Tongatapu", "Pacific/Fakaofo", "Pacific/Auckland")


_ISO, _SPELT, _ISO_TIME, _BY_HALVES = "y-MM-dd", "EEEE, d MMMM y", "HH:mm:ss", "h:mm a"
_EXAMPLE = datetime(2026, 9, 23, 16, 45)


def _example(form: str, language: str) -> str:
    return patterns.format_moment(_EXAMPLE, form, language)


def _form_words(form: str) -> Words:
    """A form is said by example, as the desk's language would say it."""
    return Words(text=_example(form, "en-GB")) if form else Words("value.languages_own")


def _other(key: str, one: str, another: str) -> Any:
    return lambda facts: one if getattr(facts, key) != one else another


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
        ),
    ] = "UTC"
    date_long: Annotated[
        str,
        FactSpec(
            Band.CLOCK,
            rules.Form("date"),
            _other("date_long", _ISO, _SPELT),
            editor="date_form",
            slots=(Slot(Place.DATED),),
            derived=lambda facts: _example(forms.own_long(facts.language), facts.language),
            in_words=_form_words,
        ),
    ] = ""
    date_short: Annotated[
        str,
        FactSpec(
            Band.CLOCK,
            rules.Form("date"),
            _other("date_short", _ISO, _SPELT),
            editor="date_form",
            slots=(Slot(Place.DATED, home=True),),
            derived=lambda facts: _example(forms.own_short(facts.language), facts.language),
            in_words=_form_words,
        ),
    ] = ""
    time_style: Annotated[
        str,
        FactSpec(
            Band.CLOCK,
            rules.Form("time"),
            _other("time_style", _ISO_TIME, _BY_HALVES),
            editor="time_form",
            slots=(Slot(Place.DATED),),
            derived=lambda facts: _example(forms.own_time(facts.language), facts.language),
            in_words=_form_words,
        ),
    ] = ""
