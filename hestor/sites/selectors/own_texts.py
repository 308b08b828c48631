"""The texts of a draft that lead nowhere within the site, or show what the site's logo was."""

from collections.abc import Iterable, Iterator, Mapping
from datetime import datetime
from functools import cache
from typing import Any

from hestor import translations
from hestor.core.facts import document
from hestor.core.sweep import own_texts as core
from hestor.core.sweep.own import OwnStray
from hestor.core.sweep.own_texts import Elsewhere, OwnText
from hestor.core.sweep.stray import Kind
from hestor.rendering import Renderer
from hestor.rendering.static_files import PREFIX
from hestor.sites.models import Edition, Revision, RevisionQuerySet, Site
from hestor.sites.selectors.addresses import base_of, hosts_of
from hestor.sites.selectors.picture_uses import ADDRESS
from hestor.sites.selectors.states import draft_of

_WAS: Mapping[str, Kind] = {"logo": "old_logo", "logo_dark": "old_logo", "logo_phone": "old_logo", "icon": "old_icon"}


def _elsewhere(site: Site, now: datetime) -> Elsewhere:
    known = frozenset(Revision.objects.in_draft_of(site).values_list("path", flat=True))
    renderer = Renderer(draft_of(site), now)

    @cache
    def answers(path: str) -> bool:
        # Whatever is no page, the renderer itself says: lists by month, former addresses, files.
        return path in known or path.startswith(PREFIX) or renderer.respond(path).status != 404

    hosts = [f"{scheme}://{host}" for scheme in ("https", "http") for host in hosts_of(site) if host]
    bases = {base_of(site), *hosts, *(host + site.folder for host in hosts)}
    return Elsewhere(answers, tuple(sorted(known)), tuple(sorted(bases, key=len, reverse=True)))


def _former(site: Site) -> dict[str, tuple[Kind, str]]:
    """What logos and icons were before, by the keys of their pictures, with the key of what each is now."""
    now = document.pictures_in(site.facts)
    found: dict[str, tuple[Kind, str]] = {}
    columns = [f"facts_document__{key}__picture" for key in _WAS]
    for row in Edition.objects.filter(site=site).values(*columns):
        said: dict[str, Any] = dict(row)
        for key, kind in _WAS.items():
            picture = said[f"facts_document__{key}__picture"]
            if isinstance(picture, str) and picture and picture not in now.values():
                found.setdefault(picture, (kind, now.get(key, "")))
    return found


@cache
def _starts() -> tuple[str, ...]:
    """The paragraphs that new sites begin with, in each language that public pages speak."""
    bodies = (translations.catalogue("public", tag)["starter.home.body"] for tag in translations.languages("public"))
    return tuple(dict.fromkeys(part for body in bodies for part in body.split("\n\n") if "{" not in part))


def by_themselves(state: RevisionQuerySet, some: RevisionQuerySet | None = None) -> Iterator[OwnStray]:
    """What texts of a state of the site say amiss that needs no more than the state: of the draft, of an edition.

    With ``some`` only the texts of those of its pages are read.
    """
    events = {path.rstrip("/").rpartition("/")[2] for path in _paths_of(state.filter(kind="event"))}
    for text in _texts(state if some is None else some):
        yield from core.left_from_start(text, _starts())
        if "{next:" in text.body:
            yield from core.unknown_dates(text, events)


def _paths_of(revisions: RevisionQuerySet) -> Iterable[str]:
    return revisions.values_list("path", flat=True)


def _texts(revisions: RevisionQuerySet) -> Iterator[OwnText]:
    rows = revisions.order_by("path").values_list("page_id", "page__identity", "path", "text__body")
    for page, identity, path, body in rows.iterator():
        yield OwnText(page, str(identity), path, body)


def strays(site: Site, now: datetime) -> Iterator[OwnStray]:
    """All of them, in the order of the pages."""
    elsewhere, former = _elsewhere(site, now), _former(site)
    drafts = Revision.objects.in_draft_of(site)
    yield from by_themselves(drafts)
    for text in _texts(drafts):
        if "](" in text.body or "]:" in text.body:
            yield from core.broken_links(text, elsewhere)
        if ADDRESS in text.body:
            yield from core.former_pictures(text, former)
