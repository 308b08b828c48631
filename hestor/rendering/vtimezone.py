"""The rules of a clock for a calendar file (iCalendar VTIMEZONE, RFC 5545, 3.6.5)."""

from datetime import UTC, date, datetime, time, timedelta

import icalendar

from hestor.core import zones

_Kind = tuple[timedelta, timedelta]


def _part(kind: _Kind, onsets: list[datetime], name: str) -> icalendar.cal.Component:
    """One offset with all moments at which it begins, on the clock as it was just before (3.6.5, DTSTART)."""
    before, after = kind
    made = icalendar.TimezoneDaylight() if after > before else icalendar.TimezoneStandard()
    made.add("dtstart", onsets[0])
    for later in onsets[1:]:
        made.add("rdate", later)
    made.add("tzoffsetfrom", before)
    made.add("tzoffsetto", after)
    made.add("tzname", name)
    return made


def vtimezone(zone: str, name: str, first: date, last: date) -> icalendar.Timezone:
    """The clock of a kept zone with its changes from a day to another, under a ``name``."""
    clock = zones.clock_of(zone)
    at = datetime.combine(first, time(), UTC)
    now = zones.offset(zone, at)
    kinds: dict[_Kind, list[datetime]] = {(now, now): [datetime.combine(first, time())]}
    names = {(now, now): str(at.astimezone(clock).tzname())}
    while (change := zones.next_change(zone, at)) and change.at.date() <= last:
        at, kind = change.at, (now, now + change.by)
        kinds.setdefault(kind, []).append((at + now).replace(tzinfo=None))
        names[kind] = str(at.astimezone(clock).tzname())
        now += change.by
    made = icalendar.Timezone()
    made.add("tzid", name)
    for kind, onsets in kinds.items():
        made.add_component(_part(kind, onsets, names[kind]))
    return made
