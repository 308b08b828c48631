"""Patterns of dates and times (UTS 35, part 4, date field symbols): read, checked with a mend for each slip, formatted.

Babel formats; digits are those of the language (CLDR default numbering system).
"""

import re
from collections.abc import Callable, Iterator
from dataclasses import dataclass
from datetime import date, datetime, time
from functools import lru_cache
from typing import Literal

from babel import Locale
from babel.dates import PATTERN_CHARS, format_datetime, format_time, parse_pattern

from hestor.core import languages, numerals
from hestor.core.dates import notations
from hestor.core.errors import Param, Problem

Kind = Literal["date", "time"]
MOST = 60
_DATE = frozenset("GyuQqMLdEec")
_TIME = frozenset("abBhHKkmsS")
_NUMBERS = frozenset("yMdHhmsKk")
_NOON = 12
_HALVES = frozenset("abB")
_TOKEN = re.compile(r"''|'(?:[^']|'')*'|'|([A-Za-z])\1*|[^A-Za-z']+")
# What is written for what was meant, by the kind of pattern: the letter, the code of the slip.
_SLIPS: dict[Kind, dict[str, tuple[str, str]]] = {
    "date": {
        "Y": ("y", "pattern_week_year"),
        "D": ("d", "pattern_day_of_year"),
        "m": ("M", "pattern_minutes"),
    },
    "time": {"M": ("m", "pattern_months"), "S": ("s", "pattern_fractions")},
}


@dataclass(frozen=True)
class Piece:
    """A run of a pattern, at ``start``: a field of one letter, or literal text as it is written."""

    text: str
    start: int
    is_field: bool

    @property
    def end(self) -> int:
        """Where it ends."""
        return self.start + len(self.text)

    @property
    def letter(self) -> str:
        """A field's letter."""
        return self.text[0]


def pieces(pattern: str) -> tuple[Piece, ...]:
    """The fields and literals of a pattern, in order."""
    return tuple(Piece(match[0], match.start(), bool(match[1])) for match in _TOKEN.finditer(pattern))


def unquoted(literal: str) -> str:
    """What a literal of a pattern stands for."""
    if literal == "''":
        return "'"
    quoted = len(literal) > 1 and literal.startswith("'") and literal.endswith("'")
    return literal[1:-1].replace("''", "'") if quoted else literal


def _words(pattern: str) -> Iterator[re.Match[str]]:
    """Runs of ASCII letters outside of quotes; those of other scripts stand for themselves."""
    shown = re.sub(r"'(?:[^']|'')*'", lambda found: " " * len(found[0]), pattern)
    return re.finditer("[A-Za-z]+", shown)


def _is_word(run: str, kind: Kind) -> bool:
    """Whether a run of letters is a word of a language, and no field: of several letters, not all of them numbers."""
    letters = set(run)
    known = letters <= ((_DATE if kind == "date" else _TIME) | set(_SLIPS[kind]))
    beside = _NUMBERS | set(_SLIPS[kind]) | (_HALVES if kind == "time" else set())
    return not known or (len(letters) > 1 and not letters <= beside)


def _unclosed(key: str, pattern: str) -> Iterator[Problem]:
    for piece in pieces(pattern):
        if piece.text == "'":
            yield Problem(
                key,
                "pattern_quote",
                {"position": piece.start + 1},
                piece.start,
                len(pattern),
                pattern[piece.start :] + "'",
            )


def _field(key: str, piece: Piece, kind: Kind) -> Problem | None:
    where: dict[str, Param] = {"position": piece.start + 1, "part": piece.text}
    if piece.letter in _SLIPS[kind]:
        meant, code = _SLIPS[kind][piece.letter]
        # Four letters for the year mean all of it, which UTS 35 writes with one.
        most = 4 if meant == "M" else 2
        fix = "y" if meant == "y" and len(piece.text) > most else meant * min(len(piece.text), most)
        return Problem(key, code, {**where, "meant": fix}, piece.start, piece.end, fix)
    widths = PATTERN_CHARS[piece.letter]
    if widths and len(piece.text) not in widths:
        most = max(width for width in widths if width <= len(piece.text))
        fix = piece.letter * most
        return Problem(key, "pattern_width", {**where, "meant": fix}, piece.start, piece.end, fix)
    return None


