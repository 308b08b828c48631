"""Publishing without some changes: what is held stays in the draft, the rest is what visitors get, whole."""

import pytest
from django.db import transaction
from hypothesis import example, given
from hypothesis import strategies as st

from hestor.core.errors import InvalidInput, NothingToPublish
from hestor.sites.models import Edition, Revision, Site
from hestor.sites.selectors.changes import changes_of
from hestor.sites.services import page_tree
from hestor.sites.services.creation import make_site
from hestor.sites.services.facts import write_facts
from hestor.sites.services.pages import add_page, change_page
from hestor.sites.services.publishing import publish
from tests.conftest import NOW
from tests.sites.test_publishing import NAMES, PATHS, page_at
from tests.support.sampling import examples

STEPS = st.lists(
    st.one_of(
        st.tuples(st.sampled_from(["name", "tagline"]), NAMES),
        st.tuples(st.just("add"), PATHS, st.one_of(st.none(), PATHS)),
        st.tuples(st.just("change"), PATHS, NAMES),
        st.tuples(st.just("move"), PATHS, PATHS),
        st.tuples(st.just("remove"), PATHS),
        st.tuples(st.just("hold"), st.sets(st.integers(0, 6))),
    ),
    max_size=16,
)


def _pages(revisions) -> dict[int, tuple]:
    return {
        one.page_id: (one.path, one.title, one.text.body, one.parent_id) for one in revisions.select_related("text")
    }


def _keys(site: Site) -> list[tuple[str, str]]:
    return [(one.kind, one.key) for one in changes_of(Site.objects.get(pk=site.pk))]


def _publish_without(site: Site, owner, picked: set[int]) -> None:
    """Publishes without the picked changes, and looks whether all is as those words say."""
    keys = _keys(site)
    held = {key for at, key in enumerate(keys) if at in picked}
    draft, live = Revision.objects.in_draft_of(site), Revision.objects.in_edition_of(site, site.live_number)
    drafts, before = _pages(draft), _pages(live)
    stays = {page for page, state in drafts.items() if {("page_added", state[0]), ("page_changed", state[0])} & held}
    stays |= {page for page, state in before.items() if page not in drafts and ("page_removed", state[0]) in held}
    try:
        made = publish(site.pk, owner, NOW, held=held)
    except NothingToPublish:
        assert set(keys) == held
        return
    except InvalidInput:
        assert held
        return
    site.refresh_from_db()
    after = _pages(Revision.objects.in_edition_of(site, made.number))
    pages = {*drafts, *before}
    whole = {page: (before if page in stays else drafts).get(page) for page in pages}
    assert after == {page: state for page, state in whole.items() if state}
    assert _pages(draft) == drafts
    assert len({state[0] for state in after.values()}) == len(after)
    assert all(state[3] is None or state[3] in after for state in after.values() if state[3] in drafts)
    assert set(_keys(site)) == held


def _apply(site: Site, owner, step: tuple) -> None:
    what, *rest = step
    taken = {one.path for one in Revision.objects.in_draft_of(site)}
    if what in ("name", "tagline"):
        site.refresh_from_db()
        write_facts(site, {what: rest[0]}, site.revision)
    elif what == "add" and rest[0] not in taken:
        add_page(site, {"path": rest[0], "title": "New", "parent": page_at(site, rest[1]) if rest[1] else None})
    elif what == "change" and rest[0] in taken:
        change_page(site, page_at(site, rest[0]), {"title": rest[1]})
    elif what == "move" and rest[0] in taken and rest[1] not in taken:
        change_page(site, page_at(site, rest[0]), {"path": rest[1]})
    elif what == "remove" and rest[0] in taken:
        # With what stands below it, as at the desk.
        page_tree.delete(site, page_at(site, rest[0]), NOW)
    elif what == "hold":
        site.refresh_from_db()
        _publish_without(site, owner, rest[0])


# What random courses seldom meet: an address that passes from one page to another, and a page below one that waits.
@example(
    steps=[("add", "/one/", None), ("hold", set()), ("move", "/one/", "/two/"), ("add", "/one/", None), ("hold", {0})]
)
@example(steps=[("add", "/one/", None), ("add", "/two/", "/one/"), ("hold", {0}), ("hold", {1}), ("hold", set())])
@example(
    steps=[("add", "/one/", None), ("hold", set()), ("remove", "/one/"), ("name", "Beta"), ("hold", {1}), ("hold", {0})]
)
@example(steps=[("add", "/one/", None), ("add", "/two/", "/one/"), ("hold", set()), ("remove", "/one/"), ("hold", {0})])
@examples(15, 200)
@given(steps=STEPS)
def test_any_choice_of_changes_leaves_one_whole_edition(steps, owner):
    with transaction.atomic():
        site = make_site(owner, {"name": "Start"}, "course")
        publish(site.pk, owner, NOW)
        for step in steps:
            _apply(site, owner, step)
        transaction.set_rollback(True)


def test_a_fact_and_a_page_wait_for_the_next_edition(site, owner):
    write_facts(site, {"name": "Held", "tagline": "Gone out"}, site.revision)
    change_page(site, page_at(site, "/about/"), {"title": "Held, too"})
    made = publish(site.pk, owner, NOW, held=[("fact", "name"), ("page_changed", "/about/")])
    assert (made.facts.name, made.facts.tagline) == ("Seed Library", "Gone out")
    assert [one["key"] for one in made.changes] == ["tagline"]
    site.refresh_from_db()
    assert site.facts.name == "Held"
    assert publish(site.pk, owner, NOW).facts.name == "Held"
    assert Edition.objects.filter(site=site).count() == 3


def test_what_belongs_together_goes_together(site, owner):
    about = page_at(site, "/about/")
    change_page(site, about, {"path": "/us/"})
    add_page(site, {"path": "/about/", "title": "Another"})
    with pytest.raises(InvalidInput) as refused:
        publish(site.pk, owner, NOW, held=[("page_changed", "/us/")])
    assert [problem.code for problem in refused.value.problems] == ["held_address"]
    parent = add_page(site, {"path": "/new/", "title": "New"}).page_id
    add_page(site, {"path": "/new/below/", "title": "Below", "parent": parent})
    with pytest.raises(InvalidInput) as refused:
        publish(site.pk, owner, NOW, held=[("page_added", "/new/")])
    assert [problem.code for problem in refused.value.problems] == ["held_below"]


def test_a_first_edition_needs_its_facts_and_its_home_page(owner):
    site = make_site(owner, {"name": "Start"}, "course")
    for held in (("fact", "name"), ("page_added", "/")):
        with pytest.raises(InvalidInput) as refused:
            publish(site.pk, owner, NOW, held=[held])
        assert [problem.code for problem in refused.value.problems] == ["held_first"]


def test_a_change_that_is_not_there_is_refused(site, owner):
    write_facts(site, {"tagline": "Other"}, site.revision)
    with pytest.raises(InvalidInput) as refused:
        publish(site.pk, owner, NOW, held=[("fact", "name")])
    assert [problem.code for problem in refused.value.problems] == ["held_unknown"]
