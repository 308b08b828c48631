"""What the calls about clocks, dates and times take and give."""

from datetime import date, datetime

from ninja import Field, Schema

from hestor.api.schemas import FieldErrorOut, Strict
from hestor.core.dates.local_time import Reading
from hestor.core.dates.parts import PartKind
from hestor.core.dates.patterns import Kind
from hestor.core.dates.samples import What
from hestor.core.dates.typed import MOST as MOST_TYPED
from hestor.core.dates.typed import Wanted
from hestor.core.events.schedule import Schedule, Weekday


class TownOut(Schema):
    """A town, where it is in words, its clock with the time there now, and the language most read there.

    ``found_as`` is the name by which it was found.
    """

    id: int
    name: str
    found_as: str
    region: str
    country: str
    time_zone: str
    language: str
    now: datetime


class CountryOut(Schema):
    """A country by its code (ISO 3166) and its name."""

    code: str
    name: str


class TagOut(Schema):
    """A language by its tag, its own name and its English one."""

    tag: str
    own_name: str
    name: str


class TownClockOut(Schema):
    """A clock by the largest town that keeps it."""

    zone: str
    town: str
    now: datetime


class ProposedOut(Schema):
    """A value for a fact, and what pages would then say."""

    fact: str
    value: str
    says: str


class ProposalOut(Schema):
    """What a town tells of a site, and what else there is in its country."""

    town: TownOut
    language: str
    languages: list[TagOut]
    zone: str
    zones: list[TownClockOut]
    facts: list[ProposedOut]


class WallIn(Strict):
    """A time as a clock on the wall shows it: ``2026-03-29T01:30`` (ISO 8601, without an offset)."""

    wall: str = Field(max_length=40)
    zone: str = Field(max_length=60)


class WallOut(Schema):
    """The moment of a time on the wall; whether the clock skips it or shows it ``twice``, and what it is put by."""

    moment: datetime
    reading: Reading
    by_minutes: int


class ClockChangeOut(Schema):
    """A moment at which a clock is put forward; back, if ``by_minutes`` is negative."""

    at: datetime
    by_minutes: int


class ClockOut(Schema):
    """A clock: what it says now, how far it is ahead of UTC, its next change (none where it never changes).

    ``notices`` say what should be asked about it, ``usual_weekday`` which day weeks begin with where it is read.
    """

    zone: str
    now: datetime
    ahead_minutes: int
    next_change: ClockChangeOut | None
    notices: list[FieldErrorOut]
    usual_weekday: Weekday


class FormExample(Schema):
    """A form of dates or times (a UTS 35 pattern), and now in that form."""

    pattern: str
    example: str


class OwnForms(Schema):
    """What a language writes by itself."""

    long: str
    short: str
    time: str


class DateFormsOut(Schema):
    """The forms to choose from, and the language's own."""

    forms: list[FormExample]
    own: OwnForms


class CalendarOut(Schema):
    """A calendar by its BCP 47 name, its name in words, today in it; whether it is ``usual`` where readers are."""

    calendar: str
    name: str
    example: str
    usual: bool


class CalendarsOut(Schema):
    """The calendars to choose from."""

    calendars: list[CalendarOut]


class TypedIn(Strict):
    """A day, a time or both, as somebody typed them."""

    text: str = Field(max_length=MOST_TYPED)
    wanted: Wanted


class TypedOut(Schema):
    """What was understood, also in words; or what is wrong. ``at`` is a time of the day (HH:MM)."""

    day: date | None
    at: str | None
    says: str
    errors: list[FieldErrorOut]


class DateFormIn(Strict):
    """A form to look at, in a language, on a clock."""

    pattern: str
    kind: Kind
    language: str
    zone: str = "UTC"


class DateSampleOut(Schema):
    """A form on something that tries it; ``what`` says on what."""

    what: What
    text: str


class WidthOut(Schema):
    """One way to write a part, with what it gives now."""

    pattern: str
    example: str


class PartOut(Schema):
    """A part of a form: a field by its ``pattern`` with the ways to write it, or a ``text`` between fields."""

    kind: PartKind
    pattern: str
    text: str
    widths: list[WidthOut]


class PartIn(Strict):
    """A part of a form that is being built."""

    kind: PartKind
    pattern: str = Field(default="", max_length=8)
    text: str = Field(default="", max_length=30)


class PartsIn(Strict):
    """The parts of a form, in their order."""

    parts: list[PartIn] = Field(max_length=30)


class PatternOut(Schema):
    """A form as a pattern (UTS 35)."""

    pattern: str


class DateFormOut(Schema):
    """What is amiss with a form (errors), what should be thought of (notices), and how it writes now and samples.

    ``parts`` are those it is made of, ``more`` those that could be added.
    """

    errors: list[FieldErrorOut]
    notices: list[FieldErrorOut]
    now: str
    samples: list[DateSampleOut]
    parts: list[PartOut]
    more: list[PartOut]


class EventIn(Strict):
    """A schedule to look at."""

    schedule: Schedule


class EventDateOut(Schema):
    """One time that an event comes, in the site's own form."""

    day: date
    starts: datetime
    ends: datetime
    text: str


class EventOut(Schema):
    """What is amiss with a schedule (errors), what should be thought of (notices), and the next dates."""

    errors: list[FieldErrorOut]
    notices: list[FieldErrorOut]
    dates: list[EventDateOut]


class WordOut(Schema):
    """One of the site's own words: what pages say in a language, and what that means in the desk's language.

    ``is_missing`` says that the language lacks it, and English stands in.
    """

    key: str
    text: str
    meaning: str
    is_missing: bool
