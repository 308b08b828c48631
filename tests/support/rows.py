"""Rows of the database as they were made once, to be put into an empty one quickly."""

from collections.abc import Callable, Mapping, Sequence
from typing import Any

from django.db import connection, transaction

Rows = Mapping[str, Sequence[tuple[Any, ...]]]


def _tables() -> list[str]:
    return [one for one in connection.introspection.table_names() if one != "django_migrations"]


def _all() -> Rows:
    found = {}
    with connection.cursor() as cursor:
        for table in _tables():
            cursor.execute(f'SELECT * FROM "{table}"')
            found[table] = cursor.fetchall()
    return found


class _Taken(Exception):
    """All is noted; what was made for it can go."""


def made_by(make: Callable[[], object]) -> Rows:
    """The rows that ``make`` leaves in the database, which is as before afterwards."""
    before = _all()
    try:
        with transaction.atomic():
            make()
            after = _all()
            raise _Taken
    except _Taken:
        return {table: rows[len(before[table]) :] for table, rows in after.items() if len(rows) > len(before[table])}


def put(rows: Rows) -> None:
    """Puts rows into tables that hold none of them."""
    # Together, since rows name others that come later.
    with transaction.atomic(), connection.cursor() as cursor:
        for table, listed in rows.items():
            marks = ", ".join(["%s"] * len(listed[0]))
            cursor.executemany(f'INSERT INTO "{table}" VALUES ({marks})', listed)
