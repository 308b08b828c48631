"""Numbers in the digits that a language is written in (CLDR default numbering systems, UTS 35 part 3)."""

from functools import lru_cache

from babel.units import format_unit

from hestor.core import languages

# The nought of each decimal numbering system that CLDR gives to a language (supplemental/numberingSystems.xml);
# the other nine follow it in Unicode.
_NOUGHTS = {
    "adlm": "\U0001e950",
    "arab": "\u0660",
    "arabext": "\u06f0",
    "beng": "\u09e6",
    "cakm": "\U00011136",
    "deva": "\u0966",
    "hmnp": "\U0001e140",
    "latn": "0",
    "mtei": "\uabf0",
    "mymr": "\u1040",
    "nkoo": "\u07c0",
    "olck": "\u1c50",
    "tibt": "\u0f20",
}


@lru_cache(maxsize=512)
def _digits(tag: str) -> dict[int, str]:
    nought = _NOUGHTS.get(languages.numbering_system(tag), "0")
    return {ord("0") + value: chr(ord(nought) + value) for value in range(10)}


def are_own(tag: str) -> bool:
    """Whether the language writes its numbers with other digits than ASCII's."""
    return _digits(tag)[ord("0")] != "0"


def written(text: str | int, tag: str) -> str:
    """A text or number, its ASCII digits as readers of the language write them. Raises ValueError for no language."""
    return str(text).translate(_digits(tag))


@lru_cache(maxsize=512)
def days(count: int, tag: str) -> str:
    """A number of days with the word for them (CLDR units, ``duration-day``). Raises ValueError for no language."""
    return written(format_unit(count, "duration-day", "long", locale=languages.locale_of(tag)), tag)
