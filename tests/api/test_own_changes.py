"""What one changed is listed for oneself alone, and undone days later, unless it was changed again since."""

from datetime import timedelta

import pytest

from hestor.core.roles import Role
from hestor.sites.models import OwnChange, Revision
from hestor.sites.services import own_changes
from tests.conftest import NOW
from tests.support.writing import revision, say, write

pytestmark = pytest.mark.django_db


@pytest.fixture(autouse=True)
def fixed(settings):
    settings.FIXED_NOW = NOW


def later(settings, **by):
    settings.FIXED_NOW += timedelta(**by)


def listed(client):
    return client.get("/api/sites/seeds/own-changes").json()


def undo(client, number):
    return client.post(f"/api/sites/seeds/own-changes/{number}/undo")


def tagline(client):
    return client.get("/api/sites/seeds/style").json()["facts"]["tagline"]


def test_a_fact_is_undone_days_later_and_made_again(desk, site, settings):
    first = tagline(desk)
    say(desk, tagline="Seed for all")
    later(settings, days=3)
    (change,) = listed(desk)
    assert (change["name"], change["before"], change["after"]) == ("Tagline", first, "Seed for all")
    assert undo(desk, change["id"]).status_code == 200
    assert (tagline(desk), listed(desk)) == (first, [])
    assert undo(desk, change["id"]).status_code == 200
    assert (tagline(desk), len(listed(desk))) == ("Seed for all", 1)


def test_typing_within_minutes_is_one_change_and_what_came_back_is_none(desk, site, settings):
    first = tagline(desk)
    for words in ("S", "Se", "Seed"):
        say(desk, tagline=words)
        later(settings, minutes=4)
    assert [(one["before"], one["after"]) for one in listed(desk)] == [(first, "Seed")]
    say(desk, tagline=first)
    assert listed(desk) == []
    say(desk, tagline="Once")
    later(settings, hours=1)
    say(desk, tagline="Twice")
    assert [one["after"] for one in listed(desk)] == ["Twice", "Once"]


def test_each_undoes_their_own_unless_somebody_changed_it_since(desk, person, site):
    helper = person(Role.EDITOR)
    say(desk, tagline="By the owner")
    (change,) = listed(desk)
    assert listed(helper) == []
    assert undo(helper, change["id"]).status_code == 404
    say(helper, tagline="By the helper")
    (change,) = listed(desk)
    assert change["is_changed"]
    assert undo(desk, change["id"]).status_code == 412
    assert tagline(desk) == "By the helper"


def test_what_somebody_else_said_in_between_is_what_comes_back(desk, person, site):
    helper = person(Role.EDITOR)
    say(desk, tagline="By the owner")
    say(helper, tagline="By the helper")
    say(desk, tagline="By the owner again")
    second, first = listed(desk)
    assert (second["before"], first["is_changed"]) == ("By the helper", True)
    assert undo(desk, second["id"]).status_code == 200
    assert tagline(desk) == "By the helper"


def test_words_of_a_page_are_undone_even_where_they_were_never_public(desk, site, settings):
    page = Revision.objects.in_draft_of(site).get(path="/about/").page_id
    before = desk.get(f"/api/sites/seeds/pages/{page}").json()
    write(desk, page, body="First *words*", title="Of us")
    later(settings, hours=1)
    write(desk, page, body="Second words")
    second, first = listed(desk)
    assert (second["name"], second["before"], second["after"]) == ("Of us", "First *words*", "Second words")
    assert (first["before"], first["is_changed"]) == ("", True)
    assert undo(desk, second["id"]).status_code == 200
    assert undo(desk, first["id"]).status_code == 200
    after = desk.get(f"/api/sites/seeds/pages/{page}").json()
    assert (after["title"], after["body"]) == (before["title"], before["body"])


def test_changes_of_a_page_that_is_gone_can_only_be_looked_at(desk, site):
    page = Revision.objects.in_draft_of(site).get(path="/about/").page_id
    write(desk, page, body="Words")
    desk.delete(f"/api/sites/seeds/pages/{page}", headers={"If-Match": revision(desk)})
    (change,) = listed(desk)
    assert change["is_changed"]
    assert undo(desk, change["id"]).status_code == 412


def test_no_more_than_so_many_are_kept_and_none_for_ever(desk, site, settings):
    for number in range(own_changes.MOST + 3):
        say(desk, tagline=f"Seed {number}")
        later(settings, hours=1)
    assert OwnChange.objects.count() == own_changes.MOST
    later(settings, days=31)
    own_changes.forget_old(settings.FIXED_NOW)
    assert listed(desk) == []
