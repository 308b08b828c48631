"""Lays down every page of every site for the web server in front: ``manage.py warm``."""

from typing import Any

from django.core.management.base import BaseCommand, CommandError

from hestor import clock, edge_cache
from hestor.rendering import Renderer
from hestor.sites.models import Edition, Site
from hestor.sites.selectors.states import edition_of
from hestor.web import edge_files as laying


class Command(BaseCommand):
    """Fills the folder in edge_cache, as visitors would one after the other."""

    help = __doc__

    def handle(self, *args: Any, **options: Any) -> None:
        """Renders and lays down all pages; says how many."""
        if not edge_cache.is_on():
            raise CommandError("Say where files are laid down: HESTOR_FRONT=/var/cache/hestor")
        laid, all_of = 0, 0
        for site in Site.objects.filter(deleted=None, live_number__gt=0).order_by("pk"):
            edition = Edition.objects.get(site=site, number=site.live_number)
            for path in Renderer(edition_of(site, edition, clock.now()), clock.now()).paths():
                all_of += 1
                laid += laying.offer_page(site, path)
        self.stdout.write(f"{laid} of {all_of} pages are laid down.")
