"""Bringing back parts of an edition into the draft: one fact, one page; and what an edition is called."""

from django.db import transaction

from hestor import clock
from hestor.core.errors import InvalidInput, NotFound, Problem
from hestor.core.facts.document import SPECS
from hestor.core.rules import Line
from hestor.sites.models import Edition, Revision, Site
from hestor.sites.selectors.comparison import edition
from hestor.sites.services import page_values
from hestor.sites.services.facts import write_facts
from hestor.sites.services.locking import bump, locked
from hestor.sites.services.pages import take_out

_LABEL = Line(0, 80)


def name(site: Site, number: int, label: str) -> Edition:
    """Keeps what an edition is called at the desk. Raises InvalidInput, NotFound."""
    text, problems = _LABEL("label", label)
    if problems:
        raise InvalidInput(list(problems))
    found_edition = edition(site, number)
    found_edition.label = text
    found_edition.save(update_fields=["label"])
    return found_edition


def bring_back_fact(site: Site, number: int, key: str, revision: int) -> Site:
    """Makes the draft say one fact as an edition said it. Raises NotFound, InvalidInput, StaleRevision."""
    spec = SPECS.get(key)
    if spec is None or spec.private:
        raise NotFound
    return write_facts(site, {key: getattr(edition(site, number).facts, key)}, revision)


def bring_back_page(site: Site, number: int, path: str, revision: int | None = None) -> Site:
    """Makes the draft say one page as an edition said it, at the address that it had.

    Raises NotFound, StaleRevision, and InvalidInput where another page of the draft is at that address now.
    """
    with transaction.atomic():
        site = locked(site, revision)
        edition(site, number)
        old = Revision.objects.in_edition_of(site, number).filter(path=path).select_related("text", "page").first()
        if old is None:
            raise NotFound
        drafts = Revision.objects.in_draft_of(site)
        if drafts.filter(path=path).exclude(page=old.page_id).exists():
            raise InvalidInput([Problem("path", "path_taken", {"path": path})])
        now = drafts.filter(page=old.page_id).first()
        if now is None or now.pk != old.pk:
            _put(site, old, now)
        return site


def _put(site: Site, old: Revision, now: Revision | None) -> None:
    if now is not None:
        take_out(now)
    if old.live_to is None:
        Revision.objects.filter(pk=old.pk).come_in()
    else:
        is_there = Revision.objects.in_draft_of(site).filter(page=old.parent_id).exists()
        page_values.copied(old, worded=clock.now(), parent_id=old.parent_id if is_there else None).save()
    bump(site, [old.page_id])
