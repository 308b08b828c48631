"""Publishing and bringing back, held against a naive model that copies the whole site at each step."""

import copy
from dataclasses import dataclass, field

import pytest
from django.db import transaction
from hypothesis import example, given
from hypothesis import strategies as st

from hestor.core.errors import InvalidInput, NotFound, NothingToPublish, StaleRevision
from hestor.sites.models import Edition, Revision, Site, Text
from hestor.sites.selectors.changes import changes_of
from hestor.sites.selectors.states import draft_of, edition_of
from hestor.sites.services.creation import make_site
from hestor.sites.services.facts import write_facts
from hestor.sites.services.pages import add_page, change_page, remove_page
from hestor.sites.services.publishing import publish, restore
from tests.conftest import NOW
from tests.support.sampling import examples


def state(stored) -> tuple:
    """All that a state says: facts, pages with their texts, menu."""
    rows = stored.revisions.select_related("text").order_by("path")
    pages = {r.path: (r.title, r.text.body, r.kind, r.parent_id, r.in_menu) for r in rows}
    return stored.facts, pages


def draft_state(site: Site) -> tuple:
    site.refresh_from_db()
    return state(draft_of(site))


def edition_state(site: Site, number: int) -> tuple:
    return state(edition_of(site, Edition.objects.get(site=site, number=number)))


@dataclass
class Model:
    """What the site ought to say: the draft, and a whole copy for each edition."""

    draft: tuple
    editions: list[tuple] = field(default_factory=list)


NAMES = st.sampled_from(["Alpha", "Beta", "Gamma"])
PATHS = st.sampled_from(["/one/", "/two/", "/three/"])
STEPS = st.lists(
    st.one_of(
        st.tuples(st.just("name"), NAMES),
        st.tuples(st.just("add"), PATHS),
        st.tuples(st.just("change"), PATHS, NAMES),
        st.tuples(st.just("move"), PATHS, PATHS),
        st.tuples(st.just("remove"), PATHS),
        st.just(("publish",)),
        st.tuples(st.just("restore"), st.integers(0, 5)),
    ),
    max_size=18,
)


def page_at(site: Site, path: str) -> int | None:
    return Revision.objects.in_draft_of(site).filter(path=path).values_list("page_id", flat=True).first()


def apply(site: Site, owner, model: Model, step: tuple) -> None:
    what, *rest = step
    facts, pages = model.draft
    if what == "name":
        site.refresh_from_db()
        write_facts(site, {"name": rest[0]}, site.revision)
        model.draft = (facts.model_copy(update={"name": rest[0]}), pages)
    elif what == "add" and rest[0] not in pages:
        add_page(site, {"path": rest[0], "title": "New"})
        pages[rest[0]] = ("New", "", "page", None, False)
    elif what == "change" and rest[0] in pages:
        change_page(site, page_at(site, rest[0]), {"title": rest[1], "body": rest[1]})
        pages[rest[0]] = (rest[1], rest[1], *pages[rest[0]][2:])
    elif what == "move" and rest[0] in pages and rest[1] not in pages:
        change_page(site, page_at(site, rest[0]), {"path": rest[1]})
        pages[rest[1]] = pages.pop(rest[0])
    elif what == "remove" and rest[0] in pages:
        remove_page(site, page_at(site, rest[0]))
        del pages[rest[0]]
    elif what == "publish":
        site.refresh_from_db()
        try:
            publish(site.pk, owner, NOW)
            model.editions.append(copy.deepcopy(model.draft))
        except NothingToPublish:
            assert model.draft == model.editions[-1]
    elif what == "restore" and model.editions:
        number = rest[0] % len(model.editions)
        restore(site.pk, number + 1)
        model.draft = copy.deepcopy(model.editions[number])


