"""Brings what is stored up to date after an upgrade, beyond the tables themselves: ``manage.py upgrade_data``."""

import shutil
from pathlib import Path
from typing import Any

from django.conf import settings
from django.core.management.base import BaseCommand

from hestor import query_statistics
from hestor.sites.services.compiling import recompile_outdated


class Command(BaseCommand):
    """Compiles page texts anew if the compiler changed, and has the database count how its tables are filled."""

    help = __doc__

    def handle(self, *args: Any, **options: Any) -> None:
        """Recompiles, counts, and deletes the folder in which versions before 0.3 had their generated files."""
        if done := recompile_outdated():
            self.stdout.write(f"Page texts compiled anew: {done}.")
        query_statistics.refresh()
        shutil.rmtree(Path(settings.DATA) / "made", ignore_errors=True)
