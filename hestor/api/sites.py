"""The sites that a person has a role on."""

from django.http import HttpRequest
from ninja import Router, Status

from hestor import clock
from hestor.api.auth import signed_in, site_and_role, site_for
from hestor.api.files import FileAddresses
from hestor.api.permissions import permissions
from hestor.api.schemas import NewSite, ProblemOut, SiteChange, SiteCopyIn, SiteOut
from hestor.core.facts.document import Facts
from hestor.core.roles import Action, Role
from hestor.core.text.ordering import counted
from hestor.mail.selectors.waiting import Waiting, waiting
from hestor.sites.models import Edition, Membership, Site, TimedPublishing
from hestor.sites.selectors.addresses import base_of, host_of
from hestor.sites.selectors.changes import count_changes
from hestor.sites.selectors.lifecycle import is_closed
from hestor.sites.services.creation import make_site, set_label
from hestor.sites.services.removal import delete_site
from hestor.sites.services.site_copies import copy_site
from hestor.towns.selectors import facts_from

router = Router(tags=["sites"])


def _out(site: Site, role: Role, live: Edition | None, waiting: Waiting) -> SiteOut:
    facts: Facts = site.facts
    keys, pages = count_changes(site, live)
    timed: TimedPublishing | None = getattr(site, "timed", None)
    return SiteOut(
        slug=site.slug,
        name=facts.name,
        label=site.label,
        host=host_of(site),
        address=base_of(site) + "/",
        icon_url=FileAddresses(site).icon,
        role=role,
        may=permissions(role),
        live_number=site.live_number,
        changes=len(keys) + pages,
        unanswered=waiting.unanswered.get(site.pk, 0),
        unsent=waiting.unsent.get(site.pk, 0),
        closed=is_closed(site),
        timed=timed.at if timed else None,
        timed_failed=bool(timed and timed.failed),
    )


def _live_editions(sites: list[Site]) -> dict[int, Edition]:
    numbers = {site.pk: site.live_number for site in sites}
    live_editions = Edition.objects.filter(site__in=sites, number__in=set(numbers.values()))
    return {edition.site_id: edition for edition in live_editions if edition.number == numbers[edition.site_id]}


@router.get("/sites", response=list[SiteOut])
def list_sites(request: HttpRequest) -> list[SiteOut]:
    """The person's sites, by name, *Site 2* before *Site 10*."""
    mine = Membership.objects.filter(account=signed_in(request), site__deleted=None).select_related("site__timed")
    live = _live_editions([row.site for row in mine])
    waits = waiting([row.site_id for row in mine])
    out = [_out(row.site, Role(row.role), live.get(row.site_id), waits) for row in mine]
    return sorted(out, key=lambda site: (counted(site.name), site.slug))


@router.post("/sites", response={201: SiteOut, 403: ProblemOut, 422: ProblemOut})
def make(request: HttpRequest, given: NewSite) -> Status[SiteOut]:
    """Makes a site from a name and a town, with a home page in its draft."""
    facts = {"name": given.name, **(facts_from(given.town) if given.town is not None else {})}
    site = make_site(signed_in(request), facts, given.slug, given.label, limited=True)
    return Status(201, _out(site, Role.OWNER, None, waiting([])))


@router.post("/sites/{site}/copies", response={201: SiteOut, 403: ProblemOut, 404: ProblemOut, 422: ProblemOut})
def copy(request: HttpRequest, site: str, given: SiteCopyIn) -> Status[SiteOut]:
    """Makes another site that says what a site's draft says: its frame, its facts, or its pages, too."""
    source = site_for(request, site, Action.VIEW)
    made = copy_site(signed_in(request), source, given.what, given.name, given.slug, given.label)
    return Status(201, _out(made, Role.OWNER, None, waiting([])))


@router.get("/sites/{site}", response={200: SiteOut, 404: ProblemOut})
def show(request: HttpRequest, site: str) -> SiteOut:
    """One site."""
    found, role = site_and_role(request, site, Action.VIEW)
    return _out(found, role, _live_editions([found]).get(found.pk), waiting([found.pk]))


@router.patch("/sites/{site}", response={200: SiteOut, 403: ProblemOut, 422: ProblemOut})
def change(request: HttpRequest, site: str, given: SiteChange) -> SiteOut:
    """Sets the private label."""
    found, role = site_and_role(request, site, Action.MANAGE)
    set_label(found, given.label)
    return _out(found, role, _live_editions([found]).get(found.pk), waiting([found.pk]))


@router.delete("/sites/{site}", response={204: None, 403: ProblemOut, 404: ProblemOut})
def delete(request: HttpRequest, site: str) -> Status[None]:
    """Deletes the site, for visitors and at the desk; for 30 days it can be brought back."""
    delete_site(site_for(request, site, Action.MANAGE), clock.now())
    return Status(204, None)
