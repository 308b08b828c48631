"""Closed for a while, deleted and brought back, published at a chosen time."""

from datetime import UTC, datetime, timedelta

import pytest
from django.utils import timezone
from django_tasks_db.models import DBTaskResult

from hestor import clock
from hestor.core.roles import Role
from hestor.jobs import runner
from hestor.sites.models import Edition, Membership, Revision, Site, TimedPublishing
from hestor.sites.services import removal, timed
from hestor.sites.services.facts import write_facts

NOON = datetime(2026, 5, 1, 12, tzinfo=UTC)  # 13:00 on the site's clock


@pytest.fixture
def at(settings):
    """Sets the moment that it is said to be."""

    def set_it(moment: datetime) -> datetime:
        settings.FIXED_NOW = moment
        return clock.now()

    set_it(NOON)
    return set_it


def _patch(desk, **facts):
    revision = desk.get("/api/sites/seeds/style").json()["revision"]
    return desk.patch(
        "/api/sites/seeds/style", {"facts": facts}, content_type="application/json", headers={"If-Match": str(revision)}
    )


def _set(desk, at: str, **more):
    revision = more.pop("revision", None) or desk.get("/api/sites/seeds/style").json()["revision"]
    return desk.put(
        "/api/sites/seeds/timed",
        {"at": at, **more},
        content_type="application/json",
        headers={"If-Match": str(revision)},
    )


def test_closed_until_a_time_and_open_by_itself(desk, public, at):
    said = desk.put("/api/sites/seeds/closed", {"until": "2026-05-01T15:30"}, content_type="application/json").json()
    assert (said["closed"], said["until"]) == (True, "2026-05-01T15:30")
    for path in ("/", "/about/", "/feed.xml", "/nowhere/", "/robots.txt"):
        answer = public.get(path)
        assert answer.status_code == 503, path
        assert answer["Retry-After"] == str(150 * 60 + 1)
        assert "no-store" in answer["Cache-Control"]
    page = public.get("/").content.decode()
    assert "Seed Library" in page
    assert "1 May 2026" in page
    assert "15:30" in page
    assert 'href="/about/"' not in page
    # What that page is shown with is there.
    style = page.partition('rel="stylesheet" href="')[2].partition('"')[0]
    assert public.get(style).status_code == 200
    assert public.post("/", {"a": "b"}).status_code == 503
    assert desk.get("/api/sites/seeds").json()["closed"] is True
    at(NOON + timedelta(hours=3))
    assert public.get("/").status_code == 200
    assert desk.get("/api/sites/seeds").json()["closed"] is False


def test_closed_until_somebody_opens_it(desk, public, at):
    desk.put("/api/sites/seeds/closed", {}, content_type="application/json")
    assert public.get("/")["Retry-After"] == "3600"
    # Who keeps the site still looks at its private previews.
    preview = desk.get("/api/sites/seeds/changes").json()["preview_url"]
    assert public.get(preview.partition("localhost:8000")[2]).status_code == 200
    assert desk.delete("/api/sites/seeds/closed").json()["closed"] is False
    assert public.get("/").status_code == 200


@pytest.mark.parametrize(
    ("until", "code"), [("2026-05-01T12:59", "time_past"), ("2028-01-01T00:00", "time_far"), ("soon", "wall_time")]
)
def test_a_time_that_cannot_be(desk, until, code, at):
    for call in ("closed", "timed"):
        _patch(desk, tagline="Other")
        body = {"until": until} if call == "closed" else {"at": until}
        revision = str(desk.get("/api/sites/seeds/style").json()["revision"])
        answer = desk.put(
            f"/api/sites/seeds/{call}", body, content_type="application/json", headers={"If-Match": revision}
        )
        assert answer.status_code == 422
        assert answer.json()["errors"][0]["code"] == code


def test_a_deleted_site_is_seen_by_nobody_and_comes_back_as_it_was(desk, public, site, at):
    before = public.get("/about/").content
    assert desk.delete("/api/sites/seeds").status_code == 204
    assert public.get("/about/").status_code == 404
    assert desk.get("/api/sites/seeds/style").status_code == 404
    assert desk.get("/api/sites").json() == []
    # Its address is not given to another meanwhile.
    answer = desk.post("/api/sites", {"name": "Other", "slug": "seeds"}, content_type="application/json")
    assert answer.json()["errors"][0]["code"] == "slug_taken"
    listed = desk.get("/api/deleted-sites").json()
    assert [(one["slug"], one["name"]) for one in listed] == [("seeds", "Seed Library")]
    assert listed[0]["until"].startswith("2026-05-31")
    assert desk.post("/api/deleted-sites/seeds/restore").status_code == 204
    assert public.get("/about/").content == before
    assert desk.get("/api/deleted-sites").json() == []


def test_only_owners_see_and_bring_back_what_was_deleted(desk, person, site, at):
    helper = person(Role.EDITOR)
    assert helper.delete("/api/sites/seeds").status_code == 403
    desk.delete("/api/sites/seeds")
    assert helper.get("/api/deleted-sites").json() == []
    assert helper.post("/api/deleted-sites/seeds/restore").status_code == 404
    assert person(None).post("/api/deleted-sites/seeds/restore").status_code == 404


