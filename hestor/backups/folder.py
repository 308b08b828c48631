"""Where copies stand: a folder each, named by its moment, and one of pictures that all share."""

import os
from collections.abc import Iterator
from dataclasses import dataclass
from datetime import UTC, datetime
from pathlib import Path

from django.conf import settings

from hestor.backups.manifest import Manifest

_PICTURES = "pictures"


@dataclass(frozen=True)
class Copy:
    """One copy: its folder, and what it says of itself."""

    path: Path
    manifest: Manifest

    @property
    def name(self) -> str:
        """What it is called on the command line."""
        return self.path.name


def folder() -> Path:
    """The folder of all copies (``HESTOR_BACKUPS``; else ``backups`` beside the database)."""
    return Path(settings.BACKUPS)


def name_of(moment: datetime) -> str:
    """The name of a copy made at a moment, in UTC: as ``2026-11-26T031500Z``."""
    return moment.astimezone(UTC).strftime("%Y-%m-%dT%H%M%SZ")


def draft_of(name: str) -> Path:
    """Where a copy stands while it is made, or deleted."""
    return folder() / f".{name}.part"


def left_over(before: float) -> list[Path]:
    """Folders of copies without a name that nothing was done to since a moment, in seconds of the epoch."""
    return [path for path in folder().glob(".*.part") if path.is_dir() and path.stat().st_mtime < before]


def picture(key: str) -> Path:
    """Where a picture of any copy stands."""
    return folder() / _PICTURES / key[:2] / key


def pictures() -> Iterator[Path]:
    """The pictures of all copies."""
    return (folder() / _PICTURES).glob("??/*")


def _folders() -> list[Path]:
    if not folder().is_dir():
        return []
    paths = (path for path in folder().iterdir() if path.is_dir() and path.name[0] != "." and path.name != _PICTURES)
    return sorted(paths, reverse=True)


def _read(path: Path) -> Manifest | None:
    try:
        return Manifest.read(path)
    except (OSError, ValueError):
        return None


def listed() -> list[Copy]:
    """All copies that can be read, newest first."""
    return [Copy(path, manifest) for path in _folders() if (manifest := _read(path))]


def of_others() -> list[Path]:
    """What in the folder of copies belongs to another user, so that this one can't read it, or go on there."""
    own = os.geteuid()
    parts = [folder(), folder() / _PICTURES, *(folder() / _PICTURES).glob("??"), *_folders()]
    return [path for path in parts if path.exists() and path.stat().st_uid != own and not _may_write(path)]


def _may_write(path: Path) -> bool:
    return os.access(path, os.R_OK | os.W_OK | os.X_OK)


def unreadable() -> list[Path]:
    """Folders that hold no readable copy."""
    return [path for path in _folders() if _read(path) is None]
