"""What the calls about pages take and give."""

from datetime import datetime
from typing import TYPE_CHECKING, Annotated, Any, Literal

from ninja import Schema
from pydantic import ConfigDict, Field, create_model

from hestor.api.schemas import AuthorOut, FieldErrorOut, Identifier, PermissionOut, Strict
from hestor.core.events.schedule import Schedule
from hestor.core.pages.fields import MOST_BODY, PageFields
from hestor.core.pages.placing import LAST, Way, Where


class NewPage(Strict):
    """A new page from its title: below another, or a post of the news."""

    title: str
    kind: Literal["page", "post"] = "page"
    parent: Identifier | None = None


class PageMove(Strict):
    """Where a page is to stand: the page above it, and its place among those below that one (0 is first)."""

    parent: Identifier | None = None
    index: int = Field(ge=0, le=LAST)


class PageStep(Strict):
    """One step of a page: past the one before it or after it, below the one before, or out from below."""

    way: Way


class PageDrop(Strict):
    """The page that another is dropped on, and where on it."""

    on: Identifier
    where: Where


class PlaceOut(Schema):
    """Where a page stands, as ``PageMove`` says it."""

    parent: int | None
    index: int


class MovedOut(Schema):
    """Where a page was, which takes it back there, and where it is now."""

    before: PlaceOut
    after: PlaceOut


class StepsOut(Schema):
    """Which steps a page can take within the tree."""

    up: bool
    down: bool
    into: bool
    out: bool


class NamedPage(Schema):
    """A page by its title and address."""

    id: int
    title: str
    path: str


class RemovedOut(Schema):
    """A deleted page, and until when it can be brought back."""

    id: int
    title: str
    path: str
    removed: datetime
    gone: datetime


class PageOut(PageFields):
    """A page of the draft. ``address`` is where the public reads it, ``tab_title`` what its tab says.

    ``shown_title`` is its title with the fill-ins filled; ``depth`` how many pages stand above it, and ``above`` which,
    from the top. A post that is ``held`` was published, and comes out on its day.
    """

    model_config = ConfigDict(extra="ignore")

    id: int
    shown_title: str
    tab_title: str
    state: Literal["live", "held", "changed", "new"]
    address: str
    depth: int
    above: list[int]
    body: str = Field(default="", exclude=True)


class PageWindowOut(Schema):
    """A part of the list of pages: the number of its first row (0 is the first of all), and how many there are."""

    start: int
    count: int
    rows: list[PageOut]


class PageChoice(Strict):
    """Whether a page is the chosen one."""

    on: bool


class LookIn(Strict):
    """Words of a page as they are being typed; ``root`` is the path of the preview that they are seen in."""

    root: Annotated[str, Field(max_length=400)]
    title: Annotated[str, Field(max_length=2_000)] = ""
    own_title: Annotated[str, Field(max_length=2_000)] = ""
    body: Annotated[str, Field(max_length=MOST_BODY)] = ""
    shows_heading: bool = True


class LookOut(Schema):
    """The inside of the page's main part as HTML, and the page's title."""

    main: str
    title: str


class PagePermissionsOut(Schema):
    """What a person may do with a page: its words, its place, its address, a copy, which page it is, its end."""

    edit: PermissionOut
    move: PermissionOut
    readdress: PermissionOut
    duplicate: PermissionOut
    make_home: PermissionOut
    make_not_found: PermissionOut
    delete: PermissionOut


class PageFull(PageOut):
    """A page with its text, and the draft's revision that it was read at.

    ``notices`` say what visitors will not see as it was meant, though it was kept; ``may`` is what the caller may do
    with it, ``steps`` where it can go from where it stands, ``author`` who changed it last, where that is known.
    """

    body: str
    revision: int
    notices: list[FieldErrorOut]
    may: PagePermissionsOut
    steps: StepsOut
    author: AuthorOut | None


class NewEvent(Strict):
    """An event to begin with: what it is called, and when it is."""

    title: str = Field(max_length=2000)
    schedule: Schedule


class PageIn(PageFields):
    """A new page."""


def _without_default(schema: dict[str, Any]) -> None:
    """What is left out stays as it is, so no default stands in for it."""
    schema.pop("default", None)


def _all_optional() -> type[Strict]:
    """A change of a page: its fields, each of which may be left out."""
    fields: dict[str, Any] = {
        name: (
            Annotated[(field.annotation, *field.metadata)] if field.metadata else field.annotation,
            Field(default=None, json_schema_extra=_without_default),
        )
        for name, field in PageFields.model_fields.items()
    }
    doc = "Other words for a page; what is left out stays."
    made: type[Strict] = create_model("PageChange", __base__=Strict, __doc__=doc, **fields)
    return made


if TYPE_CHECKING:
    PageChange = Strict
else:
    PageChange = _all_optional()
