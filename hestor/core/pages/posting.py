"""When a post came out, and when its words last changed, as instants on the site's own clock."""

from datetime import date, datetime, time

from hestor.core import zones


def came_out(day: date, zone: str) -> datetime:
    """The beginning of the day of posting, in ``zone`` (IANA)."""
    return datetime.combine(day, time(), zones.clock_of(zone))


def changed(day: date | None, worded: datetime | None, zone: str) -> datetime | None:
    """When the words of a page last changed for its readers: not before it came out. None where nothing tells."""
    moments = [came_out(day, zone)] if day else []
    if worded:
        moments.append(worded.astimezone(zones.clock_of(zone)).replace(microsecond=0))
    return max(moments, default=None)
