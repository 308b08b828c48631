"""What the database knows of how its tables are filled, by which it chooses the index that answers a question.

PostgreSQL sees to it by itself. SQLite has to be told to count; without it, it takes all indexes of a site's pages for
equally good, and reads all pages where there is an index of the three that changed.
"""

from pathlib import Path

from django.conf import settings
from django.db import connection

_LARGE = 2_000_000_000
_SOME = 1_000


def refresh() -> None:
    """Counts anew: all rows, a second for some gigabytes; of a larger database a part of them.

    Other writers wait meanwhile. What is counted is kept in the database, for all processes.
    """
    if connection.vendor != "sqlite":
        return
    with connection.cursor() as cursor:
        cursor.execute(f"PRAGMA analysis_limit={_SOME if _size() > _LARGE else 0}")
        cursor.execute("ANALYZE")


def _size() -> int:
    """How large the database's file is, in bytes; 0 for one in memory."""
    file = Path(str(settings.DATABASES["default"]["NAME"]))
    return file.stat().st_size if file.exists() else 0
