"""When an event is, in the forms of a site, with the same moments for machines."""

from collections.abc import Sequence
from dataclasses import dataclass

from hestor.core.events import occurrences
from hestor.core.events.occurrences import Occurrence
from hestor.core.events.schedule import Schedule
from hestor.rendering.frame import Frame

_MOST_DATES = 6


@dataclass(frozen=True)
class Stamp:
    """A day or a moment: in words, for machines (HTML, 4.5.14), and whether it is a moment on a clock."""

    text: str
    iso: str
    is_moment: bool = False


@dataclass(frozen=True)
class When:
    """What an event's page says of its time: the stamps of one occurrence, and the days of the next ones."""

    stamps: Sequence[Stamp]
    further: Sequence[Stamp]
    place: str
    is_over: bool


def stamps(frame: Frame, schedule: Schedule, occurrence: Occurrence) -> list[Stamp]:
    """From when to when an occurrence is; of whole days, the first and the last one."""
    if schedule.whole_day:
        days = dict.fromkeys((occurrence.day, occurrence.last_day))
        return [Stamp(frame.day(day), day.isoformat()) for day in days]
    begun = Stamp(frame.moment(occurrence.start), occurrence.start.isoformat(), True)
    if occurrence.end <= occurrence.start:
        return [begun]
    same_day = occurrence.end.date() == occurrence.start.date()
    return [
        begun,
        Stamp(
            frame.clock(occurrence.end) if same_day else frame.moment(occurrence.end), occurrence.end.isoformat(), True
        ),
    ]


def shown(frame: Frame, schedule: Schedule) -> When:
    """The next occurrence with those after it; of an event that is over, the one that was."""
    zone = frame.facts.time_zone
    ahead = occurrences.upcoming(schedule, zone, frame.now, _MOST_DATES + 1)
    first = ahead[0] if ahead else occurrences.last(schedule, zone, frame.now)
    further = [Stamp(frame.day(occurrence.day), occurrence.day.isoformat()) for occurrence in ahead[1:]]
    return When(stamps(frame, schedule, first), further, schedule.place, not ahead)
