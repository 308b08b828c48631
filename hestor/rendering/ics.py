"""The site's events as a calendar file (iCalendar, RFC 5545), to be added to a calendar or subscribed to."""

from collections.abc import Sequence
from datetime import UTC, date, timedelta

import icalendar

from hestor.core.dates import local_time
from hestor.core.events import expansion, rules
from hestor.core.events.schedule import Schedule
from hestor.core.text import lines
from hestor.rendering.files import address
from hestor.rendering.frame import Frame
from hestor.rendering.response import Response
from hestor.rendering.state import Event, Page
from hestor.rendering.vtimezone import vtimezone

MEDIA_TYPE = "text/calendar; charset=utf-8"
PATH = "/events.ics"
# How long the rules of a clock are told ahead for events that go on without end; readers fetch the file again.
_YEARS_AHEAD = 6


def subscription(frame: Frame) -> str:
    """The address that a calendar is given to follow the site's events."""
    return frame.root + PATH


def _tzid(zone: str) -> str:
    """What the file calls a clock; a fixed offset has no name of its own (RFC 5545, 3.2.19)."""
    return zone if zone[:1].isalpha() else f"UTC{zone.replace(':', '')}"


def _put(made: icalendar.Event, name: str, schedule: Schedule, day: date, zone: str) -> None:
    """When an occurrence begins, as the wall shows it: each reader finds the moment by the file's own clock.

    So an event that begins in a skipped hour once keeps its hour on all other days (3.3.5).
    """
    if schedule.whole_day:
        made.add(name, day)
        return
    wall = schedule.start + (day - schedule.starts)
    if zone == "UTC":
        made.add(name, wall.replace(tzinfo=UTC))
    else:
        made.add(name, wall, parameters={"TZID": _tzid(zone)})


def _lasts(schedule: Schedule, first: date, zone: str) -> timedelta:
    """How long an event goes on. One that comes again takes as long on the wall each time, so that none ends before it
    begins; of another the moments count."""
    end, start = schedule.end, schedule.start
    if schedule.repeat:
        return end - start
    later = first - schedule.starts
    begun, ended = (local_time.resolve(wall + later, zone).moment.astimezone(UTC) for wall in (start, end))
    return ended - begun if ended > begun else end - start


def _first_day(schedule: Schedule) -> date:
    """The first day that the rule yields, exceptions or not: what DTSTART must be."""
    return next(expansion.days(schedule.model_copy(update={"without": ()}), schedule.starts), schedule.starts)


def _event(frame: Frame, event: Event) -> icalendar.Event:
    schedule, zone = event.schedule, frame.facts.time_zone
    first = _first_day(schedule)
    made = icalendar.Event()
    made.add("uid", event.identity.urn)
    made.add("dtstamp", (event.worded or frame.now).astimezone(UTC).replace(microsecond=0))
    _put(made, "dtstart", schedule, first, zone)
    if schedule.whole_day:
        made.add("dtend", first + (schedule.last_day - schedule.starts) + timedelta(days=1))
    elif schedule.end > schedule.start:
        made.add("duration", _lasts(schedule, first, zone))
    if schedule.repeat:
        made.add("rrule", rules.recurrence(schedule, schedule.repeat, zone))
        for day in schedule.without:
            _put(made, "exdate", schedule, day, zone)
    made.add("summary", lines.carried(frame.filled(event.title)))
    for name, text in (("location", schedule.place), ("description", frame.filled(event.summary))):
        if text:
            made.add(name, lines.carried(text))
    made.add("url", address(frame.state.origin, event.path))
    return made


def _zone(frame: Frame, events: Sequence[Event]) -> icalendar.Timezone | None:
    """The rules of the site's clock for as long as its events need them; none where it is UTC."""
    timed = [event.schedule for event in events if not event.schedule.whole_day]
    if not timed or frame.facts.time_zone == "UTC":
        return None
    first = min(schedule.starts for schedule in timed)
    ends = [expansion.last_day(schedule) for schedule in timed]
    last = max([end for end in ends if end] + [frame.now.date()]).year + _YEARS_AHEAD
    return vtimezone(frame.facts.time_zone, _tzid(frame.facts.time_zone), date(first.year, 1, 1), date(last, 12, 31))


def calendar(frame: Frame, events: Sequence[Event]) -> Response:
    """A calendar of events, with the rules of the clock that they are on."""
    made = icalendar.Calendar()
    made.add("prodid", "-//Hestor//Events//EN")
    made.add("version", "2.0")
    made.add("name", lines.carried(frame.facts.name))
    # Most readers know the name by this property, which is older than the standard's (RFC 7986, 5.1).
    made.add("x-wr-calname", lines.carried(frame.facts.name))
    if zone := _zone(frame, events):
        made.add_component(zone)
    for event in events:
        made.add_component(_event(frame, event))
    return Response(200, MEDIA_TYPE, made.to_ical())


def whole(frame: Frame) -> Response:
    """All events of the site."""
    return calendar(frame, frame.state.all_events())


def single(frame: Frame, page: Page) -> Response | None:
    """One event by itself; None for a page that is none."""
    if page.schedule is None:
        return None
    event = Event(page.path, page.title, page.schedule, page.summary, page.identity, page.worded)
    return calendar(frame, [event])
