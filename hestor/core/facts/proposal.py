"""What a town tells of a site: its language, its clock, and how it writes dates and times. Nothing of it is binding."""

from collections.abc import Iterator
from dataclasses import dataclass
from datetime import datetime

from hestor.core import languages, zones
from hestor.core.dates import forms, offsets, patterns
from hestor.core.errors import Param, Problem

MOST_LANGUAGES = 8


@dataclass(frozen=True)
class Proposed:
    """A value for a fact, and what pages would then say, in the language that is proposed."""

    fact: str
    value: str
    says: str


def language_for(country: str, wanted: str = "") -> str:
    """The language to propose: the one that is ``wanted``, else the likeliest of a country (ISO 3166)."""
    return wanted if wanted and languages.is_known(wanted) else languages.of_country(country)


def languages_for(country: str) -> tuple[str, ...]:
    """The languages that sites of a country are likely written in, the likeliest first."""
    return languages.read_in(country)[:MOST_LANGUAGES]


def proposed(language: str, zone: str, now: datetime) -> tuple[Proposed, ...]:
    """What follows from a language and a clock, by the example of ``now``: the language's own forms."""
    here = now.astimezone(zones.clock_of(zone))
    weekday = languages.first_weekday(language)
    return (
        Proposed("language", language, languages.own_name(language)),
        Proposed("time_zone", zone, patterns.format_clock(here, forms.own_time(language), language)),
        Proposed("date_long", "", patterns.format_day(here.date(), forms.own_long(language), language)),
        Proposed("date_short", "", patterns.format_day(here.date(), forms.own_short(language), language)),
        Proposed("time_style", "", patterns.format_clock(here, forms.own_time(language), language)),
        Proposed("first_weekday", "", languages.weekday_name(weekday, language)),
    )


def _cost(zone: str, country: str, now: datetime) -> Iterator[Problem]:
    """What a fixed offset costs where the site's readers are at home."""
    problems = (offsets.cost(zone, one, now) for one in zones.of_country(country))
    cost = min((problem for problem in problems if problem), key=lambda one: (one.days, abs(one.minutes)), default=None)
    if cost and all(offsets.cost(zone, one, now) for one in zones.of_country(country)):
        params: dict[str, Param] = {"days": cost.days, "minutes": abs(cost.minutes), "zone": cost.zone}
        yield Problem("time_zone", "zone_fixed", params)


def notices(zone: str, language: str, now: datetime) -> tuple[Problem, ...]:
    """What should be asked about a clock beside a language; nothing of it is wrong in itself."""
    country = languages.with_country(language).rpartition("_")[2]
    if not country:
        return ()
    if zones.is_fixed(zone):
        return tuple(_cost(zone, country, now))
    kept_in = zones.countries().get(zone, ())
    # A language without a country is at home wherever it is read.
    if not kept_in or country in kept_in or not languages.locale_of(language).territory:
        return ()
    params: dict[str, Param] = {
        "zone": zone,
        "kept_in": languages.country_name(kept_in[0]),
        "country": languages.country_name(country),
    }
    return (Problem("time_zone", "zone_elsewhere", params),)
