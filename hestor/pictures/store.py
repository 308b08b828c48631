"""Files beside the database: masters by their key, and what was generated from them by its address.

Each is written whole under another name and then renamed, so that a crash leaves no half file.
"""

import fcntl
import os
import re
import secrets
import shutil
from collections.abc import Callable, Iterator
from contextlib import contextmanager
from functools import partial
from pathlib import Path

from django.conf import settings

from hestor.studio.waiting import aside

_SAFE = re.compile(r"[a-z0-9][\w.-]*(?:/[\w.-]+)?")


def master_path(key: str) -> Path:
    """Where a master stands, whether it is there or not."""
    return Path(settings.DATA) / "pictures" / key[:2] / key


def _generated_path(site_id: int, name: str) -> Path | None:
    return Path(settings.DATA) / "generated" / str(site_id) / name.replace("/", "-") if _SAFE.fullmatch(name) else None


def _write(path: Path, body: bytes) -> None:
    path.parent.mkdir(parents=True, exist_ok=True)
    draft = path.with_name(f".{path.name}.{secrets.token_hex(6)}")
    with draft.open("wb") as opened:
        opened.write(body)
        opened.flush()
        os.fsync(opened.fileno())
    draft.replace(path)


def masters() -> Iterator[Path]:
    """All masters that there are, of whichever site."""
    return (Path(settings.DATA) / "pictures").glob("??/[!.]*")


def put_master(key: str, body: bytes) -> None:
    """Keeps a master; doing so twice changes nothing."""
    if not has_master(key):
        _write(master_path(key), body)


def reader(key: str) -> Callable[[], bytes]:
    """Reads a master's bytes when called, in whichever process; then it raises FileNotFoundError if there is none."""
    return partial(Path.read_bytes, master_path(key))


def has_master(key: str) -> bool:
    """Whether a master is there."""
    return master_path(key).is_file()


def drop_master(key: str) -> None:
    """Deletes a master."""
    master_path(key).unlink(missing_ok=True)


def generated(site_id: int, name: str) -> bytes | None:
    """A file that was generated before, by its name below the brand files' prefix; None if it was not."""
    path = _generated_path(site_id, name)
    try:
        return path.read_bytes() if path else None
    except FileNotFoundError:
        return None


@contextmanager
def making(site_id: int, name: str) -> Iterator[None]:
    """Holds the making of one file, or of files that are made together, for one thread of one process."""
    lock = Path(settings.DATA) / "generated" / str(site_id) / f".{name.replace('/', '-')}.lock"
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
    folder = Path(settings.DATA) / "generated" / str(site_id)
    for path in folder.iterdir() if folder.is_dir() else ():
        if path.stat().st_mtime < before:
            path.unlink(missing_ok=True)


def drop_generated(site_id: int) -> None:
    """Deletes all that was generated for a site."""
    shutil.rmtree(Path(settings.DATA) / "generated" / str(site_id), ignore_errors=True)


def store_generated(site_id: int, name: str, body: bytes) -> None:
    """Stores a generated file. It can be generated again, so a full disk is no reason to fail."""
    path = _generated_path(site_id, name)
    if path:
        try:
            _write(path, body)
        except OSError:
            return
