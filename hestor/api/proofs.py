"""Proofs: what the draft says in each place, also while a fact is being typed."""

from datetime import UTC, datetime

from django.http import HttpRequest
from ninja import Router

from hestor.api.auth import site_for
from hestor.api.problems import spot
from hestor.api.schemas import PlaceReachOut, ProblemOut, ProofOut, ProofsIn, ProofsOut, SpotOut
from hestor.core import facts as facts_module
from hestor.core.roles import Action
from hestor.desk.marks import data_url
from hestor.sites.models import Site
from hestor.sites.proofing import proof

router = Router(tags=["proofs"])


def _out(site: Site, path: str, typed: dict[str, object]) -> ProofsOut:
    made = proof(site, path, datetime.now(UTC), typed)
    return ProofsOut(
        path=made.path,
        proofs=[ProofOut.model_validate(p, from_attributes=True) for p in made.proofs],
        reach={
            key: [PlaceReachOut(place=p.place, pages=p.pages, files=p.files) for p in places]
            for key, places in made.reach.items()
        },
        short_name=facts_module.short_name(made.facts),
        mark=data_url(made.facts),
        errors=[SpotOut(**spot(problem)) for problem in made.problems],
    )


@router.get("/sites/{site}/proofs", response={200: ProofsOut, 404: ProblemOut})
def show(request: HttpRequest, site: str, path: str = "/") -> ProofsOut:
    """What the rendered draft page says, by place."""
    return _out(site_for(request, site, Action.LOOK), path, {})


@router.post("/sites/{site}/proofs", response={200: ProofsOut, 404: ProblemOut})
def typed(request: HttpRequest, site: str, given: ProofsIn) -> ProofsOut:
    """The same with values as they are being typed; nothing is kept. Refused values come back as errors."""
    return _out(site_for(request, site, Action.LOOK), given.path, given.facts)
