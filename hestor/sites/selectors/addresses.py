"""Hosts and addresses of sites, from the settings."""

from django.conf import settings

from hestor.sites.models import Site


def host_of(site: Site) -> str:
    """The host name under which the public reads the site."""
    return site.domain or f"{site.slug}.{settings.SITES_DOMAIN}"


def origin_of(site: Site) -> str:
    """Scheme, host and port of the public site."""
    port = f":{settings.PUBLIC_PORT}" if settings.PUBLIC_PORT else ""
    return f"{'https' if settings.HTTPS else 'http'}://{host_of(site)}{port}"


def site_at(host: str) -> Site | None:
    """The site that a host name (without port) belongs to: by its own domain, or by its first label."""
    label, _, rest = host.partition(".")
    # Only what serving needs: this is asked at every view of every public page.
    sites = Site.objects.only("slug", "domain", "live_number")
    return sites.filter(slug=label).first() if rest == settings.SITES_DOMAIN else sites.filter(domain=host).first()
