"""Giving a site another address. The ones before lead on to it for as long as no other site takes them."""

from datetime import datetime

from django.conf import settings
from django.db import transaction

from hestor.core import site_address
from hestor.core.errors import InvalidInput, NotFound, Problem
from hestor.core.site_address import SiteAddress
from hestor.edge_cache import forget_hosts, invalidating
from hestor.sites.models import FormerHost, Site
from hestor.sites.selectors.addresses import address_of, holder_of, hosts_of, short_host
from hestor.sites.services import resting


def _taken(site: Site, given: SiteAddress, now: datetime) -> list[Problem]:
    problems = []
    others = Site.objects.exclude(pk=site.pk)
    if others.filter(slug=given.slug).exists():
        problems.append(Problem("slug", "slug_taken", {"slug": given.slug}))
    if given.domain and others.filter(domain__in=(given.domain, f"www.{given.domain}")).exists():
        problems.append(Problem("domain", "domain_taken", {"domain": given.domain}))
    owners = resting.owners_of(site)
    if not problems and given.slug != site.slug and resting.rests(short_host(given.slug), owners, now):
        problems.append(Problem("slug", "slug_rests", {"slug": given.slug, "days": site_address.RESTS.days}))
    if not problems and given.domain != site.domain and resting.rests(given.domain, owners, now):
        problems.append(Problem("domain", "domain_rests", {"domain": given.domain, "days": site_address.RESTS.days}))
    return problems


def set_address(site_id: int, given: SiteAddress, now: datetime) -> Site:
    """Keeps another address. Raises InvalidInput with every problem, NotFound.

    A new domain is not led to before it is proven to be the site's: until then the short address stays the one in use.
    """
    with invalidating(site_id), transaction.atomic():
        forget_hosts(site_id)
        site = Site.objects.filter(pk=site_id).first()
        if site is None:
            raise NotFound
        wrong = site_address.problems(given, settings.SITES_DOMAIN, settings.DESK_HOST)
        if found := [*wrong, *_taken(site, given, now)]:
            raise InvalidInput(found)
        before = address_of(site)
        if given == before:
            return site
        former, folder = hosts_of(site), site.folder
        site.slug, site.domain = given.slug, given.domain or None
        site.with_www, site.folder = given.with_www, given.folder
        if given.domain != before.domain:
            site.domain_confirmed = False
        site.save()
        _remember(site, former, folder, now)
        return site


def _remember(site: Site, former: tuple[str, ...], folder: str, at: datetime) -> None:
    now = hosts_of(site)
    # A site that takes an address has it; that another site had it before counts no more.
    FormerHost.objects.filter(host__in=now).delete()
    gone = [host for host in former if host not in now and holder_of(host) is None]
    for host in gone:
        FormerHost.objects.update_or_create(host=host, defaults={"site": site, "folder": folder})
    resting.lay_down(gone, resting.owners_of(site), at)


def confirm(site: Site) -> None:
    """The site's own domain was proven to be its own: from now on it is the one in use."""
    if site.domain and not site.domain_confirmed:
        with invalidating(site.pk):
            forget_hosts(site.pk)
            Site.objects.filter(pk=site.pk).update(domain_confirmed=True)
        site.domain_confirmed = True
