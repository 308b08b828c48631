"""Opening hours found in running text: days of the week (CLDR), and from when to when."""

import re
from collections.abc import Iterator, Mapping
from dataclasses import dataclass
from functools import lru_cache

import regex

from hestor.core import languages
from hestor.core.languages import WEEKDAYS
from hestor.core.reading.source import Source
from hestor.core.sweep.passages import primary_of

Span = tuple[int, int]
"""From one minute of the day to another."""
_EACH_DAY = "daily|every day|each day|täglich|jeden tag|todos los días|cada día|diario|tous les jours|ogni giorno|tutti i giorni|dagelijks|todos os dias|يوميا|يوميًا|كل يوم"
_WEEKDAYS = "weekdays|werktags|wochentags|días laborables|en semaine|giorni feriali|doordeweeks|dias úteis"
_WEEKEND = (
    "weekends?|at the weekend|am wochenende|fines? de semana|le week-end|nel weekend|in het weekend|fim de semana"
)
_CLOSED = "closed|geschlossen|zu|ruhetag|cerrado|cerramos|fermée?s?|chiuso|chiusi|gesloten|fechado|مغلق|مغلقون|نغلق"
_TO = r"(?:–|—|-|‐|‑|to|till|until|bis|bis zum|a|al|hasta(?: las)?|à|au|jusqu['’]à|alle|fino alle|tot|até|às|إلى|الى|حتى|لغاية)"
_FROM = r"(?:from|between|von|ab|de|desde|du|des|dalle|dal|van|das|من|de las|a las|:|,|\(|um|à partir de)"
_AND = r"(?:,|;|and|und|y|e|et|en|&|\+|/|و)"
_HALF = r"(?P<{0}x>a\.?m\.?|p\.?m\.?|uhr|h|hrs?|ص|م|صباحا|صباحًا|مساء|مساءً|ظهرا|ظهرًا)"
_NOON_AT = 12 * 60
_GAP = r"[\s\u00a0\u202f]*"
_NOON = "noon|midday|mittags|mittag|midi|mediodía|mezzogiorno|middag|meio-dia"


def _time(name: str) -> str:
    half = _HALF.format(name)
    return (
        rf"(?:(?P<{name}n>{_NOON})(?![\p{{L}}])|"
        rf"(?P<{name}h>\p{{Nd}}{{1,2}})(?:{_GAP}[:.h٫]{_GAP}?(?P<{name}m>\p{{Nd}}{{2}}))?(?:{_GAP}{half}(?![\p{{L}}]))?)"
    )


_RANGE = regex.compile(
    rf"(?<![\p{{Nd}}:./-]){_time('a')}{_GAP}{_TO}{_GAP}(?:las\s+)?{_time('b')}(?![\p{{Nd}}:/]|[.]\p{{Nd}}|-\p{{Nd}})",
    regex.IGNORECASE,
)


@dataclass(frozen=True)
class WrittenHours:
    """The hours of some days in a text, at ``start`` to ``end``; ``times`` is where the times begin. None: closed."""

    start: int
    times: int
    end: int
    days: tuple[str, ...]
    spans: tuple[Span, ...]

    def moved(self, by: int) -> "WrittenHours":
        """The same further on in a text."""
        return WrittenHours(self.start + by, self.times + by, self.end + by, self.days, self.spans)


def _bare(name: str) -> str:
    return name.casefold().rstrip(".").strip()


@lru_cache(maxsize=64)
def _day_names(tag: str) -> Mapping[str, int]:
    day_names: dict[str, int] = {}
    for one in dict.fromkeys((tag, primary_of(tag), "en")):
        locale = languages.locale_of(one)
        for kind in ("stand-alone", "format"):
            for width in ("wide", "abbreviated", "short"):
                for number, name in locale.days[kind].get(width, {}).items():
                    if len(_bare(name)) > 1:
                        day_names.setdefault(_bare(name), number)
    return day_names


@lru_cache(maxsize=64)
def _statement(tag: str) -> tuple[regex.Pattern[str], Mapping[str, int]]:
    names = _day_names(tag)
    day = (
        "(?:"
        + "|".join(regex.escape(each_name) for each_name in sorted(names, key=len, reverse=True))
        + r")(?:s|nachmittags?|en)?\.?"
    )
    between = rf"{_GAP}(?:{_TO}|{_AND}|{_AND}\s*(?:on\s+)?){_GAP}(?:on\s+|el\s+|los\s+|le\s+|am\s+|يوم\s+)?"
    days = rf"(?P<days>{day}(?:{between}{day})*|{_EACH_DAY}|{_WEEKDAYS}|{_WEEKEND})"
    mark = rf"(?:{_GAP}(?:{_FROM}|we are open|open|opened|is|geöffnet|offen|abierto|abrimos|ouvert|aperto|open van|مفتوح|الساعة)){{0,3}}{_GAP}"
    first = _RANGE.pattern
    more = first
    for name in "ab":
        more = more.replace(f"(?P<{name}", f"(?P<{'c' if name == 'a' else 'd'}")
    spans = rf"(?:{first}(?:{_GAP}{_AND}{_GAP}(?:from\s+|von\s+|de\s+)?{more})?|(?P<closed>{_CLOSED})(?![\p{{L}}]))"
    return regex.compile(rf"(?<![\p{{L}}\p{{M}}]){days}{mark}(?P<spans>{spans})", regex.IGNORECASE), names