# What random courses seldom meet: an address that is given up and taken again, and states that come back twice.
@example(
    steps=[
        ("add", "/one/"),
        ("publish",),
        ("remove", "/one/"),
        ("add", "/one/"),
        ("publish",),
        ("restore", 1),
        ("publish",),
    ]
)
@example(
    steps=[("add", "/one/"), ("publish",), ("move", "/one/", "/two/"), ("add", "/one/"), ("publish",), ("restore", 1)]
)
@example(
    steps=[("name", "Beta"), ("publish",), ("restore", 0), ("publish",), ("restore", 1), ("publish",), ("restore", 1)]
)
@example(
    steps=[
        ("add", "/one/"),
        ("change", "/one/", "Beta"),
        ("publish",),
        ("remove", "/one/"),
        ("publish",),
        ("restore", 1),
    ]
)
@examples(15, 200)
@given(steps=STEPS)
def test_any_course_of_work_ends_as_the_naive_model_does(steps, owner):
    with transaction.atomic():
        site = make_site(owner, {"name": "Start"}, "course")
        model = Model(draft_state(site))
        for step in [("publish",), *steps]:
            apply(site, owner, model, step)
            assert draft_state(site) == model.draft
        for number, whole in enumerate(model.editions, start=1):
            assert edition_state(site, number) == whole
        site.refresh_from_db()
        assert site.live_number == len(model.editions)
        assert Edition.objects.filter(site=site).count() == len(model.editions)
        transaction.set_rollback(True)


def test_a_page_that_says_again_what_is_live_is_no_change(site):
    page = page_at(site, "/about/")
    change_page(site, page, {"title": "Other"})
    assert [c.kind for c in changes_of(site)] == ["page_changed"]
    change_page(site, page, {"title": "About"})
    assert changes_of(site) == ()


def test_publishing_nothing_is_refused(site, owner):
    with pytest.raises(NothingToPublish):
        publish(site.pk, owner, NOW)
    assert Edition.objects.filter(site=site).count() == 1


def test_publishing_another_draft_than_the_reviewed_one_is_refused(site, owner):
    reviewed = site.revision
    write_facts(site, {"name": "Other"}, site.revision)
    with pytest.raises(StaleRevision):
        publish(site.pk, owner, NOW, reviewed)
    site.refresh_from_db()
    assert site.live_number == 1


def test_publishing_copies_no_page_and_asks_as_much_of_a_large_site(site, owner, django_assert_max_num_queries):
    before = (Revision.objects.count(), Text.objects.count())
    write_facts(site, {"name": "Other"}, site.revision)
    site.refresh_from_db()
    # Whoever publishes has just looked at the review.
    changes_of(site)
    with django_assert_max_num_queries(24):
        publish(site.pk, owner, NOW)
    assert (Revision.objects.count(), Text.objects.count()) == before


def test_bringing_back_an_edition_that_is_not_there(site):
    with pytest.raises(NotFound):
        restore(site.pk, 9)


def test_a_failure_in_the_middle_leaves_the_old_edition_live(site, owner, monkeypatch):
    write_facts(site, {"name": "Other"}, site.revision)
    before = edition_state(site, 1)
    monkeypatch.setattr(Edition.objects, "create", lambda **_: (_ for _ in ()).throw(RuntimeError("disk full")))
    with pytest.raises(RuntimeError, match="disk full"):
        publish(site.pk, owner, NOW)
    site.refresh_from_db()
    assert (site.live_number, edition_state(site, 1), site.facts.name) == (1, before, "Other")


def test_the_home_page_stays(site):
    home = page_at(site, "/")
    with pytest.raises(InvalidInput, match="invalid_input"):
        remove_page(site, home)
    with pytest.raises(InvalidInput, match="invalid_input"):
        change_page(site, home, {"path": "/home/"})


@pytest.mark.parametrize(
    ("values", "problem"),
    [
        ({"path": "/about/"}, ("path", "path_taken")),
        ({"path": "x"}, ("path", "path_form")),
        ({"title": ""}, ("title", "empty")),
        ({"body": "{sitee}"}, ("body", "fillin_unknown")),
        ({"title": "{sitee}"}, ("title", "fillin_unknown")),
        ({"parent": 10_000}, ("parent", "parent_unknown")),
        ({"body": "x" * 200_001}, ("body", "too_long")),
    ],
)
def test_pages_that_are_refused(site, values, problem):
    with pytest.raises(InvalidInput) as caught:
        add_page(site, {"path": "/new/", "title": "New", **values})
    assert [(p.field, p.code) for p in caught.value.problems] == [problem]


def test_a_page_never_stands_below_itself(site):
    about, people = page_at(site, "/about/"), page_at(site, "/about/people/")
    for parent in (about, people):
        with pytest.raises(InvalidInput) as caught:
            change_page(site, about, {"parent": parent})
        assert [p.code for p in caught.value.problems] == ["parent_loop"]
