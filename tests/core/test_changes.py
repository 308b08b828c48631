import pytest

from hestor.core.changes import Change, PageState, fact_change, page_changes, shown_on
from hestor.core.facts.document import Facts
from hestor.core.places.place import Place
from hestor.core.places.reach import PlaceReach, Reach

LIVE = Facts(name="Old", tagline="T")
REACH = Reach(24, (PlaceReach(Place.TAB, 24), PlaceReach(Place.FEED, 1)))


def test_a_changed_fact_holds_both_values_and_its_reach():
    draft = LIVE.model_copy(update={"name": "New"})
    assert fact_change("name", LIVE, draft, REACH) == Change("fact", "name", "Old", "New", 24, REACH.places)
    assert fact_change("logo_width", None, draft, REACH).old is None


def test_pages_are_matched_by_identity_not_by_address():
    gone = [PageState(1, "/a/", "A"), PageState(2, "/b/", "B")]
    come = [PageState(1, "/moved/", "A"), PageState(3, "/c/", "C")]
    assert [(c.kind, c.key) for c in page_changes(gone, come)] == [
        ("page_removed", "/b/"),
        ("page_added", "/c/"),
        ("page_changed", "/moved/"),
    ]


def test_a_change_reads_back_from_what_is_kept():
    change = Change("fact", "logo", {"picture": "x"}, None, 3, REACH.places)
    assert Change.parse(change.document()) == change


@pytest.mark.parametrize(
    ("key", "old", "new", "values"),
    [
        ("name", "A", "B", ("A", "B")),
        ("logo", "null", '{"picture":"x"}', (None, {"picture": "x"})),
        ("logo_width", "0", "180", (0, 180)),
        ("logo_says_name", "", "true", (None, True)),
        ("logo_plate", "", "dark", ("", "dark")),
    ],
)
def test_a_change_that_version_0_2_kept_is_read(key, old, new, values):
    kept = {"kind": "fact", "key": key, "old": old, "new": new, "pages": 3, "feeds": 1, "manifests": 0}
    assert Change.parse(kept) == Change("fact", key, *values, 3, (PlaceReach(Place.FEED, 1),))


@pytest.mark.parametrize(
    ("menu", "touched", "path"),
    [
        (("/", "/a/", "/b/"), (), "/a/"),
        (("/", "/a/", "/b/"), ("/a/",), "/b/"),
        (("/", "/a/"), ("/a/",), "/"),
        ((), (), "/"),
    ],
)
def test_changed_facts_are_looked_at_on_an_unchanged_inner_page(menu, touched, path):
    assert shown_on(menu, touched) == path
