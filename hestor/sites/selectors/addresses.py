"""Hosts and addresses of sites, from the settings."""

from django.conf import settings

from hestor.core.site_address import SiteAddress
from hestor.sites.models import FormerHost, Site


def address_of(site: Site) -> SiteAddress:
    """Where the site is read, as its owner says it."""
    return SiteAddress(site.slug, site.domain or "", site.with_www, site.folder)


def _short_host(site: Site) -> str:
    return f"{site.slug}.{settings.SITES_DOMAIN}"


def host_of(site: Site) -> str:
    """The host name under which the public reads the site: its own, once that leads here, else its short one."""
    return (address_of(site).own_host if site.domain_confirmed else "") or _short_host(site)


def folder_of(site: Site) -> str:
    """The folder below its own host under which the site is read; on its short one it needs none."""
    return site.folder if site.domain and site.domain_confirmed else ""


def hosts_of(site: Site) -> tuple[str, ...]:
    """All hosts that lead to the site, each but one of them on to the other."""
    domain = (site.domain or "").removeprefix("www.")
    return (_short_host(site), *((site.domain or "", domain, f"www.{domain}") if domain else ()))


def desk_origin() -> str:
    """Scheme, host and port of the desk."""
    port = f":{settings.PUBLIC_PORT}" if settings.PUBLIC_PORT else ""
    return f"{'https' if settings.HTTPS else 'http'}://{settings.DESK_HOST}{port}"


def all_origins() -> list[str]:
    """The origins of all sites: those below the common domain as one pattern, then each own domain (CSP 3, 2.3.1)."""
    port = f":{settings.PUBLIC_PORT}" if settings.PUBLIC_PORT else ""
    scheme = "https" if settings.HTTPS else "http"
    own = Site.objects.filter(domain__isnull=False, deleted=None).order_by("domain").values_list("domain", flat=True)
    bare = {host.removeprefix("www.") for host in own if host}
    hosts = (f"*.{settings.SITES_DOMAIN}", *(name for host in sorted(bare) for name in (host, f"www.{host}")))
    return [f"{scheme}://{host}{port}" for host in hosts]


def origin_of(site: Site) -> str:
    """Scheme, host and port of the public site."""
    port = f":{settings.PUBLIC_PORT}" if settings.PUBLIC_PORT else ""
    return f"{'https' if settings.HTTPS else 'http'}://{host_of(site)}{port}"


def address_key(site: Site) -> tuple[object, ...]:
    """All that a site's addresses depend on, by which what is made with them is cached."""
    return site.slug, site.domain, site.with_www, site.folder, site.domain_confirmed


def base_of(site: Site) -> str:
    """Where the site's addresses begin: its origin, and the folder that it is in, without a slash at the end."""
    return origin_of(site) + folder_of(site)


# Only what serving needs: this is asked at every view of every public page.
_SERVED = ("slug", "domain", "live_number", "with_www", "folder", "domain_confirmed", "closed", "closed_until")


def holder_of(host: str) -> Site | None:
    """The site that has a host name (without port): by its own domain, whether with "www." or not, or by its label."""
    label, _, rest = host.partition(".")
    sites = Site.objects.filter(deleted=None).only(*_SERVED)
    if rest == settings.SITES_DOMAIN:
        return sites.filter(slug=label).first()
    bare = host.removeprefix("www.")
    return sites.filter(domain__in=(host, bare, f"www.{bare}")).first()


def site_at(host: str) -> tuple[Site | None, bool]:
    """The site that a host name leads to, and whether that is the one under which it is read.

    The one that has it; else the one that had it last.
    """
    if found := holder_of(host):
        return found, host == host_of(found)
    former = FormerHost.objects.filter(host=host).values_list("site_id", flat=True).first()
    return (Site.objects.only(*_SERVED).filter(pk=former, deleted=None).first() if former else None), False
