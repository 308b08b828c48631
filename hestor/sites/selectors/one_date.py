"""A state whose pages all carry one and the same date, for finding out where the forms of dates land.

In which form a page says its date is the same question for every page; whether two forms happen to look alike depends
on the day ("May" is as long in short). So reach is found on one date on which no two forms look alike.
"""

from collections.abc import Sequence
from dataclasses import replace
from datetime import UTC, date, datetime, time

from hestor.core.events.month import Month
from hestor.core.events.schedule import Repeat, Schedule
from hestor.core.text import fillins
from hestor.rendering.state import Event, Page
from hestor.sites.selectors.states import StoredState

# A Wednesday of a long month with a day of two digits; in the afternoon, and in summer in the north.
DAY = date(2026, 9, 23)
MOMENT = datetime(2026, 9, 23, 16, 45, tzinfo=UTC)


# Comes every month, so that the present one and those ahead show it.
_SCHEDULE = Schedule(starts=DAY, repeat=Repeat(unit="monthly_date"))
_BEGINS, _ENDS = time(16, 45), time(18, 5)


def _scheduled(schedule: Schedule) -> Schedule:
    """The same on one date: whole days stay whole days, and what has a place keeps it."""
    timed = {} if schedule.whole_day else {"starts_at": _BEGINS, "ends_at": _ENDS}
    return _SCHEDULE.model_copy(update={"place": schedule.place, **timed})


def _kind_of(event: Event) -> tuple[object, ...]:
    """The traits of an event that decide which facts show where it is listed."""
    shown = event.schedule.whole_day, bool(event.schedule.place)
    return (fillins.used(event.title), fillins.used(event.summary), bool(event.summary), *shown)


def _dated(page: Page) -> Page:
    return replace(
        page,
        published=page.published and DAY,
        worded=page.worded and MOMENT,
        schedule=page.schedule and _scheduled(page.schedule),
    )


def with_one_date(state: StoredState) -> StoredState:
    """The same state, with every date in it replaced by one."""
    page, children, posts, around = state.page, state.children, state.posts, state.around
    events, months = state.events, state.post_months

    def one(path: str) -> Page | None:
        found_page = page(path)
        return found_page and _dated(found_page)

    def below(path: str) -> Sequence[Page]:
        return [_dated(child) for child in children(path)]

    def listed(start: int, count: int) -> Sequence[Page]:
        return [_dated(post) for post in posts(start, count)]

    def planned(first: date, last: date) -> Sequence[Event]:
        # All that there are, whenever they are; one of each kind shows all that is shown of them.
        kinds = {_kind_of(event): event for event in reversed(events(date.min, date.max))}
        return [replace(event, schedule=_scheduled(event.schedule)) for event in kinds.values()]

    # Which posts are beside one is told by its own day.
    state.around = lambda post: around(page(post.path) or post)
    state.page, state.children, state.posts = one, below, listed
    state.events = planned
    state.post_months = lambda: [(Month(DAY.year, DAY.month), count) for _, count in months()[:1]]
    return state
