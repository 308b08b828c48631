"""What a site's draft still has to say, found from its facts and pages themselves."""

from datetime import datetime

from hestor import translations
from hestor.core.checklist import ChecklistItem, Seen, items
from hestor.core.pages.faults import MISLEADING
from hestor.core.pages.fields import COPIED_KINDS
from hestor.pictures.models import Picture
from hestor.sites.models import Revision, Site
from hestor.sites.selectors.picture_uses import uses_of
from hestor.sites.selectors.title_table import table_of


def _starters() -> set[str]:
    """The texts that new home pages begin with, in every language."""
    return {
        translations.catalogue("public", tag)["starter.home.body"].strip() for tag in translations.languages("public")
    }


def checklist(site: Site, now: datetime) -> tuple[ChecklistItem, ...]:
    """All that is still to be said; done ones are not in it."""
    drafts = Revision.objects.in_draft_of(site.pk)
    starters = _starters()
    home = drafts.filter(path="/").values_list("page_id", "text__body")
    pages = drafts.exclude(kind="not_found").count()
    below = set(drafts.filter(kind="page", parent__isnull=False).values_list("parent_id", flat=True))
    bare = drafts.filter(kind__in=COPIED_KINDS, text__body="").order_by("path").values_list("page_id", flat=True)
    used = uses_of(site, now)
    silent = Picture.objects.kept_by(site.pk).filter(description="", key__in=used)
    return items(
        Seen(
            site.facts,
            pages,
            tuple(page for page, body in home if body.strip() in starters),
            # A page that lists those below it says something without a text of its own.
            tuple(page for page in bare if page not in below),
            sum(any(fault.kind in MISLEADING for fault in row.faults) for row in table_of(site, now)),
            silent.count(),
            site.live_number > 0,
        )
    )
