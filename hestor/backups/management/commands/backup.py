"""Makes a copy of database and pictures while the server runs."""

from django.core.management.base import BaseCommand, CommandError

from hestor import clock
from hestor.backups import create, folder
from hestor.backups.errors import CopyFailed


class Command(BaseCommand):
    """``manage.py backup``."""

    help = "Copies database and pictures, as one moment, into the folder of copies; the server may run meanwhile."

    def handle(self, *args: object, **options: object) -> None:
        """Makes one copy, then deletes those that are not to be kept any longer."""
        now = clock.now()
        try:
            made = create.make(now, "by hand")
        except CopyFailed as error:
            raise CommandError(str(error)) from error
        create.prune()
        said = f"{made.sites} sites, {len(made.pictures)} pictures"
        self.stdout.write(f"Copied to {folder.folder() / folder.name_of(now)}: {said}.")
