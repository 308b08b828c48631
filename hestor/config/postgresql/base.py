"""Django's backend for PostgreSQL, with transactions that write one after the other.

On SQLite each transaction begins immediate: it has the database for itself until it ends, and rules that read before
they write rest on that. Here a lock that lasts as long as the transaction (PostgreSQL 9.27.10, advisory locks) gives
the same, over all hosts; it is let go when its host dies. Reading waits for nobody.
"""

from typing import Any

from django.db.backends.postgresql import base

# Any number that nobody else uses in this database.
_ONE_WRITER = 0x4E5706


class DatabaseWrapper(base.DatabaseWrapper):
    """A connection to PostgreSQL. Raises OperationalError where another writes for longer than ``lock_timeout``."""

    def set_autocommit(self, autocommit: bool, *more: Any, **named: Any) -> None:
        """Begins a transaction, once nobody else is in one; or ends it."""
        super().set_autocommit(autocommit, *more, **named)
        if autocommit:
            return
        try:
            with self.cursor() as cursor:
                cursor.execute("SELECT pg_advisory_xact_lock(%s)", [_ONE_WRITER])
        except BaseException:
            # Else the next user of this connection would be in a transaction without knowing.
            self.close()
            raise
