"""Deleting folders of editions that nobody is led to, and the oldest others where there is too much."""

import os
import shutil
import time
from dataclasses import dataclass
from pathlib import Path

from hestor.edge_cache import paths

_ASIDE = ".gone-"
_GRACE = 60.0
# A folder is made before it is linked, and a request may still be reading what was unlinked a moment ago.


@dataclass(frozen=True)
class _Folder:
    path: Path
    bytes: int
    newest: float
    is_linked: bool


def _linked() -> set[Path]:
    found_paths = set()
    for link in paths.sites().glob("*/*"):
        try:
            found_paths.add((link.parent / os.readlink(link)).resolve())
        except OSError:
            continue
    return found_paths


def _measured(path: Path, linked: set[Path]) -> _Folder:
    size, newest = 0, 0.0
    for folder, _, names in os.walk(path):
        for name in names:
            try:
                state = os.stat(Path(folder) / name)
            except OSError:
                continue
            size += state.st_size
            # The time of change is the system's own; that of writing holds an entity tag.
            newest = max(newest, state.st_ctime)
    return _Folder(path, size, newest, path.resolve() in linked)


def _delete(path: Path) -> None:
    """Deletes a folder, away from its name first: nobody is led to what is half deleted."""
    aside = path.with_name(f"{_ASIDE}{path.name.removeprefix(_ASIDE)}")
    if aside != path:
        shutil.rmtree(aside, ignore_errors=True)
    try:
        path.rename(aside)
    except OSError:
        aside = path
    shutil.rmtree(aside, ignore_errors=True)


def clean(most_bytes: int) -> int:
    """Deletes what is not needed; says how many folders. A linked one that goes is filled again as it is asked for."""
    if not paths.is_on():
        return 0
    linked = _linked()
    laid_down = [_measured(path, linked) for path in paths.editions().glob("*/*") if path.is_dir()]
    now = time.time()
    gone = [one for one in laid_down if not one.is_linked and now - one.newest > _GRACE]
    kept = sorted((one for one in laid_down if one not in gone), key=lambda one: (one.is_linked, one.newest))
    total = sum(one.bytes for one in kept)
    for one in kept:
        if total <= most_bytes:
            break
        gone.append(one)
        total -= one.bytes
    for one in gone:
        _delete(one.path)
    return len(gone)
