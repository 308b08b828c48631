"""The database's part of a copy: as a file of SQLite, or as an archive of PostgreSQL's own ``pg_dump``."""

import os
import shutil
import sqlite3
import subprocess
from collections.abc import Mapping
from contextlib import closing
from pathlib import Path
from typing import Any

from django.conf import settings
from django.db import connection

from hestor.backups.errors import CopyFailed, NotEmpty, OtherDatabase
from hestor.pictures import store
from hestor.pictures.models import Content
from hestor.sites.models import Site

SQLITE, POSTGRESQL = "hestor.sqlite3", "hestor.pgdump"
# What was written last may stand in the second (https://sqlite.org/wal.html, 2.3): the three are one database.
SQLITE_FILES = (SQLITE, f"{SQLITE}-wal", f"{SQLITE}-shm")
_SITES = f"SELECT count(*) FROM {Site._meta.db_table}"  # noqa: S608
_KEYS = f"SELECT DISTINCT key FROM {Content._meta.db_table} ORDER BY key"  # noqa: S608


def file_name() -> str:
    """What a copy's database is called here."""
    return POSTGRESQL if connection.vendor == "postgresql" else SQLITE


def is_empty(data: Path) -> bool:
    """Whether there is nothing yet that a restore would overwrite."""
    if connection.vendor == "postgresql":
        return not connection.introspection.table_names()
    return not any((data / name).exists() for name in SQLITE_FILES)


def snapshot(target: Path) -> tuple[int, list[str]]:
    """Copies the database of one moment; says how many sites it has, and the keys of its pictures.

    Raises CopyFailed, in words, OSError and DatabaseError.
    """
    if connection.vendor == "postgresql":
        return _dump(target)
    _copy_sqlite(Path(settings.DATA) / SQLITE, target)
    return _checked(target)


def check_kind(files: list[str]) -> None:
    """Raises OtherDatabase for a copy that was made of the other kind of database."""
    if file_name() not in files:
        kind = "PostgreSQL" if POSTGRESQL in files else "SQLite"
        raise OtherDatabase(
            f"This copy is of {kind}. Bring it back into {kind} first; docs/deploy.md says how to change."
        )


def check_empty(data: Path) -> None:
    """Raises NotEmpty if a restore would overwrite something."""
    if is_empty(data):
        return
    if connection.vendor == "postgresql":
        name = connection.settings_dict["NAME"]
        raise NotEmpty(f"The database {name} holds tables already. Name an empty one in HESTOR_DATABASE.")
    raise NotEmpty(
        f"{data} holds a database already, or part of one. Choose an empty folder as DATA, or move all of {data} away."
    )


def put_back(source: Path, draft: Path, data: Path) -> None:
    """Puts a copied database in place, whole or not at all. Raises CopyFailed and OSError."""
    if connection.vendor == "postgresql":
        _program("pg_restore", "--no-owner", "--exit-on-error", "--single-transaction", str(source))
        return
    shutil.copyfile(source, draft / SQLITE)
    (draft / SQLITE).replace(data / SQLITE)


def _copy_sqlite(source: Path, target: Path) -> None:
    """SQLite's own backup sees one moment, whatever is written meanwhile."""
    with (
        closing(sqlite3.connect(f"file:{source}?mode=ro", uri=True)) as kept_now,
        closing(sqlite3.connect(target)) as new,
    ):
        kept_now.backup(new)
        # One file, that can be taken elsewhere.
        new.execute("PRAGMA journal_mode=DELETE")


def _checked(database: Path) -> tuple[int, list[str]]:
    with closing(sqlite3.connect(f"file:{database}?mode=ro", uri=True)) as opened:
        said = opened.execute("PRAGMA integrity_check").fetchone()[0]
        if said != "ok" or opened.execute("PRAGMA foreign_key_check").fetchone():
            raise CopyFailed(f"The copied database is not sound: {said}.")
        try:
            return opened.execute(_SITES).fetchone()[0], [key for (key,) in opened.execute(_KEYS)]
        except sqlite3.OperationalError:
            # One of an old version, before its upgrade, has other tables: all pictures are taken.
            return 0, list(store.masters())


def _dump(target: Path) -> tuple[int, list[str]]:
    """A dump of the very moment at which sites and pictures are counted (pg_export_snapshot)."""
    own = connection.copy()
    try:
        with own.cursor() as cursor:
            cursor.execute("BEGIN ISOLATION LEVEL REPEATABLE READ READ ONLY")
            cursor.execute("SELECT pg_export_snapshot()")
            moment = cursor.fetchone()[0]
            tables = set(own.introspection.table_names(cursor))
            if Content._meta.db_table in tables:
                cursor.execute(_SITES)
                sites = cursor.fetchone()[0]
                cursor.execute(_KEYS)
                keys = [key for (key,) in cursor.fetchall()]
            else:
                sites, keys = 0, list(store.masters())
            _program("pg_dump", "--format=custom", "--no-owner", f"--snapshot={moment}", f"--file={target}")
    finally:
        own.close()
    # What can't be listed can't be brought back either.
    _run(["pg_restore", "--list", str(target)], {})
    return sites, keys


def address(params: Mapping[str, Any]) -> str:
    """Where the database is, for PostgreSQL's programs, and how the line to it is guarded; without a password."""
    # Imported only here: an installation on SQLite needs no memory for it.
    from psycopg.conninfo import make_conninfo

    wanted = ("host", "port", "user", "dbname")
    return make_conninfo(**{key: said for key, said in params.items() if said and (key in wanted or key[:3] == "ssl")})


def _program(name: str, *arguments: str) -> None:
    """Runs one of PostgreSQL's programs on the database; the password is not seen in the list of processes."""
    params: dict[str, Any] = connection.get_connection_params()
    secret = {"PGPASSWORD": str(params["password"])} if params.get("password") else {}
    _run([name, f"--dbname={address(params)}", *arguments], secret)


def _run(command: list[str], secret: dict[str, str]) -> None:
    try:
        subprocess.run(command, check=True, capture_output=True, text=True, env={**os.environ, **secret})  # noqa: S603
    except FileNotFoundError as error:
        raise CopyFailed(f"{command[0]} is not there: install PostgreSQL's programs (postgresql-client).") from error
    except subprocess.CalledProcessError as error:
        said = (error.stderr.strip().splitlines() or ["it said nothing"])[-1]
        raise CopyFailed(f"{command[0]} failed: {said}.") from error
