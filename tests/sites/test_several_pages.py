"""Several pages at once: added, moved, shown in the menu, deleted; all or nothing, and back by what each act gives."""

import pytest

from hestor.core.errors import InvalidInput, NotFound
from hestor.core.pages.placing import Target
from hestor.sites.models import Revision
from hestor.sites.services import several_pages
from hestor.sites.services.several_pages import BringBack, Delete, PutAt, PutBelow, ShowInMenu
from tests.conftest import NOW
from tests.sites.test_page_tree import page, paths

pytestmark = pytest.mark.django_db


def tree(site) -> list[tuple[str, int | None, bool]]:
    """Every page in order, with what it stands below and whether the menu has it."""
    site.refresh_from_db()
    rows = Revision.objects.in_draft_of(site).order_by("place")
    return [(row.path, row.parent_id, row.in_menu) for row in rows]


def trees_of(site) -> list[str]:
    """The paths of the pages that were added, in the order of the tree."""
    begun = {"/", "/about/", "/about/people/", "/news/", "/news/first/"}
    return [path for path in paths(site) if path not in begun]


@pytest.fixture
def five(site):
    """Five pages more, at the top."""
    made = several_pages.add_titled(site, ["Ash", "Birch", "Cedar", "Dogwood", "Elm"], None, NOW, "page")
    return [one.page_id for one in made]


def test_titles_become_pages_in_their_order(site, five):
    assert trees_of(site) == ["/ash/", "/birch/", "/cedar/", "/dogwood/", "/elm/"]
    below = several_pages.add_titled(site, ["Cones", "Cones"], five[2], NOW, "page")
    assert [one.path for one in below] == ["/cedar/cones/", "/cedar/cones-2/"]
    posts = several_pages.add_titled(site, ["Frost", "Thaw"], None, NOW, "post")
    assert [one.kind for one in posts] == ["post", "post"]


def test_a_title_that_cannot_be_is_said_with_its_number_and_none_is_made(site):
    before = tree(site)
    with pytest.raises(InvalidInput) as refused:
        several_pages.add_titled(site, ["Ash", "Birch", " "], None, NOW, "page")
    assert [problem.field for problem in refused.value.problems] == ["titles.3"]
    assert tree(site) == before


@pytest.mark.parametrize(
    "act",
    [
        lambda five: PutBelow([five[3], five[0], five[1]], five[2]),
        lambda five: PutAt([(five[4], Target(None, 0)), (five[0], Target(five[1], 0))]),
        lambda five: ShowInMenu(five[:2], on=False),
        lambda five: Delete([five[1], five[3], five[0]]),
    ],
    ids=["below", "places", "menu", "delete"],
)
def test_each_act_is_taken_back_by_what_it_gives(site, five, act):
    several_pages.add_titled(site, ["Leaf"], five[0], NOW, "page")
    before = tree(site)
    undo = several_pages.do(site, act(five), NOW)
    changed = tree(site)
    assert changed != before
    several_pages.do(site, undo, NOW)
    assert tree(site) == before
    several_pages.do(site, act(five), NOW)
    assert [path for path, *_ in tree(site)] == [path for path, *_ in changed]


def test_pages_put_below_another_keep_their_order(site, five):
    several_pages.do(site, PutBelow([five[4], five[0], five[3]], five[1]), NOW)
    assert trees_of(site) == ["/birch/", "/ash/", "/dogwood/", "/elm/", "/cedar/"]


def test_what_goes_along_with_a_page_is_deleted_once(site, five):
    leaf = several_pages.add_titled(site, ["Leaf"], five[0], NOW, "page")[0].page_id
    undo = several_pages.do(site, Delete([leaf, five[0]]), NOW)
    assert isinstance(undo, BringBack)
    assert len(undo.removed) == 2
    assert "/ash/leaf/" not in paths(site)


@pytest.mark.parametrize("act", [Delete, lambda pages: PutBelow(pages, None)], ids=["delete", "below"])
def test_one_that_cannot_be_leaves_all_as_they_were(site, five, act):
    before = tree(site)
    wrong = page(site, "/") if act is Delete else page(site, "/news/first/")
    with pytest.raises((InvalidInput, NotFound)):
        several_pages.do(site, act([five[0], wrong, five[1]]), NOW)
    with pytest.raises(NotFound):
        several_pages.do(site, act([five[0], 987_654]), NOW)
    assert tree(site) == before


def test_a_post_is_never_in_the_menu(site, five):
    with pytest.raises(InvalidInput) as refused:
        several_pages.do(site, ShowInMenu([five[0], page(site, "/news/first/")], on=True), NOW)
    assert refused.value.problems[0].code == "never_in_menu"


def test_nothing_changed_is_nothing_to_take_back(site, five):
    assert several_pages.do(site, ShowInMenu(five, on=True), NOW) == ShowInMenu([], on=False)
