"""The list of posts, in pages of a fixed number."""

from hestor.core.pages import descriptions, titles
from hestor.core.pages.pagination import POSTS_A_PAGE, page_count, page_path
from hestor.press import files, page
from hestor.press.frame import Frame
from hestor.press.response import Response
from hestor.press.state import Page


def respond(frame: Frame, news: Page, number: int) -> Response:
    """The bytes of page ``number`` of the list, counted from 1."""
    count = page_count(frame.state.post_count())
    posts = frame.state.posts((number - 1) * POSTS_A_PAGE, POSTS_A_PAGE)
    own = page_path(news.path, number)
    numbers = {"number": frame.number(number), "count": frame.number(count)}
    listed = [page.teaser(frame, post) for post in posts]
    values = page.values(frame, news, listed)
    if number > 1:
        heading = f"{values['heading']}, {frame.words['page_number'].format(**numbers)}"
        values |= {
            "title": titles.page_title(heading, frame.facts.name),
            "share_title": heading,
            "path": own,
            "canonical": files.address(frame.state.origin, own),
            # What the page says of itself stands on its first leaf; each further one says what is on it.
            "description": descriptions.of_list(one.title for one in listed),
        }
    values |= {
        "page_number": frame.said("page_number", **numbers) if count > 1 else "",
        "newer": frame.root + page_path(news.path, number - 1) if number > 1 else "",
        "older": frame.root + page_path(news.path, number + 1) if number < count else "",
    }
    return frame.html("news.html.jinja", **values)
