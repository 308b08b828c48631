"""Finding a town or a language as its name is typed, and what a town tells of a site."""

import unicodedata

from django.db.models import Q

from hestor.core import languages
from hestor.core.errors import InvalidInput, Problem
from hestor.towns.models import Language, Town


def plain(name: str) -> str:
    """A name as it is searched: no accents, small letters, single spaces; other scripts as they are."""
    split = unicodedata.normalize("NFKD", name.casefold())
    return " ".join("".join(c for c in split if not unicodedata.combining(c)).split())


def find(typed: str, most: int = 8) -> list[Town]:
    """The largest towns whose name begins with what was typed."""
    begin = plain(typed)
    if not begin:
        return []
    # A range instead of LIKE, which SQLite can't answer from an index when the pattern is a parameter.
    found = Town.objects.filter(plain__gte=begin, plain__lt=begin + "\U0010ffff")
    return list(found.order_by("-population")[:most])


def find_languages(typed: str, most: int = 8) -> list[Language]:
    """Languages whose tag, own name or English name begins with what was typed; the widest spoken form first."""
    begin = typed.strip().casefold()
    if not begin:
        return []
    end = begin + "\U0010ffff"
    keys = ("tag_key", "own_key", "name_key")
    any_key = Q()
    for key in keys:
        any_key |= Q(**{f"{key}__gte": begin, f"{key}__lt": end})
    found = Language.objects.filter(any_key)
    return sorted(found, key=lambda language: (len(language.tag), language.name))[:most]


def facts_from(town_id: int) -> dict[str, str]:
    """The facts that a town tells of a new site: its clock and its language. Raises InvalidInput."""
    town = Town.objects.filter(pk=town_id).first()
    if town is None:
        raise InvalidInput([Problem("town", "town_unknown")])
    return {"time_zone": town.time_zone, "language": languages.of_country(town.country)}
