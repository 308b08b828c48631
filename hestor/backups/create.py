"""Making a copy while the server runs.

The database is copied as it was at one moment, whatever is written meanwhile (``databases``); then the pictures that
this very copy names. Pictures are never altered and go only long after they were deleted, so both belong
to one moment. A copy has no name until it is whole and was opened and checked.
"""

import os
import shutil
import sqlite3
import time
from collections.abc import Mapping
from datetime import datetime
from pathlib import Path
from typing import IO

from django.conf import settings
from django.db import DatabaseError

from hestor.backups import databases
from hestor.backups import folder as copies
from hestor.backups.errors import CopyFailed
from hestor.backups.manifest import FileState, Manifest, state_of
from hestor.core.retention import kept
from hestor.pictures import store

_SECRET = "secret-key"  # noqa: S105 the name of a file
DAILY = "daily"
"""The reason of copies that are made by themselves; all others somebody, or an upgrade, asked for."""
_TRIES = 3
# What is without a name for so long was left by a loss of power.
_LEFT_SECONDS = 24 * 3600


def _copy(source: IO[bytes], target: Path) -> None:
    """Copies a file so that it is whole or not there, also after a loss of power."""
    target.parent.mkdir(parents=True, exist_ok=True)
    draft = target.with_name(f".{target.name}.part")
    try:
        with source as old, draft.open("wb") as new:
            shutil.copyfileobj(old, new, 1 << 20)
            new.flush()
            os.fsync(new.fileno())
        draft.replace(target)
    finally:
        draft.unlink(missing_ok=True)


def _copy_pictures(keys: list[str], known: Mapping[str, FileState], is_last_try: bool) -> dict[str, FileState]:
    """Copies the pictures that no copy had before. Raises FileNotFoundError if one is gone, but for a last try."""
    states = {}
    for key in keys:
        target = copies.picture(key)
        if is_last_try and not target.exists() and not store.has_master(key):
            # Lost before: no reason to copy nothing at all any more.
            continue
        if not target.exists() or (key in known and target.stat().st_size != known[key].bytes):
            _copy(store.open_master(key), target)
            states[key] = state_of(target)
        else:
            states[key] = known.get(key) or state_of(target)
    return states


def _fill(draft: Path, now: datetime, reason: str, known: Mapping[str, FileState], is_last_try: bool) -> Manifest:
    data = Path(settings.DATA)
    database = draft / databases.file_name()
    database.unlink(missing_ok=True)
    sites, keys = databases.snapshot(database)
    pictures = _copy_pictures(keys, known, is_last_try)
    files = {database.name: state_of(database)}
    if (data / _SECRET).exists():
        _copy((data / _SECRET).open("rb"), draft / _SECRET)
        files[_SECRET] = state_of(draft / _SECRET)
    made = Manifest(now, reason, settings.VERSION, sites, files, pictures)
    made.write(draft)
    return made


def make(now: datetime, reason: str) -> Manifest:
    """Makes a copy of now. Raises CopyFailed, in words, if it could not be made; then nothing is left of it."""
    newest = copies.listed()[:1]
    known = newest[0].manifest.pictures if newest else {}
    name = copies.name_of(now)
    draft = copies.draft_of(name)
    try:
        shutil.rmtree(draft, ignore_errors=True)
        draft.mkdir(parents=True)
        for left in reversed(range(_TRIES)):
            try:
                made = _fill(draft, now, reason, known, not left)
                break
            except FileNotFoundError:
                # A picture went for good in this moment: so it is not in the next.
                if not left:
                    raise
        draft.rename(copies.folder() / name)
    except (OSError, DatabaseError, sqlite3.Error) as error:
        raise CopyFailed(f"No copy could be made: {error}.") from error
    finally:
        shutil.rmtree(draft, ignore_errors=True)
    return made


def prune() -> int:
    """Deletes copies that are not to be kept any longer; says how many.

    Then what a loss of power left of others, and pictures that no copy names.
    """
    found = copies.listed()
    asked = [one.manifest.made_at for one in found if one.manifest.reason != DAILY]
    keep = kept((one.manifest.made_at for one in found), asked)
    gone = [one for one in found if one.manifest.made_at not in keep]
    for one in gone:
        # Without its name at once: a copy that is half deleted is none.
        draft = copies.draft_of(one.name)
        shutil.rmtree(draft, ignore_errors=True)
        one.path.rename(draft)
        shutil.rmtree(draft)
    for left in copies.left_over(time.time() - _LEFT_SECONDS):
        shutil.rmtree(left, ignore_errors=True)
    # One that can't be read may name any picture.
    if not copies.unreadable():
        named = {key for one in found if one not in gone for key in one.manifest.pictures}
        for path in copies.pictures():
            if path.name not in named:
                path.unlink(missing_ok=True)
    return len(gone)
