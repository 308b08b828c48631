"""Bringing a copy back, into a folder that holds nothing yet."""

import shutil
from pathlib import Path

from hestor.backups import databases
from hestor.backups import folder as copies
from hestor.backups.errors import CopyDamaged
from hestor.backups.folder import Copy
from hestor.backups.manifest import FileState, state_of
from hestor.pictures import store

_DRAFT = ".restoring"


def _is_whole(path: Path, state: FileState) -> bool:
    try:
        return state_of(path) == state
    except OSError:
        return False


def faults(copy: Copy) -> tuple[list[str], list[str]]:
    """The copy's own files, and its pictures (by key), that are lost or not what they were."""
    own = [name for name, state in copy.manifest.files.items() if not _is_whole(copy.path / name, state)]
    pictures = [key for key, state in copy.manifest.pictures.items() if not _is_whole(copies.picture(key), state)]
    return own, pictures


def restore(copy: Copy, data: Path, even_damaged: bool = False) -> list[str]:
    """Puts a copy in place as ``data``; gives the pictures that could not be.

    Raises NotEmpty if there is a database already, OtherDatabase for a copy of another kind, CopyDamaged if the copy is
    not whole (with ``even_damaged`` only if its database is not), and CopyFailed if the database takes nothing. It
    comes last, and whole or not at all, so that a restore that was broken off can begin again.
    """
    databases.check_kind(list(copy.manifest.files))
    databases.check_empty(data)
    own, pictures = faults(copy)
    if own or (pictures and not even_damaged):
        missing = ", ".join([*own, *([f"{len(pictures)} pictures"] if pictures else [])])
        raise CopyDamaged(f"The copy {copy.name} is not what it was when it was made: {missing}. Nothing was restored.")
    draft = data / _DRAFT
    shutil.rmtree(draft, ignore_errors=True)
    draft.mkdir(parents=True)
    for key in copy.manifest.pictures:
        if key not in pictures:
            store.replace_master(key, copies.picture(key).read_bytes())
    database = databases.file_name()
    for name in copy.manifest.files:
        if name != database:
            shutil.copyfile(copy.path / name, draft / name)
            (draft / name).replace(data / name)
    databases.put_back(copy.path / database, draft, data)
    draft.rmdir()
    return pictures
