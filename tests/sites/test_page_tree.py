"""New pages, moved ones, copies, and deleting with a way back."""

from datetime import timedelta

import pytest

from hestor.core.errors import InvalidInput, NotFound
from hestor.core.pages.placing import Target
from hestor.sites.models import RemovedPage, Revision
from hestor.sites.selectors.changes import changes_of
from hestor.sites.selectors.page_list import Wanted, page_window
from hestor.sites.services import page_tree
from hestor.sites.services.publishing import publish
from tests.conftest import NOW

pytestmark = pytest.mark.django_db


def page(site, path: str) -> int:
    return Revision.objects.in_draft_of(site).get(path=path).page_id


def paths(site) -> list[str]:
    site.refresh_from_db()
    return [row["path"] for row in page_window(site, Wanted(), NOW).rows]


def test_a_page_needs_no_more_than_a_title(site):
    made = page_tree.add_new(site, "  Growing beans ", "page", None, NOW)
    assert (made.path, made.title, made.in_menu) == ("/growing-beans/", "Growing beans", True)
    below = page_tree.add_new(site, "Growing beans", "page", made.page_id, NOW)
    assert (below.path, below.parent_id, below.in_menu) == ("/growing-beans/growing-beans/", made.page_id, False)
    assert page_tree.add_new(site, "Growing beans", "page", None, NOW).path == "/growing-beans-2/"
    assert page_tree.add_new(site, "مقهى", "page", None, NOW).path.startswith("/")
    post = page_tree.add_new(site, "First frost", "post", None, NOW)
    assert (post.path, str(post.published)) == ("/news/first-frost/", "2026-05-01")
    with pytest.raises(InvalidInput):
        page_tree.add_new(site, " ", "page", None, NOW)


def test_moving_changes_the_tree_and_no_address(site):
    people, news = page(site, "/about/people/"), page(site, "/news/")
    assert paths(site) == ["/", "/about/", "/about/people/", "/news/", "/news/first/"]
    page_tree.move(site, news, Target(None, 0))
    page_tree.move(site, people, Target(None, 99))
    assert paths(site) == ["/news/", "/", "/about/", "/about/people/", "/news/first/"]
    page_tree.move(site, page(site, "/about/"), Target(people, 0))
    assert {row["path"]: row["depth"] for row in page_window(site, Wanted(), NOW).rows}["/about/"] == 1
    with pytest.raises(InvalidInput):
        page_tree.move(site, people, Target(page(site, "/about/"), 0))
    with pytest.raises(NotFound):
        page_tree.move(site, page(site, "/news/first/"), Target(None, 0))


def test_a_copy_stands_at_an_address_of_its_own(site):
    copy = page_tree.duplicate(site, page(site, "/about/"))
    assert (copy.path, copy.title, copy.in_menu, copy.text.body) == ("/about-2/", "About", False, "This is {site}.")
    with pytest.raises(InvalidInput):
        page_tree.duplicate(site, page(site, "/news/"))


def test_deleting_takes_what_is_below_along_and_all_can_come_back(site):
    about = page(site, "/about/")
    assert [one.path for one in page_tree.below(site, about)] == ["/about/people/"]
    page_tree.delete(site, about, NOW)
    assert paths(site) == ["/", "/news/", "/news/first/"]
    kept = list(page_tree.removed(site))
    assert [one.fields["path"] for one in kept] == ["/about/", "/about/people/"]
    for one in kept:
        page_tree.bring_back(site, one.pk)
    assert paths(site) == ["/", "/about/", "/about/people/", "/news/", "/news/first/"]
    # What was live and came back as it was is no change.
    site.refresh_from_db()
    assert changes_of(site) == ()
    with pytest.raises(InvalidInput):
        page_tree.delete(site, page(site, "/"), NOW)


def test_what_came_in_its_place_keeps_the_address(site, owner):
    about = page(site, "/about/")
    page_tree.delete(site, about, NOW)
    publish(site.pk, owner, NOW)
    site.refresh_from_db()
    page_tree.add_new(site, "About", "page", None, NOW)
    parent, child = page_tree.removed(site)
    assert page_tree.bring_back(site, child.pk).parent_id is None
    back = page_tree.bring_back(site, parent.pk)
    assert (back.path, back.page_id) == ("/about-2/", about)


def test_after_thirty_days_it_is_gone(site):
    page_tree.delete(site, page(site, "/about/"), NOW)
    page_tree.purge(NOW + timedelta(days=29))
    assert RemovedPage.objects.count() == 2
    page_tree.purge(NOW + timedelta(days=31))
    assert RemovedPage.objects.count() == 0


def test_a_copy_of_the_home_page_gets_an_address_of_its_own(site):
    home = Revision.objects.in_draft_of(site).get(path="/")
    made = page_tree.duplicate(site, home.page_id)
    assert (made.path != "/", made.title, made.in_menu) == (True, home.title, False)
    assert Revision.objects.in_draft_of(site).filter(path="/").count() == 1
