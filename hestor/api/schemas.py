"""What calls take and give. The front end's types are made from these."""

from datetime import datetime
from typing import TYPE_CHECKING, Annotated, Any, Literal

from ninja import Schema
from pydantic import ConfigDict, Field, WithJsonSchema

from hestor.core.changes import Kind
from hestor.core.facts.bundles import Copied
from hestor.core.facts.document import SPECS, Facts
from hestor.core.places.all import DRAWN
from hestor.core.places.place import Place
from hestor.core.roles import Role

Identifier = Annotated[int, Field(ge=1, le=2**63 - 1)]
"""What a row is called by in addresses and bodies; more than the database's integers hold is none."""

MOST_AT_ONCE = 1_000
"""As many rows of a list come with one call."""
Number = Annotated[int, Field(ge=0, le=10_000_000)]
"""The number of the first row that is asked for; 0 is the first of all."""
Count = Annotated[int, Field(ge=1, le=MOST_AT_ONCE)]
"""How many rows are asked for."""


class Strict(Schema):
    """Input that refuses what it doesn't know."""

    model_config = ConfigDict(extra="forbid")


class PermissionOut(Schema):
    """Whether a person may do something; else the ``reason`` in words."""

    allowed: bool
    reason: str


class PermissionsOut(Schema):
    """What a person may do on a site: look at the draft, change it, publish it, and see to the site itself."""

    view: PermissionOut
    edit: PermissionOut
    publish: PermissionOut
    manage: PermissionOut


class SiteOut(Schema):
    """A site as the switcher shows it. ``name`` and ``icon_url`` are those of the draft.

    ``role`` is the person's, to be shown; what it allows, ``may`` says.
    ``unanswered`` are messages of visitors, ``unsent`` messages of the site that could not be sent.
    ``closed`` says that visitors are told it is; ``timed`` is when its draft is published by itself, if it is to be, or
    was to be (``timed_failed``).
    """

    slug: str
    name: str
    label: str
    host: str
    address: str
    icon_url: str
    role: Role
    may: PermissionsOut
    live_number: int
    changes: int
    unanswered: int
    unsent: int
    closed: bool
    timed: datetime | None
    timed_failed: bool


class NewSite(Strict):
    """A site from a name and a town; the rest has defaults."""

    name: str
    town: Identifier | None = None
    slug: str = ""
    label: str = ""


class SiteCopyIn(Strict):
    """A site made as a copy of another, under a name of its own; ``what`` says how much of it."""

    name: str
    what: Copied
    slug: str = ""
    label: str = ""


class SiteChange(Strict):
    """What is private to the desk."""

    label: str


class LanguageOut(Schema):
    """A language by its tag, its own name and its English one; ``own_words``: whether pages speak it."""

    tag: str
    own_name: str
    name: str
    own_words: bool


class AuthorOut(Schema):
    """Who changed something last, and when; ``by`` is empty for one who left, ``own`` says that it was the caller."""

    by: str
    own: bool
    at: datetime


class StyleOut(Schema):
    """The house style: the draft's facts, the live ones, and what differs.

    ``words``, ``live_words`` and ``default_words`` say each value in words, ``derived`` what stands in for facts that
    are unset; ``shown_on`` is the page on which facts are looked at until another is chosen. ``authors`` says who
    changed the facts that differ.
    """

    revision: int
    facts: Facts
    live_facts: Facts | None
    words: dict[str, str]
    live_words: dict[str, str]
    default_words: dict[str, str]
    derived: dict[str, str]
    changed: list[str]
    changed_pages: int
    live_number: int
    shown_on: str
    authors: dict[str, AuthorOut]


def _fact_schemas() -> dict[str, Any]:
    """Each fact by its key, with the limit of a text; what pictures look like, the schema of ``Facts`` says."""
    limits = {key: {"maxLength": spec.most} if spec.most else {} for key, spec in SPECS.items()}
    known = {key: {"type": "string", **limits[key]} if spec.is_text else {} for key, spec in SPECS.items()}
    return {"type": "object", "properties": known, "additionalProperties": True}


TypedFacts = Annotated[dict[str, Any], WithJsonSchema(_fact_schemas())]
"""Values by fact key. Each is checked by its fact's rule, which says what is wrong better than a schema can."""


class StyleChange(Strict):
    """New values by fact key."""

    facts: TypedFacts


class FieldErrorOut(Schema):
    """One refused spot; start and end count code points of the tidied value, where ``fix`` may be put."""

    field: str
    code: str
    message: str
    start: int | None = None
    end: int | None = None
    fix: str | None = None


class ProblemOut(Schema):
    """Problem details (RFC 9457). ``yours`` and ``current`` come with a stale write: what was given, what is there."""

    type: str
    status: int
    code: str
    title: str
    errors: list[FieldErrorOut] = Field(default_factory=list)
    yours: dict[str, Any] | None = None
    current: dict[str, Any] | None = None


