"""Gives a site a domain of its own: ``manage.py set_domain SITE [DOMAIN]``; without a domain it is taken away."""

from argparse import ArgumentParser
from typing import Any

from django.core.management.base import BaseCommand, CommandError

from hestor import clock
from hestor.core.pages.paths import is_domain
from hestor.core.site_address import SiteAddress
from hestor.sites.models import Site
from hestor.sites.selectors.addresses import base_of
from hestor.sites.services.address import confirm, set_address


class Command(BaseCommand):
    """Sets or takes away a site's domain."""

    help = __doc__

    def add_arguments(self, parser: ArgumentParser) -> None:
        """The site by its address, and the domain."""
        parser.add_argument("site")
        parser.add_argument("domain", nargs="?", default="")

    def handle(self, *args: Any, **options: Any) -> None:
        """Checks and keeps the domain."""
        domain = options["domain"].lower().rstrip(".")
        site = Site.objects.filter(slug=options["site"]).first()
        if site is None:
            raise CommandError(f"There is no site with the address “{options['site']}”.")
        if domain and not is_domain(domain):
            raise CommandError(f"“{domain}” is not a domain. Write it like www.example.org, without https://.")
        if domain and Site.objects.exclude(pk=site.pk).filter(domain=domain).exists():
            raise CommandError(f"Another site already has the domain {domain}.")
        given = SiteAddress(
            site.slug, domain.removeprefix("www."), domain.startswith("www."), site.folder if domain else ""
        )
        site = set_address(site.pk, given, clock.now())
        # A person who can run commands knows where the domain leads.
        confirm(site)
        self.stdout.write(f"{site.slug} is read at {base_of(site)}/")