def test_after_thirty_days_it_is_gone_for_good_with_what_was_its_alone(desk, site, at):
    desk.delete("/api/sites/seeds")
    assert removal.purge(NOON + timedelta(days=29)) == 0
    assert removal.purge(NOON + timedelta(days=31)) == 1
    assert not Site.objects.exists()
    assert not Revision.objects.exists()
    assert not Edition.objects.exists()
    assert not Membership.objects.exists()


def _due(at, moment: datetime) -> None:
    """Lets the time come, and the job be done."""
    at(moment)
    DBTaskResult.objects.filter(status="READY").update(run_after=timezone.now() - timedelta(seconds=1))
    runner.run_ready("default")
    assert not DBTaskResult.objects.failed().exists()


def test_what_was_reviewed_is_published_at_its_time(desk, public, site, at):
    _patch(desk, tagline="In the evening", name="Held")
    said = _set(desk, "2026-05-01T19:00", held_back=[{"kind": "fact", "key": "name"}]).json()
    assert said["timed"]["moment"] == "2026-05-01T18:00:00Z"
    assert said["now"] == "2026-05-01T13:00"
    assert not said["timed"]["is_stale"]
    assert desk.get("/api/sites/seeds").json()["timed"] == "2026-05-01T18:00:00Z"
    _due(at, NOON + timedelta(hours=1))
    assert Edition.objects.count() == 1
    _due(at, NOON + timedelta(hours=6))
    page = public.get("/").content.decode()
    assert "In the evening" in page
    assert "Held" not in page
    assert not TimedPublishing.objects.exists()
    assert Edition.objects.get(number=2).published == NOON + timedelta(hours=6)


def test_what_was_written_after_the_review_is_not_published(desk, public, site, at):
    _patch(desk, tagline="Reviewed")
    _set(desk, "2026-05-01T19:00")
    _patch(desk, tagline="Not reviewed")
    assert desk.get("/api/sites/seeds/timed").json()["timed"]["is_stale"]
    timed.publish_timed(site.pk, NOON + timedelta(hours=6))
    assert "eviewed" not in public.get("/").content.decode()
    said = desk.get("/api/sites/seeds/timed").json()["timed"]
    assert "changed after you chose the time" in said["failed"]
    assert desk.get("/api/sites/seeds").json()["timed_failed"]
    # It is not tried again by itself, and publishing by hand takes the word back.
    desk.post("/api/sites/seeds/editions")
    assert desk.get("/api/sites/seeds/timed").json()["timed"] is None


def test_another_time_or_none(desk, site, at):
    _patch(desk, tagline="Later")
    _set(desk, "2026-05-01T19:00")
    _set(desk, "2026-05-02T19:00")
    timed.publish_timed(site.pk, NOON + timedelta(hours=6))
    assert Edition.objects.count() == 1
    assert desk.delete("/api/sites/seeds/timed").json()["timed"] is None
    timed.publish_timed(site.pk, NOON + timedelta(days=2))
    assert Edition.objects.count() == 1


def test_one_who_may_not_publish_any_more_does_not(desk, site, owner, at):
    _patch(desk, tagline="Later")
    _set(desk, "2026-05-01T19:00")
    Membership.objects.filter(site=site).update(role=Role.VIEWER)
    timed.publish_timed(site.pk, NOON + timedelta(hours=6))
    assert TimedPublishing.objects.get().failed == "forbidden"


def test_done_twice_or_on_a_deleted_site_it_publishes_once_or_never(desk, site, at):
    _patch(desk, tagline="Later")
    _set(desk, "2026-05-01T19:00")
    Site.objects.update(deleted=NOON)
    timed.publish_timed(site.pk, NOON + timedelta(hours=6))
    assert Edition.objects.count() == 1
    Site.objects.update(deleted=None)
    for _ in range(2):
        timed.publish_timed(site.pk, NOON + timedelta(hours=6))
    assert Edition.objects.count() == 2


def test_a_time_needs_something_to_publish_and_the_draft_that_was_reviewed(desk, site, at):
    assert _set(desk, "2026-05-01T19:00").status_code == 409
    write_facts(site, {"tagline": "Other"}, site.revision)
    assert _set(desk, "2026-05-01T19:00", revision=1).status_code == 412


def test_held_changes_by_the_api(desk, site, at):
    _patch(desk, tagline="Out", name="Held")
    made = desk.post(
        "/api/sites/seeds/editions", {"held_back": [{"kind": "fact", "key": "name"}]}, content_type="application/json"
    )
    assert made.status_code == 201
    assert [one["key"] for one in made.json()["changes"]] == ["tagline"]
    assert [one["key"] for one in desk.get("/api/sites/seeds/changes").json()["changes"]] == ["name"]
    refused = desk.post(
        "/api/sites/seeds/editions", {"held_back": [{"kind": "fact", "key": "icon"}]}, content_type="application/json"
    )
    assert refused.json()["errors"][0]["code"] == "held_unknown"
