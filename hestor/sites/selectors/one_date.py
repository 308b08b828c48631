"""A state whose pages all carry one and the same date, for finding out where the forms of dates land.

In which form a page says its date is the same question for every page; whether two forms happen to look alike depends
on the day ("May" is as long in short). So reach is found on one date on which no two forms look alike.
"""

from collections.abc import Sequence
from dataclasses import replace
from datetime import UTC, date, datetime

from hestor.press.state import Page
from hestor.sites.selectors.states import StoredState

# A Wednesday of a long month with a day of two digits; in the afternoon, and in summer in the north.
DAY = date(2026, 9, 23)
MOMENT = datetime(2026, 9, 23, 16, 45, tzinfo=UTC)


def _dated(page: Page) -> Page:
    return replace(page, published=page.published and DAY, worded=page.worded and MOMENT)


def with_one_date(state: StoredState) -> StoredState:
    """The same state, with every date in it replaced by one."""
    page, children, posts, around = state.page, state.children, state.posts, state.around

    def one(path: str) -> Page | None:
        found = page(path)
        return found and _dated(found)

    def below(path: str) -> Sequence[Page]:
        return [_dated(child) for child in children(path)]

    def listed(start: int, count: int) -> Sequence[Page]:
        return [_dated(post) for post in posts(start, count)]

    # Which posts are beside one is told by its own day.
    state.around = lambda post: around(page(post.path) or post)
    state.page, state.children, state.posts = one, below, listed
    return state
