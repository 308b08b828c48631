"""Counts of a site's draft, from which the core computes reach."""

from hestor.core.reach import Counts
from hestor.press.leaves import further_paths
from hestor.sites.models import Revision, Site


def counts_of(site: Site) -> Counts:
    """How many addresses the draft has, and how many of its texts use each fill-in."""
    draft = Revision.objects.in_draft_of(site.pk)
    news = draft.filter(kind="news").order_by("path").values_list("path", flat=True).first()
    leaves = further_paths(news, draft.filter(kind="post").count()) if news else []
    used = {name: draft.filter(**{f"uses_{name}": True}).count() for name in ("site", "tagline", "year")}
    undescribed = draft.filter(described=False).exclude(path="/").count()
    home = draft.filter(path="/").count()
    return Counts(draft.count() + len(leaves), used, undescribed, home)
