"""Proofs: what the draft says in each place, also while a fact is being typed."""

from datetime import UTC, datetime

from django.http import HttpRequest
from ninja import Router

from hestor.api import files
from hestor.api.auth import site_for
from hestor.api.problems import spot
from hestor.api.schemas import PlaceReachOut, ProblemOut, ProofOut, ProofsIn, ProofsOut, SpotOut, ThemeOut
from hestor.core import facts as facts_module
from hestor.core.proofs import Proof
from hestor.core.roles import Action
from hestor.sites.addresses import origin_of
from hestor.sites.models import Site
from hestor.sites.proofing import Proofing, proof

router = Router(tags=["proofs"])


def _proof(site: Site, made: Proofing, proof: Proof) -> ProofOut:
    out = ProofOut.model_validate(proof, from_attributes=True)
    for picture in out.pictures:
        # A shared picture is named by its full address, the others by their path.
        picture.src = files.address(site, picture.src.removeprefix(origin_of(site)), made.facts)
    return out


def _out(site: Site, path: str, typed: dict[str, object]) -> ProofsOut:
    made = proof(site, path, datetime.now(UTC), typed)
    return ProofsOut(
        path=made.path,
        proofs=[_proof(site, made, p) for p in made.proofs],
        reach={
            key: [PlaceReachOut(place=p.place, pages=p.pages, files=p.files) for p in places]
            for key, places in made.reach.items()
        },
        short_name=facts_module.short_name(made.facts),
        mark=files.mark_address(site, made.facts),
        themes={name: ThemeOut.model_validate(colours) for name, colours in made.colours.items()},
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
