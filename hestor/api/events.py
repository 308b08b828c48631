"""Events: what a schedule yields, before anything of it is kept."""

from typing import Any

from django.http import HttpRequest
from ninja import Router

from hestor import clock
from hestor.api.auth import site_for
from hestor.api.date_schemas import EventIn, EventOut
from hestor.api.errors import field_error
from hestor.api.schemas import ProblemOut
from hestor.core.events import expansion, occurrences
from hestor.core.events import schedule as schedules
from hestor.core.events.occurrences import Occurrence
from hestor.core.events.schedule import Schedule
from hestor.core.facts import clock as clock_facts
from hestor.core.facts.document import Facts
from hestor.core.roles import Action

router = Router(tags=["events"])
_MOST_DATES = 6


def _text(facts: Facts, schedule: Schedule, occurrence: Occurrence) -> str:
    """An occurrence in the site's own forms."""
    if schedule.whole_day:
        return clock_facts.day_said(facts, occurrence.start.date())
    return clock_facts.moment_said(facts, occurrence.start)


@router.post("/sites/{site}/events/check", response={200: EventOut, 404: ProblemOut, 422: ProblemOut})
def check(request: HttpRequest, site: str, given: EventIn) -> dict[str, Any]:
    """What is amiss with a schedule, what should be thought of, and the next dates that it yields."""
    facts = site_for(request, site, Action.VIEW).facts
    schedule = schedules.tidied(given.schedule)
    problems = list(schedules.problems(schedule)) or list(expansion.problems(schedule))
    if problems:
        return {"errors": [field_error(problem) for problem in problems], "notices": [], "dates": []}
    found_occurrences = occurrences.upcoming(schedule, facts.time_zone, clock.now(), _MOST_DATES)
    first = occurrences.on(schedule, schedule.starts, facts.time_zone)
    notices = [*schedules.notices(schedule), *occurrences.notices(found_occurrences or [first])]
    dates = [
        {
            "day": occurrence.day,
            "starts": occurrence.start,
            "ends": occurrence.end,
            "text": _text(facts, schedule, occurrence),
        }
        for occurrence in found_occurrences
    ]
    return {"errors": [], "notices": [field_error(notice) for notice in notices], "dates": dates}
