"""Finding a town as its name is typed."""

import unicodedata

from babel import Locale, UnknownLocaleError

from hestor.towns.models import Town


def plain(name: str) -> str:
    """A name as it is searched: no accents, small letters, single spaces; other scripts as they are."""
    split = unicodedata.normalize("NFKD", name.casefold())
    return " ".join("".join(c for c in split if not unicodedata.combining(c)).split())


def find(typed: str, most: int = 8) -> list[Town]:
    """The largest towns whose name begins with what was typed."""
    begin = plain(typed)
    if not begin:
        return []
    # A range instead of LIKE, which SQLite can't answer from an index when the pattern is a parameter.
    found = Town.objects.filter(plain__gte=begin, plain__lt=begin + "\U0010ffff")
    return list(found.order_by("-population")[:most])


def country_name(code: str, language: str = "en") -> str:
    """A country's name (CLDR) by its ISO 3166 code."""
    return str(Locale.parse(language).territories.get(code, code))


def language_of(code: str) -> str:
    """The language most likely written in a country (CLDR likely subtags), as ``de-CH``."""
    try:
        found = Locale.parse(f"und_{code}")
    except (UnknownLocaleError, ValueError):
        return "en"
    return f"{found.language}-{code}"
