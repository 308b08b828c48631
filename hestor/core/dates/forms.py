"""The forms of dates and times that a language has of its own (CLDR), to be chosen by example."""

import re
from functools import lru_cache

from hestor.core import languages
from hestor.core.dates import patterns
from hestor.core.dates.patterns import Kind
from hestor.core.errors import Problem

# What CLDR calls them, from the longest on; and further ones that it knows by what they show (skeletons).
_DATE_LENGTHS = ("full", "long", "medium", "short")
_DATE_SKELETONS = ("yMMMMEEEEd", "yMMMEd", "yMMMMd", "yMMMd", "yMEd", "yMd", "MMMMd", "yMMMM")
_ISO = "y-MM-dd"
_TWENTY_FOUR, _TWELVE = "HH:mm", "h:mm a"


@lru_cache(maxsize=512)
def own_long(language: str) -> str:
    """The language's long form of a date, such as ``d MMMM y``."""
    return str(languages.locale_of(language).date_formats["long"])


@lru_cache(maxsize=512)
def own_full(language: str) -> str:
    """The language's form of a date with its day of the week."""
    return str(languages.locale_of(language).date_formats["full"])


@lru_cache(maxsize=512)
def own_short(language: str) -> str:
    """The language's form of a date for lists: its medium one, which names the month where the language does."""
    return str(languages.locale_of(language).date_formats["medium"])


@lru_cache(maxsize=512)
def own_time(language: str) -> str:
    """The language's form of a time of the day, with 12 or 24 hours as its region has them."""
    own = str(languages.locale_of(language).time_formats["short"])
    return own if _is_whole(own, "time") else _TWENTY_FOUR


@lru_cache(maxsize=512)
def month_form(language: str) -> str:
    """The language's form of a month with its year, standing by itself."""
    return _skeletons(language, ("yMMMM",))[0]


@lru_cache(maxsize=512)
def _joint(language: str) -> str:
    """What joins a day, ``{1}``, and a time, ``{0}``, in a language."""
    frame = str(languages.locale_of(language).datetime_formats["medium"])
    return "".join(patterns.unquoted(piece.text) for piece in patterns.pieces(frame))


def joined(language: str, day: str, clock: str) -> str:
    """A day and a time, as they are said, joined as the language joins them."""
    return re.sub(r"\{([01])\}", lambda found: day if found[1] == "1" else clock, _joint(language))


def _is_whole(form: str, kind: Kind) -> bool:
    """Whether a form says all that it has to; a few rare languages' data lack am and pm."""
    return not patterns.problems("form", form, kind)


def _skeletons(language: str, wanted: tuple[str, ...]) -> list[str]:
    known = languages.locale_of(language).datetime_skeletons
    return [str(known[skeleton].pattern) for skeleton in wanted if skeleton in known]


@lru_cache(maxsize=512)
def choices(language: str, kind: Kind) -> tuple[str, ...]:
    """The forms to choose from, each once, in a useful order."""
    locale = languages.locale_of(language)
    if kind == "date":
        own = [str(locale.date_formats[length]) for length in _DATE_LENGTHS]
        found_choices = (*own, *_skeletons(language, _DATE_SKELETONS), _ISO)
    else:
        found_choices = (own_time(language), *_skeletons(language, ("Hm", "hm")), _TWENTY_FOUR, _TWELVE)
    return tuple(form for form in dict.fromkeys(found_choices) if _is_whole(form, kind))


def notices(field: str, pattern: str, kind: Kind, language: str) -> tuple[Problem, ...]:
    """What should be thought of with a form that is free of problems, with the form that avoids it."""
    if kind != "date" or not patterns.is_ambiguous(pattern):
        return ()
    return (Problem(field, "date_ambiguous", {}, 0, len(pattern), own_long(language)),)
