"""Where a site is read: its short address, its own domain, and what has to be entered for that."""

from django.conf import settings
from django.http import HttpRequest
from ninja import Router, Schema

from hestor.api.auth import site_for
from hestor.api.schemas import ProblemOut, Strict
from hestor.core import site_address
from hestor.core.roles import Action
from hestor.core.site_address import Leads
from hestor.mail import names
from hestor.sites.models import Site
from hestor.sites.selectors.addresses import address_of, base_of
from hestor.sites.services.address import confirm, set_address

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
    that nobody can say; ``in_use`` whether it is the one in use. ``former`` are hosts that lead on to it.
    """

    slug: str
    short_host: str
    domain: str
    with_www: bool
    folder: str
    base: str
    in_use: bool
    leads: Leads
    records: list[RecordOut]
    former: list[str]
    https: bool


class SiteAddressChange(Strict):
    """What is to change of a site's address; a domain may be given as a whole address."""

    slug: str | None = None
    domain: str | None = None
    with_www: bool | None = None
    folder: str | None = None


def _out(site: Site) -> SiteAddressOut:
    given = address_of(site)
    lines = site_address.records(given, settings.SERVER_ADDRESSES)
    known = {host: names.addresses(host) for host in {one.host for one in lines}}
    return SiteAddressOut(
        slug=given.slug,
        short_host=f"{given.slug}.{settings.SITES_DOMAIN}",
        domain=given.domain,
        with_www=given.with_www,
        folder=given.folder,
        base=base_of(site) + "/",
        in_use=bool(given.domain) and site.domain_confirmed,
        leads=names.leads(given.own_host),
        records=[RecordOut(host=one.host, kind=one.kind, value=one.value, found=known[one.host]) for one in lines],
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
    found = site_for(request, site, Action.MANAGE)
    changed = site_address.changed(address_of(found), given.slug, given.domain, given.with_www, given.folder)
    return _checked(set_address(found.pk, changed))


def _checked(site: Site) -> SiteAddressOut:
    if names.leads(address_of(site).own_host) == "here":
        confirm(site)
    return _out(site)


@router.post("/sites/{site}/address/check", response={200: SiteAddressOut, 403: ProblemOut, 404: ProblemOut})
def check(request: HttpRequest, site: str) -> SiteAddressOut:
    """Asks the name service again; a domain that leads here is in use from then on."""
    return _checked(site_for(request, site, Action.MANAGE))
