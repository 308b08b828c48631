"""A new site made as a copy of another: the frame of its pages, its facts, or its pages, too. Nothing is published."""

from collections.abc import Iterator, Mapping
from itertools import islice

from django.db import transaction

from hestor.accounts.models import Account
from hestor.core.errors import InvalidInput, Problem
from hestor.core.facts.bundles import Copied, copied
from hestor.pictures.models import Picture
from hestor.pictures.services import adopt
from hestor.sites.models import Page, Revision, Site, Text
from hestor.sites.services.copying import copy_facts
from hestor.sites.services.creation import make_site
from hestor.sites.services.locking import bump, locked_whole

MOST_PAGES = 10_000
"""A larger site is copied by its package, which is taken in bit by bit."""
_AT_ONCE = 500


def copy_site(owner: Account, source: Site, what: Copied, name: str, slug: str = "", label: str = "") -> Site:
    """A new site of ``owner`` that says what ``source``'s draft says.

    Raises InvalidInput for a name or an address that can't be had and for too many pages, Forbidden, TooManySites.
    """
    drafts = Revision.objects.in_whole_draft_of(source.pk)
    if what == "all" and drafts.count() > MOST_PAGES:
        raise InvalidInput([Problem("what", "copy_too_large", {"most": MOST_PAGES})])
    with transaction.atomic():
        said = {"language": source.facts.language, "time_zone": source.facts.time_zone}
        made = make_site(owner, {"name": name, **said}, slug, label, limited=True)
        if what == "all":
            _copy_pictures(made, source)
            _copy_pages(made, source)
            made.refresh_from_db()
        return copy_facts(made, source, copied(what), made.revision)


def _copy_pictures(made: Site, source: Site) -> None:
    for key in Picture.objects.kept_by(source.pk).values_list("key", flat=True):
        adopt(made.pk, source.pk, key)


def _copy_pages(made: Site, source: Site) -> None:
    """Pages with new identities, in the same tree; the home page that a new site has gives way."""
    starter = list(Revision.objects.in_whole_draft_of(made.pk).values_list("text_id", flat=True))
    Page.objects.filter(site=made).delete()
    Text.objects.filter(pk__in=starter).delete()
    drafts = Revision.objects.in_whole_draft_of(source.pk)
    known = list(drafts.order_by("page_id").values_list("page_id", flat=True).distinct())
    pages = Page.objects.bulk_create((Page(site=made) for _ in known), _AT_ONCE)
    twins = dict(zip(known, (page.pk for page in pages), strict=True))
    states = _states(made, source, twins)
    while some := list(islice(states, _AT_ONCE)):
        Revision.objects.bulk_create(some)
    bump(locked_whole(made.pk), list(twins.values()))


def _states(made: Site, source: Site, twins: Mapping[int, int]) -> Iterator[Revision]:
    """The states of the copy's pages. They share their texts, which never change."""
    for state in Revision.objects.in_whole_draft_of(source.pk).iterator(_AT_ONCE):
        state.pk, state.site_id, state.place = None, made.pk, ""
        state.page_id = twins[state.page_id]
        state.parent_id = twins.get(state.parent_id) if state.parent_id else None
        state.in_draft, state.live_from, state.live_to = True, None, None
        state._state.adding = True
        yield state
