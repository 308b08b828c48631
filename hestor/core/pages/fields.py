"""What an owner says of a page: each field once, with its rule. API, storage and the desk take them from here."""

from collections.abc import Iterator, Mapping
from datetime import date, time
from typing import Annotated, Any, Literal

from pydantic import AfterValidator, BaseModel, BeforeValidator, ConfigDict, Field

from hestor.core.errors import Problem
from hestor.core.events import expansion
from hestor.core.events import schedule as events
from hestor.core.events.schedule import Schedule
from hestor.core.pages import paths
from hestor.core.pages.parts import PARTS, Part
from hestor.core.rules import Line
from hestor.core.text import lines, markdown

Kind = Literal["page", "post", "news", "event", "events", "contact", "imprint", "not_found"]
NEVER_IN_MENU: tuple[Kind, ...] = ("post", "not_found")
"""Posts are listed by their day, and nobody looks for the page of addresses that lead nowhere."""
KINDS: tuple[Kind, ...] = ("page", "post", "news", "event", "events", "contact", "imprint", "not_found")
HOME_KINDS: tuple[Kind, ...] = ("page", "news", "events", "contact")
"""The kinds of pages that may be the home page."""
COPIED_KINDS: tuple[Kind, ...] = ("page", "post", "event")
"""Those of which a site may have any number, and that may be copied."""
MOST_BODY = 200_000
_MOST_ORDER = 1_000_000


def _as_a_day(given: object) -> object:
    """A number is no day, though it could be read as seconds since 1970."""
    if isinstance(given, (int, float)):
        raise ValueError("a day is said as YYYY-MM-DD")
    return given


def _as_a_time(given: object) -> object:
    """A number is no time of the day, though it could be read as seconds since midnight."""
    if isinstance(given, (int, float)):
        raise ValueError("a time is said as HH:MM")
    return given


def _to_the_minute(given: time) -> time:
    """It is read on the site's own clock, so it names no zone."""
    if given.tzinfo:
        raise ValueError("a time is said as HH:MM")
    return given.replace(second=0, microsecond=0)


Day = Annotated[date, BeforeValidator(_as_a_day)]
Clock = Annotated[time, BeforeValidator(_as_a_time), AfterValidator(_to_the_minute)]


class PageFields(BaseModel):
    """Everything that an owner says of a page.

    ``own_title`` is its title in tabs and search results where it is not the site's pattern that makes it. ``parent``
    is another page's id; ``published`` a post's day, and ``published_at`` the time of that day on the site's clock from
    which on visitors see it; ``schedule`` is when and where an event is. ``left_out`` names those parts that all pages
    share and this one does not show; where it does not show its heading, that is only read out.
    """

    model_config = ConfigDict(frozen=True, extra="forbid")

    path: str
    title: Annotated[str, Line(1, 200, takes_fill_ins=True)]
    body: str = ""
    kind: Kind = "page"
    own_title: Annotated[str, Line(0, 200, takes_fill_ins=True)] = ""
    menu_title: Annotated[str, Line(0, 60, takes_fill_ins=True)] = ""
    summary: Annotated[str, Line(0, 320, takes_fill_ins=True)] = ""
    parent: Annotated[int, Field(ge=1, le=2**63 - 1)] | None = None
    in_menu: bool = False
    order: int = Field(default=0, ge=0, le=_MOST_ORDER)
    published: Day | None = None
    published_at: Clock | None = None
    schedule: Schedule | None = None
    left_out: tuple[Part, ...] = ()
    shows_heading: bool = True


LINES: Mapping[str, Line] = {
    name: rule for name, field in PageFields.model_fields.items() for rule in field.metadata if isinstance(rule, Line)
}


def tidied(given: Mapping[str, Any]) -> dict[str, Any]:
    """The given values as they would be kept."""
    return {key: _tidied(key, value) for key, value in given.items()}


def _tidied(key: str, value: Any) -> Any:
    if key == "left_out" and isinstance(value, (list, tuple)):
        return (*(part for part in PARTS if part in value), *(one for one in value if one not in PARTS))
    if key == "schedule" and value is not None:
        return events.tidied(Schedule.model_validate(value))
    if not isinstance(value, str):
        return value
    if key == "body":
        # What is too long is refused as it is.
        return lines.carried(value) if len(value) <= MOST_BODY else value
    return lines.tidy(value) if key in LINES or key == "path" else value


def problems(fields: PageFields) -> Iterator[Problem]:
    """All that is wrong with a page by itself; the caller checks what depends on other pages."""
    for name, rule in LINES.items():
        yield from rule(name, getattr(fields, name))[1]
    if len(fields.body) > MOST_BODY:
        over = len(fields.body) - MOST_BODY
        yield Problem("body", "too_long", {"most": MOST_BODY, "count": len(fields.body), "over": over})
    else:
        yield from markdown.problems("body", fields.body)
    yield from paths.path_problems("path", fields.path)
    if fields.kind == "post" and fields.published is None:
        yield Problem("published", "post_undated")
    if fields.kind == "event" and fields.schedule is None:
        yield Problem("schedule", "event_undated")
    if fields.schedule:
        yield from _schedule_problems(fields.schedule)


def _schedule_problems(schedule: Schedule) -> Iterator[Problem]:
    found_problems = tuple(events.problems(schedule))
    yield from found_problems or expansion.problems(schedule)


def notices(fields: PageFields) -> Iterator[Problem]:
    """What visitors will not see as it was meant, though it may be kept."""
    yield from markdown.outside_pictures("body", fields.body)
    if fields.schedule:
        yield from events.notices(fields.schedule)
