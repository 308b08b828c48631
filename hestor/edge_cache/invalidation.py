"""Taking a site's links away before what visitors get is changed, so that no web server hands out what was before."""

import fcntl
import os
import shutil
from collections.abc import Iterator
from contextlib import ExitStack, contextmanager
from pathlib import Path

from hestor.core.errors import FrontStuck
from hestor.edge_cache import paths


@contextmanager
def held(site_id: int, wait: bool = True) -> Iterator[None]:
    """Holds the lock on a site's links; a process that dies lets go of it.

    Raises OSError, without ``wait`` also while another process has it.
    """
    path = paths.lock_file(site_id)
    path.parent.mkdir(parents=True, exist_ok=True)
    with path.open("wb") as lock:
        fcntl.flock(lock, fcntl.LOCK_EX if wait else fcntl.LOCK_EX | fcntl.LOCK_NB)
        yield


def _links(site_id: int) -> list[Path]:
    try:
        return list(paths.site_folder(site_id).iterdir())
    except OSError:
        return []


def _take_away(site_id: int) -> None:
    for link in _links(site_id):
        link.unlink(missing_ok=True)


@contextmanager
def invalidating(site_id: int) -> Iterator[None]:
    """Around a change of what visitors get: before it the links are taken away, and until it is done none is set.

    Whatever happens in between, and wherever it is killed, what is handed out comes from Hestor until somebody sets a
    link again, by what is then true. Where nothing can be written, and nothing was, it does nothing. Raises FrontStuck
    if links can't be taken away; then nothing may be changed.
    """
    if not paths.is_on():
        yield
        return
    with ExitStack() as stack:
        try:
            stack.enter_context(held(site_id))
            _take_away(site_id)
        except OSError as error:
            if _links(site_id):
                raise FrontStuck from error
        yield


def forget_hosts(site_id: int) -> None:
    """Takes away the hosts that lead to a site. Raises FrontStuck."""
    if not paths.is_on():
        return
    try:
        for link in paths.hosts().glob("*"):
            if link.is_symlink() and Path(os.readlink(link)).name == str(site_id):
                link.unlink(missing_ok=True)
    except OSError as error:
        raise FrontStuck from error


def drop_links() -> None:
    """Takes all links away, as at each start: what they lead to may be of a database, code or settings of before.

    What is laid down stays; links are set anew as visitors ask. Raises FrontStuck if one can't be taken away.
    """
    if not paths.is_on():
        return
    try:
        for link in (*paths.hosts().glob("*"), *paths.sites().glob("*/*")):
            if link.is_symlink():
                link.unlink(missing_ok=True)
    except OSError as error:
        raise FrontStuck from error


def drop_site(site_id: int) -> None:
    """Deletes all that was laid down for a site."""
    if paths.is_on():
        forget_hosts(site_id)
        shutil.rmtree(paths.site_folder(site_id), ignore_errors=True)
        shutil.rmtree(paths.editions() / str(site_id), ignore_errors=True)
