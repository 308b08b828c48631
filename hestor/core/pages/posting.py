"""When a post came out, and when its words last changed, as instants on the site's own clock."""

from datetime import date, datetime, time

from hestor.core import zones


def came_out(day: date, zone: str, at: time | None = None) -> datetime:
    """The moment of posting, in ``zone`` (IANA): the beginning of its day, or a time on it.

    A time that a change of the clock leaves out is read as if the clock had not changed; of one that comes twice the
    first counts (PEP 495).
    """
    return datetime.combine(day, at or time(), zones.clock_of(zone))


def changed(day: date | None, worded: datetime | None, zone: str, at: time | None = None) -> datetime | None:
    """When the words of a page last changed for its readers: not before it came out. None where nothing tells."""
    moments = [came_out(day, zone, at)] if day else []
    if worded:
        moments.append(worded.astimezone(zones.clock_of(zone)).replace(microsecond=0))
    return max(moments, default=None)
