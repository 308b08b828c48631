"""Fill-ins: names in braces inside a text, such as ``{site}`` or ``{year:2019}``.

The syntax is that of ICU MessageFormat arguments with its DOUBLE_OPTIONAL apostrophes
(unicode-org.github.io/icu, "Quoting/Escaping"): ``'{'`` writes a literal brace, and ``''`` an
apostrophe. Our own addition is the argument after a colon. A closing brace on its own is text.
A date is said as ISO 8601 has it, ``{date:2026-05-03}``, and filled in the site's own form.
"""

import difflib
import re
from collections.abc import Callable, Iterator, Mapping
from dataclasses import dataclass, field
from datetime import date, time
from itertools import islice

from hestor.core import numerals
from hestor.core.dates import calendars, patterns
from hestor.core.errors import MOST_PROBLEMS, Param, Problem
from hestor.core.text import bidi


@dataclass(frozen=True)
class Fill:
    """One fill-in of a text. ``start`` and ``end`` are code point offsets, braces included."""

    name: str
    argument: str = ""
    start: int = 0
    end: int = 0

    @property
    def key(self) -> str:
        """What is between the braces, in its plain form: ``site``, ``year:2019``."""
        return f"{self.name}:{self.argument}" if self.argument else self.name


@dataclass(frozen=True)
class Values:
    """What fill-ins stand for. ``year`` is the present year in the site's own time zone; ``language`` a BCP 47 tag.

    ``said`` tells further facts as they are said in a line, by the name of their fill-in. ``contact`` is the public
    address as a text, ``today`` the day on the site's clock. ``long``, ``short`` and ``clock`` are the forms of dates
    and times (UTS 35), ``calendar`` the one that long dates are said in, too. The functions tell what depends on the
    site and the moment: the next day of the event of a name, the hours of today, whether it is open.
    """

    site: str
    tagline: str
    year: int
    language: str = "en"
    long: str = "d MMMM y"
    short: str = "d MMM y"
    clock: str = "HH:mm"
    calendar: str = ""
    contact: str = ""
    today: date | None = None
    said: Callable[[str], str] = field(default=lambda _: "", compare=False)
    next_day: Callable[[str], str] = field(default=lambda _: "", compare=False)
    hours: Callable[[], str] = field(default=lambda: "", compare=False)
    open: Callable[[], str] = field(default=lambda: "", compare=False)


Piece = str | Fill
_LONGEST_NAME = 40


def _years(argument: str, values: Values) -> str:
    first = int(argument) if argument else values.year
    years = f"{first}–{values.year}" if first < values.year else str(values.year)
    return numerals.written(years, values.language)


def _date(argument: str, values: Values) -> str:
    day = date.fromisoformat(argument.removesuffix(_SHORT))
    if argument.endswith(_SHORT):
        return patterns.format_day(day, values.short, values.language)
    return calendars.day_said(day, values.long, values.language, values.calendar)


def _days(argument: str, values: Values) -> str:
    """How many days there are until a day, with the word for days (CLDR units); none once it has come."""
    left = (date.fromisoformat(argument) - values.today).days if values.today else 0
    return numerals.days(max(0, left), values.language)


FACTS = ("short_name", "legal_name", "phone", "address")
"""The fill-ins that say a fact as it is said in a line."""
ALIASES: Mapping[str, str] = {"name": "site", "email": "contact"}
"""Further names of fill-ins, by what people call those facts."""
_FILLERS: Mapping[str, Callable[[str, Values], str]] = {
    "site": lambda _, values: values.site,
    "name": lambda _, values: values.site,
    "tagline": lambda _, values: values.tagline,
    "short_name": lambda _, values: values.said("short_name"),
    # Where the one behind the site has no other name, the site's own stands for it.
    "legal_name": lambda _, values: values.said("legal_name") or values.site,
    "phone": lambda _, values: values.said("phone"),
    "address": lambda _, values: values.said("address"),
    "year": _years,
    "date": _date,
    "time": lambda argument, values: patterns.format_clock(time.fromisoformat(argument), values.clock, values.language),
    "next": lambda argument, values: values.next_day(argument),
    "contact": lambda _, values: values.contact,
    "email": lambda _, values: values.contact,
    "days": _days,
    "hours": lambda _, values: values.hours(),
    "open": lambda _, values: values.open(),
}
KNOWN = tuple(_FILLERS)
"""The fill-ins that any text with fill-ins may use; some texts know further ones (``also``), which only they fill."""
OFFERED = (
    *("site", "tagline", "short_name", "legal_name", "contact", "phone", "address", "hours", "open", "year"),
    *("date:2026-05-03", "time:14:30", "next:swap-days", "days:2027-06-06"),
    *ALIASES,
)
"""What is offered when a brace is typed, as it is written, the further names last."""
_SHORT = ",short"
_SLUG = re.compile(r"[\w-]{1,80}")
_CLOCK = re.compile(r"([01]\d|2[0-3]):[0-5]\d")


def _is_day(argument: str) -> bool:
    try:
        return len(argument) == 10 and bool(date.fromisoformat(argument))
    except ValueError:
        return False


_ARGUMENTS: Mapping[str, Callable[[str], bool]] = {
    "year": lambda argument: not argument or (len(argument) == 4 and argument.isascii() and argument.isdigit()),
    "date": lambda argument: _is_day(argument.removesuffix(_SHORT)),
    "days": _is_day,
    "time": lambda argument: argument.isascii() and bool(_CLOCK.fullmatch(argument)),
    "next": lambda argument: bool(_SLUG.fullmatch(argument)),
}
_EXPLAINED = frozenset(_ARGUMENTS)


