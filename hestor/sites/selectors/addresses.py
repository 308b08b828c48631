"""Hosts and addresses of sites, from the settings."""

from django.conf import settings

from hestor.sites.models import Site


def host_of(site: Site) -> str:
    """The host name under which the public reads the site."""
    return site.domain or f"{site.slug}.{settings.SITES_DOMAIN}"


def desk_origin() -> str:
    """Scheme, host and port of the desk."""
    port = f":{settings.PUBLIC_PORT}" if settings.PUBLIC_PORT else ""
    return f"{'https' if settings.HTTPS else 'http'}://{settings.DESK_HOST}{port}"


def all_origins() -> list[str]:
    """The origins of all sites: those below the common domain as one pattern, then each own domain (CSP 3, 2.3.1)."""
    port = f":{settings.PUBLIC_PORT}" if settings.PUBLIC_PORT else ""
    scheme = "https" if settings.HTTPS else "http"
    own = Site.objects.filter(domain__isnull=False).order_by("domain").values_list("domain", flat=True)
    return [f"{scheme}://{host}{port}" for host in (f"*.{settings.SITES_DOMAIN}", *own)]


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
