"""Saying a fact once for all of an owner's sites."""

from collections.abc import Collection
from typing import Any

from django.db import transaction

from hestor.accounts.models import Account
from hestor.core.errors import InvalidInput, NotFound, Problem
from hestor.core.facts import document
from hestor.sites.models import Defaults
from hestor.sites.selectors.defaults import owned
from hestor.sites.services.facts import write_facts
from hestor.sites.services.locking import locked


def set_default(account: Account, key: str, given: Any, slugs: Collection[str]) -> None:
    """Keeps a default, and says it in the drafts of the sites named, all or none.

    Raises InvalidInput for a fact that can't be common and for a value that can't be kept, NotFound for others' sites.
    """
    if key not in document.COMMON_KEYS:
        raise InvalidInput([Problem(key, "fact_not_common")])
    value, problems = document.check(key, given)
    if problems:
        raise InvalidInput(problems)
    mine = {site.slug: site for site in owned(account)}
    if not set(slugs) <= set(mine):
        raise NotFound
    with transaction.atomic():
        kept, _ = Defaults.objects.get_or_create(account=account)
        changed = document.changed(document.Facts(name="-"), {key: value})
        kept.facts = {**kept.facts, **document.plain(changed, (key,))}
        kept.save(update_fields=["facts"])
        for slug in slugs:
            write_facts(mine[slug], {key: value}, locked(mine[slug]).revision)


def drop_default(account: Account, key: str) -> None:
    """Lets a default go; what sites say stays as it is."""
    with transaction.atomic():
        kept = Defaults.objects.filter(account=account).first()
        if kept and kept.facts.pop(key, None) is not None:
            kept.save(update_fields=["facts"])