def _argument_ok(name: str, argument: str) -> bool:
    check = _ARGUMENTS.get(name)
    return check(argument) if check else not argument


def trait(key: str) -> str:
    """What of a fill-in decides which facts it shows: its first name, and for a date its form."""
    name, _, argument = key.partition(":")
    name = ALIASES.get(name, name)
    return f"{name}.short" if argument.endswith(_SHORT) else name


_STOP = re.compile("['{]")


def nearest(name: str, also: tuple[str, ...] = ()) -> str:
    """The known fill-in whose name is most like ``name``."""
    begin = name[:_LONGEST_NAME].lower()
    return max((*also, *KNOWN), key=lambda known: difflib.SequenceMatcher(None, begin, known).ratio())


def _quoted(text: str, start: int) -> tuple[str, int]:
    """Reads a quoted run that begins at the apostrophe ``start``: its text, and where it ends."""
    out, at = [], start + 1
    while at < len(text):
        if text[at] != "'":
            out.append(text[at])
            at += 1
        elif text[at : at + 2] == "''":
            out.append("'")
            at += 2
        else:
            return "".join(out), at + 1
    return "".join(out), at


def _fill_at(text: str, start: int) -> Fill | None:
    """The fill-in whose opening brace is at ``start``, or None if it is never closed."""
    another = text.find("{", start + 1)
    # Looked for no further than the next brace, so that many that are never closed are not each sought to the end.
    close = text.find("}", start, len(text) if another == -1 else another)
    if close == -1:
        return None
    name, _, argument = text[start + 1 : close].partition(":")
    return Fill(name.strip(), argument.strip(), start, close + 1)


def _scan(text: str) -> Iterator[Piece | int]:
    """Literal runs and fill-ins in order; an int is the position of a brace that is never closed."""
    at = 0
    while at < len(text):
        pair = text[at : at + 2]
        if pair == "''":
            yield "'"
            at += 2
        elif pair in ("'{", "'}"):
            run, at = _quoted(text, at)
            yield run
        elif text[at] == "{":
            fill = _fill_at(text, at)
            yield at if fill is None else fill
            at = at + 1 if fill is None else fill.end
        else:
            stop = _STOP.search(text, at + 1)
            end = stop.start() if stop else len(text)
            yield text[at:end]
            at = end


def problems(key: str, text: str, also: tuple[str, ...] = ()) -> Iterator[Problem]:
    """The first fill-ins of ``text`` that are unknown, unclosed or have a wrong argument, with their places."""
    return islice(_all_problems(key, text, also), MOST_PROBLEMS)


def _named(text: str, fill: Fill) -> str:
    """A fill-in as a message names it."""
    return text[fill.start : min(fill.end, fill.start + _LONGEST_NAME)]


def _all_problems(key: str, text: str, also: tuple[str, ...]) -> Iterator[Problem]:
    for part in _scan(text):
        if isinstance(part, int):
            end = len(text)
            name = text[part + 1 :].strip()
            fix = f"{{{name}}}" if name in _FILLERS or name in also else None
            yield Problem(key, "fillin_unclosed", {"position": part + 1}, part, end, fix)
        elif isinstance(part, Fill) and part.name not in _FILLERS and part.name not in also:
            fix = f"{{{nearest(part.name, also)}}}"
            params: dict[str, Param] = {"position": part.start + 1, "name": _named(text, part), "nearest": fix}
            yield Problem(key, "fillin_unknown", params, part.start, part.end, fix)
        elif isinstance(part, Fill) and not _argument_ok(part.name, part.argument):
            params = {"position": part.start + 1, "name": _named(text, part)}
            code = f"fillin_{part.name}" if part.name in _EXPLAINED else "fillin_argument"
            yield Problem(key, code, params, part.start, part.end)


def parse(text: str, also: tuple[str, ...] = ()) -> tuple[Piece, ...]:
    """The literal runs and fill-ins of a text, those of the names ``also`` among them.

    A fill-in that ``problems`` names stays literal.
    """
    # Nearly every text is plain; an apostrophe alone means nothing.
    if not any(mark in text for mark in ("{", "}", "''")):
        return (text,) if text else ()
    parts: list[Piece] = []
    run: list[str] = []
    for part in _scan(text):
        if isinstance(part, Fill) and _is_good(part, also):
            parts += ["".join(run), part] if run else [part]
            run = []
        elif isinstance(part, Fill):
            run.append(text[part.start : part.end])
        else:
            run.append("{" if isinstance(part, int) else part)
    return (*parts, "".join(run)) if run else tuple(parts)


def _is_good(fill: Fill, also: tuple[str, ...]) -> bool:
    return (fill.name in _FILLERS or fill.name in also) and _argument_ok(fill.name, fill.argument)


def value_of(name: str, argument: str, values: Values) -> str:
    """What one fill-in stands for. Raises KeyError for an unknown name."""
    return _FILLERS[name](argument, values)


def fill(text: str, values: Values, direction: str = "") -> str:
    """The text with every fill-in filled, in one pass: a value that holds braces is not filled again.

    Within a page of some ``direction`` (``ltr`` or ``rtl``) a value that runs against it keeps its order.
    """
    # Most texts of most pages have none.
    if "{" not in text and "}" not in text and "'" not in text:
        return text
    parts = parse(text)
    return "".join(part if isinstance(part, str) else _valued(part, values, direction) for part in parts)


def _valued(part: Fill, values: Values, direction: str) -> str:
    value = value_of(part.name, part.argument, values)
    return bidi.isolated(value, direction) if direction else value


def used(text: str) -> frozenset[str]:
    """The traits of the fill-ins that a text uses."""
    return frozenset(trait(part.key) for part in parse(text) if isinstance(part, Fill))
