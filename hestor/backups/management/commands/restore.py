"""Lists copies, and brings one back into an empty folder."""

from pathlib import Path
from typing import Any

from django.conf import settings
from django.core.management import call_command
from django.core.management.base import BaseCommand, CommandError, CommandParser

from hestor import owner
from hestor.backups import folder
from hestor.backups.errors import CopyDamaged, CopyFailed, NotEmpty, OtherDatabase
from hestor.backups.restore import restore


class Command(BaseCommand):
    """``manage.py restore [COPY]``."""

    help = "Brings a copy back into DATA, which must hold no database. Without a name, lists the copies there are."

    def add_arguments(self, parser: CommandParser) -> None:
        """The copy's name, and where copies stand."""
        parser.add_argument("copy", nargs="?", help='a name that the list gives, or "newest"')
        parser.add_argument("--from", dest="source", help="the folder of copies, if it is not that of the settings")
        parser.add_argument("--even-damaged", action="store_true", help="bring back what is whole of a damaged copy")

    def handle(self, *args: object, **options: Any) -> None:
        """Lists or restores."""
        if options["source"]:
            settings.BACKUPS = Path(options["source"]).resolve()
        found = folder.listed()
        if options["copy"] is None:
            self._list(found)
            return
        wanted = [one for one in found if one.name == options["copy"]] if options["copy"] != "newest" else found[:1]
        if not wanted:
            raise CommandError(f"There is no copy {options['copy']} in {folder.folder()}.")
        data = Path(settings.DATA)
        try:
            lost = restore(wanted[0], data, options["even_damaged"])
        except (CopyFailed, NotEmpty, OtherDatabase, CopyDamaged) as error:
            raise CommandError(str(error)) from error
        call_command("migrate", verbosity=0)
        call_command("upgrade_data", verbosity=0)
        # What root restores belongs to the user that runs the server, as the copies do.
        owner.give(data, folder.folder())
        self.stdout.write(f"{data} is as it was on {wanted[0].manifest.made_at:%Y-%m-%d at %H:%M} UTC.")
        if lost:
            self.stdout.write(f"Lost: {len(lost)} pictures ({', '.join(lost)}).")

    def _list(self, found: list[folder.Copy]) -> None:
        for one in found:
            size = one.manifest.size / 1_000_000
            self.stdout.write(f"{one.name}  {one.manifest.sites:5} sites  {size:9.1f} MB  {one.manifest.reason}")
        for path in folder.unreadable():
            self.stdout.write(f"{path.name}  can't be read")
        if not found:
            self.stdout.write(f"There are no copies in {folder.folder()}.")
