"""The house style: all facts of a site."""

from django.http import HttpRequest
from ninja import Router

from hestor import translations
from hestor.accounts.models import Account
from hestor.api.auth import needed_revision, signed_in, site_for
from hestor.api.errors import Conflict
from hestor.api.schemas import ProblemOut, StyleChange, StyleOut
from hestor.api.words import all_words, author_out, default_words
from hestor.core.errors import StaleRevision
from hestor.core.facts import document
from hestor.core.roles import Action
from hestor.sites.models import Site
from hestor.sites.selectors import authors
from hestor.sites.selectors.changes import count_changes, page_shown
from hestor.sites.selectors.states import live_edition
from hestor.sites.services.facts import write_facts

router = Router(tags=["house style"])


def style_out(site: Site, account: Account) -> StyleOut:
    """The house style of a site as it is now."""
    live = live_edition(site)
    keys, pages = count_changes(site, live)
    # What is private is no part of an edition, and in force by itself.
    live_facts = document.without_private(live.facts_in(site.language), site.facts) if live else None
    return StyleOut(
        revision=site.revision,
        facts=site.facts,
        live_facts=live_facts,
        words=all_words(site.facts),
        live_words=all_words(live_facts) if live_facts else {},
        default_words=default_words(translations.speaking()),
        derived=document.derived(site.facts),
        changed=list(keys),
        changed_pages=pages,
        live_number=site.live_number,
        shown_on=page_shown(site),
        authors={key: author_out(one, account) for key, one in authors.of_facts(site, keys).items()},
    )


@router.get("/sites/{site}/style", response={200: StyleOut, 404: ProblemOut})
def show(request: HttpRequest, site: str) -> StyleOut:
    """The draft's facts and the live ones."""
    return style_out(site_for(request, site, Action.VIEW), signed_in(request))


@router.patch("/sites/{site}/style", response={200: StyleOut, 412: ProblemOut, 422: ProblemOut, 428: ProblemOut})
def change(request: HttpRequest, site: str, given: StyleChange) -> StyleOut:
    """Keeps new values in the draft. A stale write is refused, with both values."""
    found_site = site_for(request, site, Action.EDIT)
    try:
        return style_out(write_facts(found_site, given.facts, needed_revision(request)), signed_in(request))
    except StaleRevision as error:
        found_site.refresh_from_db()
        raise Conflict(error, given.facts, style_out(found_site, signed_in(request)).model_dump(mode="json")) from error
