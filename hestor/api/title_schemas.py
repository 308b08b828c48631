"""What the calls about titles take and give."""

from collections.abc import Mapping
from typing import Annotated

from ninja import Schema
from pydantic import Field

from hestor.api.schemas import FieldErrorOut, Identifier, Strict
from hestor.core.pages import faults
from hestor.core.pages.descriptions import Source
from hestor.core.pages.titles_csv import MOST_TEXT

TitleField = faults.Field
FaultKind = faults.Kind


class FaultOut(Schema):
    """One thing that is amiss; ``mend`` are new words for some of the page's fields, where there is a proposal."""

    kind: FaultKind
    message: str
    mend: Mapping[TitleField, str]


class TitleRow(Schema):
    """A page with its words as they are typed, its title and description as they will be, and widths in CSS pixels."""

    id: int
    path: str
    title: str
    own_title: str
    menu_title: str
    summary: str
    shown_title: str
    description: str
    source: Source
    search_width: int
    tab_width: int
    faults: list[FaultOut]


class FaultCount(Schema):
    """How many pages have a fault, and for how many there is a mend."""

    kind: FaultKind
    pages: int
    mends: int


class TitlesOut(Schema):
    """A part of the table: ``count`` is how many pages there are of those that were asked for.

    ``looked_over`` says of how many pages of the whole table ``faults`` are known so far, ``is_whole`` whether that is
    all; each call looks over more. Cuts are where a tab and a search result end.
    """

    revision: int
    count: int
    rows: list[TitleRow]
    faults: list[FaultCount]
    looked_over: int
    is_whole: bool
    search_cut: int
    tab_cut: int
    description_cut: int


class TitleCell(Strict):
    """New words for one field of a page."""

    page: Identifier
    field: TitleField
    value: str


class TitlesChange(Strict):
    """Words of many pages at once: all of them are kept, or none."""

    cells: Annotated[list[TitleCell], Field(max_length=50_000)]


class ReplaceIn(Strict):
    """Words to be sought in some fields of all pages, and what to put in their place."""

    find: Annotated[str, Field(min_length=1, max_length=200)]
    by: Annotated[str, Field(max_length=320)] = ""
    fields: list[TitleField] = Field(default_factory=lambda: list(faults.FIELDS))
    match_case: bool = False


class MendIn(Strict):
    """A kind of fault; of all pages, or of some."""

    kind: FaultKind
    pages: list[Identifier] | None = None


class CsvIn(Strict):
    """A file of titles, as text."""

    text: Annotated[str, Field(max_length=MOST_TEXT)]


class ProposedCell(TitleCell):
    """New words for one field of a page, with its address, and those that it has."""

    path: str
    was: str


class TitleProposal(Schema):
    """What would change, to be looked at before it is kept: ``count`` is how many spots were found.

    Of very many changes the first come, and ``left`` says how many cells or pages are left for another look.
    """

    count: int
    cells: list[ProposedCell]
    left: int
    errors: list[FieldErrorOut]
