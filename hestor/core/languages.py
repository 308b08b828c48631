"""Languages by their BCP 47 tags, with what CLDR knows of them (through Babel)."""

from collections.abc import Iterator
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
def with_country(tag: str) -> str:
    """The language with a country, as ``en_GB``: its own, else the likeliest (CLDR likely subtags); or empty."""
    locale = locale_of(tag)
    likely = str(get_global("likely_subtags").get(str(locale), "")).rpartition("_")[2]
    country = locale.territory or (likely if len(likely) == 2 else "")
    return f"{locale.language}_{country}" if country else ""


def own_name(tag: str) -> str:
    """The language's name in the language itself, as its readers know it."""
    return locale_of(tag).get_display_name() or tag


def name_in(tag: str, reader: str) -> str:
    """The language's name as a reader of another language calls it."""
    return locale_of(tag).get_display_name(locale_of(reader)) or tag


def all_names() -> Iterator[tuple[str, str, str]]:
    """Every language of CLDR that needs no script in its tag: tag, own name, English name.

    This reads the data of all of CLDR's locales, which takes seconds and much memory: it is for building a table.
    """
    tags = (name.replace("_", "-") for name in localedata.locale_identifiers())
    for tag in tags:
        if tag != "root" and all(len(part) in (2, 3) for part in tag.split("-")):
            yield tag, own_name(tag), name_in(tag, "en")


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
