"""The draft against the live edition."""

from collections.abc import Sequence

from django.http import HttpRequest
from ninja import Router

from hestor.api.auth import signed_in, site_for
from hestor.api.schemas import MOST_AT_ONCE, ChangeOut, ChangesOut, Count, Number, PreviewOut, ProblemOut
from hestor.api.words import author_out, changes_out
from hestor.core.changes import Change
from hestor.core.roles import Action
from hestor.sites.models import Site
from hestor.sites.selectors import authors, previews
from hestor.sites.selectors.changes import change_window, page_shown

router = Router(tags=["changes"])


@router.get("/sites/{site}/preview", response={200: PreviewOut, 404: ProblemOut})
def preview(request: HttpRequest, site: str) -> PreviewOut:
    """A private preview of the draft on the site's own origin, good for a day."""
    return PreviewOut(address=previews.link(site_for(request, site, Action.VIEW), None))


@router.get("/sites/{site}/changes", response={200: ChangesOut, 404: ProblemOut})
def show(request: HttpRequest, site: str, start: Number = 0, count: Count = MOST_AT_ONCE) -> ChangesOut:
    """What would change for visitors, in words, old and new, with reach; and a preview of the whole draft.

    Of many changes those from number ``start`` on, facts first, then pages by their addresses.
    """
    found_site = site_for(request, site, Action.VIEW)
    window = change_window(found_site, start, count)
    return ChangesOut(
        revision=found_site.revision,
        live_number=found_site.live_number,
        changes=_with_authors(request, found_site, window.changes),
        count=window.count,
        shown_on=page_shown(found_site, unchanged=True),
        preview_url=previews.link(found_site, None),
    )


def _with_authors(request: HttpRequest, site: Site, changes: Sequence[Change]) -> list[ChangeOut]:
    known, account = authors.of_changes(site, changes), signed_in(request)
    told = changes_out(changes)
    for change in told:
        if author := known.get((change.kind, change.key)):
            change.author = author_out(author, account)
    return told
