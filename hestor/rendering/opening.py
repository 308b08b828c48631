"""Opening hours in the words and forms of a site: whether it is open, the hours of a week, the exceptions ahead."""

from collections.abc import Iterator, Sequence
from dataclasses import dataclass
from datetime import date, datetime, timedelta
from typing import Any

from hestor.core import languages
from hestor.core.events import month
from hestor.core.facts import clock
from hestor.core.hours.opening import Exceptional, OpeningHours, Span
from hestor.core.hours.status import Status, span_text, status
from hestor.rendering.voice import Voice

_AHEAD = timedelta(days=92)
_MOST_SHOWN = 8
_SCHEMA_DAYS = {
    "mon": "Monday", "tue": "Tuesday", "wed": "Wednesday", "thu": "Thursday", "fri": "Friday", "sat": "Saturday",
    "sun": "Sunday",
}  # fmt: skip
Record = dict[str, Any]


@dataclass(frozen=True)
class Row:
    """A line of the table: a day, or days, and the hours; ``is_today`` marks the present one."""

    day: str
    hours: str
    note: str = ""
    is_today: bool = False


@dataclass(frozen=True)
class Shown:
    """What a page shows of opening hours."""

    status: str
    is_open: bool
    week: Sequence[Row]
    exceptions: Sequence[Row]


def now_status(voice: Voice) -> Status | None:
    """Whether it is open now; None where no hours are said."""
    hours = voice.facts.opening_hours
    return status(hours, voice.facts.time_zone, voice.now) if hours else None


def _spans(voice: Voice, spans: Sequence[Span]) -> str:
    if not spans:
        return voice.word("hours.closed")
    between = languages.list_separator(voice.facts.language)
    return between.join(f"{voice.clock(span.opens)}\u2009–\u2009{voice.clock(span.closes)}" for span in spans)


def today(voice: Voice) -> str:
    """The hours of today."""
    hours = voice.facts.opening_hours
    return _spans(voice, hours.on(voice.now.date())) if hours else voice.word("hours.unsaid")


def _opens(voice: Voice, at: datetime) -> str:
    """When it opens next: today, tomorrow, a day of this week, or a date."""
    ahead, clock_ = (at.date() - voice.now.date()).days, voice.clock(at)
    if ahead < 2:
        return voice.word("hours.opens_today" if ahead == 0 else "hours.opens_tomorrow", time=clock_)
    if ahead < 7:
        day = languages.weekday_name(languages.WEEKDAYS[at.weekday()], voice.facts.language)
    else:
        day = voice.day(at.date())
    return voice.word("hours.opens_on", day=day, time=clock_)


def status_line(voice: Voice) -> str:
    """Whether it is open, and until when; or when it opens."""
    found_status = now_status(voice)
    if found_status is None:
        return voice.word("hours.unsaid")
    if found_status.is_open:
        until = found_status.until
        return voice.word("hours.open_until", time=voice.clock(until)) if until else voice.word("hours.open")
    return _opens(voice, found_status.until) if found_status.until else voice.word("hours.closed_now")


def _week(voice: Voice, hours: OpeningHours) -> Iterator[Row]:
    present = languages.WEEKDAYS[voice.now.weekday()]
    for day in month.weekdays(clock.first_day(voice.facts)):
        name = languages.weekday_name(day, voice.facts.language)
        yield Row(name, _spans(voice, hours.week.on(day)), is_today=day == present)


def _days(voice: Voice, exception: Exceptional) -> str:
    first, last = voice.day(exception.first), voice.day(exception.last)
    return first if exception.first == exception.last else f"{first} – {last}"


def _exceptions(voice: Voice, hours: OpeningHours) -> Iterator[Row]:
    present: date = voice.now.date()
    ahead = [
        exception for exception in hours.exceptions if exception.last >= present and exception.first <= present + _AHEAD
    ]
    for one in ahead[:_MOST_SHOWN]:
        yield Row(_days(voice, one), _spans(voice, one.spans), one.note, one.first <= present)


def shown(voice: Voice) -> Shown | None:
    """All that a page shows of opening hours; None where none are said."""
    hours, found = voice.facts.opening_hours, now_status(voice)
    if hours is None or found is None:
        return None
    return Shown(status_line(voice), found.is_open, list(_week(voice, hours)), list(_exceptions(voice, hours)))


def _record(span: Span) -> Record:
    opens, closes = span_text(span)
    if opens == closes:
        # Readers take the same time twice for a day without hours.
        before = datetime.combine(date.min, span.closes) + timedelta(days=1, minutes=-1)
        closes = before.strftime("%H:%M")
    return {"@type": "OpeningHoursSpecification", "opens": opens, "closes": closes}


def _closed() -> Record:
    # What schema.org and its readers take for a day without hours.
    return {"@type": "OpeningHoursSpecification", "opens": "00:00", "closes": "00:00"}


def records(hours: OpeningHours, present: date) -> list[Record]:
    """Opening hours for machines (schema.org OpeningHoursSpecification): the week, and the exceptions ahead."""
    by_span: dict[Span, list[str]] = {}
    for day, name in _SCHEMA_DAYS.items():
        for span in hours.week.on(day):
            by_span.setdefault(span, []).append(name)
    found_records = [{**_record(span), "dayOfWeek": names} for span, names in by_span.items()]
    for exception in hours.exceptions:
        if exception.last >= present:
            valid = {"validFrom": exception.first.isoformat(), "validThrough": exception.last.isoformat()}
            found_records += [
                {**made, **valid} for made in ([_record(span) for span in exception.spans] or [_closed()])
            ]
    return found_records
