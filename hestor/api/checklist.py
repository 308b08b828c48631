"""What a site still has to say."""

from django.http import HttpRequest
from ninja import Router, Schema

from hestor import clock
from hestor.api.auth import site_for
from hestor.api.schemas import ProblemOut
from hestor.core.checklist import Kind
from hestor.core.roles import Action
from hestor.sites.selectors.checklist import Checklist, checklist

router = Router(tags=["still to say"])


class ChecklistItemOut(Schema):
    """One thing to say: at a fact, or on a page; and of how many it is."""

    kind: Kind
    fact: str
    page: int | None
    count: int


class ChecklistOut(Schema):
    """What is still to be said.

    ``is_whole`` says whether titles were looked over on all pages; while it does not, each call looks over more.
    """

    items: list[ChecklistItemOut]
    is_whole: bool


@router.get("/sites/{site}/unsaid", response={200: ChecklistOut, 404: ProblemOut})
def show(request: HttpRequest, site: str) -> Checklist:
    """What the draft lacks, or never changed from its start; what was said is not in it."""
    return checklist(site_for(request, site, Action.VIEW), clock.now())
