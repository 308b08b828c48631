"""A page of the site: what its template is given, besides what all pages share."""

from collections.abc import Sequence
from dataclasses import dataclass
from datetime import datetime
from typing import Any

from markupsafe import Markup

from hestor.core.pages import descriptions
from hestor.core.text import bidi, markdown
from hestor.rendering import files, opening
from hestor.rendering.brand_files import PREFIX
from hestor.rendering.frame import JINJA, Frame
from hestor.rendering.response import Response
from hestor.rendering.shown import Shown
from hestor.rendering.state import Named, Page
from hestor.rendering.structured import Told, structured

_LATEST_ON_HOME = 3
# The width of the text (41 rem of 18 pixels) where the window is wider, else the window without its edges. In CSS
# pixels: what rem means here is not known yet when a browser chooses a picture.
_SIZES = "(min-width: 820px) 738px, 92vw"


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
        frame.root + page.path, frame.shown(page.title), text, frame.short_day(day), day.isoformat() if day else ""
    )


def _share(frame: Frame, page: Page) -> Shown:
    key, alt = markdown.first_picture(page.html)
    own = frame.public_brand.page_share(key, alt) if descriptions.share_picture(key) == "own" else None
    return own or frame.public_brand.share


def _text(frame: Frame, page: Page) -> str:
    """The page's text, each picture of the site in the widths that it comes in; all but the first wait to be seen."""
    drawn_before: list[str] = []

    def drawn(key: str, alt: str) -> str:
        shown = frame.brand.picture(key)
        if not shown:
            return ""
        drawn_before.append(key)
        template = JINJA.get_template("picture.html.jinja")
        return template.render(shown=shown, alt=Markup(alt), first=len(drawn_before) == 1, sizes=_SIZES)  # noqa: S704

    compiled = markdown.with_hours(page.html, lambda: _hours(frame))
    compiled = markdown.with_contact(compiled, frame.contact_link)
    html = markdown.filled_html(compiled, frame.values, frame.root, frame.direction)
    return markdown.with_pictures(html, f"{frame.root}{PREFIX}", drawn)


def _hours(frame: Frame) -> str:
    """The table of opening hours; nothing where none are said."""
    shown = opening.shown(frame)
    return JINJA.get_template("hours.html.jinja").render(shown=shown, said=frame.said, own=frame.own) if shown else ""


def _last_changed(frame: Frame, page: Page, moment: datetime | None) -> tuple[str, str] | None:
    """When a page's words last changed, for machines and for people; not on the home page and lists, nor on posts."""
    says = moment and page.kind == "page" and page.path != "/"
    return (moment.isoformat(), frame.moment(moment)) if moment and says else None


def _named(frame: Frame, named: Named | None) -> Named | None:
    return (frame.root + named[0], frame.shown(named[1])) if named else None


def title_of(frame: Frame, page: Page) -> str:
    """A page's title in tabs and search results."""
    return frame.title(page.path, frame.filled(page.title), section(frame, page), frame.filled(page.own_title))


def section(frame: Frame, page: Page) -> str:
    """What stands at the top above a page, as titles name it; nothing above those at the top."""
    return frame.filled(page.trail[0][1]) if page.trail else ""


def values(frame: Frame, page: Page, listed: Sequence[Teaser] = ()) -> dict[str, Any]:
    """What the page's template is given. ``listed`` are the posts that it lists."""
    state, facts, home = frame.state, frame.facts, page.path == "/"
    title, day = frame.filled(page.title), page.published
    below = [teaser(frame, child) for child in state.children(page.path)] if page.has_children else []
    own = own_description(frame, page) or descriptions.of_list(
        bidi.without_marks(each_teaser.title) for each_teaser in listed
    )
    description = descriptions.description(home, own, facts.description)
    share = _share(frame, page)
    older, newer = state.around(page) if page.kind == "post" and day else (None, None)
    changed = frame.changed(page)
    iso_changed = changed.isoformat() if changed else ""
    return {
        "path": page.path,
        "title": title_of(frame, page),
        "heading": frame.shown(page.title),
        "description": description,
        "canonical": files.address(state.origin, page.path),
        # Sanitised when it was compiled, and its fill-ins are escaped.
        "text": Markup(_text(frame, page)),  # noqa: S704
        "preloads": frame.preloads(title, page.html),
        "day": frame.day(day),
        "iso_day": day.isoformat() if day else "",
        "changed": iso_changed if day else "",
        "last_changed": _last_changed(frame, page, changed),
        "trail": [(frame.root + path, frame.shown(title)) for path, title in page.trail],
        "older_post": _named(frame, older),
        "newer_post": _named(frame, newer),
        "below": below,
        "posts": listed,
        "latest": [teaser(frame, post) for post in state.posts(0, _LATEST_ON_HOME)] if home else (),
        "news": state.news() if home else None,
        "structured": Markup(structured(frame, page, Told(title, description, share, iso_changed))),  # noqa: S704
        "share": share,
        "share_title": "" if home else title,
        "unlisted": False,
        "left_out": page.left_out,
        "shows_heading": page.shows_heading,
    }


def respond(frame: Frame, page: Page) -> Response:
    """The page's bytes."""
    return frame.html("page.html.jinja", **values(frame, page))
