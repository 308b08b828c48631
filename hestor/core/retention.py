"""Which daily copies are kept: the newest of each of the last days, weeks and months that have one."""

from collections.abc import Callable, Hashable, Iterable
from datetime import datetime

DAYS, WEEKS, MONTHS = 7, 4, 12
ASKED = 3
"""So many of those that were made for a reason of their own, as before an upgrade, are kept however old they are."""


def _newest(moments: list[datetime], key: Callable[[datetime], Hashable], most: int) -> set[datetime]:
    newest: dict[Hashable, datetime] = {}
    for moment in moments:
        newest.setdefault(key(moment), moment)
    return set(list(newest.values())[:most])


def kept(moments: Iterable[datetime], asked: Iterable[datetime] = ()) -> frozenset[datetime]:
    """Of copies made at ``moments``, those to keep: of 7 days, 4 ISO weeks and 12 months the newest each.

    Of those among them that were ``asked`` for the three newest are kept besides. Days without a copy do not count, so
    that a server that stood still for a month loses none by starting again.
    """
    falling = sorted(moments, reverse=True)
    days = _newest(falling, lambda at: at.date(), DAYS)
    weeks = _newest(falling, lambda at: at.isocalendar()[:2], WEEKS)
    months = _newest(falling, lambda at: (at.year, at.month), MONTHS)
    return frozenset(days | weeks | months | set(sorted(asked, reverse=True)[:ASKED]))
