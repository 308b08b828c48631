"""Says in words what is missing or unsafe about this installation: ``manage.py check_install``."""

import sys
from typing import Any

from django.core.management.base import BaseCommand

from hestor import translations
from hestor.jobs.checks import findings


class Command(BaseCommand):
    """Prints what is amiss; the exit code is 1 if anything is wrong, not if something is only advised."""

    help = __doc__

    def handle(self, *args: Any, **options: Any) -> None:
        """Looks and tells."""
        found_findings = findings()
        for finding in found_findings:
            mark = "▲" if finding.severity == "wrong" else "·"
            self.stdout.write(f"{mark} {translations.say(f'install.{finding.code}', **finding.params)}")
        if not found_findings:
            self.stdout.write(translations.say("install.well"))
        if any(finding.severity == "wrong" for finding in found_findings):
            sys.exit(1)
