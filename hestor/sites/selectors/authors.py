"""Who changed what of a draft, and when."""

from collections.abc import Collection, Iterable, Mapping
from dataclasses import dataclass
from datetime import datetime

from django.db.models import QuerySet

from hestor.accounts.models import Account
from hestor.core.changes import Change
from hestor.sites.models import Authorship, Revision, Site


@dataclass(frozen=True)
class Author:
    """Who changed something last, and when; None for one whose account is gone."""

    by: Account | None
    at: datetime


def _noted(site: Site) -> QuerySet[Authorship]:
    return Authorship.objects.filter(site=site, language=site.language).select_related("by")


def of_facts(site: Site, keys: Collection[str]) -> dict[str, Author]:
    """By whom facts were changed, by key; not those of which nothing is known."""
    return {one.key: Author(one.by, one.at) for one in _noted(site).filter(key__in=keys)}


def of_page(site: Site, page: int) -> Author | None:
    """By whom a page was changed."""
    one = _noted(site).filter(page=page, key="").first()
    return Author(one.by, one.at) if one else None


def of_changes(site: Site, changes: Iterable[Change]) -> Mapping[tuple[str, str], Author]:
    """By whom the changes of a draft were made, by their kind and key."""
    listed = list(changes)
    facts = of_facts(site, [change.key for change in listed if change.kind == "fact"])
    found = {("fact", key): author for key, author in facts.items()}
    paths = {change.key: change.kind for change in listed if change.kind != "fact"}
    if not paths:
        return found
    states = Revision.objects.coming(site.pk), Revision.objects.leaving(site.pk)
    pages = dict(row for some in states for row in some.filter(path__in=paths).values_list("page_id", "path"))
    for one in _noted(site).filter(page__in=pages, key=""):
        if one.page_id is not None:
            found[paths[pages[one.page_id]], pages[one.page_id]] = Author(one.by, one.at)
    return found


def writers(site: Site, keys: Collection[str], pages: QuerySet[Revision]) -> list[str]:
    """The names of all who changed these facts and pages, each once, the first to write first."""
    noted = Authorship.objects.filter(site=site).exclude(by=None).select_related("by")
    # Each by its own index: a site may have a hundred thousand pages.
    rows = [*noted.filter(key__in=keys).exclude(key=""), *noted.filter(key="", page__in=pages.values("page_id"))]
    return list(dict.fromkeys(row.by.shown_name for row in sorted(rows, key=lambda row: (row.at, row.pk)) if row.by))
