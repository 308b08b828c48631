"""Someone else's pages: a ZIP of static HTML held to a house style, and given back mended. Nothing of it is kept."""

import json
from datetime import date
from typing import Annotated, Any

from django.http import HttpRequest, HttpResponse
from ninja import File, Form, Router, Schema
from ninja.files import UploadedFile

from hestor import clock, translations
from hestor.api.auth import signed_in
from hestor.api.description import gives
from hestor.api.errors import in_words
from hestor.api.import_export import NotTaken
from hestor.api.schemas import ProblemOut
from hestor.api.sweep_schemas import StrayKind, StrayKindOut, UnreadOut
from hestor.api.words import stray_kinds
from hestor.core.errors import InvalidInput, Problem
from hestor.core.sweep import report, style
from hestor.core.sweep.folder import Swept, sweep
from hestor.core.sweep.mended_folder import mend_all
from hestor.core.sweep.style import Style, UnreadableStyle
from hestor.core.sweep.zipped import Unpacked, refusal, unpack
from hestor.sandbox import SWEEP_SECONDS, TO_SWEEP, TO_UNPACK, Budget, run_within

router = Router(tags=["someone else's pages"])
_MOST_SHOWN = 5_000


class FoundStray(Schema):
    """A spot on somebody's page: ``start`` and ``end`` count code points in the decoded file."""

    id: str
    kind: StrayKind
    page: str
    place: str
    start: int
    end: int
    says: str
    should_say: str
    why: str
    sure: float
    mend: str | None


class CheckOut(Schema):
    """What was found: as the command prints it, with its kinds in words and what of the ZIP was left out."""

    pages: int
    checked_at: str
    style: dict[str, Any]
    strays: list[FoundStray]
    more: int
    unread: list[UnreadOut]
    kinds: list[StrayKindOut]
    left_out: list[NotTaken]


def _opened(file: UploadedFile) -> Unpacked:
    """Raises InvalidInput for what is no ZIP, or holds no page."""
    found = run_within(TO_UNPACK, unpack, file.read())
    if wrong := refusal(found):
        raise InvalidInput([wrong])
    return found


def _style(given: str) -> Style | None:
    if not given.strip():
        return None
    try:
        return style.read(json.loads(given)).style
    except (UnreadableStyle, ValueError, RecursionError) as error:
        raise InvalidInput([Problem("style", "style_unreadable")]) from error


def _swept(unpacked: Unpacked, given: Style | None, today: date, budget: Budget) -> Swept:
    return sweep(unpacked.as_files(), given, today, enough=budget.is_spent)


def _mended(unpacked: Unpacked, given: Style | None, today: date) -> dict[str, bytes]:
    return {one.path: one.raw for one in mend_all(unpacked.as_files(), given, today)}


@router.post("/check", response={200: CheckOut, 413: ProblemOut, 422: ProblemOut})
def check(request: HttpRequest, file: Annotated[UploadedFile, File()], style: Annotated[str, Form()] = "") -> CheckOut:
    """Sweeps the pages in a ZIP, held to a house style (JSON), or to what most of them agree on."""
    signed_in(request)
    found = _opened(file)
    now = clock.now()
    swept = run_within(TO_SWEEP, _swept, found, _style(style), now.date(), Budget(SWEEP_SECONDS))
    made = report.report(swept.pages, now, swept.style, swept.strays[:_MOST_SHOWN], swept.unread, translations.say)
    return CheckOut.model_validate(
        {
            **made,
            "more": max(0, len(swept.strays) - _MOST_SHOWN),
            "kinds": stray_kinds(stray.kind for stray in swept.strays),
            "left_out": [
                {"file": str(problem.params.get("name", "")), "message": in_words(problem)}
                for problem in found.problems
            ],
        }
    )


@router.post("/check/mended.zip", openapi_extra=gives("application/zip"))
def mended(
    request: HttpRequest, file: Annotated[UploadedFile, File()], style: Annotated[str, Form()] = ""
) -> HttpResponse:
    """The same ZIP with all mended that can be; all else byte for byte as it was."""
    signed_in(request)
    found = _opened(file)
    changed = run_within(TO_SWEEP, _mended, found, _style(style), clock.now().date())
    headers = {"Content-Disposition": 'attachment; filename="mended.zip"'}
    return HttpResponse(found.packed(changed), content_type="application/zip", headers=headers)
