"""What a fixed offset costs: where, and for how much of a year, a clock that follows summer time says otherwise."""

from dataclasses import dataclass
from datetime import datetime, timedelta

from hestor.core import zones

_YEAR = 365


@dataclass(frozen=True)
class Cost:
    """On ``days`` of the coming year a fixed offset is ``minutes`` off from a zone's clock (ahead, if positive)."""

    zone: str
    days: int
    minutes: int


def cost(fixed: str, zone: str, now: datetime) -> Cost | None:
    """How far a fixed offset is off from the clock of ``zone`` in the year from ``now`` on; None if it never is.

    Where it is off by more than one amount, the one that it is off on most days is said.
    """
    ahead = zones.offset(fixed, now)
    days: dict[timedelta, int] = {}
    for day in range(_YEAR):
        off = ahead - zones.offset(zone, now + timedelta(days=day))
        days[off] = days.get(off, 0) + 1
    wrong = {off: count for off, count in days.items() if off}
    if not wrong:
        return None
    most = max(wrong, key=lambda off: wrong[off])
    return Cost(zone, wrong[most], round(most.total_seconds() / 60))
