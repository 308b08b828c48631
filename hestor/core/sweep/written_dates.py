"""Dates found in running text, as people write them in a language (names of months and days: CLDR)."""

import re
import unicodedata
from collections.abc import Iterator
from dataclasses import dataclass
from datetime import date
from functools import lru_cache

import regex

from hestor.core import languages
from hestor.core.dates import parts, patterns
from hestor.core.reading.source import Source, Telling, all_of, windows
from hestor.core.sweep.passages import primary_of

_BEFORE, _AFTER = r"(?<![\p{L}\p{N}/@_#=-]|\p{N}[.,:])", r"(?![\p{L}\p{N}/@_]|[-.,:]\p{N}|[-.]\p{L})"
_GLUE = r"(?:[\s\u00a0]*[./,-]?[\s\u00a0]*(?:de(?:l| l['’])?|of|di|d['’]|den|ال)?[\s\u00a0]*)"
_DAY = r"(?P<d>\p{Nd}{1,2})(?:st|nd|rd|th|er|re|º|ª|°|\.)?"
_YEAR = r"(?P<y>\p{Nd}{4})"
_BIDI = "[\u200e\u200f]*"
_NUMERIC = regex.compile(
    rf"{_BEFORE}(?:(?P<y>\p{{Nd}}{{4}}){_BIDI}(?P<s>[-/.]){_BIDI}(?P<m>\p{{Nd}}{{1,2}}){_BIDI}(?P=s){_BIDI}(?P<d>\p{{Nd}}{{1,2}})"
    rf"|(?P<a>\p{{Nd}}{{1,2}}){_BIDI}(?P<t>[-/]|\.[\s\u00a0]?){_BIDI}(?P<b>\p{{Nd}}{{1,2}}){_BIDI}(?P=t){_BIDI}"
    rf"(?P<z>\p{{Nd}}{{4}}|\p{{Nd}}{{2}})){_AFTER}"
)
_SIGNS = "./-\u200e\u200f"
_SHORT = 8
_FIRST_YEAR, _LAST_YEAR, _CENTURY = 1000, 2999, 2000


@dataclass(frozen=True)
class Written:
    """A date in a text, at ``start`` to ``end`` of it, its weekday apart; ``others`` are further ways to read it.

    ``numeric`` is what stands between day, month and year where all three are numbers, else empty.
    """

    start: int
    end: int
    day: date
    others: tuple[date, ...] = ()
    numeric: str = ""

    @property
    def days(self) -> tuple[date, ...]:
        """All ways to read it."""
        return (self.day, *self.others)


def _day(year: str, month: str | int, day: str) -> date | None:
    try:
        found_date = date(int(year), int(month), int(day))
    except ValueError:
        return None
    return found_date if _FIRST_YEAR <= found_date.year <= _LAST_YEAR else None


def _bare(name: str) -> str:
    return unicodedata.normalize("NFC", name).casefold().rstrip(".").strip()


# Further short names of months that people write, beside CLDR's.
_MORE_MONTHS = {
    "en": {"sept": 9}, "de": {"mrz": 3, "jän": 1, "feber": 2, "sept": 9}, "es": {"sep": 9, "sept": 9, "set": 9}, "fr": {"sep": 9},
    "it": {"sett": 9}, "pt": {"set": 9}, "nl": {"mrt": 3, "sept": 9},
}  # fmt: skip


@lru_cache(maxsize=64)
def _months(primary: str, tag: str) -> dict[str, int]:
    months: dict[str, int] = {}
    for locale in dict.fromkeys((languages.locale_of(tag), languages.locale_of(primary))):
        for kind in ("format", "stand-alone"):
            for width in ("wide", "abbreviated"):
                for number, name in locale.months[kind][width].items():
                    if len(_bare(name)) > 1 and not _bare(name).isdigit():
                        months.setdefault(_bare(name), number)
    return _MORE_MONTHS.get(primary, {}) | months


