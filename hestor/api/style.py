"""The house style: all facts of a site."""

from typing import Any

from django.http import HttpRequest
from ninja import Router

from hestor.api.auth import needed_revision, site_for
from hestor.api.schemas import ProblemOut, StyleChange, StyleOut
from hestor.core import facts as facts_module
from hestor.core.errors import StaleRevision
from hestor.core.roles import Action
from hestor.sites.drafts import write_facts
from hestor.sites.models import Site
from hestor.sites.publishing import count_changes
from hestor.sites.source import live_edition

router = Router(tags=["house style"])


def style_out(site: Site) -> StyleOut:
    """The house style of a site as it is now."""
    live = live_edition(site)
    keys, pages = count_changes(site, live)
    return StyleOut(
        revision=site.revision,
        facts=site.facts,
        live_facts=live.facts if live else None,
        changed=list(keys),
        changed_pages=pages,
        live_number=site.live_number,
        short_name=facts_module.short_name(site.facts),
        limits=dict(facts_module.LIMITS),
    )


@router.get("/sites/{site}/style", response={200: StyleOut, 404: ProblemOut})
def show(request: HttpRequest, site: str) -> StyleOut:
    """The draft's facts and the live ones."""
    return style_out(site_for(request, site, Action.LOOK))


@router.patch("/sites/{site}/style", response={200: StyleOut, 412: ProblemOut, 422: ProblemOut, 428: ProblemOut})
def change(request: HttpRequest, site: str, given: StyleChange) -> StyleOut:
    """Keeps new values in the draft. A stale write is refused, with both values."""
    found = site_for(request, site, Action.EDIT)
    try:
        return style_out(write_facts(found.pk, given.facts, needed_revision(request)))
    except StaleRevision as error:
        raise _with_values(error, found, given.facts) from error


def _with_values(error: StaleRevision, site: Site, yours: dict[str, Any]) -> StaleRevision:
    site.refresh_from_db()
    error.values = {"yours": yours, "current": style_out(site).model_dump(mode="json")}
    return error
