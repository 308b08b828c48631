"""Where the draft uses pictures."""

from collections.abc import Iterator
from dataclasses import dataclass
from datetime import datetime
from typing import Any

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


def _named_in(body: str) -> set[str]:
    """The keys of the pictures that a text shows."""
    return {piece[:32] for piece in body.split(ADDRESS)[1:]}


def uses_of(site: Site, now: datetime) -> dict[str, list[Use]]:
    """All uses of pictures in the draft, by the picture's key; titles are as they read ``now``."""
    uses: dict[str, list[Use]] = {}
    for fact, key in _pictures_of(site.said):
        uses.setdefault(key, []).append(Use(fact=fact))
    values = values_at(site, now)
    draft = Revision.objects.in_whole_draft_of(site.pk)
    rows = draft.filter(shows_pictures=True).select_related("text").order_by("path")
    for row in rows:
        for key in _named_in(row.text.body):
            use = Use(page=row.page_id, path=row.path, title=fillins.fill(row.title, values), language=row.language)
            uses.setdefault(key, []).append(use)
    return uses


def _kept_in(value: Any) -> Iterator[str]:
    """The keys of the pictures that a document of facts names, in any language."""
    if isinstance(value, dict):
        if isinstance(value.get("picture"), str):
            yield value["picture"]
        for inner in value.values():
            yield from _kept_in(inner)


def shown_in(site: Site) -> dict[str, int]:
    """The newest edition that shows each picture, by the picture's key; the live one, if visitors see it."""
    newest: dict[str, int] = {}

    def note(key: str, number: int) -> None:
        newest[key] = max(number, newest.get(key, 0))

    # Of a site with hundreds of editions their facts are not read, but looked through as they are kept.
    for number, facts in Edition.objects.filter(site=site).values_list("number", "facts_document"):
        for key in _kept_in(facts):
            note(key, number)
    public = Revision.objects.filter(site=site, shows_pictures=True, live_from__isnull=False).select_related("text")
    for row in public:
        for key in _named_in(row.text.body):
            note(key, row.live_to or site.live_number)
    return newest


def is_published(site: Site, key: str, past: int) -> bool:
    """Whether the live edition shows a picture, or one of the ``past`` before it."""
    oldest = site.live_number - past
    revisions = Revision.objects.in_editions_of(site.pk, oldest, site.live_number)
    editions = Edition.objects.filter(site=site, number__gte=oldest, number__lte=site.live_number)
    in_facts = any(shown == key for edition in editions for _, shown in _pictures_of(edition.said))
    return in_facts or revisions.filter(text__body__contains=ADDRESS + key).exists()