@lru_cache(maxsize=64)
def _textual(tag: str) -> tuple[regex.Pattern[str], dict[str, int]]:
    months = _months(primary_of(tag), tag)
    month = (
        "(?P<m>" + "|".join(regex.escape(each_month) for each_month in sorted(months, key=len, reverse=True)) + r")\.?"
    )
    gap = r"(?:[\s\u00a0]+|[\s\u00a0]*[-/.][\s\u00a0]*)"
    day_first = rf"{_DAY}{_GLUE}{month}{_GLUE}{_YEAR}"
    month_first = rf"{month}{gap}{_DAY}(?:[\s\u00a0]*,)?[\s\u00a0]+{_YEAR}"
    year_first = rf"{_YEAR}{gap}{month}{gap}{_DAY}"
    either = "|".join(f"(?:{one})" for one in (day_first, month_first, year_first))
    return regex.compile(rf"{_BEFORE}(?:{either}){_AFTER}", regex.IGNORECASE), months


@lru_cache(maxsize=64)
def _marks_of_months(tag: str) -> tuple[tuple[str, ...], Telling]:
    """The shortest begins of the names of months, and which words have one: what has none of them names no month."""
    kept: list[str] = []
    for name in sorted((name.split()[0] for name in _months(primary_of(tag), tag)), key=len):
        if not any(one in name for one in kept):
            kept.append(name)
    return tuple(kept), Telling(lambda word: any(one in word for one in kept))


def _named(source: Source, tag: str) -> Iterator[Written]:
    # Most of a text's numbers are no years, so it is the months that are looked for.
    marks, telling = _marks_of_months(tag)
    words = telling.among(source.vocabulary)
    said = [mark for mark in marks if any(mark in word for word in words)]
    months = sorted(at for mark in said for at in all_of(source.lowered, mark))
    for begin, end in windows(months, _LONGEST, _LONGEST, len(source.flat)):
        near = source.flat[begin:end]
        if _YEAR_NEAR.search(near):
            for start, stop, day in _named_in(near, tag):
                yield Written(begin + start, begin + stop, day)


@lru_cache(maxsize=4096)
def _named_in(text: str, tag: str) -> tuple[tuple[int, int, date], ...]:
    """The dates with a named month in a short stretch; what stands in a footer does so on every page."""
    pattern, months = _textual(tag)
    found = (
        (match, _day(match["y"], months.get(_bare(match["m"]), 0), match["d"])) for match in pattern.finditer(text)
    )
    return tuple((one.start(), one.end(), day) for one, day in found if day is not None)


def _numbers(source: Source, tag: str) -> Iterator[Written]:
    text, day_first = source.flat, is_day_first(tag)
    signs = (end - 1 for _, end in source.numbers if text[end : end + 1] in _SIGNS)
    near = windows(signs, _SHORT, _LONGEST, len(text))
    for each_match in (match for begin, end in near for match in _NUMERIC.finditer(text, begin, end)):
        if each_match["y"]:
            day = _day(each_match["y"], each_match["m"], each_match["d"])
            if day is not None:
                yield Written(each_match.start(), each_match.end(), day, numeric=each_match["s"])
            continue
        year = each_match["z"] if len(each_match["z"]) == 4 else str(_CENTURY + int(each_match["z"]))
        if len(each_match["z"]) == 2 and (int(year) > _CENTURY + 60 or not _is_said(text, each_match, tag)):
            continue
        ways = [_day(year, each_match["b"], each_match["a"]), _day(year, each_match["a"], each_match["b"])]
        # With full stops the day comes first, wherever there are such dates (CLDR).
        ordered = ways if day_first or "." in each_match["t"] else ways[::-1]
        if "." in each_match["t"]:
            ordered = ordered[:1]
        days = tuple(dict.fromkeys(one for one in ordered if one is not None))
        if days:
            yield Written(each_match.start(), each_match.end(), days[0], days[1:], each_match["t"].strip())


_ON = regex.compile(
    r"(?<![\p{L}])(?:on|by|until|till|from|since|before|after|date|dated|updated|changed|stand|aktualisiert|geändert|actualizado|modifié|mis à jour|am|vom|bis|ab|seit|zum|datum|den|el|del|al|desde|hasta|fecha|le|du|au|dès|depuis|jusqu['’]au|date|"
    r"il|dal|fino al|op|vanaf|tot|em|até|de|في|يوم|من|حتى|بتاريخ|تاريخ)[:\s\u00a0]*$",
    regex.IGNORECASE,
)


