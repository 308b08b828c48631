"""Bundles of facts in which a site follows another one, and what is proposed of them."""

from django.http import HttpRequest
from ninja import Router, Schema, Status

from hestor.api.auth import needed_revision, site_for
from hestor.api.schemas import ChangeOut, Identifier, ProblemOut, Strict
from hestor.api.words import changes_out
from hestor.core.facts.bundles import Bundle
from hestor.core.roles import Action
from hestor.sites.selectors.followed import Proposal, proposals
from hestor.sites.services import following

router = Router(tags=["changes"])


class FollowedOut(Schema):
    """A bundle that is followed: of which site, and what that one says otherwise now; ``old`` is what is said here."""

    id: int
    bundle: Bundle
    name: str
    changes: list[ChangeOut]


class SettleIn(Strict):
    """Whether what is proposed is taken over into the draft, or left."""

    take: bool


class SettledOut(Schema):
    """The draft's number of writes after it."""

    revision: int


def _out(proposal: Proposal) -> FollowedOut:
    return FollowedOut(
        id=proposal.following.pk,
        bundle=proposal.bundle,
        name=proposal.following.source.facts.name,
        changes=changes_out(proposal.changes),
    )


@router.get("/sites/{site}/followed", response={200: list[FollowedOut], 404: ProblemOut})
def show(request: HttpRequest, site: str) -> list[FollowedOut]:
    """The bundles in which the site follows another one, each with what is proposed of it."""
    return [_out(one) for one in proposals(site_for(request, site, Action.VIEW))]


@router.post(
    "/sites/{site}/followed/{number}", response={200: SettledOut, 404: ProblemOut, 412: ProblemOut, 422: ProblemOut}
)
def settle(request: HttpRequest, site: str, number: Identifier, given: SettleIn) -> SettledOut:
    """Takes over what is proposed into the draft, or leaves it; it is not proposed again."""
    found_site = site_for(request, site, Action.EDIT)
    after = following.settle(found_site, number, given.take, needed_revision(request))
    return SettledOut(revision=after.revision)


@router.delete("/sites/{site}/followed/{number}", response={204: None, 404: ProblemOut})
def end(request: HttpRequest, site: str, number: Identifier) -> Status[None]:
    """Follows no more; what was taken over stays."""
    following.follow_no_more(site_for(request, site, Action.EDIT), number)
    return Status(204, None)
