"""Where a site is read: its short address, its own domain, and what has to be entered for that."""

from django.conf import settings
from django.http import HttpRequest
from ninja import Router, Schema

from hestor import clock
from hestor.api.auth import site_for
from hestor.api.schemas import ProblemOut, Strict
from hestor.core import site_address
from hestor.core.roles import Action
from hestor.core.site_address import Leads, Record
from hestor.mail import dns
from hestor.mail.services.domains import confirm_if_proven
from hestor.sites.models import Site
from hestor.sites.selectors.addresses import address_of, base_of, proof_of
from hestor.sites.services.address import set_address

router = Router(tags=["address"])


class RecordOut(Schema):
    """One line for the registrar, and where its host leads now, if somebody could say."""

    host: str
    kind: str
    value: str
    found: tuple[str, ...] | None


class SiteAddressOut(Schema):
    """Where a site is read.

    ``base`` is the address in use. ``leads`` says where its own domain leads: to this server, to another, to none, or
    that nobody can say; ``proven`` whether the name service says that it is to be this site's, ``in_use`` whether it is
    the one in use. ``former`` are hosts that lead on to it.
    """

    slug: str
    short_host: str
    domain: str
    with_www: bool
    folder: str
    base: str
    in_use: bool
    leads: Leads
    proven: bool
    records: list[RecordOut]
    former: list[str]
    https: bool


class SiteAddressChange(Strict):
    """What is to change of a site's address; a domain may be given as a whole address."""

    slug: str | None = None
    domain: str | None = None
    with_www: bool | None = None
    folder: str | None = None


def _found(record: Record) -> tuple[str, ...] | None:
    return dns.texts(record.host) if record.kind == "TXT" else dns.addresses(record.host)


def _out(site: Site) -> SiteAddressOut:
    given = address_of(site)
    lines = site_address.records(given, settings.SERVER_ADDRESSES, proof_of(site))
    return SiteAddressOut(
        slug=given.slug,
        short_host=f"{given.slug}.{settings.SITES_DOMAIN}",
        domain=given.domain,
        with_www=given.with_www,
        folder=given.folder,
        base=base_of(site) + "/",
        in_use=bool(given.domain) and site.domain_confirmed,
        leads=dns.leads(given.own_host),
        proven=bool(given.domain) and dns.is_proven(given.domain, proof_of(site)),
        records=[RecordOut(host=line.host, kind=line.kind, value=line.value, found=_found(line)) for line in lines],
        former=list(site.former_hosts.order_by("-left").values_list("host", flat=True)),
        https=settings.HTTPS,
    )


@router.get("/sites/{site}/address", response={200: SiteAddressOut, 404: ProblemOut})
def show(request: HttpRequest, site: str) -> SiteAddressOut:
    """Where a site is read, and what the name service says of its domain."""
    return _out(site_for(request, site, Action.VIEW))


@router.patch(
    "/sites/{site}/address", response={200: SiteAddressOut, 403: ProblemOut, 404: ProblemOut, 422: ProblemOut}
)
def change(request: HttpRequest, site: str, given: SiteAddressChange) -> SiteAddressOut:
    """Gives a site another address at once, for visitors too; the ones before lead on to it."""
    found_site = site_for(request, site, Action.MANAGE)
    changed = site_address.changed(address_of(found_site), given.slug, given.domain, given.with_www, given.folder)
    return _checked(set_address(found_site.pk, changed, clock.now()))


def _checked(site: Site) -> SiteAddressOut:
    confirm_if_proven(site)
    return _out(site)


@router.post("/sites/{site}/address/check", response={200: SiteAddressOut, 403: ProblemOut, 404: ProblemOut})
def check(request: HttpRequest, site: str) -> SiteAddressOut:
    """Asks the name service again; a domain that leads here and is proven to be the site's is in use from then on."""
    return _checked(site_for(request, site, Action.MANAGE))
