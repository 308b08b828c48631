"""Sends what is queued, once; the server does so by itself."""

from typing import Any

from django.core.management.base import BaseCommand

from hestor.mail.services.sending import drain


class Command(BaseCommand):
    """``manage.py send_mail``."""

    help = "Sends all queued messages that are due, and says how many went."

    def handle(self, *args: Any, **options: Any) -> None:
        """Sends."""
        self.stdout.write(f"{drain()} sent")
