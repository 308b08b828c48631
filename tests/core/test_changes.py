from hestor.core.changes import Change, PageState, fact_changes, page_changes
from hestor.core.facts import Facts
from hestor.core.reach import Counts

COUNTS = Counts(pages=24, using={"site": 4})
LIVE = Facts(name="Old", tagline="T")


def test_a_changed_name_reaches_every_page_the_feed_and_the_manifest():
    draft = LIVE.model_copy(update={"name": "New"})
    assert fact_changes(LIVE, draft, COUNTS) == (Change("fact", "name", "Old", "New", 24, 1, 1),)


def test_an_emptied_fact_reaches_where_it_was():
    (change,) = fact_changes(LIVE, LIVE.model_copy(update={"tagline": ""}), COUNTS)
    assert (change.old, change.new, change.pages, change.feeds) == ("T", "", 24, 1)


def test_the_first_edition_says_all_that_is_set():
    keys = [change.key for change in fact_changes(None, LIVE, COUNTS)]
    assert keys == ["name", "tagline", "footer_text", "brand_colour", "typefaces", "language", "time_zone"]


def test_pages_are_matched_by_identity_not_by_address():
    gone = [PageState(1, "/a/", "A"), PageState(2, "/b/", "B")]
    come = [PageState(1, "/moved/", "A"), PageState(3, "/c/", "C")]
    assert [(c.kind, c.key) for c in page_changes(gone, come)] == [
        ("page_removed", "/b/"),
        ("page_added", "/c/"),
        ("page_changed", "/moved/"),
    ]


def test_a_change_reads_back_from_what_is_kept():
    change = Change("fact", "name", "a", "b", 3, 1, 1)
    assert Change.parse(change.document()) == change
