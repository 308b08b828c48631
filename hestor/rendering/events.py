"""The pages of a site's events: the list with its calendar, a month of it, and each event's own page."""

from typing import Any

from hestor.core.events import month
from hestor.core.events.month import Month
from hestor.rendering import calendar, files, ics, page, when
from hestor.rendering.frame import Frame
from hestor.rendering.response import Response
from hestor.rendering.state import Page

OWN_FILE = "event.ics"


def _months(frame: Frame, listed: Page, shown: Month) -> dict[str, Any]:
    """A page of one month: it names itself, and leaves it to the list to be found."""
    heading = frame.month(shown)
    return {
        "title": frame.title(calendar.path_of(listed.path, shown), heading, frame.filled(listed.title)),
        "heading": heading,
        "share_title": heading,
        "text": "",
        "description": "",
        "unlisted": True,
    }


def respond(frame: Frame, listed: Page, shown: Month | None = None) -> Response:
    """The list of the events ahead with the present month; or another month by itself."""
    events = [] if shown else calendar.ahead(frame)
    values = page.values(frame, listed)
    if shown:
        own = calendar.path_of(listed.path, shown)
        up = (frame.root + listed.path, frame.shown(listed.title))
        values |= _months(frame, listed, shown)
        values |= {"path": own, "canonical": files.address(frame.state.origin, own), "trail": [*values["trail"], up]}
    of = shown or calendar.month_of(frame.now)
    values |= {
        "events": events,
        "calendar": calendar.calendar(frame, listed.path, of),
        "is_month": bool(shown),
        "subscribe": ics.subscription(frame),
    }
    return frame.html("events.html.jinja", **values)


def month_at(path: str, list_path: str) -> Month | None:
    """The month that an address names below the list of events or of news."""
    below = path.removeprefix(list_path) if path.startswith(list_path) else ""
    return month.read(below.removesuffix("/")) if below.endswith("/") else None


def event(frame: Frame, found_page: Page) -> Response:
    """An event's own page."""
    values = page.values(frame, found_page)
    if found_page.schedule:
        values |= {
            "when": when.shown(frame, found_page.schedule),
            "own_file": f"{frame.root}{found_page.path}{OWN_FILE}",
        }
    return frame.html("event.html.jinja", **values)
