"""The table of titles and descriptions: read, written, sought through, mended, taken out and in as CSV."""

from collections.abc import Iterable, Mapping, Sequence

from django.http import HttpRequest, HttpResponse
from ninja import Router

from hestor import clock, translations
from hestor.api.auth import needed_revision, site_for
from hestor.api.description import gives
from hestor.api.errors import Conflict, field_error
from hestor.api.schemas import FieldErrorOut, ProblemOut
from hestor.api.title_schemas import (
    CsvIn,
    FaultCount,
    FaultOut,
    MendIn,
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
from hestor.sites.selectors.title_table import counts_of, rows_for, table_of
from hestor.sites.services.bulk_titles import Cell, write_cells

router = Router(tags=["titles"])
_MOST_ROWS = 5_000


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


def _out(site: Site, rows: Iterable[Row], whole: Sequence[Row]) -> TitlesOut:
    known = translations.catalogue("desk", translations.speaking())
    words: dict[faults.Kind, str] = {kind: known[f"fault.{kind}"] for kind in KINDS}
    return TitlesOut.model_construct(
        revision=site.revision,
        count=len(whole),
        rows=[_row(row, words) for row in rows],
        faults=[
            FaultCount(kind=kind, pages=pages, mends=mends)
            for kind, (pages, mends) in counts_of(site, clock.now()).items()
        ],
        search_cut=round(titles.SEARCH_CUT),
        tab_cut=round(titles.TAB_CUT),
        description_cut=descriptions.MOST_SHOWN,
    )


@router.get("/sites/{site}/titles", response={200: TitlesOut, 404: ProblemOut})
def show(request: HttpRequest, site: str, start: int = 0, count: int = 1_000) -> TitlesOut:
    """A part of the table: ``count`` pages from number ``start`` on, in the order of the tree."""
    found_site = site_for(request, site, Action.VIEW)
    whole = table_of(found_site, clock.now())
    first = max(0, start)
    return _out(found_site, whole[first : first + max(1, min(count, _MOST_ROWS))], whole)


def _given(cells: Iterable[TitleCell]) -> list[Cell]:
    return [Cell(cell.page, cell.field, cell.value) for cell in cells]


@router.patch("/sites/{site}/titles", response={200: TitlesOut, 404: ProblemOut, 412: ProblemOut, 422: ProblemOut})
def change(request: HttpRequest, site: str, given: TitlesChange) -> TitlesOut:
    """Keeps words of many pages at once; gives the rows of those. A stale write is refused, with both values."""
    found_site = site_for(request, site, Action.EDIT)
    pages = [cell.page for cell in given.cells]
    try:
        write_cells(found_site.pk, _given(given.cells), needed_revision(request))
    except StaleRevision as error:
        found_site.refresh_from_db()
        theirs = _out(found_site, rows_for(found_site, pages, clock.now()), table_of(found_site, clock.now()))
        raise Conflict(error, given.model_dump(mode="json"), theirs.model_dump(mode="json")) from error
    found_site.refresh_from_db()
    return _out(found_site, rows_for(found_site, pages, clock.now()), table_of(found_site, clock.now()))


def _proposal(proposal: Proposal, errors: Iterable[FieldErrorOut] = ()) -> TitleProposal:
    made = [TitleCell.model_construct(page=page, field=field, value=value) for page, field, value in proposal.cells]
    return TitleProposal(count=proposal.count, cells=made, errors=list(errors))


@router.post("/sites/{site}/titles/replace", response={200: TitleProposal, 404: ProblemOut, 422: ProblemOut})
def replace(request: HttpRequest, site: str, given: ReplaceIn) -> TitleProposal:
    """What putting other words in place of some would change, with how many spots; nothing is kept."""
    rows = table_of(site_for(request, site, Action.EDIT), clock.now())
    return _proposal(title_changes.replacing(rows, given.find, given.by, given.fields, given.match_case))


@router.post("/sites/{site}/titles/mends", response={200: TitleProposal, 404: ProblemOut, 422: ProblemOut})
def mends(request: HttpRequest, site: str, given: MendIn) -> TitleProposal:
    """The mends that are proposed for one kind of fault, on all pages or on some; nothing is kept."""
    rows = table_of(site_for(request, site, Action.EDIT), clock.now())
    return _proposal(title_changes.mending(rows, given.kind, None if given.pages is None else set(given.pages)))


@router.get("/sites/{site}/titles.csv", openapi_extra=gives("text/csv"))
def take_out(request: HttpRequest, site: str) -> HttpResponse:
    """The whole table as CSV (RFC 4180)."""
    found_site = site_for(request, site, Action.VIEW)
    text = titles_csv.written(table_of(found_site, clock.now()))
    name = f"{found_site.slug}-titles.csv"
    headers = {"Content-Disposition": f'attachment; filename="{name}"'}
    return HttpResponse(text.encode(), content_type="text/csv; charset=utf-8", headers=headers)


@router.post("/sites/{site}/titles/csv", response={200: TitleProposal, 404: ProblemOut, 422: ProblemOut})
def take_in(request: HttpRequest, site: str, given: CsvIn) -> TitleProposal:
    """What a file of titles says otherwise than the draft; nothing is kept. What can't be taken is named."""
    found_site = site_for(request, site, Action.EDIT)
    read = titles_csv.read(given.text, [row.page for row in table_of(found_site, clock.now())])
    proposal = Proposal(len(read.cells), read.cells)
    return _proposal(proposal, [FieldErrorOut(**field_error(problem)) for problem in read.problems[:50]])
