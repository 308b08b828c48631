"""Turns: what is done by one process at a time, of all that serve, on however many hosts.

On SQLite, which is one host's, by the lock of a file in DATA; on PostgreSQL by a lock of the database (advisory locks,
9.27.10), on a connection of its own. Either is let go when its process dies.
"""

import fcntl
import zlib
from collections.abc import Callable, Iterator
from contextlib import contextmanager
from pathlib import Path

from django.conf import settings
from django.db import DatabaseError, connection

Lasts = Callable[[], bool]
"""Says whether a turn is still held: a connection may be lost."""


@contextmanager
def taken(name: str) -> Iterator[Lasts | None]:
    """Takes the turn of a name, if nobody has it; gives None if somebody has. Raises OSError and DatabaseError."""
    with _by_database(name) if connection.vendor == "postgresql" else _by_file(name) as lasts:
        yield lasts


@contextmanager
def _by_file(name: str) -> Iterator[Lasts | None]:
    with (Path(settings.DATA) / f"{name}.lock").open("w") as held:
        try:
            fcntl.flock(held, fcntl.LOCK_EX | fcntl.LOCK_NB)
        except OSError:
            yield None
            return
        yield lambda: True


@contextmanager
def _by_database(name: str) -> Iterator[Lasts | None]:
    own = connection.copy()
    # Code that works under the lock asks in threads of its own whether it lasts.
    own.inc_thread_sharing()

    def lasts() -> bool:
        try:
            with own.cursor() as cursor:
                cursor.execute("SELECT 1")
        except DatabaseError:
            return False
        return True

    try:
        with own.cursor() as cursor:
            cursor.execute("SELECT pg_try_advisory_lock(%s)", [zlib.crc32(f"hestor {name}".encode())])
            has_it = cursor.fetchone()[0]
        yield lasts if has_it else None
    finally:
        own.close()
