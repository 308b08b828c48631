"""How a site is reached: what is amiss with an address or a number, and what should be thought of."""

from typing import Any

from django.http import HttpRequest
from ninja import Field, Router, Schema, Status

from hestor.api.auth import site_for
from hestor.api.errors import field_error
from hestor.api.mail_schemas import (
    AddressChoiceOut,
    AddressPartOut,
    ContactPageIn,
    ContactState,
    DetailsIn,
    DetailsOut,
)
from hestor.api.schemas import FieldErrorOut, ProblemOut, Strict
from hestor.core.contact import addresses, delivery, imprint, phones, postal, typed
from hestor.core.contact.postal import Part
from hestor.core.facts import organisation
from hestor.core.roles import Action
from hestor.mail import dns
from hestor.sites.models import Revision, Site
from hestor.sites.services.new_pages import page_of_kind

router = Router(tags=["contact"])


class AddressIn(Strict):
    """An address to look at."""

    email: str = Field(max_length=1000)


class AddressOut(Schema):
    """The address as it would be kept, what is wrong with it (errors), and what should be thought of (notices).

    ``takes`` says whether its domain takes mail, by what the name service says, ``hosts`` by which hosts.
    """

    email: str
    errors: list[FieldErrorOut]
    notices: list[FieldErrorOut]
    takes: delivery.Takes
    hosts: list[str]


@router.post("/sites/{site}/contact/check", response={200: AddressOut, 404: ProblemOut})
def check(request: HttpRequest, site: str, given: AddressIn) -> dict[str, Any]:
    """Looks at an address for a site, whose own domain it knows. Nothing is kept."""
    found_site = site_for(request, site, Action.VIEW)
    kept, problems = addresses.check("contact_email", given.email)
    out: dict[str, Any] = {
        "email": kept,
        "errors": [field_error(problem) for problem in problems],
        "notices": [],
        "takes": "unknown",
        "hosts": [],
    }
    if problems or not kept:
        return out
    domain, own = dns.delivery_of(addresses.domain_of(kept)), found_site.domain or ""
    notices = [*addresses.notices("contact_email", kept, own), *dns.notices("contact_email", kept, own, domain)]
    return {
        **out,
        "notices": [field_error(notice) for notice in notices],
        "takes": domain.takes,
        "hosts": list(domain.hosts),
    }


def _part(part: Part) -> AddressPartOut:
    choices = [AddressChoiceOut(code=code, name=name) for code, name in part.choices]
    return AddressPartOut(field=part.field, called=part.called, is_usual=part.is_usual, choices=choices)


def _form(country: str) -> list[list[AddressPartOut]]:
    return [[_part(part) for part in line] for line in postal.form(country)]


@router.post("/sites/{site}/contact/details", response={200: DetailsOut, 404: ProblemOut, 422: ProblemOut})
def details(request: HttpRequest, site: str, given: DetailsIn) -> DetailsOut:
    """How a number and an address will be shown, and what about them should be asked. Nothing is kept."""
    found_site = site_for(request, site, Action.VIEW)
    read = typed.read(found_site.facts, given.phone, given.postal_address)
    return DetailsOut(
        country=read.country,
        phone=read.phone.shown_in(read.home) if read.phone else "",
        phone_abroad=read.phone.international if read.phone else "",
        phone_example=phones.example(read.home),
        address=postal.written(read.address, found_site.facts.language) if read.address else [],
        form=_form(read.country) if postal.is_country(read.country) else [],
        notices=[FieldErrorOut(**field_error(notice)) for notice in read.notices],
    )


def _path(site: Site, kind: str) -> str:
    found = Revision.objects.in_draft_of(site).filter(kind=kind).order_by("path")
    return found.values_list("path", flat=True).first() or ""


def _state(site: Site) -> ContactState:
    country = organisation.home_country(site.facts)
    return ContactState(
        country=country,
        page=_path(site, "contact"),
        imprint=_path(site, "imprint"),
        imprint_asked=imprint.is_asked_in(country),
        imprint_lacks=list(imprint.missing(site.facts)),
    )


@router.get("/sites/{site}/contact", response={200: ContactState, 404: ProblemOut})
def state(request: HttpRequest, site: str) -> ContactState:
    """Which pages of the draft say how the site is reached, and whether its country asks for an imprint."""
    return _state(site_for(request, site, Action.VIEW))


@router.post("/sites/{site}/contact/pages", response={201: ContactState, 404: ProblemOut, 422: ProblemOut})
def add_page(request: HttpRequest, site: str, given: ContactPageIn) -> Status[ContactState]:
    """Adds a contact page or an imprint to the draft; one that is there already stays the only one."""
    found_site = site_for(request, site, Action.EDIT)
    page_of_kind(found_site, given.kind)
    return Status(201, _state(found_site))
