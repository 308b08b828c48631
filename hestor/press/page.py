"""A page of the site: what its template is given, besides what all pages share."""

from dataclasses import dataclass
from typing import Any

from markupsafe import Markup

from hestor.core.pages import descriptions, titles
from hestor.core.text import markdown
from hestor.press import files
from hestor.press.brand_files import PREFIX, Shown
from hestor.press.frame import JINJA, Frame
from hestor.press.response import Response
from hestor.press.state import Page

_LATEST_ON_HOME = 3


@dataclass(frozen=True)
class Teaser:
    """A page as it is named in a list."""

    url: str
    title: str
    text: str
    day: str
    iso: str


def own_description(frame: Frame, page: Page) -> str:
    """What the page itself says in a search result: its summary, else its first paragraph."""
    if descriptions.source(page.summary, page.excerpt) == "summary":
        return frame.filled(page.summary)
    return markdown.filled_plain(page.excerpt, frame.values)


def teaser(frame: Frame, page: Page) -> Teaser:
    """The page as a list names it."""
    day = page.published
    text = own_description(frame, page)
    return Teaser(
        frame.root + page.path, frame.filled(page.title), text, frame.day(day), day.isoformat() if day else ""
    )


def _share(frame: Frame, page: Page) -> Shown:
    key = markdown.first_picture(page.html)
    own = frame.public_brand.page_share(key) if descriptions.share_picture(key) == "own" else None
    return own or frame.public_brand.share


def _text(frame: Frame, page: Page) -> str:
    """The page's text, each picture of the site in the widths that it comes in."""

    def drawn(key: str, alt: str) -> str:
        shown = frame.brand.picture(key)
        return JINJA.get_template("picture.html.jinja").render(shown=shown, alt=Markup(alt)) if shown else ""  # noqa: S704

    html = markdown.filled_html(page.html, frame.values, frame.root)
    return markdown.with_pictures(html, f"{frame.root}{PREFIX}", drawn)


def values(frame: Frame, page: Page) -> dict[str, Any]:
    """What the page's template is given."""
    state, facts, home = frame.state, frame.facts, page.path == "/"
    title, day = frame.filled(page.title), page.published
    structured = files.structured(facts, state.origin, frame.public_brand) if home else ""
    return {
        "path": page.path,
        "title": titles.title_of(page.path, title, facts.name, facts.tagline),
        "heading": title,
        "description": descriptions.description(home, own_description(frame, page), facts.description),
        "canonical": files.address(state.origin, page.path),
        # Sanitised when it was compiled, and its fill-ins are escaped.
        "text": Markup(_text(frame, page)),  # noqa: S704
        "day": frame.day(day),
        "iso_day": day.isoformat() if day else "",
        "trail": [(frame.root + path, frame.filled(title)) for path, title in page.trail],
        "below": [teaser(frame, child) for child in state.children(page.path)] if page.has_children else (),
        "latest": [teaser(frame, post) for post in state.posts(0, _LATEST_ON_HOME)] if home else (),
        "news": state.news() if home else None,
        "structured": Markup(structured),  # noqa: S704
        "share": _share(frame, page),
    }


def respond(frame: Frame, page: Page) -> Response:
    """The page's bytes."""
    return frame.html("page.html.jinja", **values(frame, page))
