"""The table of titles and descriptions: read, written, sought through, mended, taken out and in as CSV."""

from collections.abc import Iterable, Mapping, Sequence
from typing import Annotated

from django.http import HttpRequest, HttpResponse
from ninja import Query, Router
from pydantic import Field

from hestor import clock, translations
from hestor.api.auth import needed_revision, site_for
from hestor.api.description import gives
from hestor.api.errors import Conflict, field_error
from hestor.api.schemas import MOST_AT_ONCE, Count, FieldErrorOut, Number, ProblemOut, Strict
from hestor.api.title_schemas import (
    CsvIn,
    FaultCount,
    FaultOut,
    MendIn,
    ProposedCell,
    ReplaceIn,
    TitleCell,
    TitleProposal,
    TitleRow,
    TitlesChange,
    TitlesOut,
)
from hestor.core.errors import StaleRevision
from hestor.core.pages import descriptions, faults, title_changes, titles, titles_csv
from hestor.core.pages.faults import KINDS, Row
from hestor.core.pages.title_changes import Proposal
from hestor.core.roles import Action
from hestor.sites.models import Site
from hestor.sites.selectors.title_table import (
    every_page,
    every_row,
    rows_for,
    rows_with,
    survey_of,
    title_window,
    whole_survey_of,
)
from hestor.sites.services.bulk_titles import Cell, write_cells

router = Router(tags=["titles"])


def _row(row: Row, words: Mapping[faults.Kind, str]) -> TitleRow:
    page = row.page
    return TitleRow.model_construct(
        id=page.page_id,
        path=page.path,
        title=page.title,
        own_title=page.own_title,
        menu_title=page.menu_title,
        summary=page.summary,
        shown_title=row.shown,
        description=row.description,
        source=row.source,
        search_width=row.search_width,
        tab_width=row.tab_width,
        faults=[
            FaultOut.model_construct(kind=fault.kind, message=words[fault.kind], mend=fault.mend)
            for fault in row.faults
        ],
    )


def _out(site: Site, rows: Iterable[Row], count: int) -> TitlesOut:
    known = translations.catalogue("desk", translations.speaking())
    words: dict[faults.Kind, str] = {kind: known[f"fault.{kind}"] for kind in KINDS}
    survey = survey_of(site, clock.now(), 0)
    return TitlesOut.model_construct(
        revision=site.revision,
        count=count,
        rows=[_row(row, words) for row in rows],
        faults=[FaultCount(kind=kind, pages=pages, mends=mends) for kind, (pages, mends) in survey.counts().items()],
        looked_over=len(survey),
        is_whole=survey.is_whole,
        search_cut=round(titles.SEARCH_CUT),
        tab_cut=round(titles.TAB_CUT),
        description_cut=descriptions.MOST_SHOWN,
    )


def _changed(site: Site, pages: Sequence[int]) -> TitlesOut:
    """The rows of pages that were written."""
    site.refresh_from_db()
    return _out(site, rows_for(site, set(pages), clock.now()), len(pages))


class TitlesQuery(Strict):
    """Which part of the table is asked for: ``count`` rows from number ``start`` on.

    ``sought`` are words of an address, a title or a description; ``fault`` is what those pages have that are wanted.
    """

    start: Number = 0
    count: Count = MOST_AT_ONCE
    sought: Annotated[str, Field(max_length=200)] = ""
    fault: faults.Kind | None = None


@router.get("/sites/{site}/titles", response={200: TitlesOut, 404: ProblemOut})
def show(request: HttpRequest, site: str, wanted: Query[TitlesQuery]) -> TitlesOut:
    """A part of the table, in the order of the tree."""
    found_site = site_for(request, site, Action.VIEW)
    window = title_window(found_site, clock.now(), wanted.start, wanted.count, wanted.sought, wanted.fault)
    return _out(found_site, window.rows, window.count)


def _given(cells: Iterable[TitleCell]) -> list[Cell]:
    return [Cell(cell.page, cell.field, cell.value) for cell in cells]


@router.patch("/sites/{site}/titles", response={200: TitlesOut, 404: ProblemOut, 412: ProblemOut, 422: ProblemOut})
def change(request: HttpRequest, site: str, given: TitlesChange) -> TitlesOut:
    """Keeps words of many pages at once; gives the rows of those. A stale write is refused, with both values."""
    found_site = site_for(request, site, Action.EDIT)
    pages = [cell.page for cell in given.cells]
    try:
        write_cells(found_site, _given(given.cells), needed_revision(request))
    except StaleRevision as error:
        theirs = _changed(found_site, pages).model_dump(mode="json")
        raise Conflict(error, given.model_dump(mode="json"), theirs) from error
    return _changed(found_site, pages)


def _proposal(proposal: Proposal, errors: Iterable[FieldErrorOut] = ()) -> TitleProposal:
    made = [ProposedCell.model_construct(**cell._asdict()) for cell in proposal.cells]
    return TitleProposal(count=proposal.count, cells=made, left=proposal.left, errors=list(errors))


@router.post("/sites/{site}/titles/replace", response={200: TitleProposal, 404: ProblemOut, 422: ProblemOut})
def replace(request: HttpRequest, site: str, given: ReplaceIn) -> TitleProposal:
    """What putting other words in place of some would change, with how many spots; nothing is kept."""
    pages = every_page(site_for(request, site, Action.EDIT), clock.now())
    return _proposal(title_changes.replacing(pages, given.find, given.by, given.fields, given.match_case))


@router.post("/sites/{site}/titles/mends", response={200: TitleProposal, 404: ProblemOut, 422: ProblemOut})
def mends(request: HttpRequest, site: str, given: MendIn) -> TitleProposal:
    """The mends that are proposed for one kind of fault, on all pages or on some; nothing is kept."""
    found_site = site_for(request, site, Action.EDIT)
    rows = rows_with(found_site, clock.now(), given.kind)
    _, mends = whole_survey_of(found_site, clock.now()).counts().get(given.kind, (0, 0))
    pages = None if given.pages is None else set(given.pages)
    return _proposal(title_changes.mending(rows, given.kind, mends, pages))


@router.get("/sites/{site}/titles.csv", openapi_extra=gives("text/csv"))
def take_out(request: HttpRequest, site: str) -> HttpResponse:
    """The whole table as CSV (RFC 4180)."""
    found_site = site_for(request, site, Action.VIEW)
    text = titles_csv.written(every_row(found_site, clock.now()))
    name = f"{found_site.slug}-titles.csv"
    headers = {"Content-Disposition": f'attachment; filename="{name}"'}
    return HttpResponse(text.encode(), content_type="text/csv; charset=utf-8", headers=headers)


@router.post("/sites/{site}/titles/csv", response={200: TitleProposal, 404: ProblemOut, 422: ProblemOut})
def take_in(request: HttpRequest, site: str, given: CsvIn) -> TitleProposal:
    """What a file of titles says otherwise than the draft; nothing is kept. What can't be taken is named."""
    found_site = site_for(request, site, Action.EDIT)
    read = titles_csv.read(given.text, every_page(found_site, clock.now()))
    most = title_changes.MOST_CELLS
    proposal = Proposal(len(read.cells), read.cells[:most], max(0, len(read.cells) - most))
    return _proposal(proposal, [FieldErrorOut(**field_error(problem)) for problem in read.problems[:50]])
