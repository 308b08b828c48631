"""Counts of a site's draft, from which the core computes reach."""

from hestor.core.reach import Counts
from hestor.press.leaves import further_paths
from hestor.sites.models import Revision, Site


def counts_of(site: Site) -> Counts:
    """How many addresses the draft has, and how many of its texts use each fill-in."""
    draft = Revision.objects.in_draft_of(site.pk)
    inner = draft.exclude(path="/")
    news = draft.filter(kind="news").order_by("path").values_list("path", "described").first()
    leaves = len(further_paths(news[0], draft.filter(kind="post").count())) if news else 0
    return Counts(
        pages=draft.count() + leaves,
        using={name: draft.filter(**{f"uses_{name}": True}).count() for name in ("site", "tagline", "year")},
        # A further leaf has its list's description.
        undescribed=inner.filter(described=False).count() + (leaves if news and not news[1] else 0),
        tagline_titles=inner.filter(tagline_in_search=True, tagline_in_title=True).count(),
        tagline_searches=inner.filter(tagline_in_search=True).count(),
        structured=draft.filter(path="/").count(),
    )
