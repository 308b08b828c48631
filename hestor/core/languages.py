"""Languages by their BCP 47 tags, with what CLDR knows of them (through Babel)."""

from functools import lru_cache

from babel import Locale, UnknownLocaleError


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


def own_name(tag: str) -> str:
    """The language's name in the language itself, as its readers know it."""
    return locale_of(tag).get_display_name() or tag
