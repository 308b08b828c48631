"""What the calls about pages take and give."""

from datetime import datetime
from typing import TYPE_CHECKING, Annotated, Any, Literal

from ninja import Schema
from pydantic import ConfigDict, Field, create_model

from hestor.api.schemas import FieldErrorOut, Identifier, PermissionOut, Strict
from hestor.core.events.schedule import Schedule
from hestor.core.pages.fields import MOST_BODY, PageFields


class NewPage(Strict):
    """A new page from its title: below another, or a post of the news."""

    title: str
    kind: Literal["page", "post"] = "page"
    parent: Identifier | None = None


class PageMove(Strict):
    """Where a page is to stand: the page above it, and its place among those below that one (0 is first)."""

    parent: Identifier | None = None
    index: int = Field(ge=0, le=1_000_000)


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

    ``shown_title`` is its title with the fill-ins filled; ``depth`` how many pages stand above it. A post that is
    ``held`` was published, and comes out on its day.
    """

    model_config = ConfigDict(extra="ignore")

    id: int
    shown_title: str
    tab_title: str
    state: Literal["live", "held", "changed", "new"]
    address: str
    depth: int
    body: str = Field(default="", exclude=True)


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
    with it.
    """

    body: str
    revision: int
    notices: list[FieldErrorOut]
    may: PagePermissionsOut


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
