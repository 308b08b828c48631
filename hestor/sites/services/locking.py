"""Writing to a site's draft, one writer at a time."""

from collections.abc import Collection

from hestor.core.errors import NotFound, StaleRevision
from hestor.sites.models import Site
from hestor.sites.services import authors
from hestor.sites.services.tree_order import put_in_order


def locked(site: Site, revision: int | None = None) -> Site:
    """The site as it is now, read in the same language, inside a transaction that no other writer can enter.

    Raises StaleRevision if ``revision`` is given and is not the newest, NotFound if the site is gone.
    """
    now = locked_whole(site.pk, revision)
    return now.in_language(site.language) if site.language else now


def locked_whole(site_id: int, revision: int | None = None) -> Site:
    """The same for a write in all languages at once, or of what is the same in all."""
    site = Site.objects.filter(pk=site_id).first()
    if site is None:
        raise NotFound
    if revision is not None and revision != site.revision:
        raise StaleRevision(revision, site.revision)
    return site


def bump(site: Site, pages: Collection[int] = ()) -> None:
    """Counts a write to the draft, and keeps its facts; ``pages`` are those that were written, came in or left."""
    authors.note(site, pages)
    site.revision += 1
    site.pages_revision += bool(pages)
    if pages:
        put_in_order(site.pk, pages)
    site.save(update_fields=["revision", "pages_revision", "draft_facts"])
