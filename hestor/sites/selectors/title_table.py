"""The table of titles and descriptions of a draft: a part of it at a time, with what is amiss over all pages."""

from collections.abc import Collection, Iterator, Sequence
from dataclasses import dataclass
from datetime import datetime
from threading import Lock
from time import monotonic
from typing import Any, NamedTuple

from cachetools import LRUCache, cached

from hestor.core import zones
from hestor.core.dates import patterns
from hestor.core.facts import clock
from hestor.core.pages import descriptions, tree_keys
from hestor.core.pages.faults import House, Kind, NamedPage, Row
from hestor.core.pages.title_survey import TitleSurvey
from hestor.core.text import markdown
from hestor.sites.models import Revision, RevisionQuerySet, Site
from hestor.sites.selectors.former import said_before
from hestor.sites.selectors.page_list import Naming, naming_of, sought_in

_AT_ONCE = 500
SECONDS = 0.12
"""How long one call looks over titles; what is left is looked over by the next one."""
_SOUGHT = ("path", "title", "own_title", "summary")


class _Found(NamedTuple):
    page_id: int
    parent_id: int | None
    path: str
    kind: str
    published: Any
    title: str
    own_title: str
    menu_title: str
    summary: str
    place: str
    text__excerpt: str


def _named(naming: Naming, found: _Found, listed: str) -> NamedPage:
    excerpt = found.text__excerpt or (listed if found.kind == "news" else "")
    return NamedPage(
        found.page_id,
        found.path,
        found.title,
        found.own_title,
        found.menu_title,
        found.summary,
        markdown.filled_plain(excerpt, naming.titling.values),
        naming.section(found.page_id, found.kind),
        found.published,
    )


class _Pages:
    """The pages of a draft as the table names them, read a few at a time."""

    def __init__(self, site: Site, now: datetime) -> None:
        self._site, self._now = site, now
        drafts = Revision.objects.in_draft_of(site)
        nowhere = drafts.filter(kind="not_found").values_list("place", flat=True)
        # By places alone, so that an index tells how many there are, and which is the thousandth.
        self.drafts: RevisionQuerySet = drafts.exclude(place__in=list(nowhere))
        self.naming = naming_of(site, now, ())
        posts = self.drafts.filter(place__gte=tree_keys.POSTS).order_by("place").values_list("title", flat=True)
        self._listed = descriptions.of_list(map(self.naming.filled, posts[: descriptions.DESCRIBED_BY]))

    def house(self) -> House:
        facts, form = self._site.facts, clock.short_form(self._site.facts)
        return House(
            self.naming.titling,
            facts.description,
            said_before(self._site, "name", facts.name),
            lambda day: patterns.format_day(day, form, facts.language),
        )

    def read(self, drafts: RevisionQuerySet) -> list[NamedPage]:
        rows = [_Found(*row) for row in drafts.values_list(*_Found._fields)]
        naming = naming_of(self._site, self._now, rows)
        return [_named(naming, row, self._listed) for row in rows]

    def after(self, place: str) -> tuple[list[NamedPage], str]:
        """The next pages of the table after a place, and the place that they end at."""
        drafts = self.drafts.filter(place__gt=place).order_by("place")[:_AT_ONCE]
        places = list(drafts.values_list("place", flat=True))
        return self.read(drafts), places[-1] if places else place

    def all(self) -> Iterator[NamedPage]:
        """All pages of the table, in its order."""
        place = ""
        while True:
            pages, place = self.after(place)
            yield from pages
            if len(pages) < _AT_ONCE:
                return


class _Looking:
    """A survey of a draft's titles that is under way, and how far it came."""

    def __init__(self, site: Site, now: datetime) -> None:
        self._pages = _Pages(site, now)
        self._place = ""
        self._lock = Lock()
        self.survey = TitleSurvey(self._pages.house())

    def go_on(self, seconds: float) -> TitleSurvey:
        """Looks over more pages, for some seconds at most but at least a few; all of them, if there is time."""
        until = monotonic() + seconds
        with self._lock:
            while not self.survey.is_whole:
                pages, self._place = self._pages.after(self._place)
                self.survey.look(pages)
                if len(pages) < _AT_ONCE:
                    self.survey.finish()
                if monotonic() >= until:
                    break
        return self.survey


