"""The list of posts, in pages of a fixed number."""

from dataclasses import dataclass

from hestor.core.events.month import Month
from hestor.core.pages import descriptions
from hestor.core.pages.pagination import POSTS_A_PAGE, page_count, page_path
from hestor.core.text import bidi
from hestor.rendering import files, page
from hestor.rendering.frame import Frame
from hestor.rendering.response import Response
from hestor.rendering.state import Page


@dataclass(frozen=True)
class MonthLink:
    """A month of the archive: its address, its name, how many posts came out in it."""

    url: str
    name: str
    count: str


def archive(frame: Frame, news: Page) -> list[MonthLink]:
    """The months in which posts came out, the newest first."""
    return [
        MonthLink(f"{frame.root}{news.path}{month}/", frame.month(month), frame.number(count))
        for month, count in frame.state.post_months()
    ]


def month_page(frame: Frame, news: Page, month: Month) -> Response | None:
    """The posts of a month; None where there are none. It leaves it to the list itself to be found."""
    posts = frame.state.posts_of(month)
    if not posts:
        return None
    own, heading = f"{news.path}{month}/", frame.month(month)
    listed = [page.teaser(frame, post) for post in posts]
    values = page.values(frame, news, listed)
    up = (frame.root + news.path, frame.shown(news.title))
    values |= {
        "title": frame.title(own, heading, frame.filled(news.title)),
        "heading": heading,
        "share_title": heading,
        "path": own,
        "canonical": files.address(frame.state.origin, own),
        "description": descriptions.of_list(bidi.without_marks(one.title) for one in listed),
        "text": "",
        "trail": [*values["trail"], up],
        "unlisted": True,
        "archive": archive(frame, news),
        "page_number": "",
    }
    return frame.html("news.html.jinja", **values)


def respond(frame: Frame, news: Page, number: int) -> Response:
    """The bytes of page ``number`` of the list, counted from 1."""
    count = page_count(frame.state.post_count())
    posts = frame.state.posts((number - 1) * POSTS_A_PAGE, POSTS_A_PAGE)
    own = page_path(news.path, number)
    numbers = {"number": frame.number(number), "count": frame.number(count)}
    listed = [page.teaser(frame, post) for post in posts]
    values = page.values(frame, news, listed)
    if number > 1:
        heading = f"{values['heading']}, {frame.word('page_number', **numbers)}"
        values |= {
            "title": frame.title(own, heading, page.section(frame, news)),
            "share_title": heading,
            "path": own,
            "canonical": files.address(frame.state.origin, own),
            # What the page says of itself stands on its first leaf; each further one says what is on it.
            "description": descriptions.of_list(bidi.without_marks(one.title) for one in listed),
        }
    values |= {
        "archive": archive(frame, news),
        "page_number": frame.said("page_number", **numbers) if count > 1 else "",
        "newer": frame.root + page_path(news.path, number - 1) if number > 1 else "",
        "older": frame.root + page_path(news.path, number + 1) if number < count else "",
    }
    return frame.html("news.html.jinja", **values)
