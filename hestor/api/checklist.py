"""What a site still has to say."""

from django.http import HttpRequest
from ninja import Router, Schema

from hestor import clock
from hestor.api.auth import site_for
from hestor.api.schemas import ProblemOut
from hestor.core.checklist import Kind
from hestor.core.roles import Action
from hestor.sites.selectors.checklist import checklist

router = Router(tags=["still to say"])


class ChecklistItemOut(Schema):
    """One thing to say: at a fact, or on a page; and of how many it is."""

    kind: Kind
    fact: str
    page: int | None
    count: int


@router.get("/sites/{site}/unsaid", response={200: list[ChecklistItemOut], 404: ProblemOut})
def show(request: HttpRequest, site: str) -> list[ChecklistItemOut]:
    """What the draft lacks, or never changed from its start; what was said is not in it."""
    found_site = site_for(request, site, Action.VIEW)
    return [ChecklistItemOut.model_validate(one, from_attributes=True) for one in checklist(found_site, clock.now())]