_LOOKING: LRUCache[Any, _Looking] = LRUCache(4)


def _key(site: Site, now: datetime) -> tuple[Any, ...]:
    return (site.pk, site.pages_revision, site.facts.model_dump_json(), zones.day_in(site.facts.time_zone, now))


# The number of writes to a site's pages stands for the pages, so what is kept never goes stale.
@cached(_LOOKING, key=_key, lock=Lock())
def _looking(site: Site, now: datetime) -> _Looking:
    return _Looking(site, now)


def survey_of(site: Site, now: datetime, seconds: float | None = None) -> TitleSurvey:
    """What is amiss over all titles, as far as it was looked for; each call looks further."""
    return _looking(site, now).go_on(SECONDS if seconds is None else seconds)


def whole_survey_of(site: Site, now: datetime) -> TitleSurvey:
    """What is amiss over all titles, once all of them were looked over, however long that takes."""
    return survey_of(site, now, float("inf"))


@dataclass(frozen=True)
class TitleWindow:
    """A part of the table: its rows, and how many the whole has that was asked for."""

    rows: Sequence[Row]
    count: int


def title_window(
    site: Site, now: datetime, start: int, count: int, sought: str = "", fault: Kind | None = None
) -> TitleWindow:
    """``count`` rows from number ``start`` on, in the order of the tree, then the posts, newest first.

    They are of all pages, of those that have words that are ``sought``, or of those known so far to have a ``fault``.
    """
    pages, survey = _Pages(site, now), survey_of(site, now)
    having = survey.pages_with(fault) if fault else None
    if sought.strip():
        drafts = sought_in(pages.drafts, sought, _SOUGHT, pages.naming.titling.values)
        wanted = drafts.order_by("place").values_list("page_id", flat=True)
        within = None if having is None else set(having)
        having = [page for page in wanted if within is None or page in within]
    if having is not None:
        return TitleWindow(_rows_of(pages, survey, having[start : start + count]), len(having))
    part = pages.drafts.order_by("place").values_list("page_id", flat=True)[start : start + count]
    return TitleWindow(_rows_of(pages, survey, list(part)), pages.drafts.count())


def _rows_of(pages: _Pages, survey: TitleSurvey, wanted: Sequence[int]) -> list[Row]:
    found: list[NamedPage] = []
    for first in range(0, len(wanted), _AT_ONCE):
        part = pages.drafts.filter(page_id__in=wanted[first : first + _AT_ONCE]).order_by("place")
        found += pages.read(part)
    return [survey.row(page) for page in found]


def rows_for(site: Site, wanted: Collection[int], now: datetime) -> list[Row]:
    """The rows of some pages."""
    return _rows_of(_Pages(site, now), survey_of(site, now), sorted(wanted))


def rows_with(site: Site, now: datetime, *kinds: Kind) -> Iterator[Row]:
    """The rows of all pages that have one of some faults, a few at a time."""
    pages, survey = _Pages(site, now), whole_survey_of(site, now)
    having = survey.pages_with(*kinds)
    for first in range(0, len(having), _AT_ONCE):
        yield from _rows_of(pages, survey, having[first : first + _AT_ONCE])


def every_row(site: Site, now: datetime) -> Iterator[Row]:
    """All rows, a few at a time."""
    pages, survey = _Pages(site, now), survey_of(site, now, 0)
    return map(survey.row, pages.all())


def every_page(site: Site, now: datetime) -> Iterator[NamedPage]:
    """All pages as the table names them, a few at a time."""
    return _Pages(site, now).all()


def clear_caches() -> None:
    """Empties the cache, as after another database was put in place."""
    _LOOKING.clear()
