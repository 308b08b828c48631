"""Deletes for good what was deleted more than 30 days ago, and old generated files: ``manage.py clean``.

The server does it by itself once a day; this is for those who would rather have it done at a time of their own.
"""

from typing import Any

from django.core.management.base import BaseCommand

from hestor import clock
from hestor.sites.services.cleaning import clean


class Command(BaseCommand):
    """Cleans up."""

    help = __doc__

    def handle(self, *args: Any, **options: Any) -> None:
        """Cleans all sites."""
        self.stdout.write(f"Pictures deleted for good: {clean(clock.now())}.")
