"""The translation files (gettext PO) of the desk's messages and of the public pages' own words.

A message is found by its key, so that code never holds its text; a language that lacks one falls back
to English. Loading is the only reading of files; formatting is pure.
"""

import re
from collections.abc import Callable, Iterable, Mapping
from contextvars import ContextVar
from functools import lru_cache
from importlib.resources import files

from babel import Locale
from babel.messages.pofile import read_po

FALLBACK = "en"
_SWISS = {"ß": "ss", "„": "«", "“": "»", "‚": "‹", "‘": "›"}
SPELLINGS: Mapping[str, Mapping[str, str]] = {"de-CH": _SWISS, "de-LI": _SWISS}
"""What a region writes otherwise than the file of its language says: in Switzerland and in Liechtenstein ss for ß
(Amtliche Regelung der deutschen Rechtschreibung, § 25 E3), and guillemets for quotation marks."""


@lru_cache(maxsize=64)
def catalogue(domain: str, language: str) -> Mapping[str, str]:
    """All messages of a domain (``desk`` or ``public``) by key, for a BCP 47 tag such as ``de-CH``."""
    messages: dict[str, str] = {}
    for tag in (FALLBACK, language.partition("-")[0], language):
        source = files(__name__).joinpath("locale", tag, f"{domain}.po")
        if source.is_file():
            with source.open("rb") as opened:
                messages |= {str(m.id): str(m.string) for m in read_po(opened) if m.id and m.string}
    spelling = str.maketrans(dict(SPELLINGS.get(language, {})))
    return {key: text.translate(spelling) for key, text in messages.items()} if spelling else messages


_PARAM = re.compile(r"\{(\w+)\}")


def filled(text: str, params: Mapping[str, str | int]) -> str:
    """A message with its params put in. What names none stays as it is: owners may write messages of their own."""
    return _PARAM.sub(lambda found: str(params.get(found[1], found[0])), text)


def spoken(domain: str, language: str) -> str:
    """The language (BCP 47) that the messages of a domain come in when ``language`` is asked for."""
    has_file = language.partition("-")[0] in languages(domain)
    return language if has_file else FALLBACK


@lru_cache(maxsize=2)
def languages(domain: str) -> tuple[str, ...]:
    """The languages that have a file of the domain."""
    folder = files(__name__).joinpath("locale")
    return tuple(sorted(d.name for d in folder.iterdir() if d.joinpath(f"{domain}.po").is_file()))


@lru_cache(maxsize=16)
def _plural_form(language: str) -> Callable[[int], str]:
    return Locale.parse(language, sep="-").plural_form


def plural(known: Mapping[str, str], key: str, count: int, language: str) -> str:
    """Of messages about a number the one in the plural form that CLDR names for it: ``key.one``, ``key.other`` …"""
    return known.get(f"{key}.{_plural_form(language)(count)}", known[f"{key}.other"])


_SPEAKING: ContextVar[str] = ContextVar("desk_language", default=FALLBACK)


def speak(language: str) -> None:
    """From here on, in this request, the desk speaks a language, as a region spells it; an unknown one is English."""
    _SPEAKING.set(language if language in languages("desk") or language in SPELLINGS else FALLBACK)


def regional(language: str, asked: Iterable[str]) -> str:
    """A language as the first region of it spells it that is asked for (BCP 47), if that spells it in its own way."""
    region = next((tag for tag in asked if tag.partition("-")[0] == language), language)
    return next((tag for tag in SPELLINGS if tag.casefold() == region.casefold()), language)


def speaking() -> str:
    """The language (BCP 47) that the desk speaks in this request."""
    return _SPEAKING.get()


def counted(key: str, count: int, language: str = "", /, **params: str | int) -> str:
    """A message of the desk about a number, in its plural form; in the language it speaks, if none is named."""
    language = language or speaking()
    return plural(catalogue("desk", language), key, count, language).format_map({"count": count, **params})


def say(key: str, language: str = "", /, **params: str | int) -> str:
    """A message of the desk, its params put in; in the language it speaks, if none is named.

    Raises KeyError for a key that no file has.
    """
    return catalogue("desk", language or speaking())[key].format_map(params)
