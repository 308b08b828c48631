"""Pages out of a draft and into it, as Markdown files with their pictures."""

from collections.abc import Iterator
from itertools import zip_longest
from typing import Annotated

from django.http import HttpRequest, HttpResponse
from ninja import File, Form, Router, Schema
from ninja.files import UploadedFile

from hestor.api.auth import site_for
from hestor.api.description import gives
from hestor.api.errors import in_words
from hestor.api.schemas import ProblemOut
from hestor.core.pages import package
from hestor.core.pages.package import MOST_BYTES, Package
from hestor.core.roles import Action
from hestor.sandbox import TO_UNPACK, run_within
from hestor.sites.selectors.export import zip_of
from hestor.sites.services import later
from hestor.sites.services.importing import CallBudget, Report, take_in

router = Router(tags=["import and export"])
_MOST_PROBLEMS = 200


class NotTaken(Schema):
    """What of a file was not taken, and why."""

    file: str
    message: str


class ImportOut(Schema):
    """What an import did: addresses of pages added and changed; how many said the same; how many pictures are new.

    ``later`` is how many pictures are still to be taken in, by themselves; the pages come with the last of them.
    ``deed`` takes the pages back, where any came.
    """

    added: list[str]
    changed: list[str]
    same: int
    pictures: int
    later: int
    deed: int | None
    problems: list[NotTaken]
    more_problems: int


def _files(given: list[UploadedFile], names: list[str]) -> Iterator[tuple[str, bytes]]:
    """The files one after the other, so that no more of them are held than may be taken."""
    for file, name in zip_longest(given, names[: len(given)]):
        yield name or file.name or "", file.read(MOST_BYTES + 1)


def _package(given: list[UploadedFile], names: list[str]) -> Package:
    """What was sent: one ZIP, or the files of a folder with their names in it."""
    if len(given) == 1 and (given[0].name or "").lower().endswith(".zip"):
        return run_within(TO_UNPACK, package.of_zip, given[0].read())
    return package.of_files(_files(given, names))


def not_taken(report: Report) -> tuple[list[NotTaken], int]:
    """What was not taken, in words, and how much more there is than is told."""
    told = [NotTaken(file=file, message=in_words(one)) for file, one in report.problems[:_MOST_PROBLEMS]]
    return told, max(0, len(report.problems) - _MOST_PROBLEMS)


def _out(report: Report) -> ImportOut:
    problems, more = not_taken(report)
    return ImportOut(
        added=report.added,
        changed=report.changed,
        same=report.same,
        pictures=report.pictures,
        later=report.later,
        deed=report.deed,
        problems=problems,
        more_problems=more,
    )


@router.post("/sites/{site}/import", response={200: ImportOut, 404: ProblemOut, 413: ProblemOut, 422: ProblemOut})
def put_in(
    request: HttpRequest,
    site: str,
    files: Annotated[list[UploadedFile], File()],
    names: Annotated[list[str], Form()] = [],  # noqa: B006
) -> ImportOut:
    """Takes Markdown files and pictures into the draft: a ZIP, or the files of a folder with their ``names`` in it."""
    found_site = site_for(request, site, Action.EDIT)
    given = _package(files, names)
    report = take_in(found_site, given, CallBudget().is_spent)
    if report.later:
        texts = ((name, text.encode()) for name, text in given.texts.items())
        later.keep(found_site, package.zipped([*texts, *given.pictures.items()]), report.later)
    return _out(report)


@router.get("/sites/{site}/import", response={200: ImportOut | None, 404: ProblemOut})
def taken_later(request: HttpRequest, site: str) -> ImportOut | None:
    """How it stands with what the last import left for later; null where it left nothing."""
    found = later.newest(site_for(request, site, Action.VIEW))
    return _out(later.report_of(found)) if found else None


@router.get("/sites/{site}/pages.zip", openapi_extra=gives("application/zip"))
def take_out(request: HttpRequest, site: str) -> HttpResponse:
    """The draft's pages as Markdown files with front matter, and their pictures."""
    found_site = site_for(request, site, Action.VIEW)
    headers = {"Content-Disposition": f'attachment; filename="{found_site.slug}-pages.zip"'}
    return HttpResponse(zip_of(found_site), content_type="application/zip", headers=headers)
