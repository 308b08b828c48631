"""The pages of a draft as the Pages view lists them."""

from datetime import date, datetime
from typing import Any

from hestor.core import zones
from hestor.core.pages import titles, tree
from hestor.core.text import fillins
from hestor.core.text.fillins import Values
from hestor.press.files import address
from hestor.press.frame import Frame
from hestor.sites.models import Revision, Site
from hestor.sites.selectors.addresses import origin_of
from hestor.sites.selectors.page_fields import columns_of
from hestor.sites.selectors.states import draft_of

_DEEPEST = 50


def values_at(site: Site, now: datetime) -> Values:
    """What fill-ins stand for in a draft at a moment."""
    return Frame(draft_of(site), now).values


def _state(revision: Revision, was_live: bool, today: date) -> str:
    if revision.live_from is None:
        return "changed" if was_live else "new"
    return "held" if revision.published and revision.published > today else "live"


def _row(revision: Revision, values: Values, origin: str, was_live: bool, depth: int, today: date) -> dict[str, Any]:
    title = fillins.fill(revision.title, values)
    return {
        **columns_of(revision),
        "id": revision.page_id,
        "shown_title": title,
        "tab_title": titles.title_of(revision.path, title, values.site, values.tagline),
        "state": _state(revision, was_live, today),
        "address": address(origin, revision.path),
        "depth": depth,
    }


def page_row(site: Site, revision: Revision, now: datetime) -> dict[str, Any]:
    """One page, with its computed title, its address and its state: live, held back until its day, changed or new."""
    was_live = Revision.objects.leaving(site.pk).filter(page_id=revision.page_id).exists()
    today = zones.day_in(site.facts.time_zone, now)
    return _row(revision, values_at(site, now), origin_of(site), was_live, _depth(site, revision), today)


def _depth(site: Site, revision: Revision) -> int:
    """How many pages stand above one."""
    depth, above = 0, revision.parent_id
    while above is not None and depth < _DEEPEST:
        row = Revision.objects.in_draft_of(site.pk).filter(page_id=above).values_list("parent_id").first()
        depth, above = (depth + 1, row[0]) if row else (depth, None)
    return depth


def page_rows(site: Site, now: datetime) -> list[dict[str, Any]]:
    """All pages: the tree in its order first, then the posts, newest first."""
    values, origin = values_at(site, now), origin_of(site)
    leaving = set(Revision.objects.leaving(site.pk).values_list("page_id", flat=True))
    drafts = list(Revision.objects.in_draft_of(site.pk))
    posts = sorted(
        (r for r in drafts if r.kind == "post"), key=lambda r: (str(r.published or ""), r.path), reverse=True
    )
    placed = tree.walk(tree.nested([r for r in drafts if r.kind != "post"]))
    rows = [*placed, *((post, 0) for post in posts)]
    today = zones.day_in(site.facts.time_zone, now)
    return [_row(revision, values, origin, revision.page_id in leaving, depth, today) for revision, depth in rows]
