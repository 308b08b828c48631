"""How the installation is, for the person who set it up."""

from datetime import datetime

from django.http import HttpRequest
from ninja import Router, Schema, Status

from hestor import translations
from hestor.accounts.selectors import require_keeper
from hestor.api.auth import signed_in
from hestor.api.schemas import ProblemOut
from hestor.backups import folder as copies
from hestor.jobs import checks, state, tasks

router = Router(tags=["well-being"])


class FindingOut(Schema):
    """Something that is missing or unsafe, in words; ``wrong``, or only advised."""

    wrong: bool
    code: str
    message: str


class DiskOut(Schema):
    """A disk, by what is on it; in bytes."""

    name: str
    total: int
    free: int
    nearly_full: bool


class JobOut(Schema):
    """A job: waiting (``ready``), ``running``, ``successful`` or ``failed``, and why it failed."""

    name: str
    title: str
    status: str
    at: datetime | None
    reason: str


class CopyMade(Schema):
    """A copy of database and pictures."""

    name: str
    made_at: datetime
    reason: str
    sites: int
    pictures: int
    bytes: int


class VersionOut(Schema):
    """A program and its version."""

    name: str
    version: str


class WellBeing(Schema):
    """All of it."""

    findings: list[FindingOut]
    versions: list[VersionOut]
    disks: list[DiskOut]
    queues: dict[str, int]
    jobs: list[JobOut]
    copies: list[CopyMade]
    copies_folder: str


@router.get("/well-being", response={200: WellBeing, 403: ProblemOut})
def show(request: HttpRequest) -> WellBeing:
    """How the installation is."""
    require_keeper(signed_in(request))
    return WellBeing(
        findings=[
            FindingOut(
                wrong=finding.severity == "wrong",
                code=finding.code,
                message=translations.say(f"install.{finding.code}", **finding.params),
            )
            for finding in checks.findings()
        ],
        versions=[VersionOut(name=name, version=version) for name, version in state.versions().items()],
        disks=[
            DiskOut(name=name, total=disk.total, free=disk.free, nearly_full=disk.is_nearly_full)
            for name, disk in state.disks().items()
        ],
        queues=state.queues(),
        jobs=[
            JobOut(
                name=job.name,
                title=translations.say(f"job.{job.name}"),
                status=job.status,
                at=job.at,
                reason=job.reason,
            )
            for job in state.jobs()
        ],
        copies=[
            CopyMade(
                name=one.name,
                made_at=one.manifest.made_at,
                reason=one.manifest.reason,
                sites=one.manifest.sites,
                pictures=len(one.manifest.pictures),
                bytes=one.manifest.size,
            )
            for one in copies.listed()
        ],
        copies_folder=str(copies.folder()),
    )


@router.post("/well-being/copies", response={202: None, 403: ProblemOut})
def copy(request: HttpRequest) -> Status[None]:
    """Has a copy made now, by a job; how that ends is told with the others."""
    require_keeper(signed_in(request))
    tasks.backup.enqueue()
    return Status(202, None)
