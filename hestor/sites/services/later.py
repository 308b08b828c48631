"""What one call had no time for: files kept in the folder ``waiting`` until a job has taken them in."""

from dataclasses import asdict
from pathlib import Path

from django.conf import settings
from django_tasks import task

from hestor import clock
from hestor.core.errors import HestorError, Problem
from hestor.core.pages import package
from hestor.sandbox import TO_UNPACK, run_within
from hestor.sites.models import LaterImport, Site
from hestor.sites.services import from_package, importing
from hestor.sites.services.importing import CallBudget, Report

_FOLDER = "waiting"
# A job has longer than a call, and yet lets others between.
_PICTURES, _SECONDS = 1_000, 60.0


def _file(later: LaterImport) -> Path:
    return Path(settings.FILES or settings.DATA) / _FOLDER / f"{later.name}.zip"


def keep(site: Site, body: bytes, left: int, is_package: bool = False) -> LaterImport:
    """Keeps a ZIP until a job has taken it in."""
    later = LaterImport(site=site, left=left, is_package=is_package, made=clock.now())
    path = _file(later)
    path.parent.mkdir(parents=True, exist_ok=True)
    path.write_bytes(body)
    later.save()
    go_on.enqueue(later.pk)
    return later


def newest(site: Site) -> LaterImport | None:
    """What was kept last of a site, done or not."""
    return LaterImport.objects.filter(site=site).order_by("-pk").first()


@task(queue_name="slow")
def go_on(number: int) -> None:
    """Takes in as much as a job may; if something is left then, another job goes on."""
    later = LaterImport.objects.select_related("site").filter(pk=number, done=None).first()
    if later is None:
        return
    report = _taken(later)
    later.left = report.later
    if report.later:
        later.save(update_fields=["left"])
        go_on.enqueue(number)
        return
    later.report = _told(report)
    later.done = clock.now()
    later.save(update_fields=["left", "report", "done"])
    _file(later).unlink(missing_ok=True)


def _taken(later: LaterImport) -> Report:
    try:
        body = _file(later).read_bytes()
        enough = CallBudget(_PICTURES, _SECONDS).is_spent
        if later.is_package:
            return from_package.fill(later.site, *from_package.read(body), enough)
        return importing.take_in(later.site, run_within(TO_UNPACK, package.of_zip, body), enough)
    except (HestorError, OSError):
        # It was read once, so this is a file that was lost or harmed since: told as nothing taken.
        return Report()


def _told(report: Report) -> dict[str, object]:
    told = asdict(report)
    told["problems"] = [[file, problem.code, dict(problem.params)] for file, problem in report.problems]
    return told


def report_of(later: LaterImport) -> Report:
    """What came of it, as a call would have said it."""
    said = {
        name: later.report[name] for name in ("added", "changed", "same", "pictures", "deed") if name in later.report
    }
    problems = [(file, Problem("file", code, params)) for file, code, params in later.report.get("problems", ())]
    return Report(**said, later=later.left, problems=problems)
