"""Days and times as people type them: "next Friday 6pm", "3.5.", "24. Dezember", "18 Uhr"; read for what lies ahead.

Numbers alone are read in the site's order of day, month and year; words by dateparser.
"""

import re
import unicodedata
from collections.abc import Sequence
from dataclasses import dataclass
from datetime import date, datetime, time, timedelta
from typing import Any, Literal

from hestor.core.dates import patterns

Wanted = Literal["day", "time", "moment"]
Order = Literal["DMY", "MDY", "YMD"]
MOST = 80
_NOON = 12
_CENTURY = 100
_TWO = 2
_MINUTES = 60
_ISO = re.compile(r"(\d{4})-(\d{1,2})-(\d{1,2})(?:t|\b)")
_NUMBERS = re.compile(r"(\d{1,4})\s?[./-]\s?(\d{1,2})(?:\s?[./-]\s?(\d{2,4})?)?(?!\d)")
_HALVES = {
    "a": 0, "am": 0, "p": _NOON, "pm": _NOON, "ص": 0, "صباحا": 0, "صباحًا": 0, "م": _NOON, "مساء": _NOON, "مساءً": _NOON,
}  # fmt: skip
_MARKED_HALF = re.compile(r"(?<!\w)([ap])\.\s?m\.")
_HALF = re.compile(r"(?<![\d.:/-])(\d{1,2})(?:[:.](\d{2}))?\s?(am|pm|a|p|صباحا|صباحًا|ص|مساءً|مساء|م)(?!\w)")
_CLOCK = re.compile(
    r"(?<![\d./-])(\d{1,2})(?::(\d{2})(?::\d{2})?(?:\s?(?:uhr|h))?|(?:[.h](\d{2}))?\s?(?:uhr|h|hrs|horas)|h(\d{2}))(?!\w)"
)
_LED = re.compile(r"(?<!\w)(?:at|um|a las|a la|à|الساعة)\s(\d{1,2})(?:[:.](\d{2}))?(?![\w./-])")
_BARE = re.compile(r"(\d{1,2})(?:[.:h]?(\d{2}))?")
_TIMES = {
    "noon": 12, "midday": 12, "midnight": 0, "mittag": 12, "mittags": 12, "mitternacht": 0, "mediodía": 12,
    "mediodia": 12, "medianoche": 0, "الظهر": 12, "ظهرًا": 12, "ظهرا": 12, "منتصف الليل": 0, "midi": 12, "minuit": 0,
}  # fmt: skip
_TIME_WORDS = re.compile(r"(?<!\w)(" + "|".join(map(re.escape, _TIMES)) + r")(?!\w)")
# What leads up to a time, and what stands before a day without saying more of it.
_BEFORE_TIME = re.compile(r"(?:(?<!\w)(?:at|um|gegen|a las?|a la|a|à|الساعة)|[,@])\s*$")
_LOOSE = re.compile(
    r"(?<!\w)(?:on|am|den|der|dem|nächsten|nächster|nächste|kommenden|kommender|diesen|el|próximo|proximo|"
    r"que viene|este|le|prochain|يوم|القادم|القادمة|المقبل|المقبلة)(?!\w)|,"
)


@dataclass(frozen=True)
class Typed:
    """What was understood: a day, a time, or both; None for what was not asked for."""

    day: date | None
    at: time | None


def order_of(pattern: str) -> Order:
    """The order of day, month and year in a form of dates (UTS 35)."""
    letters = "".join(piece.letter for piece in patterns.pieces(pattern) if piece.is_field).replace("L", "M")
    shown = [letter for letter in letters if letter in "yMd"]
    if shown and shown[0] == "y":
        return "YMD"
    return "MDY" if shown and shown[0] == "M" else "DMY"


def _plain(text: str) -> str:
    """A text in small letters, its digits ASCII's, its spaces single, without marks of direction."""
    folded = unicodedata.normalize("NFKC", text[:MOST]).lower()
    folded = _MARKED_HALF.sub(r"\1m", folded).replace("o'clock", "h")
    shown = "".join(one for one in folded if unicodedata.category(one) != "Cf")
    return " ".join("".join(str(unicodedata.decimal(one, one)) for one in shown).split())


