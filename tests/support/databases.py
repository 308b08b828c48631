"""The databases of servers that tests start: SQLite's files lie in their data; of PostgreSQL each data folder has one.

`scripts/with-postgres` says by HESTOR_DATABASE that it is to be PostgreSQL.
"""

import hashlib
import os
import time
from pathlib import Path

import pytest

_AT = os.environ.get("HESTOR_DATABASE", "").rpartition("/")[0]
_OBJECT_IN_USE = "55006"
ON_POSTGRESQL = bool(_AT)
sqlite_only = pytest.mark.skipif(ON_POSTGRESQL, reason="looks into SQLite's own file")
postgresql_only = pytest.mark.skipif(not ON_POSTGRESQL, reason="needs PostgreSQL: make test-postgres")


def _name(data: Path) -> str:
    return f"data_{hashlib.sha256(str(data.resolve()).encode()).hexdigest()[:20]}"


def environment(data: Path) -> dict[str, str]:
    """What a server is told of its database."""
    return {"HESTOR_DATABASE": f"{_AT}/{_name(data)}"} if _AT else {}


def _execute(statement: str) -> None:
    import psycopg

    for tried in range(100):
        try:
            with psycopg.connect(f"{_AT}/postgres", autocommit=True) as connection:
                connection.execute(statement)
            return
        except psycopg.Error as error:
            # The last who used a template may not have hung up yet.
            if error.sqlstate != _OBJECT_IN_USE or tried == 99:
                raise
            time.sleep(0.1)


def make(data: Path) -> None:
    """An empty database for a folder; nothing to do for SQLite."""
    if _AT:
        _execute(f"DROP DATABASE IF EXISTS {_name(data)} WITH (FORCE)")
        _execute(f"CREATE DATABASE {_name(data)} TEMPLATE template0")


def copy(template: Path, data: Path) -> None:
    """For a folder the database of another one, as it is; nothing to do for SQLite, whose file was copied."""
    if _AT:
        _execute(f"DROP DATABASE IF EXISTS {_name(data)} WITH (FORCE)")
        _execute(f"CREATE DATABASE {_name(data)} TEMPLATE {_name(template)} STRATEGY FILE_COPY")
