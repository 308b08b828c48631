"""A whole site out and in, and a house style from one site to another."""

from collections.abc import Callable, Iterator
from tempfile import TemporaryFile
from typing import IO, Annotated

from django.http import FileResponse, HttpRequest
from ninja import File, Form, Query, Router, Schema, Status
from ninja.files import UploadedFile
from pydantic import Field

from hestor.api.auth import needed_revision, signed_in, site_for
from hestor.api.description import gives
from hestor.api.import_export import NotTaken, not_taken
from hestor.api.schemas import ChangeOut, Identifier, ProblemOut, Strict
from hestor.api.words import changes_out
from hestor.core.pages import package
from hestor.core.roles import Action
from hestor.sites.models import Site
from hestor.sites.selectors import whole_site
from hestor.sites.selectors.copying import differences
from hestor.sites.services import later
from hestor.sites.services.copying import copy_facts
from hestor.sites.services.from_package import take_in
from hestor.sites.services.importing import CallBudget
from hestor.sites.services.several_sites import MOST_SITES

router = Router(tags=["import and export"])
_ZIP = "application/zip"
_Slugs = Annotated[list[str], Query(min_length=1, max_length=MOST_SITES)]


class TakenIn(Schema):
    """A site that was made from a package, and what of it could not be taken."""

    slug: str
    pages: int
    pictures: int
    later: int
    problems: list[NotTaken]
    more_problems: int


class CopyIn(Strict):
    """The facts that are copied."""

    keys: Annotated[list[Annotated[str, Field(max_length=60)]], Field(max_length=200)]


class CopyOut(Schema):
    """What differs: ``old`` is what this site says, ``new`` what the other one says."""

    revision: int
    changes: list[ChangeOut]


def _download(files: Iterator[tuple[str, bytes]], name: str) -> FileResponse:
    return _sent(lambda whole: package.write_zip(files, whole), name)


def _sent(write: Callable[[IO[bytes]], None], name: str) -> FileResponse:
    # Of a large site it is too much to be held.
    whole = TemporaryFile()  # noqa: SIM115 the response closes it
    write(whole)
    whole.seek(0)
    return FileResponse(whole, as_attachment=True, filename=name, content_type=_ZIP)


@router.get("/sites/{site}/editions/{number}/files.zip", openapi_extra=gives(_ZIP), response={404: ProblemOut})
def files(request: HttpRequest, site: str, number: Identifier) -> FileResponse:
    """An edition as files that any web server can hand out."""
    found_site = site_for(request, site, Action.VIEW)
    return _download(whole_site.static_files(found_site, number), f"{found_site.slug}-{number}-files.zip")


@router.get("/sites/{site}/editions/{number}/package.zip", openapi_extra=gives(_ZIP), response={404: ProblemOut})
def edition_package(request: HttpRequest, site: str, number: Identifier) -> FileResponse:
    """An edition as a package that another Hestor takes in."""
    found_site = site_for(request, site, Action.VIEW)
    return _download(whole_site.package_of_edition(found_site, number), f"{found_site.slug}-{number}.zip")


@router.get("/sites/{site}/package.zip", openapi_extra=gives(_ZIP), response={404: ProblemOut})
def draft_package(request: HttpRequest, site: str) -> FileResponse:
    """The draft as a package."""
    found_site = site_for(request, site, Action.VIEW)
    return _download(whole_site.package_of_draft(found_site), f"{found_site.slug}-draft.zip")


@router.get("/several-sites/packages.zip", openapi_extra=gives(_ZIP), response={404: ProblemOut, 422: ProblemOut})
def several_packages(request: HttpRequest, sites: _Slugs) -> FileResponse:
    """The drafts of several sites, each as a package of its own, in one ZIP."""
    found = [site_for(request, slug, Action.VIEW) for slug in dict.fromkeys(sites)]
    packages = ((f"{site.slug}-draft.zip", whole_site.package_of_draft(site)) for site in found)
    return _sent(lambda whole: package.write_packages(packages, whole), "sites.zip")


@router.post("/packages", response={201: TakenIn, 403: ProblemOut, 413: ProblemOut, 422: ProblemOut})
def from_package(
    request: HttpRequest, file: Annotated[UploadedFile, File()], slug: Annotated[str, Form(max_length=40)] = ""
) -> Status[TakenIn]:
    """Makes a new site from a package; nothing of it is published."""
    body = file.read()
    made, report = take_in(signed_in(request), body, slug, CallBudget().is_spent)
    if report.later:
        later.keep(made, body, report.later, is_package=True)
    problems, more = not_taken(report)
    pages = len(report.added) + len(report.changed) + report.same
    return Status(
        201,
        TakenIn(
            slug=made.slug,
            pages=pages,
            pictures=report.pictures,
            later=report.later,
            problems=problems,
            more_problems=more,
        ),
    )


def _both(request: HttpRequest, site: str, other: str, action: Action) -> tuple[Site, Site]:
    return site_for(request, site, action), site_for(request, other, Action.VIEW)


@router.get("/sites/{site}/facts-of/{other}", response={200: CopyOut, 404: ProblemOut})
def look_at_copy(request: HttpRequest, site: str, other: str) -> CopyOut:
    """What this site would say if it said all facts as another one does."""
    target, source = _both(request, site, other, Action.VIEW)
    return CopyOut(revision=target.revision, changes=changes_out(differences(target, source)))


@router.post(
    "/sites/{site}/facts-of/{other}", response={200: CopyOut, 404: ProblemOut, 412: ProblemOut, 422: ProblemOut}
)
def copy(request: HttpRequest, site: str, other: str, given: CopyIn) -> CopyOut:
    """Copies chosen facts of another site into this one's draft."""
    target, source = _both(request, site, other, Action.EDIT)
    after = copy_facts(target, source, given.keys, needed_revision(request))
    return CopyOut(revision=after.revision, changes=changes_out(differences(after, source)))
