"""Prints a link at which a lost password is replaced."""

from argparse import ArgumentParser
from typing import Any

from django.conf import settings
from django.core.management.base import BaseCommand, CommandError

from hestor.accounts.models import Account
from hestor.accounts.services import password_link


class Command(BaseCommand):
    """For the installation's administrator; the link works for an hour, and once."""

    help = "Prints a link at which a lost password is replaced: python manage.py password_link EMAIL"

    def add_arguments(self, parser: ArgumentParser) -> None:
        """Says which account."""
        parser.add_argument("email")

    def handle(self, *args: Any, **options: Any) -> None:
        """Prints the link."""
        account = Account.objects.filter(email=options["email"].strip().lower()).first()
        if account is None:
            raise CommandError(f"Nobody signs in with {options['email']}. Check the address.")
        scheme, port = ("https" if settings.HTTPS else "http"), settings.PUBLIC_PORT
        origin = f"{scheme}://{settings.DESK_HOST}{f':{port}' if port else ''}"
        self.stdout.write(origin + password_link(account))
