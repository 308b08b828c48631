"""Hosts and addresses of sites, from the settings."""

from django.conf import settings
from django.utils.crypto import salted_hmac

from hestor.core.site_address import SiteAddress
from hestor.sites.models import FormerHost, Site


def address_of(site: Site) -> SiteAddress:
    """Where the site is read, as its owner says it."""
    return SiteAddress(site.slug, site.domain or "", site.with_www, site.folder)


def short_host(slug: str) -> str:
    """The host of a short address."""
    return f"{slug}.{settings.SITES_DOMAIN}"


def _short_host(site: Site) -> str:
    return short_host(site.slug)


def proof_of(site: Site) -> str:
    """The word by which the name service proves that a domain is to be this site's; each site has its own."""
    return salted_hmac("hestor.domain", site.identity.hex).hexdigest()[:32]


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


def _origin(host: str) -> str:
    port = f":{settings.PUBLIC_PORT}" if settings.PUBLIC_PORT else ""
    return f"{'https' if settings.HTTPS else 'http'}://{host}{port}"


def desk_origin() -> str:
    """Scheme, host and port of the desk."""
    return _origin(settings.DESK_HOST)


def previews_pattern() -> str:
    """The origins at which previews of all sites are seen, as one pattern (CSP 3, 2.3.1)."""
    return _origin(f"*.{settings.SITES_DOMAIN}")


def preview_origin(site: Site) -> str:
    """Scheme, host and port at which a site's previews are seen: below the common domain, whatever domain it has."""
    return _origin(_short_host(site))


def is_preview_host(site: Site, host: str) -> bool:
    """Whether previews of a site are seen at a host."""
    return host == _short_host(site)


def origin_of(site: Site) -> str:
    """Scheme, host and port of the public site."""
    return _origin(host_of(site))


def address_key(site: Site) -> tuple[object, ...]:
    """All that a site's addresses depend on, its language among it, by which what is made with them is cached."""
    return site.language, site.slug, site.domain, site.with_www, site.folder, site.domain_confirmed


def key_of_pages(site: Site) -> tuple[int, int, str]:
    """What the pages of a draft are kept by: another number of writes, or another language, and they are others."""
    return site.pk, site.pages_revision, site.language


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
    if site := holder_of(host):
        return site, host == host_of(site)
    former = FormerHost.objects.filter(host=host).values_list("site_id", flat=True).first()
    return (Site.objects.only(*_SERVED).filter(pk=former, deleted=None).first() if former else None), False
