"""A whole site to be taken elsewhere: as files for any web server, and as a package for another Hestor."""

import json
from collections.abc import Iterator, Mapping
from typing import Any

from hestor import clock
from hestor.core.facts import document
from hestor.core.facts.document import Facts
from hestor.core.pages import site_package
from hestor.pictures import selectors as pictures
from hestor.pictures.models import Picture
from hestor.rendering import Renderer, brand_files, whole
from hestor.rendering.brand_files import BrandFiles
from hestor.rendering.response import Response
from hestor.sites import generated_files
from hestor.sites.models import Revision, RevisionQuerySet, Site
from hestor.sites.selectors import export
from hestor.sites.selectors.comparison import edition as edition_of_number
from hestor.sites.selectors.states import edition_of

Files = Iterator[tuple[str, bytes]]


def _former(site: Site, number: int) -> list[str]:
    """Addresses at which pages of an edition, or of those before it, were."""
    known = Revision.objects.filter(site=site, live_from__lte=number).values_list("path", flat=True)
    now = Revision.objects.in_edition_of(site, number).values_list("path", flat=True)
    return sorted(set(known) - set(now))


def static_files(site: Site, number: int) -> Files:
    """An edition as files, as it is at this moment. Raises NotFound."""
    edition = edition_of_number(site, number)
    now = clock.now()
    state = edition_of(site, edition, now)
    state.facts = whole.without_forms(state.facts)
    brand = BrandFiles(state.facts, pictures.masters(site.pk))

    def asset(path: str) -> Response | None:
        return generated_files.file(site.pk, brand, path) if brand_files.is_address(path) else None

    return whole.files(Renderer(state, now), asset, _former(site, number))


def _picture_words(site_id: int, names: Mapping[str, str]) -> dict[str, dict[str, str]]:
    """What is said of each picture, by its file."""
    picture_words: dict[str, dict[str, str]] = {}
    for one in Picture.objects.filter(site_id=site_id, key__in=names).order_by("pk"):
        words = {"name": one.name, "title": one.title, "description": one.description, "caption": one.caption}
        picture_words.setdefault(names[one.key], {"key": one.key, **words})
    return picture_words


def _package(site: Site, facts: Facts, revisions: RevisionQuerySet, edition: int | None) -> Files:
    pages = list(revisions.select_related("text", "page").order_by("path"))
    shown = document.pictures_in(facts).values()
    names = export.picture_names(site.pk, {*export.keys_in(pages), *shown})
    identities: dict[str, dict[str, Any]] = {}
    for name, text, one in export.page_files(pages, names, "pages/"):
        identities[name] = {"uuid": str(one.page.identity), "worded": one.worded.isoformat()}
        yield name, text.encode()
    yield from export.picture_files(site.pk, names)
    said = {
        "hestor": site_package.VERSION,
        "edition": edition,
        "site": {"slug": site.slug, "uuid": str(site.identity)},
        "facts": document.document(document.without_private(facts)),
        "pictures": _picture_words(site.pk, names),
        "pages": identities,
    }
    yield site_package.NAME, json.dumps(said, ensure_ascii=False, indent=1, sort_keys=True).encode()


def package_of_edition(site: Site, number: int) -> Files:
    """An edition as a package. Raises NotFound."""
    edition = edition_of_number(site, number)
    return _package(site, edition.said, Revision.objects.in_edition_of(site, number), number)


def package_of_draft(site: Site) -> Files:
    """The draft as a package."""
    return _package(site, site.said, Revision.objects.in_draft_of(site), None)
