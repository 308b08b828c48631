"""The texts of a draft that lead nowhere within the site, or show what the site's logo was."""

from collections.abc import Iterator, Mapping
from typing import Any

from hestor.core.events import month
from hestor.core.facts import document
from hestor.core.pages import paths
from hestor.core.pages.pagination import page_number
from hestor.core.sweep import own_texts
from hestor.core.sweep.own import OwnStray
from hestor.core.sweep.own_texts import Elsewhere, OwnText
from hestor.core.sweep.stray import Kind
from hestor.sites.models import Edition, Revision, Site
from hestor.sites.selectors.addresses import hosts_of
from hestor.sites.selectors.picture_uses import ADDRESS

_FILES = frozenset(
    ("/feed.xml", "/events.ics", "/contact.vcf", "/sitemap.xml", "/robots.txt", "/site.webmanifest", "/favicon.ico")
)
_OWN = "/_hestor/"
_LISTS = ("news", "events")
_WAS: Mapping[str, Kind] = {"logo": "old_logo", "logo_dark": "old_logo", "icon": "old_icon"}


def _elsewhere(site: Site) -> Elsewhere:
    drafts = Revision.objects.in_draft_of(site.pk)
    kinds = dict(drafts.values_list("path", "kind"))
    there = drafts.values("page_id")
    moved = set(Revision.objects.filter(site=site, page__in=there).values_list("path", flat=True))
    known = kinds.keys() | moved
    lists = {path: kind for path, kind in kinds.items() if kind in _LISTS}

    def answers(path: str) -> bool:
        if path in known or f"{path}/" in known or path in _FILES or path.startswith(_OWN):
            return True
        above = paths.above(path)
        if path.endswith(".ics") or above not in lists:
            return path.endswith("event.ics") and path.removesuffix("event.ics") in known
        return bool(page_number(path, above) or month.read(path.rstrip("/").rpartition("/")[2]))

    bases = tuple(f"{scheme}://{host}{site.folder}" for scheme in ("https", "http") for host in hosts_of(site) if host)
    return Elsewhere(answers, tuple(kinds), bases)


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


def strays(site: Site) -> Iterator[OwnStray]:
    """All of them, in the order of the pages."""
    elsewhere, former = _elsewhere(site), _former(site)
    rows = Revision.objects.in_draft_of(site.pk).order_by("path")
    for page, identity, path, body in rows.values_list("page_id", "page__identity", "path", "text__body").iterator():
        text = OwnText(page, str(identity), path, body)
        if "](" in body or "]:" in body:
            yield from own_texts.broken_links(text, elsewhere)
        if ADDRESS in body:
            yield from own_texts.former_pictures(text, former)
