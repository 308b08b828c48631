"""Prints the configuration of an nginx in front: ``manage.py nginx_config > /etc/nginx/conf.d/hestor.conf``."""

from typing import Any

from django.conf import settings
from django.core.management.base import BaseCommand, CommandError, CommandParser

from hestor.edge_cache.nginx import Web, config
from hestor.sites.models import Site
from hestor.web.middleware import fixed_headers


class Command(BaseCommand):
    """Prints it."""

    help = __doc__

    def add_arguments(self, parser: CommandParser) -> None:
        """Where certificates are, and what differs from a usual machine."""
        parser.add_argument("--certificates", default="/etc/letsencrypt/live", help="a folder a domain is in it")
        parser.add_argument("--host", action="append", help="where Hestor is asked, as 10.0.0.11:8000, of each host")
        parser.add_argument("--port", type=int, help="the port that is listened at, if not the usual one")
        parser.add_argument("--plain-port", type=int, default=80, help="the port without HTTPS, which leads on")
        parser.add_argument("--without-brotli", action="store_true", help="for an nginx without its static module")

    def handle(self, *args: Any, **options: Any) -> None:
        """Makes it from the settings and the domains of sites."""
        if settings.FRONT is None:
            raise CommandError("Say where files are laid down: HESTOR_FRONT=/var/cache/hestor")
        own = Site.objects.filter(domain__isnull=False, deleted=None).order_by("domain")
        domains = sorted({domain.removeprefix("www.") for domain in own.values_list("domain", flat=True) if domain})
        web = Web(
            desk=settings.DESK_HOST,
            sites=settings.SITES_DOMAIN,
            domains=domains,
            front=str(settings.FRONT),
            hosts=options["host"] or [f"{settings.BIND}:{settings.PORT}"],
            https=settings.HTTPS,
            certificates=options["certificates"].rstrip("/"),
            headers=fixed_headers(),
            port=options["port"] or (443 if settings.HTTPS else 80),
            plain_port=options["plain_port"],
            brotli=not options["without_brotli"],
        )
        self.stdout.write(config(web))