class HighlightOut(Schema):
    """Where in a line a fact stands, in code points."""

    fact: str
    start: int
    end: int


class LineOut(Schema):
    """One text of a place."""

    role: str
    text: str
    highlights: list[HighlightOut]


class ProofPictureOut(Schema):
    """A picture in a place: what it is there, where the desk gets it, its words and its size."""

    role: str
    src: str
    alt: str
    width: int
    height: int


if TYPE_CHECKING:
    DrawnPlace = Place
else:
    # Only these come as proofs, so that the desk's types know which drawings it needs.
    DrawnPlace = Literal[tuple(place.value for place in DRAWN)]


class ProofOut(Schema):
    """One place as it was read back from what was rendered."""

    place: DrawnPlace
    path: str
    lines: list[LineOut]
    colour: str
    pictures: list[ProofPictureOut]
    plates: str
    read_on: str
    arrangement: str
    is_sample: bool


class PlaceReachOut(Schema):
    """In one place: on how many pages, or in how many files."""

    place: Place
    number: int


class ReachOut(Schema):
    """On how many pages a fact is seen at all, and in which places."""

    pages: int
    places: list[PlaceReachOut]


class ReachIn(Strict):
    """Which facts, and values as they are being typed, not kept yet."""

    keys: list[str] | None = None
    facts: TypedFacts = Field(default_factory=dict)


class ThemeOut(Schema):
    """The colours of a public page in one theme."""

    ground: str
    ink: str
    soft: str
    band: str
    link: str
    button: str
    button_ink: str
    plate: str


class ProofsOut(Schema):
    """The proofs that were asked for, with the direction that the site's pages have.

    ``derived`` is what stands in for facts that are unset.
    """

    path: str
    direction: Literal["ltr", "rtl"]
    proofs: list[ProofOut]
    derived: dict[str, str]
    icon_url: str
    themes: dict[str, ThemeOut]
    errors: list[FieldErrorOut]


class PlaceIn(Strict):
    """A place whose proof is wanted: on the page that was named, or on the home page."""

    place: DrawnPlace
    home: bool = False


class ProofsIn(Strict):
    """Values as they are being typed, not kept yet, and which places are wanted (all, if none are named).

    ``at`` is a time on the site's clock (``2026-12-31T23:59``) to look at it as it will be then; empty, now.
    ``edition`` is the number of a published one to look at instead of the draft.
    """

    path: str = "/"
    facts: TypedFacts = Field(default_factory=dict)
    places: list[PlaceIn] | None = None
    at: str = Field(default="", max_length=40)
    edition: Identifier | None = None


class PreviewOut(Schema):
    """The address of a private preview of the draft's home page; other pages are below it."""

    address: str


class ChangeOut(Schema):
    """One difference, in words; ``pages`` is on how many pages it is seen at all, ``reach`` where.

    ``page`` is the number of a page of the draft that differs, where it is told in the draft; ``author`` is who made it
    there, where that is known.
    """

    kind: Kind
    key: str
    name: str
    old: str
    new: str
    pages: int
    reach: list[PlaceReachOut]
    reach_words: str
    words: str
    page: int | None = None
    author: AuthorOut | None = None


class ChangesOut(Schema):
    """The draft against the live edition, or a part of it: ``count`` is how many changes there are in all.

    ``shown_on`` is the page on which changed facts are best looked at.
    """

    revision: int
    live_number: int
    changes: list[ChangeOut]
    count: int
    shown_on: str
    preview_url: str


class EditionOut(Schema):
    """A published state: who, when and what; ``more`` is how many changes of pages are not among ``changes``."""

    number: int
    published: datetime
    by: str
    writers: list[str]
    live: bool
    name: str
    label: str
    changes: list[ChangeOut]
    more: int
    preview_url: str


class EditionName(Strict):
    """What an edition is called at the desk; empty for nothing."""

    label: str


class ComparedOut(Schema):
    """What one edition says otherwise than another: ``old`` is what ``one`` said, ``new`` what ``other`` said.

    It may be a part of it: ``count`` is how many differences there are in all.
    """

    one: int
    other: int
    changes: list[ChangeOut]
    count: int


class EditionPartIn(Strict):
    """What of an edition is wanted back: one fact by its key, or one page by the path that it had."""

    fact: str = ""
    page: str = ""


class PublishedOut(EditionOut):
    """What was just published, and where to see it."""

    address: str


class RestoredOut(Schema):
    """The draft after an edition was brought back into it."""

    number: int
    revision: int
    changed: list[str]
    changed_pages: int
    deed: int | None = None


class DeedOut(Schema):
    """What takes an act on a whole draft back, or does it again, and the draft's revision."""

    deed: int
    revision: int
