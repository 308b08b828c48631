"""What a site's draft still has to say, found from its facts and pages themselves."""

from dataclasses import dataclass
from datetime import datetime

from django.db.models import Exists, OuterRef

from hestor import translations
from hestor.core.checklist import ChecklistItem, Seen, items
from hestor.core.pages.faults import MISLEADING
from hestor.core.pages.fields import COPIED_KINDS
from hestor.pictures.models import Picture
from hestor.sites.models import Revision, RevisionQuerySet, Site
from hestor.sites.selectors.former import said_before
from hestor.sites.selectors.picture_uses import uses_of
from hestor.sites.selectors.title_table import survey_of


def _starters() -> set[str]:
    """The texts that new home pages begin with, in every language."""
    return {
        translations.catalogue("public", tag)["starter.home.body"].strip() for tag in translations.languages("public")
    }


@dataclass(frozen=True)
class Checklist:
    """What is still to be said; ``is_whole`` says whether titles were looked over on all pages yet."""

    items: tuple[ChecklistItem, ...]
    is_whole: bool


def _empty(drafts: RevisionQuerySet) -> RevisionQuerySet:
    """Pages without a text. One that lists those below it says something without."""
    below = drafts.filter(parent_id=OuterRef("page_id"), kind="page")
    return drafts.filter(~Exists(below), is_bare=True, kind__in=COPIED_KINDS).order_by("place")


def checklist(site: Site, now: datetime) -> Checklist:
    """All that is still to be said; done ones are not in it."""
    drafts = Revision.objects.in_draft_of(site)
    starters = _starters()
    home = drafts.filter(path="/").values_list("page_id", "text__body")
    empty = _empty(drafts)
    silent = Picture.objects.kept_by(site.pk).filter(description="", key__in=uses_of(site, now))
    survey = survey_of(site, now)
    seen = Seen(
        site.facts,
        drafts.count() - drafts.filter(kind="not_found").count(),
        tuple(page for page, body in home if body.strip() in starters),
        empty.values_list("page_id", flat=True).first(),
        empty.count(),
        survey.misleading(MISLEADING),
        silent.count(),
        said_before(site, "name", site.facts.name),
        site.live_number > 0,
    )
    return Checklist(items(seen), survey.is_whole)
