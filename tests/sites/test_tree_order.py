"""The places of a draft's pages, held to its tree through random courses of all that changes it."""

import pytest
from django.db import transaction
from hypothesis import example, given
from hypothesis import strategies as st

from hestor.core.errors import InvalidInput, NotFound, NothingToPublish, StaleRevision
from hestor.core.pages import tree
from hestor.core.pages.package import Package
from hestor.core.pages.placing import WAYS
from hestor.sites.models import Deed, Revision
from hestor.sites.selectors.page_list import Wanted, page_window, steps_of
from hestor.sites.services import deeds, page_tree
from hestor.sites.services.creation import make_site
from hestor.sites.services.home_page import make_home, make_not_found
from hestor.sites.services.importing import take_in
from hestor.sites.services.pages import add_page, change_page, remove_page
from hestor.sites.services.publishing import publish, restore
from hestor.sites.services.tree_order import put_in_order
from tests.conftest import NOW
from tests.support.sampling import examples

pytestmark = pytest.mark.django_db
PAGES = st.integers(0, 7)
STEPS = st.one_of(
    st.tuples(st.just("add"), PAGES),
    st.tuples(st.just("step"), PAGES, st.sampled_from(WAYS)),
    st.tuples(st.just("drop"), PAGES, PAGES, st.sampled_from(["before", "after", "into"])),
    st.tuples(st.just("address"), PAGES, st.sampled_from(["/x/", "/y/"])),
    st.tuples(st.sampled_from(["delete", "remove", "home", "nowhere", "import"]), PAGES),
    st.tuples(st.sampled_from(["back", "publish", "take_back"])),
    st.tuples(st.just("restore"), st.integers(1, 3)),
)


def stored(site) -> list[Revision]:
    return list(Revision.objects.in_draft_of(site).order_by("place"))


def expected(site) -> list[tuple[int, int]]:
    """The pages in the order of the tree, and how deep each stands, as the tree itself says it; then the posts."""
    rows = stored(site)
    posts = sorted((row for row in rows if row.kind == "post"), key=lambda row: row.path)
    placed = tree.walk(tree.nested([row for row in rows if row.kind != "post"]))
    return [*((row.page_id, depth) for row, depth in placed), *((row.page_id, 0) for row in posts)]


def course(site, owner, step) -> None:
    what, *rest = step
    rows = stored(site)
    page = rows[rest[0] % len(rows)] if rest and rows else None
    if what == "add":
        page_tree.add_new(site, f"Page {len(rows)}", "page", page.page_id, NOW)
    elif what == "step":
        page_tree.move(site, page.page_id, page_tree.step(site, page.page_id, rest[1]))
    elif what == "drop":
        on = rows[rest[1] % len(rows)].page_id
        page_tree.move(site, page.page_id, page_tree.drop(site, page.page_id, on, rest[2]))
    elif what == "address":
        change_page(site, page.page_id, {"path": rest[1]})
    elif what == "delete":
        page_tree.delete(site, page.page_id, NOW)
    elif what == "remove":
        remove_page(site, page.page_id)
    elif what == "home":
        make_home(site, page.page_id)
    elif what == "nowhere":
        make_not_found(site, page.page_id, page.kind != "not_found")
    elif what == "import":
        take_in(site, Package({"in.md": f"---\npath: {page.path}\nparent: /x/\norder: 3\n---\nNew."}))
    elif what == "back":
        for kept in page_tree.removed(site)[:1]:
            page_tree.bring_back(site, kept.pk)
    elif what == "publish":
        publish(site.pk, owner, NOW)
    elif what == "restore":
        restore(site.pk, rest[0] % (site.live_number + 1) or 1)
    elif what == "take_back":
        for deed in Deed.objects.filter(site=site).order_by("-pk")[:1]:
            deeds.take_back(site.pk, deed.pk, NOW)


# What a page leaves behind when it goes comes to the top, and goes below it again when it is back.
@example(steps=[("add", 1), ("publish",), ("remove", 1), ("publish",), ("restore", 1), ("restore", 2), ("take_back",)])
@example(steps=[("add", 1), ("publish",), ("address", 1, "/x/"), ("address", 1, "/y/"), ("restore", 1)])
@examples(15)
@given(steps=st.lists(STEPS, max_size=14))
def test_places_follow_the_tree_whatever_is_done(steps, owner):
    with transaction.atomic():
        site = make_site(owner, {"name": "Start"}, "course")
        add_page(site, {"path": "/a/", "title": "A"})
        add_page(site, {"path": "/news/", "title": "N", "kind": "news"})
        add_page(site, {"path": "/news/p/", "title": "P", "kind": "post", "published": "2026-05-01"})
        publish(site.pk, owner, NOW)
        for step in steps:
            site.refresh_from_db()
            try:
                with transaction.atomic():
                    course(site, owner, step)
            except (InvalidInput, NothingToPublish, StaleRevision, NotFound):
                continue
            site.refresh_from_db()
            wanted = expected(site)
            rows = page_window(site, Wanted(), NOW).rows
            assert [(row["id"], row["depth"]) for row in rows] == wanted
        for row in stored(site):
            assert steps_of(site, row) == {way: leads(site, row, way) for way in WAYS}
        before = [(row.page_id, row.place) for row in stored(site)]
        Revision.objects.in_draft_of(site).update(place="")
        put_in_order(site.pk, range(6_000))
        assert [(row.page_id, row.place) for row in stored(site)] == before
        transaction.set_rollback(True)


def leads(site, row: Revision, way: str) -> bool:
    """Whether a step leads somewhere, as taking it says."""
    try:
        with transaction.atomic():
            page_tree.step(site, row.page_id, way)
            return True
    except (InvalidInput, NotFound):
        return False
