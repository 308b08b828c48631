"""Acts on the drafts of several sites at once: all of it or nothing, each draft's part to be taken back."""

from collections.abc import Callable, Collection, Mapping, Sequence
from datetime import datetime
from typing import Any

from django.db import transaction

from hestor.accounts.models import Account
from hestor.core.errors import HestorError, InvalidInput, Problem
from hestor.core.facts import document
from hestor.core.facts.bundles import Bundle, facts_of
from hestor.sites.models import Deed, Edition, Site
from hestor.sites.services import deeds, following, publishing
from hestor.sites.services.copying import copy_facts
from hestor.sites.services.facts import write_facts
from hestor.sites.services.locking import locked

MOST_SITES = 100


def say(sites: Sequence[Site], values: Mapping[str, Any]) -> list[Deed]:
    """Says facts in the drafts of all these sites. Raises InvalidInput where one of them can't say it."""
    return _in_each(sites, lambda site: write_facts(site, values, site.revision))


def give(source: Site, sites: Sequence[Site], bundles: Collection[Bundle], follows: bool = False) -> list[Deed]:
    """Gives the facts of bundles from one site's draft to others, which from then on follow it if ``follows``.

    Raises InvalidInput, also where none is chosen.
    """
    if not bundles:
        raise InvalidInput([Problem("bundles", "copy_none")])
    keys = [key for key in document.KEYS if any(key in facts_of(bundle) for bundle in bundles)]
    others = [site for site in sites if site.pk != source.pk]
    with transaction.atomic():
        done = _in_each(others, lambda site: copy_facts(site, source, keys, site.revision))
        if follows:
            following.follow(source, others, bundles)
    return done


def _in_each(sites: Sequence[Site], write: Callable[[Site], Site]) -> list[Deed]:
    done = []
    with transaction.atomic():
        for site in sites:
            now = locked(site)
            before = now.draft_facts
            after = write(now)
            if after.draft_facts != before:
                done.append(deeds.note(after, (), (), before))
    return done


def take_back(done: Sequence[tuple[Site, int]], now: datetime) -> list[Deed]:
    """Takes back what was done to several drafts; gives what does it again.

    Raises NotFound, and StaleRevision where one of them was changed since; none is taken back then.
    """
    with transaction.atomic():
        return [deeds.take_back(site.pk, deed, now)[1] for site, deed in done]


def publish(sites: Sequence[tuple[Site, int]], by: Account, now: datetime) -> list[Edition | HestorError]:
    """Publishes drafts, each by itself and only if it is still at the revision that was reviewed.

    Gives for each what came of it: what one site can't publish keeps no other one from it.
    """
    return [_published(site, revision, by, now) for site, revision in sites]


def _published(site: Site, revision: int, by: Account, now: datetime) -> Edition | HestorError:
    try:
        return publishing.publish(site.pk, by, now, revision)
    except HestorError as error:
        return error
