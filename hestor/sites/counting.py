"""Counts of a site's draft, from which the core computes reach."""

from functools import lru_cache

from django.db.models import Count, Q

from hestor.core import prose
from hestor.core.reach import Counts
from hestor.press.leaves import further_paths
from hestor.sites.models import Revision, Site

_INNER = ~Q(path="/")
_PICTURED = Q(text__html__contains=prose.OWN_PICTURE)


# The number of writes to a site's pages stands for all that is counted, so what is kept never goes stale.
@lru_cache(maxsize=1000)
def _counted(site_id: int, pages_revision: int) -> Counts:
    draft = Revision.objects.in_draft_of(site_id)
    found = draft.aggregate(
        pages=Count("pk"),
        posts=Count("pk", filter=Q(kind="post")),
        site=Count("pk", filter=Q(uses_site=True)),
        tagline=Count("pk", filter=Q(uses_tagline=True)),
        year=Count("pk", filter=Q(uses_year=True)),
        undescribed=Count("pk", filter=_INNER & Q(described=False)),
        tagline_titles=Count("pk", filter=_INNER & Q(tagline_in_title=True)),
        tagline_searches=Count("pk", filter=_INNER & Q(tagline_in_search=True)),
        home=Count("pk", filter=~_INNER),
        pictured=Count("pk", filter=_PICTURED),
    )
    news = (
        draft.filter(kind="news")
        .order_by("path")
        .annotate(pictured=_PICTURED)
        .values_list("path", "described", "pictured")
        .first()
    )
    leaves = len(further_paths(news[0], found["posts"])) if news else 0
    return Counts(
        pages=found["pages"] + leaves,
        using={name: found[name] for name in ("site", "tagline", "year")},
        # A further leaf has its list's description.
        undescribed=found["undescribed"] + (leaves if news and not news[1] else 0),
        tagline_titles=found["tagline_titles"],
        tagline_searches=found["tagline_searches"],
        structured=found["home"],
        pictured=found["pictured"] + (leaves if news and news[2] else 0),
    )


def counts_of(site: Site) -> Counts:
    """How many addresses the draft has, and how many of its texts use each fill-in."""
    return _counted(site.pk, site.pages_revision)


def forget() -> None:
    """Lets go of all counts, as after another database was put in place."""
    _counted.cache_clear()
