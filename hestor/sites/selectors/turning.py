"""Whether pages of a site say something else on another day though nothing was changed."""

import json

from hestor.sites.models import Edition, Revision, Site

_DAYS = "days"


def turns_by_day(site: Site, edition: Edition) -> bool:
    """Whether an edition has events, a page for them, or a text that counts the days to one."""
    dated = Revision.objects.in_edition_of(site, edition.number).filter(kind__in=("event", "events"))
    return dated.exists() or _counts_days(site, edition)


def _counts_days(site: Site, edition: Edition) -> bool:
    """True sometimes also where only the draft counts them, which costs no more than a page made anew each day."""
    if f"{{{_DAYS}:" in json.dumps(edition.facts_document):
        return True
    draft = Revision.objects.in_draft_of(site)
    leaving = Revision.objects.leaving(site.pk).in_language_of(site)
    # The signature names the fill-ins, and the draft's stands in its index, which is read without the rows.
    return any(pages.filter(signature__contains=_DAYS).exists() for pages in (draft, leaving))
