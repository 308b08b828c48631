"""Towns, by which a clock and a language are chosen, and what clocks do."""

from datetime import datetime
from typing import Any

from django.http import HttpRequest
from ninja import Router

from hestor import clock, translations
from hestor.api.date_schemas import ClockOut, CountryOut, ProposalOut, TownOut, WallIn, WallOut
from hestor.api.errors import field_error
from hestor.api.schemas import ProblemOut
from hestor.core import languages, zones
from hestor.core.dates import local_time
from hestor.core.errors import InvalidInput, NotFound
from hestor.core.facts import document, proposal
from hestor.core.text.names import plain
from hestor.towns import selectors
from hestor.towns.selectors import Found

router = Router(tags=["towns"])


def _town(found: Found, now: datetime) -> TownOut:
    town = found.town
    return TownOut(
        id=town.pk,
        name=town.name,
        found_as=found.name,
        region="" if plain(town.region) == plain(town.name) else town.region,
        country=languages.country_name(town.country, translations.speaking()),
        time_zone=town.time_zone,
        language=languages.of_country(town.country),
        now=now.astimezone(zones.clock_of(town.time_zone)),
    )


@router.get("/towns", response=list[TownOut])
def search(request: HttpRequest, q: str, country: str = "") -> list[TownOut]:
    """The largest towns whose name, in any language, begins with ``q``; where none does, those nearly so.

    With a ``country`` (ISO 3166) only its towns; then all of its largest, where ``q`` is empty.
    """
    now = clock.now()
    return [_town(found, now) for found in selectors.find(q, country)]


@router.get("/countries", response=list[CountryOut])
def countries(request: HttpRequest) -> list[CountryOut]:
    """The countries that have towns, by their names."""
    reader = translations.speaking()
    offered = [CountryOut(code=code, name=languages.country_name(code, reader)) for code in selectors.countries()]
    return sorted(offered, key=lambda country: country.name.casefold())


@router.get("/towns/{int:town}/proposal", response={200: ProposalOut, 404: ProblemOut, 422: ProblemOut})
def propose(request: HttpRequest, town: int, language: str = "", zone: str = "") -> dict[str, Any]:
    """What a town tells of a site: a language, a clock, forms of dates; and what else there is in its country."""
    found = selectors.town(town) if town < 2**63 else None
    if found is None:
        raise NotFound
    now = clock.now()
    spoken = _kept("language", proposal.language_for(found.country, language))
    kept = _kept("time_zone", zone or found.time_zone)
    return {
        "town": _town(Found(found, found.name), now),
        "language": spoken,
        "languages": [
            {"tag": tag, "own_name": languages.own_name(tag), "name": languages.name_in(tag, translations.speaking())}
            for tag in proposal.languages_for(found.country)
        ],
        "zone": kept,
        "zones": [
            {"zone": one, "town": largest, "now": now.astimezone(zones.clock_of(one))}
            for one, largest in selectors.zones_of(found.country)
        ],
        "facts": [vars(one) for one in proposal.proposed(spoken, kept, now)],
    }


def _kept(key: str, value: str) -> str:
    kept, problems = document.check(key, value)
    if problems:
        raise InvalidInput(problems)
    return str(kept)


@router.get("/clock", response={200: ClockOut, 422: ProblemOut})
def clock_of(request: HttpRequest, zone: str, language: str = "") -> dict[str, object]:
    """What a clock says now, how far it is from UTC, when it is put forward or back next.

    With a ``language``: what should be asked about that clock where its readers are at home.
    """
    kept = _kept("time_zone", zone)
    spoken = _kept("language", language) if language else ""
    now = clock.now()
    change = zones.next_change(kept, now)
    notices = proposal.notices(kept, spoken, now) if spoken else ()
    return {
        "zone": kept,
        "now": now.astimezone(zones.clock_of(kept)),
        "ahead_minutes": round(zones.offset(kept, now).total_seconds() / 60),
        "next_change": change and {"at": change.at, "by_minutes": round(change.by.total_seconds() / 60)},
        "notices": [field_error(notice) for notice in notices],
        "usual_weekday": languages.first_weekday(spoken) if spoken else "mon",
    }


@router.post("/clock/wall", response={200: WallOut, 422: ProblemOut})
def wall_time(request: HttpRequest, given: WallIn) -> dict[str, object]:
    """The moment of a time on the wall; one that the clock skips or shows twice is explained."""
    kept = _kept("time_zone", given.zone)
    found_wall_time = local_time.read("wall", given.wall, kept)
    return {
        "moment": found_wall_time.moment,
        "reading": found_wall_time.reading,
        "by_minutes": round(found_wall_time.by.total_seconds() / 60),
    }
