"""Brings what is kept up to date after an upgrade, with a copy of it as it was before."""

from pathlib import Path
from typing import Any

from django.conf import settings
from django.core.management import call_command
from django.core.management.base import BaseCommand, CommandError, CommandParser
from django.db import connection
from django.db.migrations.executor import MigrationExecutor

from hestor import clock
from hestor.backups import create, databases, folder
from hestor.backups.errors import CopyFailed


def _is_behind() -> bool:
    executor = MigrationExecutor(connection)
    return bool(executor.migration_plan(executor.loader.graph.leaf_nodes()))


class Command(BaseCommand):
    """``manage.py upgrade``; it runs at each start, and as a rule finds nothing to do."""

    help = "Makes a copy if the database is an older version's, then brings it up to date."

    def add_arguments(self, parser: CommandParser) -> None:
        """Whether to go on without a copy."""
        parser.add_argument("--without-copy", action="store_true", help="upgrade even if no copy can be made")

    def handle(self, *args: object, **options: Any) -> None:
        """Copies, migrates, compiles anew."""
        is_new = databases.is_empty(Path(settings.DATA))
        if _is_behind():
            if not is_new and not options["without_copy"]:
                self._copy()
            call_command("migrate", verbosity=0)
        call_command("upgrade_data", verbosity=0, stdout=self.stdout)

    def _copy(self) -> None:
        now = clock.now()
        try:
            create.make(now, f"before the upgrade to {settings.VERSION}")
        except CopyFailed as error:
            raise CommandError(
                f"{error} Nothing was upgraded. Make room, or run: manage.py upgrade --without-copy"
            ) from error
        name = folder.name_of(now)
        self.stdout.write(f"Before the upgrade all was copied to {folder.folder() / name}.")
