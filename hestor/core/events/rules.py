"""A rule of repetition in the words of the standards: iCalendar (RFC 5545, 3.3.10) and schema.org Schedule."""

from datetime import UTC, date, datetime, time
from typing import Any

from hestor.core.dates import local_time
from hestor.core.events.schedule import Repeat, Schedule

_DAYS = {"mon": "MO", "tue": "TU", "wed": "WE", "thu": "TH", "fri": "FR", "sat": "SA", "sun": "SU"}
_CODES = tuple(_DAYS.values())
_PERIODS = {"weekly": "W", "yearly": "Y"}


def _by(schedule: Schedule, repeat: Repeat) -> dict[str, Any]:
    starts = schedule.starts
    code = _CODES[starts.weekday()]
    if repeat.unit == "weekly":
        return {"FREQ": "WEEKLY", "BYDAY": [_DAYS[day] for day in repeat.weekdays] or [code], "WKST": "MO"}
    if repeat.unit == "yearly":
        return {"FREQ": "YEARLY", "BYMONTH": starts.month, "BYMONTHDAY": starts.day}
    if repeat.unit == "monthly_date":
        return {"FREQ": "MONTHLY", "BYMONTHDAY": starts.day}
    return {"FREQ": "MONTHLY", "BYDAY": f"{schedule.nth_weekday}{code}"}


def _until(schedule: Schedule, until: date, zone: str) -> date | datetime:
    """The end in UTC where the event is at a time of a zone, else a day."""
    if schedule.whole_day:
        return until
    return local_time.resolve(datetime.combine(until, time(23, 59, 59)), zone).moment.astimezone(UTC)


def recurrence(schedule: Schedule, repeat: Repeat, zone: str) -> dict[str, Any]:
    """The parts of an RRULE by their names."""
    rule = _by(schedule, repeat)
    if repeat.every > 1:
        rule["INTERVAL"] = repeat.every
    if repeat.until:
        rule["UNTIL"] = _until(schedule, repeat.until, zone)
    return rule


def schedule_record(schedule: Schedule, repeat: Repeat, zone: str) -> dict[str, Any]:
    """A schema.org Schedule: days and times on the wall of a zone."""
    by = _by(schedule, repeat)
    days = by.get("BYDAY", [])
    found: dict[str, Any] = {
        "@type": "Schedule",
        "repeatFrequency": f"P{repeat.every}{_PERIODS.get(repeat.unit, 'M')}",
        "startDate": schedule.starts.isoformat(),
        "scheduleTimezone": zone,
    }
    if days:
        found["byDay"] = days
    if "BYMONTHDAY" in by:
        found["byMonthDay"] = by["BYMONTHDAY"]
    if "BYMONTH" in by:
        found["byMonth"] = by["BYMONTH"]
    if repeat.until:
        found["endDate"] = repeat.until.isoformat()
    if schedule.starts_at:
        found["startTime"] = schedule.starts_at.isoformat()
        found["endTime"] = (schedule.ends_at or schedule.starts_at).isoformat()
    if schedule.without:
        found["exceptDate"] = [day.isoformat() for day in schedule.without]
    return found
