"""What the calls about consistency take and give."""

from datetime import datetime
from typing import Annotated, Any, Literal

from ninja import Schema
from pydantic import Field

from hestor.api.schemas import Identifier, Strict
from hestor.core.pages.parts import Part
from hestor.core.sweep import stray

StrayKind = stray.Kind
Key = Annotated[str, Field(min_length=1, max_length=40)]
_MOST = 2_000


class ReadingOut(Schema):
    """A day that a date may mean (ISO 8601), as the site would write it."""

    day: str
    shown: str


class StrayOut(Schema):
    """A spot that says something else than the house style.

    ``page`` is the page's path, ``field`` its field, or the fact, in which the spot stands, from ``start`` to ``end``
    code points; empty where it stands in none. ``mend`` is ``replace`` where it is mended by itself: by
    ``replacement`` between ``before`` and ``after``, or (null) by other fields of the page. One that ``asks`` may be
    history, or somebody else's words: it is mended by itself, and not together with others.
    """

    id: str
    kind: StrayKind
    page: str
    page_id: int | None
    title: str
    place: str
    field: str
    start: int
    end: int
    says: str
    should_say: str
    why: str
    sure: float
    mend: Literal["replace"] | None
    replacement: str | None
    before: str
    after: str
    readings: list[ReadingOut]
    asks: bool


class StrayKindOut(Schema):
    """A kind of stray in words: what it is, and why it matters to a visitor."""

    kind: StrayKind
    name: str
    why: str


class MeantOut(Schema):
    """A stray that somebody said is meant; ``is_there``: whether its spot still says so."""

    id: str
    kind: StrayKind
    page: str
    says: str
    reason: str
    by: str
    at: datetime
    is_there: bool


class UnreadOut(Schema):
    """A page that could not be looked at, and why."""

    page: str
    why: str


class SweepOut(Schema):
    """A sweep of the draft: ``style`` is the house style that pages were held to."""

    pages: int
    checked_at: datetime
    revision: int
    style: dict[str, Any]
    kinds: list[StrayKindOut]
    strays: list[StrayOut]
    unread: list[UnreadOut]
    meant: list[MeantOut]


class StrayChangesOut(Schema):
    """Strays that a change makes, and how many it ends; ``is_whole``: whether all pages were compared."""

    made: list[StrayOut]
    ended: int
    is_whole: bool


class SweepProgress(Schema):
    """How many of the pages are swept."""

    done: int
    total: int


class MendOne(Strict):
    """A stray to be mended; ``reading`` is the number of the day that a date means, where it may mean several."""

    id: Key
    reading: Annotated[int, Field(ge=0, le=9)] | None = None


class MendStraysIn(Strict):
    """Strays to be mended at once."""

    strays: Annotated[list[MendOne], Field(min_length=1, max_length=_MOST)]


class PageWords(Strict):
    """Fields of a page by their names, as a mend changes them."""

    page: Identifier
    body: str | None = None
    title: str | None = None
    own_title: str | None = None
    menu_title: str | None = None
    summary: str | None = None
    left_out: list[Part] | None = None


class MendedOut(Schema):
    """What a mend changed: pages, and texts of facts by their fields (``tagline``, ``site_notice.text``), as they were
    and as they are; by it the mend is undone and done again."""

    revision: int
    mended: int
    pages_before: list[PageWords]
    pages_after: list[PageWords]
    facts_before: dict[str, str]
    facts_after: dict[str, str]


class WordsIn(Strict):
    """Fields of pages and facts to be put back in place."""

    pages: Annotated[list[PageWords], Field(max_length=_MOST, default_factory=list)]
    facts: Annotated[dict[str, str], Field(default_factory=dict)]


class MeantIn(Strict):
    """Why a stray is meant."""

    reason: str = ""
