"""What stands in a proof where a site has nothing to draw yet: a visitor who writes, a post, an event."""

from collections.abc import Callable, Mapping
from datetime import UTC, date, datetime, time, timedelta

from hestor import translations
from hestor.core.events.schedule import Schedule
from hestor.core.facts.document import Facts
from hestor.core.messages.kinds import KINDS, Kind
from hestor.core.places.place import Place
from hestor.core.text import markdown
from hestor.rendering import Renderer
from hestor.rendering.message import Message
from hestor.rendering.state import Page

_PATH = "/sample/"
_POSTED, _CHANGED, _AHEAD = timedelta(days=20), timedelta(days=6), timedelta(days=9)
_BEGINS, _ENDS = time(15, 30), time(17)


def sample_message(renderer: Renderer, kind: Kind) -> Message:
    """A message as it would be sent at the moment of the renderer, as if a visitor had just written."""
    # In the words of the site's own visitors, whoever looks.
    language = translations.spoken("desk", renderer.frame.facts.language)
    said = {name: translations.say(f"sample.{name}", language) for name in ("name", "address", "message")}
    said |= {"link": f"{renderer.state.origin}/", "moment": renderer.frame.moment(renderer.frame.now)}
    return renderer.message(KINDS[kind], {name: said[name] for name in KINDS[kind].names})


def _post(facts: Facts, today: date) -> Page:
    worded = datetime.combine(today - _CHANGED, _BEGINS, UTC)
    return Page(_PATH, facts.name, "post", published=today - _POSTED, worded=worded)


def _event(facts: Facts, today: date) -> Page:
    schedule = Schedule(starts=today + _AHEAD, starts_at=_BEGINS, ends_at=_ENDS)
    return Page(_PATH, facts.name, "event", schedule=schedule)


def _hours(facts: Facts, today: date) -> Page:
    return Page(_PATH, facts.name, html=markdown.compile_text("{hours}").html)


_PAGES: Mapping[Place, Callable[[Facts, date], Page]] = {
    Place.DATED: _post,
    Place.EVENT: _event,
    Place.CALENDAR: lambda facts, today: Page(_PATH, facts.name, "events"),
    Place.HOURS: _hours,
    Place.CONTACT: lambda facts, today: Page(_PATH, facts.name, "contact"),
}


def sample_page(place: Place, facts: Facts, today: date) -> Page | None:
    """A page that shows a place which no page of a site shows yet; none for a place that every site has."""
    make = _PAGES.get(place)
    return make(facts, today) if make else None