def _is_said(text: str, match: regex.Match[str], tag: str) -> bool:
    """Whether numbers with a year of two digits are a date: all of two digits, or with a word before that says so."""
    if all(len(match[name]) == 2 for name in "ab"):
        return True
    before = text[max(0, match.start() - 20) : match.start()]
    return bool(_ON.search(before) or _weekday(tag).search(before)) or before.rstrip(" \u00a0").endswith((":", "："))


@lru_cache(maxsize=64)
def _weekday(tag: str) -> regex.Pattern[str]:
    """A day of the week with which a text ends (CLDR)."""
    locale = languages.locale_of(tag)
    days = {
        _bare(name)
        for kind in ("format", "stand-alone")
        for width in ("wide", "abbreviated")
        for name in locale.days[kind][width].values()
    }
    either = "|".join(map(regex.escape, sorted(days, key=len, reverse=True)))
    return regex.compile(rf"(?<![\p{{L}}])(?:{either})\.?,?[\s\u00a0]+$", regex.IGNORECASE)


@lru_cache(maxsize=64)
def is_day_first(tag: str) -> bool:
    """Whether a language's numeric dates have the day before the month (CLDR)."""
    short = str(languages.locale_of(tag).date_formats["short"])
    return short.find("d") < short.find("M")


_YEAR_NEAR = re.compile(r"\d{4}")
# A day, a month with its article, and a year, with some room.
_LONGEST = 48


def dates_in(source: Source, tags: tuple[str, ...]) -> tuple[Written, ...]:
    """The whole dates of a page in some languages, the first of which says how numeric ones are read."""
    if not source.numbers:
        return ()
    dates_said: list[Written] = []
    for tag in tags:
        dates_said.extend(_named(source, tag))
    dates_said.extend(_numbers(source, tags[0]))
    kept: list[Written] = []
    for one in sorted(dates_said, key=lambda one: (one.start, one.start - one.end)):
        if not kept or one.start >= kept[-1].end:
            kept.append(one)
    return tuple(kept)


_DIRECTIONS = regex.compile("[\u200e\u200f\u061c]")
# The first of a month as it is spoken: 1er mai, 1.º de mayo.
_FIRST_DAY = re.compile(r"^1(?:er|re|\.?º|°) ")
_SPACES = regex.compile(r"[\s\u00a0\u202f]+")
_ASCII = {ord(digit): str(value) for block in "٠۰०০" for value in range(10) for digit in chr(ord(block) + value)}


@lru_cache(maxsize=4096)
def plain(text: str) -> str:
    """A written date for comparing: one kind of space, no marks of direction, ASCII digits."""
    bare = str(_SPACES.sub(" ", _DIRECTIONS.sub("", text))).translate(_ASCII).strip()
    return _FIRST_DAY.sub("1 ", bare)


@lru_cache(maxsize=256)
def without_weekday(form: str) -> str:
    """A form of dates less its weekday, and less what stands between it and the rest."""
    found_parts = list(parts.parts_of(form))
    at = next((index for index, part in enumerate(found_parts) if part.kind == "weekday"), None)
    if at is None:
        return form
    del found_parts[at]
    beside = at if at < len(found_parts) and found_parts[at].kind == "text" and at == 0 else at - 1
    if 0 <= beside < len(found_parts) and found_parts[beside].kind == "text":
        del found_parts[beside]
    return parts.pattern_of(found_parts)


@lru_cache(maxsize=8192)
def as_form(day: date, form: str, tag: str) -> str:
    """A day in a form, less its weekday."""
    return patterns.format_day(day, without_weekday(form), tag)


def conforms(said: str, written: Written, form: str, tag: str) -> bool:
    """Whether a date is written in a form, with or without a weekday before it."""
    bare = plain(said)
    return any(plain(as_form(day, form, tag)) == bare for day in written.days)
