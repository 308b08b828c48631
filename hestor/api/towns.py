"""Towns, by which a clock is chosen."""

from django.http import HttpRequest
from ninja import Router

from hestor.api.schemas import TownOut
from hestor.core import languages
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
