"""Times as a clock on the wall shows them, and the moments that they are.

A clock that is put forward skips some times, and one that is put back shows some twice. The rule is that of RFC 5545,
3.3.5: a time that is skipped is read by the offset before the change (so it lands as much later as the clock was put
forward), and of a time that comes twice the first one is meant.
"""

from dataclasses import dataclass
from datetime import UTC, datetime, timedelta
from typing import Literal

from hestor.core import zones
from hestor.core.errors import InvalidInput, Problem

Reading = Literal["plain", "skipped", "twice"]


@dataclass(frozen=True)
class Resolved:
    """A wall time as a moment (which knows its zone), how it was read, and by how much the clock is changed there."""

    moment: datetime
    reading: Reading
    by: timedelta = timedelta()


def read(key: str, wall: str, zone: str) -> Resolved:
    """A time on the wall as it is written (ISO 8601, without an offset), to the minute. Raises InvalidInput."""
    try:
        return resolve(datetime.fromisoformat(wall).replace(second=0, microsecond=0), zone)
    except (ValueError, OverflowError) as error:
        raise InvalidInput([Problem(key, "wall_time")]) from error


def resolve(wall: datetime, zone: str) -> Resolved:
    """The moment of a time on the wall (without a zone of its own) in ``zone``. Raises ValueError for other times."""
    if wall.tzinfo is not None:
        raise ValueError("a time on the wall has no zone of its own")
    clock = zones.clock_of(zone)
    first = wall.replace(tzinfo=clock, fold=0)
    before, after = (wall.replace(tzinfo=clock, fold=fold).utcoffset() or timedelta() for fold in (0, 1))
    if before == after:
        return Resolved(first, "plain")
    if after < before:
        return Resolved(first, "twice", after - before)
    # With the offset before the change the moment lies after it; shown there it is a time that exists.
    moment = (wall - before).replace(tzinfo=UTC).astimezone(clock)
    return Resolved(moment, "skipped", after - before)
