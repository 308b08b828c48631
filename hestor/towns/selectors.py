"""Finding a town or a language as its name is typed."""

from collections.abc import Iterable, Iterator
from dataclasses import dataclass
from itertools import islice
from math import log10
from typing import NamedTuple

from django.db.models import Count, F, QuerySet
from rapidfuzz.distance import OSA

from hestor.core import languages
from hestor.core.errors import InvalidInput, Problem
from hestor.core.text.names import HEAD, plain, slips
from hestor.towns.models import Language, LargestTown, Town, TownName

SHOWN = 8
MOST_READ = 100
"""A search reads no more names than this with one beginning; where more have it, the largest towns are known."""

_END = "\U0010ffff"
_LONGEST = 60
_MOST_SLIPS = 400
# What it weighs that a name is the one that was typed, in powers of ten of people.
_WHOLE, _MAIN = 1.5, 1.0


@dataclass(frozen=True)
class Found:
    """A town, and the name by which it was found."""

    town: Town
    name: str


class _Named(NamedTuple):
    """A name of a town as it is looked through: thousands of them may be, so they are no objects of their own."""

    key: str
    name: str
    town: int
    population: int
    main: str


_READ = ("key", "name", "town_id", "town__population", "town__name")


def _read(names: QuerySet[TownName]) -> Iterator[_Named]:
    return (_Named(*row) for row in names.values_list(*_READ).iterator())


def _begun(begin: str) -> Iterable[_Named]:
    largest = LargestTown.objects.filter(begin=begin).order_by("rank")
    if known := [_Named(*row) for row in largest.values_list(*(f"found__{name}" for name in _READ))]:
        whole = TownName.objects.filter(key=begin).order_by("-town__population")
        return (*known, *_read(whole[:SHOWN]))
    # A range instead of LIKE, which SQLite can't answer from an index when the pattern is a parameter.
    return _read(TownName.objects.filter(key__gte=begin, key__lt=begin + _END))


def weight(population: int, is_main: bool) -> float:
    """How near the front a town belongs, found by its main name or by another one."""
    return log10(population + 500) + (_MAIN if is_main else 0)


def _weight(found: _Named, typed: str) -> float:
    own = weight(found.population, found.name == found.main)
    return own + (_WHOLE if found.key == typed else 0)


def _slipped(typed: str) -> dict[_Named, int]:
    """Names that begin nearly as was typed, with how many slips they are away."""
    heads = {slip[:HEAD] for slip in islice(slips(typed[:HEAD]), _MOST_SLIPS)} | {typed[:HEAD]}
    most = 1 if len(typed) <= HEAD else 2
    found: dict[_Named, int] = {}
    for row in _read(TownName.objects.filter(head__in=heads)):
        away = min(OSA.distance(typed, row.key[: len(typed) + more], score_cutoff=most) for more in (-1, 0, 1))
        if away <= most:
            found[row] = away
    return found


def find(typed: str, country: str = "") -> list[Found]:
    """Towns whose name, in any language, begins with what was typed; the largest first. Where none does: nearly so.

    With a ``country`` (ISO 3166) only its towns; then all of its largest, where nothing is typed.
    """
    begin = plain(typed[:_LONGEST])
    if country:
        return _in_country(begin, country)
    if not begin:
        return []
    named = list(_begun(begin))
    if named:
        ordered = sorted(named, key=lambda one: -_weight(one, begin))
    else:
        away = _slipped(begin) if len(begin) > 2 else {}
        ordered = sorted(away, key=lambda one: (away[one], -_weight(one, begin)))
    return _each_once(ordered)


def _in_country(begin: str, country: str) -> list[Found]:
    if not begin:
        largest = Town.objects.filter(country=country).order_by("-population")[:SHOWN]
        return [Found(town, town.name) for town in largest]
    named = TownName.objects.filter(town__country=country, key__gte=begin, key__lt=begin + _END)
    return _each_once(_read(named.order_by("-town__population")[: 4 * SHOWN]))


def _each_once(names: Iterable[_Named]) -> list[Found]:
    name_of_town: dict[int, str] = {}
    for each_name in names:
        name_of_town.setdefault(each_name.town, each_name.name)
        if len(name_of_town) == SHOWN:
            break
    towns = Town.objects.in_bulk(name_of_town)
    return [Found(towns[town], name) for town, name in name_of_town.items()]


def town(town_id: int) -> Town | None:
    """The town of a number."""
    return Town.objects.filter(pk=town_id).first()


def facts_from(town_id: int) -> dict[str, str]:
    """The facts that a town tells of a new site: its clock and its language. Raises InvalidInput."""
    found_town = town(town_id)
    if found_town is None:
        raise InvalidInput([Problem("town", "town_unknown")])
    return {"time_zone": found_town.time_zone, "language": languages.of_country(found_town.country)}


def zones_of(country: str) -> list[tuple[str, str]]:
    """The clocks that are kept in a country, each with its largest town; that of most towns first."""
    rows = (
        Town.objects.filter(country=country)
        .values("time_zone")
        .annotate(towns=Count("pk"))
        .order_by("-towns", "time_zone")
    )
    zones = []
    for zone in rows.values_list("time_zone", flat=True):
        largest = Town.objects.filter(country=country, time_zone=zone).order_by(F("population").desc()).first()
        zones.append((zone, largest.name if largest else ""))
    return zones


def countries() -> list[str]:
    """The countries (ISO 3166) that have towns."""
    return list(Town.objects.order_by("country").values_list("country", flat=True).distinct())


def find_languages(typed: str, most: int = 8) -> list[Language]:
    """Languages whose tag or name, in themselves or in a language of the desk, begins with what was typed.

    The widest spoken form comes first.
    """
    begin = typed.strip().casefold()[:_LONGEST]
    if not begin:
        return []
    keys = {begin, plain(begin)} - {""}
    found_languages: dict[str, Language] = {}
    for key in keys:
        for language in Language.objects.filter(names__key__gte=key, names__key__lt=key + _END):
            found_languages[language.tag] = language
    return sorted(found_languages.values(), key=lambda language: (len(language.tag), language.name))[:most]