def _time_at(hour: int, minute: int) -> time | None:
    if hour == 2 * _NOON and minute == 0:
        return time()
    return time(hour, minute) if hour < 2 * _NOON and minute < _MINUTES else None


def _time(text: str) -> tuple[time | None, str]:
    """The time that a text names, and the text without it."""
    at: time | None
    if found := _TIME_WORDS.search(text):
        at = time(_TIMES[found[1]])
    elif found := _HALF.search(text):
        hour = int(found[1])
        at = _time_at(hour % _NOON + _HALVES[found[3]], int(found[2] or 0)) if hour <= _NOON else None
    elif found := _CLOCK.search(text) or _LED.search(text):
        at = _time_at(int(found[1]), next((int(one) for one in found.groups()[1:] if one), 0))
    else:
        return None, text
    return at, f"{_BEFORE_TIME.sub('', text[: found.start()])} {text[found.end() :]}".strip()


def _made(year: int, month: int, day: int) -> date | None:
    try:
        return date(year, month, day)
    except ValueError:
        return None


def _ahead(month: int, day: int, today: date) -> date | None:
    """The next such day of a year: the 29 February may be some years ahead."""
    for year in range(today.year, today.year + 9):
        made = _made(year, month, day)
        if made and made >= today:
            return made
    return None


def _of_numbers(numbers: Sequence[str | None], order: Order, today: date) -> date | None:
    """A day of two or three numbers; one of four digits in front is a year, whatever the order."""
    first, second, third = numbers
    if not first or not second:
        return None
    if third is None:
        day, month = (first, second) if order == "DMY" else (second, first)
        return _ahead(int(month), int(day), today) if len(first) <= _TWO else None
    named = dict(zip("YMD" if len(first) > _TWO else order, (first, second, third), strict=True))
    year = int(named["Y"]) + (today.year // _CENTURY * _CENTURY if len(named["Y"]) <= _TWO else 0)
    return _made(year, int(named["M"]), int(named["D"]))


def _in_words(text: str, languages: Sequence[str], now: datetime, order: Order) -> date | None:
    # It reads its tables when it is imported; most of the desk never needs them.
    import dateparser

    known = [one for one in dict.fromkeys(tag.partition("-")[0] for tag in languages) if one in _known()]
    settings: Any = {
        "RELATIVE_BASE": now.replace(tzinfo=None),
        "PREFER_DATES_FROM": "future",
        "DATE_ORDER": order,
        "PARSERS": ["relative-time", "absolute-time"],
        "RETURN_AS_TIMEZONE_AWARE": False,
    }
    read = dateparser.parse(text, languages=known or ["en"], settings=settings)
    return read.date() if read else None


def _known() -> frozenset[str]:
    from dateparser.data import languages_info

    return frozenset(languages_info.language_order)


def _day(text: str, languages: Sequence[str], now: datetime, order: Order) -> date | None:
    loose = " ".join(_LOOSE.sub(" ", text).split())
    today = now.date()
    if found := _ISO.fullmatch(loose):
        return _made(*map(int, found.groups()))
    if found := _NUMBERS.fullmatch(loose):
        return _of_numbers(found.groups(), order, today)
    if not loose or loose.isdigit():
        return None
    for tried in dict.fromkeys((text, loose)):
        if read := _in_words(tried, languages, now, order):
            return read
    return None


def _bare_time(text: str) -> time | None:
    found = _BARE.fullmatch(text)
    return _time_at(int(found[1]), int(found[2] or 0)) if found else None


def read(text: str, wanted: Wanted, languages: Sequence[str], now: datetime, order: Order) -> Typed | None:
    """What a typed text means to somebody at ``now`` on the wall; None where it says no such thing, or not all of it.

    ``languages`` are those (BCP 47) that the words may be in, the likeliest first; ``order`` is that of numbers.
    A time without a day is the next such one.
    """
    plain = _plain(text)
    at, rest = (None, plain) if wanted == "day" else _time(plain)
    if wanted == "time":
        at = at if not rest else _bare_time(plain)
        return None if at is None else Typed(None, at)
    day = _day(rest, languages, now, order)
    if wanted == "day":
        return Typed(day, None) if day else None
    if day is None and not rest and at is not None:
        day = now.date() if at > now.time() else now.date() + timedelta(days=1)
    return None if day is None or at is None else Typed(day, at)
