"""Where the draft uses pictures."""

from dataclasses import dataclass
from datetime import datetime

from hestor.core.facts import document
from hestor.core.facts.document import Facts
from hestor.core.facts.in_languages import facts_in, languages_of
from hestor.core.facts.overlays import MAIN
from hestor.core.text import fillins
from hestor.sites.models import Edition, Revision, Site
from hestor.sites.selectors.page_list import values_at

ADDRESS = "/_hestor/pic-"
"""What the address of a picture in a page text begins with; its key follows."""


@dataclass(frozen=True)
class Use:
    """One use in the draft: a fact by its key, or a page by its id, address and title, in one of its languages."""

    fact: str = ""
    page: int | None = None
    path: str = ""
    title: str = ""
    language: str = MAIN


def _pictures_of(said: Facts) -> tuple[tuple[str, str], ...]:
    """The facts that show pictures in any language, each once, with the pictures' keys."""
    spoken = (facts_in(said, language) for language in languages_of(said))
    return tuple(dict.fromkeys(shown for facts in spoken for shown in document.pictures_in(facts).items()))


def uses_of(site: Site, now: datetime) -> dict[str, list[Use]]:
    """All uses of pictures in the draft, by the picture's key; titles are as they read ``now``."""
    uses: dict[str, list[Use]] = {}
    for fact, key in _pictures_of(site.said):
        uses.setdefault(key, []).append(Use(fact=fact))
    values = values_at(site, now)
    draft = Revision.objects.in_whole_draft_of(site.pk)
    rows = draft.filter(shows_pictures=True).select_related("text").order_by("path")
    for row in rows:
        for key in {piece[:32] for piece in row.text.body.split(ADDRESS)[1:]}:
            use = Use(page=row.page_id, path=row.path, title=fillins.fill(row.title, values), language=row.language)
            uses.setdefault(key, []).append(use)
    return uses


def is_published(site: Site, key: str, past: int) -> bool:
    """Whether the live edition shows a picture, or one of the ``past`` before it."""
    oldest = site.live_number - past
    revisions = Revision.objects.in_editions_of(site.pk, oldest, site.live_number)
    editions = Edition.objects.filter(site=site, number__gte=oldest, number__lte=site.live_number)
    in_facts = any(shown == key for edition in editions for _, shown in _pictures_of(edition.said))
    return in_facts or revisions.filter(text__body__contains=ADDRESS + key).exists()
