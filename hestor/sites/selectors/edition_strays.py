"""What pages of a published edition say otherwise than the house style of their time; they are only looked at."""

from collections.abc import Iterator
from dataclasses import replace
from datetime import datetime

from hestor.core import zones
from hestor.core.errors import TooMuchWork
from hestor.core.sweep import own
from hestor.core.sweep.own import OwnHouse, OwnStray
from hestor.rendering import Renderer
from hestor.sites.models import Edition, Revision, RevisionQuerySet, Site
from hestor.sites.selectors.comparison import edition as edition_of_number
from hestor.sites.selectors.consistency import Consistency, house_of, is_told, left_out, of_facts, strays_on, told_apart
from hestor.sites.selectors.unlinked import unlinked_edition

MOST_PAGES = 1_500
"""Nothing of it is kept, so that a larger one would take too long."""


def _found(site: Site, edition: Edition, pages: RevisionQuerySet, house: OwnHouse, now: datetime) -> Iterator[OwnStray]:
    facts = edition.facts_in(site.language)
    yield from of_facts(facts, house)
    yield from own.past_years(facts.footer_text, zones.day_in(facts.time_zone, now).year)
    state, unlinked = unlinked_edition(site, edition)
    renderer = Renderer(state, now)
    for revision in pages.select_related("text", "page").order_by("path"):
        yield from filter(is_told, strays_on(renderer, unlinked, revision, house))
        yield from left_out(revision)


def of_edition(site: Site, number: int, now: datetime) -> Consistency:
    """The strays of an edition. Raises NotFound, TooMuchWork."""
    edition = edition_of_number(site, number)
    pages, house = Revision.objects.in_edition_of(site, number), house_of(site, edition.facts_in(site.language))
    if pages.count() > MOST_PAGES:
        raise TooMuchWork
    # What was published is not altered, so nothing of it is mended.
    found = [replace(one, replacement=None, values={}, readings=()) for one in _found(site, edition, pages, house, now)]
    return told_apart(site, pages, house, own.grouped(found))
