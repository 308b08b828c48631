"""How a site is reached: what is amiss with an address, and what should be thought of, before it is kept."""

from typing import Any

from django.http import HttpRequest
from ninja import Field, Router, Schema

from hestor.api.auth import site_for
from hestor.api.errors import field_error
from hestor.api.schemas import FieldErrorOut, ProblemOut, Strict
from hestor.core.contact import addresses
from hestor.core.roles import Action

router = Router(tags=["contact"])


class AddressIn(Strict):
    """An address to look at."""

    email: str = Field(max_length=1000)


class AddressOut(Schema):
    """The address as it would be kept, what is wrong with it (errors), and what should be thought of (notices)."""

    email: str
    errors: list[FieldErrorOut]
    notices: list[FieldErrorOut]


@router.post("/sites/{site}/contact/check", response={200: AddressOut, 404: ProblemOut})
def check(request: HttpRequest, site: str, given: AddressIn) -> dict[str, Any]:
    """Looks at an address for a site, whose own domain it knows. Nothing is kept."""
    found = site_for(request, site, Action.VIEW)
    kept, problems = addresses.check("contact_email", given.email)
    usable = kept and not problems
    notices = addresses.notices("contact_email", kept, found.domain or "") if usable else ()
    return {
        "email": kept,
        "errors": [field_error(one) for one in problems],
        "notices": [field_error(one) for one in notices],
    }
