"""Proofs: what the draft says in each place, also while a fact is being typed."""

from collections.abc import Collection
from datetime import datetime

from django.http import HttpRequest
from ninja import Router

from hestor import clock
from hestor.api.auth import site_for
from hestor.api.errors import field_error
from hestor.api.files import FileAddresses
from hestor.api.schemas import FieldErrorOut, ProblemOut, ProofOut, ProofsIn, ProofsOut, ThemeOut
from hestor.core import languages
from hestor.core.dates import local_time
from hestor.core.facts import document, rules
from hestor.core.facts.spec import Slot
from hestor.core.places.place import Place
from hestor.core.places.proof import Proof
from hestor.core.roles import Action
from hestor.sites.models import Edition, Site
from hestor.sites.selectors.addresses import origin_of
from hestor.sites.selectors.comparison import edition
from hestor.sites.selectors.proofs import ALL, proof_sheet

router = Router(tags=["proofs"])


def _proof(addresses: FileAddresses, origin: str, proof: Proof) -> ProofOut:
    out = ProofOut.model_validate(proof, from_attributes=True)
    for picture in out.pictures:
        # A shared picture is named by its full address, the others by their path.
        picture.src = addresses.address_of(picture.src.removeprefix(origin))
    return out


def _moment(site: Site, typed: dict[str, object], at: str) -> datetime:
    """The moment that is looked at: a time on the clock that the site has, or is being given. Raises InvalidInput."""
    if not at:
        return clock.now()
    zone, problems = rules.time_zone("time_zone", typed.get("time_zone", site.facts.time_zone))
    return local_time.read("at", at, site.facts.time_zone if problems else zone).moment


def _out(
    site: Site,
    path: str,
    typed: dict[str, object],
    wanted: Collection[Slot],
    at: str = "",
    of: Edition | None = None,
) -> ProofsOut:
    sheet = proof_sheet(site, path, _moment(site, typed, at), typed, wanted, of)
    addresses, origin = FileAddresses(site, sheet.facts), origin_of(site)
    return ProofsOut(
        path=sheet.path,
        direction="rtl" if languages.direction(sheet.facts.language) == "rtl" else "ltr",
        proofs=[_proof(addresses, origin, proof) for proof in sheet.proofs],
        derived=document.derived(sheet.facts),
        icon_url=addresses.icon,
        themes={name: ThemeOut.model_validate(colours) for name, colours in sheet.themes.items()},
        errors=[FieldErrorOut(**field_error(problem)) for problem in sheet.problems],
    )


@router.get("/sites/{site}/proofs", response={200: ProofsOut, 404: ProblemOut, 422: ProblemOut})
def show(request: HttpRequest, site: str, path: str = "/", at: str = "") -> ProofsOut:
    """What the rendered draft page says, by place; now, or ``at`` a time on the site's clock."""
    return _out(site_for(request, site, Action.VIEW), path, {}, ALL, at)


@router.post("/sites/{site}/proofs", response={200: ProofsOut, 404: ProblemOut, 422: ProblemOut})
def typed(request: HttpRequest, site: str, given: ProofsIn) -> ProofsOut:
    """The same with values as they are being typed; nothing is kept. Refused values come back as errors."""
    wanted = ALL if given.places is None else [Slot(Place(place.place), place.home) for place in given.places]
    found_site = site_for(request, site, Action.VIEW)
    return _out(
        found_site,
        given.path,
        given.facts,
        wanted,
        given.at,
        edition(found_site, given.edition) if given.edition else None,
    )
