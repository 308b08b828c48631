"""Undoing a change that one made earlier."""

from django.db import transaction

from hestor.accounts.models import Account
from hestor.core.errors import NotFound, StaleRevision
from hestor.sites.models import OwnChange, Site
from hestor.sites.selectors import own_changes
from hestor.sites.services.facts import write_facts
from hestor.sites.services.locking import locked
from hestor.sites.services.own_changes import unnoted
from hestor.sites.services.pages import change_page


def undo(site: Site, number: int, who: Account) -> Site:
    """Makes facts, or a page, say what they said before one of one's own changes; once more makes it again.

    Raises NotFound, InvalidInput where that can't be said any more, and StaleRevision where it was changed since.
    """
    with transaction.atomic(), unnoted():
        change = OwnChange.objects.filter(site=site, pk=number, by=who).first()
        if change is None:
            raise NotFound
        here = locked(site.in_language(change.language) if change.language else site)
        if not own_changes.still_stands(here, change):
            raise StaleRevision(here.revision, here.revision)
        if change.page_id is None:
            write_facts(here, change.before, here.revision)
        else:
            change_page(here, change.page_id, change.before)
        change.before, change.after, change.is_undone = change.after, change.before, not change.is_undone
        change.save(update_fields=["before", "after", "is_undone"])
    return Site.objects.get(pk=site.pk)
