"""Days and times as somebody types them, read the way of a site."""

from datetime import date, datetime, time
from typing import Any

from django.http import HttpRequest
from ninja import Router

from hestor import clock, translations
from hestor.api.auth import site_for
from hestor.api.date_schemas import TypedIn, TypedOut
from hestor.api.errors import field_error
from hestor.api.schemas import ProblemOut
from hestor.core import languages, zones
from hestor.core.dates import calendars, forms, patterns, typed
from hestor.core.dates.typed import Typed, Wanted
from hestor.core.errors import Problem
from hestor.core.facts.clock import short_form, time_form
from hestor.core.facts.document import Facts
from hestor.core.roles import Action

router = Router(tags=["dates"])
_EVENING = time(18)


def _said(read: Typed, facts: Facts) -> str:
    """What was understood, in full, in the language of the desk."""
    reader = languages.read_where(translations.speaking(), facts.language)
    day = calendars.day_said(read.day, forms.own_full(reader), reader, facts.further_calendar) if read.day else ""
    at = patterns.format_clock(read.at, time_form(facts), facts.language) if read.at else ""
    return forms.joined(reader, day, at) if day and at else day or at


def _problem(wanted: Wanted, facts: Facts, today: date) -> Problem:
    example = patterns.format_day(today, short_form(facts), facts.language)
    at = patterns.format_clock(_EVENING, time_form(facts), facts.language)
    shown = {"day": example, "time": at, "moment": f"{example} {at}"}[wanted]
    return Problem("text", f"typed_{wanted}", {"example": shown, "time": at})


@router.post("/sites/{site}/dates/read", response={200: TypedOut, 404: ProblemOut, 422: ProblemOut})
def read(request: HttpRequest, site: str, given: TypedIn) -> dict[str, Any]:
    """What a day or a time means that is typed freely: numbers in the site's order, words in the languages of the desk
    and of the site, ahead of now on its clock. Nothing is kept.
    """
    facts = site_for(request, site, Action.VIEW).facts
    wall: datetime = clock.now().astimezone(zones.clock_of(facts.time_zone)).replace(tzinfo=None)
    spoken = (translations.speaking(), facts.language, translations.FALLBACK)
    found = typed.read(given.text, given.wanted, spoken, wall, typed.order_of(short_form(facts)))
    if found is None:
        problem = _problem(given.wanted, facts, wall.date())
        return {"day": None, "at": None, "says": "", "errors": [field_error(problem)]}
    at = found.at.strftime("%H:%M") if found.at else None
    return {"day": found.day, "at": at, "says": _said(found, facts), "errors": []}
