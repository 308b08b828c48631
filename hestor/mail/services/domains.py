"""Own domains: each is asked for until the name service says that it is to be the site's, and leads here."""

from hestor.mail import dns
from hestor.sites.models import Site
from hestor.sites.selectors.addresses import address_of, proof_of
from hestor.sites.services.address import confirm


def confirm_if_proven(site: Site) -> bool:
    """Puts a site's own domain in use if it leads here and is proven to be this site's; says whether it is in use."""
    if not site.domain or site.domain_confirmed:
        return bool(site.domain)
    if dns.leads(address_of(site).own_host) != "here" or not dns.is_proven(site.domain, proof_of(site)):
        return False
    confirm(site)
    return True


def confirm_waiting() -> None:
    """Asks for all domains that wait: the owner who entered the records need not come back for them."""
    for site in Site.objects.filter(domain__isnull=False, domain_confirmed=False, deleted=None):
        confirm_if_proven(site)
