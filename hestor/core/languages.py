"""Languages by their BCP 47 tags, with what CLDR knows of them (through Babel)."""

from collections.abc import Iterator, Sequence
from functools import lru_cache

from babel import Locale, UnknownLocaleError, localedata
from babel.core import get_global


@lru_cache(maxsize=512)
def locale_of(tag: str) -> Locale:
    """The CLDR locale of a BCP 47 tag such as ``de-CH``. Raises ValueError if CLDR has none."""
    try:
        return Locale.parse(tag, sep="-")
    except (UnknownLocaleError, ValueError, TypeError) as error:
        raise ValueError(f"no such language: {tag!r}") from error


def is_known(tag: str) -> bool:
    """Whether CLDR has data for the language of the tag."""
    try:
        locale_of(tag)
    except ValueError:
        return False
    return True


def direction(tag: str) -> str:
    """``rtl`` or ``ltr``, for HTML's ``dir`` (CLDR character order)."""
    return "rtl" if locale_of(tag).character_order == "right-to-left" else "ltr"


@lru_cache(maxsize=512)
def script(tag: str) -> str:
    """The script that the language is written in (ISO 15924), such as ``Latn``, by CLDR's likely subtags; or empty."""
    locale = locale_of(tag)
    likely = get_global("likely_subtags").get(str(locale).removesuffix(f"_{locale.territory}"), "")
    found = locale.script or next((part for part in likely.split("_") if len(part) == 4), "")
    return str(found)


def numbering_system(tag: str) -> str:
    """The numbering system that the language's numbers are written in (CLDR), such as ``latn`` or ``arab``."""
    # The stubs of Babel don't know of it yet.
    return str(getattr(locale_of(tag), "default_numbering_system", "latn"))


@lru_cache(maxsize=512)
def with_country(tag: str, home: str = "") -> str:
    """The language with a country, as ``en_GB``; empty where none is known.

    Its own, else ``home`` (ISO 3166), if CLDR knows the language there, else the likeliest (CLDR likely subtags).
    """
    locale = locale_of(tag)
    likely = str(get_global("likely_subtags").get(str(locale), "")).rpartition("_")[2]
    at_home = home if home and is_known(f"{locale.language}-{home}") else ""
    country = locale.territory or at_home or (likely if len(likely) == 2 else "")
    return f"{locale.language}_{country}" if country else ""


@lru_cache(maxsize=512)
def list_separator(tag: str) -> str:
    """What stands between two entries of a list (CLDR list patterns)."""
    patterns = locale_of(tag).list_patterns
    between = str(patterns["standard"]["start"]).replace("{0}", "").replace("{1}", "")
    # Where that is a word, as in Arabic, the sign that its script has for it.
    return "، " if any(letter.isalpha() for letter in between) else between


def clause_separator(tag: str) -> str:
    """What stands between entries that hold such signs themselves: the semicolon of the same script (UAX 44)."""
    return {"،": "؛ ", "、": "；"}.get(list_separator(tag)[:1], "; ")


def read_where(reader: str, tag: str) -> str:
    """A reader's language as it is written where another language is at home, as far as CLDR knows of that."""
    country = with_country(tag).partition("_")[2]
    there = f"{reader}-{country}"
    return there if country and is_known(there) else reader


def own_name(tag: str) -> str:
    """The language's name in the language itself, as its readers know it."""
    return locale_of(tag).get_display_name() or tag


def name_in(tag: str, reader: str) -> str:
    """The language's name as a reader of another language calls it."""
    return locale_of(tag).get_display_name(locale_of(reader)) or tag


Names = tuple[str, str, str, tuple[str, ...]]


def all_names(readers: Sequence[str] = ()) -> Iterator[Names]:
    """Every language of CLDR: tag, own name, English name, and what the readers of other languages call it.

    This reads the data of all of CLDR's locales, which takes seconds and much memory: it is for building a table.
    """
    tags = (name.replace("_", "-") for name in localedata.locale_identifiers())
    for tag in tags:
        if tag != "root" and is_known(tag) and tag_of(locale_of(tag)) == tag:
            yield tag, own_name(tag), name_in(tag, "en"), tuple(name_in(tag, reader) for reader in readers)


def tag_of(locale: Locale) -> str:
    """The BCP 47 tag of a CLDR locale."""
    return str(locale).replace("_", "-")


def country_name(code: str, reader: str = "en") -> str:
    """A country's name (CLDR) by its ISO 3166 code, as a reader of a language calls it."""
    return str(locale_of(reader).territories.get(code, code))


def of_country(code: str) -> str:
    """The language most likely written in a country (CLDR likely subtags), as ``de-CH``; else ``en``."""
    try:
        found = Locale.parse(f"und_{code}")
    except (UnknownLocaleError, ValueError):
        return "en"
    tag = f"{found.language}-{code}"
    return tag if is_known(tag) else found.language


_WIDELY_READ = 20.0


@lru_cache(maxsize=512)
def read_in(code: str) -> tuple[str, ...]:
    """The languages that a country's sites are likely written in, as tags, the likeliest first.

    These are its official ones, and those that a fifth of its people know (CLDR territory information).
    """
    known = get_global("territory_languages").get(code, {})
    found = sorted(known.items(), key=lambda item: -item[1]["population_percent"])
    wanted = [
        language.replace("_", "-")
        for language, told in found
        if told["official_status"] or told["population_percent"] >= _WIDELY_READ
    ]
    tags = [of_country(code), *(f"{language}-{code}" for language in wanted)]
    return tuple(tag for tag in dict.fromkeys(tags) if is_known(tag))


WEEKDAYS = ("mon", "tue", "wed", "thu", "fri", "sat", "sun")
"""The days of the week as UTS 35 names them in tags (key ``fw``), in the order of ISO 8601."""


@lru_cache(maxsize=512)
def first_weekday(tag: str) -> str:
    """The day that weeks begin with (CLDR week data) where the language is at home: one of ``WEEKDAYS``."""
    at_home = with_country(tag).replace("_", "-")
    country = at_home.rpartition("-")[2]
    # Not every language has data with its country (no-NO has none); then another one of that country tells.
    known = next(one for one in (at_home, of_country(country) if country else "", tag) if one and is_known(one))
    return WEEKDAYS[locale_of(known).first_week_day]


def weekday_name(day: str, tag: str, width: str = "wide") -> str:
    """The name of one of ``WEEKDAYS`` standing by itself (CLDR), ``wide`` or ``abbreviated``."""
    return str(locale_of(tag).days["stand-alone"][width][WEEKDAYS.index(day)])