def _minutes(match: regex.Match[str], name: str, half: str) -> int | None:
    if match[f"{name}n"]:
        return _NOON_AT
    hour, minute = int(match[f"{name}h"]), int(match[f"{name}m"] or 0)
    if half[:1] in ("p", "م", "ظ") and hour < 12:
        hour += 12
    if half[:1] in ("a", "ص") and hour == 12:
        hour = 0
    return hour * 60 + minute if hour <= 24 and minute < 60 else None


def _span(match: regex.Match[str], one: str, other: str, is_halved: bool) -> Span | None:
    second = (match[f"{other}x"] or "").casefold()
    first = (match[f"{one}x"] or "").casefold()
    opens, closes = _minutes(match, one, first), _minutes(match, other, second)
    if opens is None or closes is None:
        return None
    if not first and second[:1] == "p" and opens + 12 * 60 < closes and opens < 7 * 60:
        opens += 12 * 60
    # As it is spoken: from nine to two, and from one to five, are no hours of the night.
    if is_halved and not first and not second and not _is_exact(match, one):
        if opens < 7 * 60 and opens < closes < _NOON_AT:
            return opens + _NOON_AT, closes + _NOON_AT
        closes += _NOON_AT if closes <= opens <= _NOON_AT else 0
    return opens, closes


def _is_exact(match: regex.Match[str], name: str) -> bool:
    """Whether an hour is written as on a clock of 24."""
    return bool(match[f"{name}h"]) and match[f"{name}h"].startswith("0")


@lru_cache(maxsize=64)
def _is_halved(tag: str) -> bool:
    """Whether a language's day is told in two halves of twelve hours (CLDR), or is in speech."""
    return "a" in str(languages.locale_of(tag).time_formats["short"]) or primary_of(tag) == "en"


def _days(said: str, names: Mapping[str, int]) -> tuple[str, ...]:
    text = said.casefold()
    if regex.fullmatch(_EACH_DAY, text):
        return WEEKDAYS
    if regex.fullmatch(_WEEKDAYS, text):
        return WEEKDAYS[:5]
    if regex.fullmatch(_WEEKEND, text):
        return WEEKDAYS[5:]
    pattern = "|".join(regex.escape(name) for name in sorted(names, key=len, reverse=True))
    found_days = [
        (match.start(), match.end(), names[match[0]])
        for match in regex.finditer(rf"(?<![\p{{L}}\p{{M}}]|\p{{L}}\.)(?:يوم )?(?:{pattern})", text)
        if match[0] in names
    ]
    days: list[int] = []
    for number, (start, _, day) in enumerate(found_days):
        between = text[found_days[number - 1][1] : start] if number else ""
        if days and regex.search(_TO, between) and not regex.fullmatch(rf"\W*{_AND}\W*", between):
            step = days[-1]
            while step != day:
                step = (step + 1) % 7
                days.append(step)
        else:
            days.append(day)
    return tuple(WEEKDAYS[day] for day in dict.fromkeys(days))


def _spans(match: regex.Match[str], is_halved: bool) -> tuple[Span, ...] | None:
    if match["closed"]:
        return ()
    spans = [_span(match, "a", "b", is_halved)]
    if match["ch"] or match["cn"]:
        spans.append(_span(match, "c", "d", is_halved))
    return None if any(span is None for span in spans) else tuple(sorted(span for span in spans if span))


_QUICK = re.compile(
    r"\d(?:[:.h٫]\s?\d{2}(?!\d)|\s?(?:[ap]\.?m|uhr|h(?![^\W\d_])|ص|م(?![^\W\d_]))|\s*(?:[–—-]|to|bis|a|à)\s*\d)",
    re.IGNORECASE,
)


_SHUT = frozenset(
    "closed geschlossen ruhetag cerrado cerramos fermé fermée fermés fermées chiuso chiusi gesloten fechado مغلق مغلقون نغلق".split()
)
_TELLING = _SHUT | frozenset(_NOON.split("|"))
_TELLING_WORDS = regex.compile("|".join(_TELLING), regex.IGNORECASE)


def may_say_hours(source: Source) -> Iterator[int]:
    """Where a page may say a time, or that it is closed; noon is a time without a digit."""
    yield from (end - 1 for _, end in source.numbers if _QUICK.match(source.flat, end - 1))
    if source.vocabulary & _TELLING:
        yield from (match.start() for match in _TELLING_WORDS.finditer(source.flat))


@lru_cache(maxsize=4096)
def hours_in(text: str, tag: str) -> tuple[WrittenHours, ...]:
    """Each statement of a text that says days with their hours."""
    return tuple(_found(text, tag))


def _found(text: str, tag: str) -> Iterator[WrittenHours]:
    pattern, names = _statement(tag)
    for match in pattern.finditer(text):
        days, spans = _days(match["days"], names), _spans(match, _is_halved(tag))
        if days and spans is not None:
            yield WrittenHours(match.start(), match.start("spans"), match.end(), days, spans)
