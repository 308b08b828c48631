"""What the calls about clocks, dates and times take and give."""

from datetime import datetime

from ninja import Schema

from hestor.api.schemas import FieldErrorOut, Strict
from hestor.core.dates.patterns import Kind
from hestor.core.dates.samples import What


class ClockChangeOut(Schema):
    """A moment at which a clock is put forward; back, if ``by_minutes`` is negative."""

    at: datetime
    by_minutes: int


class ClockOut(Schema):
    """A clock: what it says now, how far it is ahead of UTC, and its next change; none where it never changes."""

    zone: str
    now: datetime
    ahead_minutes: int
    next_change: ClockChangeOut | None


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


class DateFormOut(Schema):
    """What is amiss with a form (errors), what should be thought of (notices), and how it writes now and samples."""

    errors: list[FieldErrorOut]
    notices: list[FieldErrorOut]
    now: str
    samples: list[DateSampleOut]
