"""The list of posts, in pages of a fixed number."""

from hestor.core.pages import titles
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
    which = frame.words["page_number"].format(number=number, count=count)
    values = page.values(frame, news)
    if number > 1:
        title = titles.page_title(f"{values['heading']}, {which}", frame.facts.name)
        values |= {"title": title, "path": own, "canonical": files.address(frame.state.origin, own)}
    values |= {
        "posts": [page.teaser(frame, post) for post in posts],
        "page_number": which if count > 1 else "",
        "newer": frame.root + page_path(news.path, number - 1) if number > 1 else "",
        "older": frame.root + page_path(news.path, number + 1) if number < count else "",
    }
    return frame.html("news.html.jinja", **values)
