"""Files beside the database: masters by their key, and what was generated from them by its address.

Both are in Django's storages (``STORAGES``), so that several application hosts can share them.
"""

import fcntl
import re
from collections.abc import Callable, Iterator
from contextlib import contextmanager
from functools import partial
from pathlib import Path
from typing import IO

from django.conf import settings
from django.core.files.base import ContentFile
from django.core.files.storage import Storage, storages

from hestor.pictures.whole_files import WholeFiles
from hestor.sandbox.waiting import aside

_SAFE = re.compile(r"[a-z0-9][\w.-]*(?:/[\w.-]+)?")


def _masters() -> Storage:
    return storages["masters"]


def _generated() -> Storage:
    return storages["generated"]


def _name(key: str) -> str:
    return f"{key[:2]}/{key}"


def _generated_name(site_id: int, name: str) -> str:
    return f"{site_id}/{name.replace('/', '-')}" if _SAFE.fullmatch(name) else ""


def _listed(storage: Storage, folder: str = "") -> list[list[str]]:
    """The folders and files in a folder; none where it is not there. What begins with a dot is none of them."""
    try:
        folders, files = storage.listdir(folder)
    except FileNotFoundError:
        return [[], []]
    return [[name for name in found if not name.startswith(".")] for found in (folders, files)]


def masters() -> Iterator[str]:
    """The keys of all masters that there are, of whichever site."""
    for folder in _listed(_masters())[0]:
        yield from _listed(_masters(), folder)[1]


def put_master(key: str, body: bytes) -> None:
    """Keeps a master; doing so twice changes nothing."""
    if not has_master(key):
        replace_master(key, body)


def replace_master(key: str, body: bytes) -> None:
    """Keeps a master, whatever stood in its place."""
    _masters().save(_name(key), ContentFile(body))


def open_master(key: str) -> IO[bytes]:
    """A master, to be read. Raises FileNotFoundError if there is none."""
    return _masters().open(_name(key), "rb")


def _read_master(key: str) -> bytes:
    with open_master(key) as opened:
        return opened.read()


def reader(key: str) -> Callable[[], bytes]:
    """Reads a master's bytes when called, in whichever process; then it raises FileNotFoundError if there is none."""
    try:
        # A file needs nothing but its path, also in a process that knows no settings.
        return partial(Path.read_bytes, Path(_masters().path(_name(key))))
    except NotImplementedError:
        return partial(_read_master, key)


def has_master(key: str) -> bool:
    """Whether a master is there."""
    return _masters().exists(_name(key))


def drop_master(key: str) -> None:
    """Deletes a master."""
    _masters().delete(_name(key))


def generated(site_id: int, name: str) -> bytes | None:
    """A file that was generated before, by its name below the brand files' prefix; None if it was not."""
    stored = _generated_name(site_id, name)
    try:
        if not stored:
            return None
        with _generated().open(stored, "rb") as opened:
            return bytes(opened.read())
    except FileNotFoundError:
        return None


@contextmanager
def making(site_id: int, name: str) -> Iterator[None]:
    """Holds the making of one file, or of files that are made together, for one thread of one process of this host."""
    lock = Path(settings.DATA) / "making" / f"{site_id}-{name.replace('/', '-')}.lock"
    try:
        lock.parent.mkdir(parents=True, exist_ok=True)
        held = lock.open("wb")
    except OSError:
        # A full disk is no reason not to answer; then several may make the same.
        yield
        return
    with held:
        with aside():
            fcntl.flock(held, fcntl.LOCK_EX)
        yield
        lock.unlink(missing_ok=True)


def drop_generated_before(site_id: int, before: float) -> None:
    """Deletes files generated before a moment (seconds since 1970); what is still asked for is generated again."""
    for name in _listed(_generated(), str(site_id))[1]:
        stored = f"{site_id}/{name}"
        try:
            if _generated().get_modified_time(stored).timestamp() < before:
                _generated().delete(stored)
        except FileNotFoundError:
            continue


def drop_left_over(before: float) -> None:
    """Deletes what a crash left half written before a moment (seconds since 1970)."""
    for storage in (_masters(), _generated()):
        if isinstance(storage, WholeFiles):
            storage.drop_left_over(before)


def drop_generated(site_id: int) -> None:
    """Deletes all that was generated for a site."""
    drop_generated_before(site_id, float("inf"))


def store_generated(site_id: int, name: str, body: bytes) -> None:
    """Stores a generated file. It can be generated again, so a full disk is no reason to fail."""
    stored = _generated_name(site_id, name)
    if stored:
        try:
            _generated().save(stored, ContentFile(body))
        except OSError:
            return