def _clock(key: str, found_pieces: tuple[Piece, ...]) -> Iterator[Problem]:
    """What is amiss with the hours of a time."""
    letters = {piece.letter for piece in found_pieces}
    hours = [piece for piece in found_pieces if piece.letter in "hHKk"]
    if not hours:
        return
    hour = hours[0]
    if hour.letter in "hK" and not letters & set("abB"):
        fix = "H" * len(hour.text)
        yield Problem(key, "pattern_half_day", {"position": hour.start + 1, "meant": fix}, hour.start, hour.end, fix)
    if "m" not in letters and not letters & set("abB"):
        yield Problem(key, "pattern_hour_alone", {"position": hour.start + 1}, hour.start, hour.end, f"{hour.text}:mm")


_MARKS = ('""', "“”", "„“", "«»", "[]", "{}", "<>", "``", "‘’")
"""What people put around a word that is to stand as it is."""


def _of_word(key: str, pattern: str, word: re.Match[str]) -> Problem:
    """A word that is not quoted; marks around it that mean to quote it go with it."""
    start, end = word.span()
    around = pattern[start - 1 : start] + pattern[end : end + 1]
    if around in _MARKS:
        start, end = start - 1, end + 1
    return Problem(key, "pattern_word", {"word": word[0], "position": start + 1}, start, end, f"'{word[0]}'")


def problems(key: str, pattern: str, kind: Kind) -> tuple[Problem, ...]:
    """What is wrong with a pattern, each slip at its place with its mend; nothing for an empty one."""
    if len(pattern) > MOST:
        return (Problem(key, "too_long", {"most": MOST, "count": len(pattern), "over": len(pattern) - MOST}),)
    if meant := notations.turned(pattern):
        return (Problem(key, "pattern_notation", {"meant": meant}, 0, len(pattern), meant),)
    if unclosed := tuple(_unclosed(key, pattern)):
        return unclosed
    words = [each_word for each_word in _words(pattern) if _is_word(each_word[0], kind)]
    if words:
        return tuple(_of_word(key, pattern, word) for word in words)
    found_pieces = tuple(piece for piece in pieces(pattern) if piece.is_field)
    if pattern and not found_pieces:
        return (Problem(key, "pattern_nothing"),)
    slips = tuple(problem for piece in found_pieces if (problem := _field(key, piece, kind)))
    return slips or tuple(_clock(key, found_pieces) if kind == "time" else ())


def is_ambiguous(pattern: str) -> bool:
    """Whether a date of this form can be read in two ways: day and month both as numbers, and the year not first."""
    fields = [piece for piece in pieces(pattern) if piece.is_field and piece.letter in "yuMLd"]
    numbers = {
        piece.letter for piece in fields if piece.letter == "d" or (piece.letter in "ML" and len(piece.text) < 3)
    }
    return "d" in numbers and bool(numbers & set("ML")) and fields[0].letter not in "yu"


@lru_cache(maxsize=512)
def _ready(pattern: str, language: str) -> tuple[Callable[[date, Locale], str], Locale, bool]:
    """A form read once, its locale, and whether the language's digits are other ones than ASCII's."""
    return parse_pattern(pattern).apply, languages.locale_of(language), numerals.are_own(language)


def format_day(day: date, pattern: str, language: str) -> str:
    """A day in a form."""
    apply, locale, own_digits = _ready(pattern, language)
    made = apply(day, locale)
    return numerals.written(made, language) if own_digits else made


def _rooted(pattern: str, hour: int) -> str:
    """A pattern with the half of the day as CLDR's root names it, for the few languages whose data have no names."""
    half = "'AM'" if hour < _NOON else "'PM'"
    return "".join(half if piece.is_field and piece.letter in _HALVES else piece.text for piece in pieces(pattern))


def _timed(make: Callable[[str], str], pattern: str, hour: int) -> str:
    try:
        return make(pattern)
    except ValueError:
        return make(_rooted(pattern, hour))


def format_moment(moment: datetime, pattern: str, language: str) -> str:
    """A moment, on the clock that it knows, in a form of dates and times."""
    locale = languages.locale_of(language)
    made = _timed(lambda form: format_datetime(moment, form, moment.tzinfo, locale), pattern, moment.hour)
    return numerals.written(made, language)


def format_clock(moment: datetime | time, pattern: str, language: str) -> str:
    """A time of the day in a form."""
    zone = moment.tzinfo if isinstance(moment, datetime) else None
    locale = languages.locale_of(language)
    made = _timed(lambda form: format_time(moment, form, zone, locale), pattern, moment.hour)
    return numerals.written(made, language)


def format_as(moment: datetime, pattern: str, kind: Kind, language: str) -> str:
    """What a form of one kind shows of a moment: its day, or its time."""
    if kind == "date":
        return format_day(moment.date(), pattern, language)
    return format_clock(moment, pattern, language)
