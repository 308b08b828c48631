"""Forms of dates and times: those to choose from, and what is amiss with one that is written."""

from datetime import datetime
from typing import Any

from django.http import HttpRequest
from ninja import Router

from hestor import clock, translations
from hestor.api.date_schemas import CalendarsOut, DateFormIn, DateFormOut, DateFormsOut, PartsIn, PatternOut
from hestor.api.errors import field_error
from hestor.api.schemas import ProblemOut
from hestor.core import zones
from hestor.core.dates import calendars, forms, parts, patterns, reckoning, samples
from hestor.core.dates.parts import Part
from hestor.core.dates.patterns import Kind
from hestor.core.errors import InvalidInput
from hestor.core.facts import rules

router = Router(tags=["dates"])
_FIELDS: dict[Kind, str] = {"date": "date_long", "time": "time_style"}


def _settled(language: str, zone: str) -> tuple[str, datetime]:
    """The language as it is kept, and the present moment on a clock. Raises InvalidInput."""
    kept, problems = rules.language("language", language)
    clocked, more = rules.time_zone("time_zone", zone)
    if problems or more:
        raise InvalidInput((*problems, *more))
    return kept, clock.now().astimezone(zones.clock_of(clocked))


@router.get("/dates/forms", response={200: DateFormsOut, 422: ProblemOut})
def choices(request: HttpRequest, kind: Kind, language: str, zone: str = "UTC") -> dict[str, Any]:
    """The forms to choose from, each by the example of now; and which the language's own are."""
    kept, now = _settled(language, zone)
    found_choices = [
        {"pattern": form, "example": patterns.format_as(now, form, kind, kept)} for form in forms.choices(kept, kind)
    ]
    own = {"long": forms.own_long(kept), "short": forms.own_short(kept), "time": forms.own_time(kept)}
    return {"forms": found_choices, "own": own}


@router.get("/dates/calendars", response={200: CalendarsOut, 422: ProblemOut})
def further_calendars(request: HttpRequest, language: str, zone: str = "UTC") -> dict[str, Any]:
    """The calendars that long dates can be said in, too: those in use where the language is at home come first."""
    kept, now = _settled(language, zone)
    found = [
        {
            "calendar": one,
            "name": translations.say(f"calendar.{one}"),
            "example": calendars.written(now.date(), one, kept),
            "usual": usual,
        }
        for one, usual in reckoning.choices(kept).items()
    ]
    return {"calendars": found}


def _part(part: Part, now: datetime, language: str) -> dict[str, Any]:
    return {**vars(part), "widths": [vars(width) for width in parts.widths_of(part.kind, now, language)]}


@router.post("/dates/build", response={200: PatternOut, 422: ProblemOut})
def build(request: HttpRequest, given: PartsIn) -> dict[str, str]:
    """The pattern of some parts in their order; ``check`` says what is amiss with it. Nothing is kept."""
    return {"pattern": parts.pattern_of(Part(part.kind, part.pattern, part.text) for part in given.parts)}


@router.post("/dates/check", response={200: DateFormOut, 422: ProblemOut})
def check(request: HttpRequest, given: DateFormIn) -> dict[str, Any]:
    """What is amiss with a form, and how it writes what tries it; now first. Nothing is kept."""
    kept, now = _settled(given.language, given.zone)
    zone = zones.read(given.zone) or "UTC"
    field = _FIELDS[given.kind]
    pattern, problems = rules.Form(given.kind)(field, given.pattern)
    usable = pattern and not problems
    return {
        "errors": [field_error(problem) for problem in problems],
        "notices": [field_error(notice) for notice in forms.notices(field, pattern, given.kind, kept)]
        if usable
        else [],
        "now": patterns.format_as(now, pattern, given.kind, kept) if usable else "",
        "parts": [_part(part, now, kept) for part in parts.parts_of(pattern)] if usable else [],
        "more": [_part(Part(kind, parts.WIDTHS[kind][0]), now, kept) for kind in parts.OF_KIND[given.kind]],
        "samples": [vars(sample) for sample in samples.samples(pattern, given.kind, kept, now, zone)] if usable else [],
    }
