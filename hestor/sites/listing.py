"""The pages of a draft as the Pages view lists them."""

from datetime import UTC, datetime
from typing import Any

from hestor.core import fillins, titles, zones
from hestor.core.fillins import Values
from hestor.press.files import address
from hestor.sites.addresses import origin_of
from hestor.sites.models import Revision, Site


def _values(site: Site) -> Values:
    facts = site.facts
    return Values(facts.name, facts.tagline, zones.year_in(facts.time_zone, datetime.now(UTC)))


def _row(revision: Revision, values: Values, origin: str, was_live: bool) -> dict[str, Any]:
    title = fillins.fill(revision.title, values)
    state = "live" if revision.live_from is not None else "changed" if was_live else "new"
    return {
        "id": revision.page_id,
        "path": revision.path,
        "title": title,
        "says": titles.title_of(revision.path, title, values.site, values.tagline),
        "kind": revision.kind,
        "menu_title": revision.menu_title,
        "summary": revision.summary,
        "parent": revision.parent_id,
        "in_menu": revision.in_menu,
        "order": revision.order,
        "published": revision.published,
        "state": state,
        "address": address(origin, revision.path),
    }


def page_row(site: Site, revision: Revision) -> dict[str, Any]:
    """One page, with its computed title, its address and its state: live, changed or new."""
    was_live = Revision.objects.leaving(site.pk).filter(page_id=revision.page_id).exists()
    return _row(revision, _values(site), origin_of(site), was_live)


def page_rows(site: Site) -> list[dict[str, Any]]:
    """All pages: the tree in its order first, then the posts, newest first."""
    values, origin = _values(site), origin_of(site)
    leaving = set(Revision.objects.leaving(site.pk).values_list("page_id", flat=True))
    drafts = list(Revision.objects.in_draft_of(site.pk))
    posts = sorted(
        (r for r in drafts if r.kind == "post"), key=lambda r: (str(r.published or ""), r.path), reverse=True
    )
    tree = _in_tree_order([r for r in drafts if r.kind != "post"])
    return [_row(r, values, origin, r.page_id in leaving) for r in [*tree, *posts]]


def _in_tree_order(revisions: list[Revision]) -> list[Revision]:
    """Each page after the one above it; a page whose parent is gone stands at the top."""
    here = {r.page_id for r in revisions}
    below: dict[int | None, list[Revision]] = {}
    for revision in sorted(revisions, key=lambda r: (r.order, r.path)):
        below.setdefault(revision.parent_id if revision.parent_id in here else None, []).append(revision)

    def walk(above: int | None) -> list[Revision]:
        return [r for child in below.get(above, ()) for r in (child, *walk(child.page_id))]

    return walk(None)
