"""What calls take and give. The front end's types are made from these."""

from datetime import date, datetime
from typing import Any

from ninja import Schema
from pydantic import ConfigDict, Field

from hestor.core.changes import Kind
from hestor.core.facts import Facts
from hestor.core.reach import Place
from hestor.core.roles import Role
from hestor.press.edition import Kind as PageKind


class Strict(Schema):
    """Input that refuses what it doesn't know."""

    model_config = ConfigDict(extra="forbid")


class Person(Schema):
    """Whoever is signed in."""

    email: str
    name: str


class DemoAccount(Schema):
    """An account of the demo, shown on its sign-in page."""

    email: str
    role: Role
    password: str


class SessionOut(Schema):
    """Whether somebody is signed in, and what the sign-in page needs to know."""

    account: Person | None
    first_run: bool
    demo_accounts: list[DemoAccount]


class SignIn(Strict):
    """Email and password."""

    email: str
    password: str


class NewAccount(Strict):
    """The first account."""

    email: str
    name: str = ""
    password: str


class SiteOut(Schema):
    """A site as the switcher shows it. ``name`` and ``mark`` are those of the draft."""

    slug: str
    name: str
    label: str
    host: str
    address: str
    mark: str
    role: Role
    live_number: int
    changes: int


class NewSite(Strict):
    """A site from a name and a town; the rest has defaults."""

    name: str
    town: int | None = None
    slug: str = ""
    label: str = ""


class SiteChange(Strict):
    """What is private to the desk."""

    label: str


class TownOut(Schema):
    """A town, its country in words, its clock and the language most read there."""

    id: int
    name: str
    country: str
    time_zone: str
    language: str


class LanguageOut(Schema):
    """A language by its tag, its own name and its English one; ``own_words``: whether pages speak it."""

    tag: str
    own_name: str
    name: str
    own_words: bool


class StyleOut(Schema):
    """The house style: the draft's facts, the live ones, and what differs."""

    revision: int
    facts: Facts
    live_facts: Facts | None
    changed: list[str]
    changed_pages: int
    live_number: int
    short_name: str
    limits: dict[str, int]


class StyleChange(Strict):
    """New values by fact key."""

    facts: dict[str, Any]


class SpotOut(Schema):
    """One refused spot; start and end count code points of the tidied value, where ``fix`` may be put."""

    field: str
    code: str
    message: str
    start: int | None = None
    end: int | None = None
    fix: str | None = None


class ProblemOut(Schema):
    """Problem details (RFC 9457). ``yours`` and ``current`` come with a stale write to the house style."""

    type: str
    status: int
    code: str
    title: str
    errors: list[SpotOut] = Field(default_factory=list)
    yours: dict[str, Any] | None = None
    current: StyleOut | None = None


class MarkOut(Schema):
    """Where in a line a fact stands, in code points."""

    fact: str
    start: int
    end: int


class LineOut(Schema):
    """One text of a place."""

    role: str
    text: str
    marks: list[MarkOut]


class ProofPictureOut(Schema):
    """A picture in a place: what it is there, where the desk gets it, its words and its size."""

    role: str
    src: str
    alt: str
    width: int
    height: int


class ProofOut(Schema):
    """One place as it was read back from what was rendered."""

    place: Place
    path: str
    lines: list[LineOut]
    colour: str
    pictures: list[ProofPictureOut]
    plates: str


class PlaceReachOut(Schema):
    """In one place: on how many pages, in how many files."""

    place: Place
    pages: int
    files: int


class ThemeOut(Schema):
    """The colours of a public page in one theme."""

    ground: str
    ink: str
    soft: str
    band: str
    link: str
    button: str
    button_ink: str


class ProofsOut(Schema):
    """The proofs of a page, of the home page and of the files; and each fact's reach."""

    path: str
    proofs: list[ProofOut]
    reach: dict[str, list[PlaceReachOut]]
    short_name: str
    mark: str
    themes: dict[str, ThemeOut]
    errors: list[SpotOut]


class ProofsIn(Strict):
    """Values as they are being typed, not kept yet."""

    path: str = "/"
    facts: dict[str, Any] = Field(default_factory=dict)


class PageOut(Schema):
    """A page of the draft. ``address`` is where the public reads it; ``says`` is its title in tabs."""

    id: int
    path: str
    title: str
    says: str
    kind: str
    menu_title: str
    summary: str
    parent: int | None
    in_menu: bool
    order: int
    published: date | None
    state: str
    address: str


class PageFull(PageOut):
    """A page with its text."""

    body: str


class PageIn(Strict):
    """A new page."""

    path: str
    title: str
    body: str = ""
    kind: PageKind = "page"
    menu_title: str = ""
    summary: str = ""
    parent: int | None = None
    in_menu: bool = False
    order: int = Field(default=0, ge=0, le=1_000_000)
    published: date | None = None


class PageChange(Strict):
    """Other words for a page; what is left out stays."""

    path: str | None = None
    title: str | None = None
    body: str | None = None
    menu_title: str | None = None
    summary: str | None = None
    parent: int | None = None
    in_menu: bool | None = None
    order: int | None = Field(default=None, ge=0, le=1_000_000)
    published: date | None = None


class ChangeOut(Schema):
    """One difference, in words."""

    kind: Kind
    key: str
    name: str
    old: str
    new: str
    pages: int
    feeds: int
    manifests: int
    reach: str
    words: str


class ChangesOut(Schema):
    """The draft against the live edition."""

    revision: int
    live_number: int
    changes: list[ChangeOut]
    look: str


class EditionOut(Schema):
    """A published state: who, when and what."""

    number: int
    published: datetime
    by: str
    live: bool
    name: str
    changes: list[ChangeOut]
    look: str


class PublishedOut(EditionOut):
    """What was just published, and where to see it."""

    address: str


class RestoredOut(Schema):
    """The draft after an edition was brought back into it."""

    number: int
    revision: int
    changed: list[str]
    changed_pages: int
