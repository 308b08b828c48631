"""What is missing or unsafe about an installation, in words for its administrator; and figures of how it is."""

import os
import shutil
import stat
from collections.abc import Iterator
from dataclasses import dataclass
from datetime import timedelta
from pathlib import Path
from typing import Literal

from django.conf import settings

from hestor import clock
from hestor.backups import folder as copies

Severity = Literal["wrong", "advice"]
_LEAST_FREE = 0.05
_LEAST_BYTES = 1_000_000_000
_OLD = timedelta(days=2)


@dataclass(frozen=True)
class Finding:
    """One thing that is amiss: how much it matters, by what code it is known, and what belongs into its words."""

    severity: Severity
    code: str
    params: dict[str, str | int]


@dataclass(frozen=True)
class Disk:
    """A disk: how many bytes it has, and how many are free."""

    total: int
    free: int

    @property
    def is_nearly_full(self) -> bool:
        """Whether it may be full before anybody looks again."""
        return self.free < min(self.total * _LEAST_FREE, _LEAST_BYTES)


def disk(path: Path) -> Disk:
    """The disk that a folder is on, or the nearest above it that is there."""
    while not path.exists() and path != path.parent:
        path = path.parent
    used = shutil.disk_usage(path)
    return Disk(used.total, used.free)


def _private() -> Iterator[Finding]:
    data = Path(settings.DATA)
    for path in (data, data / "hestor.sqlite3", data / "secret-key"):
        if path.exists() and stat.S_IMODE(path.stat().st_mode) & 0o077:
            yield Finding("wrong", "open_to_others", {"path": str(path)})
    if not os.access(data, os.W_OK):
        yield Finding("wrong", "data_unwritable", {"path": str(data)})


def _web() -> Iterator[Finding]:
    is_real = settings.DESK_HOST != "localhost"
    if is_real and not settings.HTTPS:
        yield Finding("wrong", "no_https", {})
    if not is_real:
        yield Finding("advice", "only_here", {})
    if is_real and settings.DESK_HOST in (settings.SITES_DOMAIN, f"www.{settings.SITES_DOMAIN}"):
        yield Finding("wrong", "one_host", {"host": settings.DESK_HOST})
    if settings.FRONT is None:
        yield Finding("advice", "no_front", {})
    elif not _is_writable(Path(settings.FRONT)):
        yield Finding("wrong", "front_unwritable", {"path": str(settings.FRONT)})


def _is_writable(path: Path) -> bool:
    return path.is_dir() and os.access(path, os.W_OK)


def _backup() -> Iterator[Finding]:
    copies_made = copies.listed()
    if not copies_made:
        yield Finding("wrong", "no_copy", {"path": str(copies.folder())})
    elif clock.now() - copies_made[0].manifest.made_at > _OLD:
        yield Finding("wrong", "old_copy", {"days": (clock.now() - copies_made[0].manifest.made_at).days})
    others = copies.of_others()
    if others:
        yield Finding("wrong", "copies_of_another", {"path": str(copies.folder())})
    for path in copies.unreadable():
        if path not in others:
            yield Finding("wrong", "copy_unreadable", {"path": str(path)})
    if copies.folder().exists() and copies.folder().stat().st_dev == Path(settings.DATA).stat().st_dev:
        yield Finding("advice", "copies_same_disk", {"path": str(copies.folder())})


def _mail() -> Iterator[Finding]:
    if not settings.SMTP:
        yield Finding("advice", "no_mail", {})
    if settings.DNS == "simulated" and settings.DESK_HOST != "localhost":
        yield Finding("advice", "simulated_names", {})


def _settings() -> Iterator[Finding]:
    for code, params in settings.SETTING_NOTES:
        yield Finding("advice", code, dict(params))


def _disks() -> Iterator[Finding]:
    for path in {Path(settings.DATA), copies.folder(), Path(settings.FRONT or settings.DATA)}:
        if (found_disk := disk(path)).is_nearly_full:
            yield Finding("wrong", "disk_full", {"path": str(path), "free": found_disk.free // 1_000_000})


def findings() -> list[Finding]:
    """All that is amiss, what is wrong before what is only advised."""
    found_findings = [one for check in (_private, _web, _backup, _mail, _disks, _settings) for one in check()]
    return sorted(found_findings, key=lambda one: one.severity != "wrong")
