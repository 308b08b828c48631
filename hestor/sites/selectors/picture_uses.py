"""Where the draft uses pictures."""

from dataclasses import dataclass
from datetime import datetime

from hestor.core.facts import document
from hestor.core.text import fillins
from hestor.sites.models import Edition, Revision, Site
from hestor.sites.selectors.page_list import values_at

ADDRESS = "/_hestor/pic-"
"""What the address of a picture in a page text begins with; its key follows."""


@dataclass(frozen=True)
class Use:
    """One use in the draft: a fact by its key, or a page by its id, address and title."""

    fact: str = ""
    page: int | None = None
    path: str = ""
    title: str = ""


def uses_of(site: Site, now: datetime) -> dict[str, list[Use]]:
    """All uses of pictures in the draft, by the picture's key; titles are as they read ``now``."""
    uses: dict[str, list[Use]] = {}
    facts = site.facts
    for fact, key in document.pictures_in(facts).items():
        uses.setdefault(key, []).append(Use(fact=fact))
    values = values_at(site, now)
    draft = Revision.objects.in_draft_of(site.pk)
    rows = draft.filter(shows_pictures=True).select_related("text").order_by("path")
    for row in rows:
        for key in {piece[:32] for piece in row.text.body.split(ADDRESS)[1:]}:
            use = Use(page=row.page_id, path=row.path, title=fillins.fill(row.title, values))
            uses.setdefault(key, []).append(use)
    return uses


def is_published(site: Site, key: str, past: int) -> bool:
    """Whether the live edition shows a picture, or one of the ``past`` before it."""
    oldest = site.live_number - past
    revisions = Revision.objects.in_editions_of(site.pk, oldest, site.live_number)
    editions = Edition.objects.filter(site=site, number__gte=oldest, number__lte=site.live_number)
    in_facts = any(key in document.pictures_in(edition.facts).values() for edition in editions)
    return in_facts or revisions.filter(text__body__contains=ADDRESS + key).exists()
