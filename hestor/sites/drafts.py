"""Writing the draft: facts, one revision at a time."""

from collections.abc import Mapping

from django.db import transaction

from hestor.core import facts as facts_module
from hestor.core.errors import InvalidInput, NotFound, Problem, StaleRevision
from hestor.core.facts import Facts
from hestor.pictures import services
from hestor.sites.models import Site


def locked(site_id: int, revision: int | None = None) -> Site:
    """The site as it is now, inside a transaction that no other writer can enter.

    Raises StaleRevision if ``revision`` is given and is not the newest, NotFound if the site is gone.
    """
    site = Site.objects.filter(pk=site_id).first()
    if site is None:
        raise NotFound
    if revision is not None and revision != site.revision:
        raise StaleRevision(revision, site.revision)
    return site


def bump(site: Site, pages: bool = False) -> None:
    """Counts a write to the draft, and keeps its facts; ``pages`` says that pages were written too."""
    site.revision += 1
    site.pages_revision += pages
    site.save(update_fields=["revision", "pages_revision", "draft_facts"])


def _check_pictures(site_id: int, facts: Facts, keys: Mapping[str, object]) -> None:
    """Raises InvalidInput where one of the facts ``keys`` names a picture that the site doesn't have."""
    wanted = {fact: key for fact, key in facts_module.pictures_in(facts).items() if fact in keys}
    unknown = [Problem(fact, "picture_unknown") for fact, key in wanted.items() if not services.master(site_id, key)]
    if unknown:
        raise InvalidInput(unknown)


def write_facts(site_id: int, values: Mapping[str, object], revision: int) -> Site:
    """Keeps facts in the draft. Raises StaleRevision, or InvalidInput; then nothing is kept."""
    with transaction.atomic():
        site = locked(site_id, revision)
        before = site.facts
        after = facts_module.changed(before, values)
        _check_pictures(site_id, after, values)
        if after != before:
            site.draft_facts = facts_module.document(after)
            bump(site)
        return site
