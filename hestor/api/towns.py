"""Towns, by which a clock is chosen, and what clocks do."""

from zoneinfo import ZoneInfo

from django.http import HttpRequest
from ninja import Router

from hestor import clock
from hestor.api.date_schemas import ClockOut
from hestor.api.schemas import ProblemOut, TownOut
from hestor.core import languages, zones
from hestor.core.errors import InvalidInput
from hestor.core.facts import document
from hestor.towns.selectors import find

router = Router(tags=["towns"])


@router.get("/towns", response=list[TownOut])
def search(request: HttpRequest, q: str) -> list[TownOut]:
    """The largest towns whose name begins with ``q``."""
    return [
        TownOut(
            id=town.pk,
            name=town.name,
            country=languages.country_name(town.country),
            time_zone=town.time_zone,
            language=languages.of_country(town.country),
        )
        for town in find(q)
    ]


@router.get("/clock", response={200: ClockOut, 422: ProblemOut})
def clock_of(request: HttpRequest, zone: str) -> dict[str, object]:
    """What a clock says now, how far it is from UTC, and when it is put forward or back next."""
    kept, problems = document.check("time_zone", zone)
    if problems:
        raise InvalidInput(problems)
    now = clock.now()
    change = zones.next_change(kept, now)
    return {
        "zone": kept,
        "now": now.astimezone(ZoneInfo(kept)),
        "ahead_minutes": round(zones.offset(kept, now).total_seconds() / 60),
        "next_change": change and {"at": change.at, "by_minutes": round(change.by.total_seconds() / 60)},
    }
