import unicodedata

import pytest

from hestor.core.roles import Role
from hestor.sites.models import Site
from tests.support.hostile import HOSTILE


def patch(client, facts, revision, slug="seeds"):
    return client.patch(
        f"/api/sites/{slug}/style", {"facts": facts}, "application/json", headers={"if-match": str(revision)}
    )


def test_the_house_style(desk, site):
    said = desk.get("/api/sites/seeds/style").json()
    assert said["revision"] == site.revision
    assert said["facts"] == said["live_facts"]
    assert (said["changed"], said["changed_pages"], said["live_number"]) == ([], 0, 1)
    # An inner page, as most pages are.
    assert said["shown_on"] == "/about/"
    assert said["derived"] == {
        "short_name": "Seed Library",
        "accent_colour": "#3d4f7c",
        "date_long": "23 September 2026",
        "date_short": "23 Sept 2026",
        "time_style": "16:45",
        "first_weekday": "Monday",
    }
    assert (said["words"]["name"], said["live_words"]["icon"]) == ("Seed Library", "The starter icon")


def test_a_change_is_kept_and_counted(desk, site):
    said = patch(desk, {"name": " New  "}, site.revision).json()
    assert said["facts"]["name"] == "New"
    assert said["live_facts"]["name"] == "Seed Library"
    assert said["changed"] == ["name"]
    assert said["revision"] == site.revision + 1
    assert desk.get("/api/sites/seeds/style").json() == said


def test_writing_what_is_kept_already_counts_as_no_write(desk, site):
    assert patch(desk, {"name": "Seed Library"}, site.revision).json()["revision"] == site.revision


def test_putting_back_leaves_no_change(desk, site):
    revision = patch(desk, {"name": "New"}, site.revision).json()["revision"]
    assert patch(desk, {"name": "Seed Library"}, revision).json()["changed"] == []


def test_a_stale_write_is_refused_with_both_values(desk, site, person):
    patch(person(Role.EDITOR), {"name": "Theirs"}, site.revision)
    answer = patch(desk, {"name": "Mine", "tagline": "T"}, site.revision)
    said = answer.json()
    assert (answer.status_code, said["code"]) == (412, "stale_revision")
    assert said["yours"] == {"name": "Mine", "tagline": "T"}
    assert said["current"]["facts"]["name"] == "Theirs"
    assert said["current"]["revision"] == site.revision + 1
    assert patch(desk, {"name": "Mine"}, said["current"]["revision"]).status_code == 200


@pytest.mark.parametrize("header", ["nonsense", "-1", '"999"', "9" * 30])
def test_a_revision_that_never_was_is_stale(desk, site, header):
    assert patch(desk, {"name": "N"}, header).status_code == 412


def test_a_quoted_revision_is_an_entity_tag(desk, site):
    assert patch(desk, {"name": "N"}, f'"{site.revision}"').status_code == 200


def test_a_write_needs_its_revision(desk, site):
    answer = desk.patch("/api/sites/seeds/style", {"facts": {"name": "N"}}, "application/json")
    assert (answer.status_code, answer.json()["code"]) == (428, "revision_missing")


def test_a_refusal_says_where_what_and_how(desk, site):
    answer = patch(desk, {"footer_text": "© {yaer}", "name": "x" * 121, "nmae": "x", "tagline": 3}, site.revision)
    assert answer.status_code == 422
    assert answer["content-type"] == "application/problem+json"
    assert {e["field"]: e["message"] for e in answer.json()["errors"]} == {
        "footer_text": "Hestor does not know {yaer}, at character 3. Did you mean {year}? "
        "For a brace that should be seen, write '{'.",
        "name": "Name takes 120 characters at most; this has 121. Take out 1.",
        "nmae": "There is no fact called “nmae”. Did you mean “name”?",
        "tagline": "Tagline has to be a text.",
    }
    assert answer.json()["errors"][0]["fix"] == "{year}"
    site.refresh_from_db()
    assert site.facts.footer_text == "© {year} {site}"


@pytest.mark.parametrize("words", HOSTILE)
def test_any_words_come_back_as_they_were(desk, site, words):
    said = patch(desk, {"tagline": words}, site.revision).json()
    assert said["facts"]["tagline"] == desk.get("/api/sites/seeds/style").json()["facts"]["tagline"]
    assert said["facts"]["tagline"].split() == unicodedata.normalize("NFC", words).split()


@pytest.mark.parametrize(
    "body", ["", "[]", "{", '{"facts": []}', '{"facts": {}, "x": 1}', '{"facts": {"name": "\\ud800"}}']
)
def test_a_body_that_is_no_change(desk, site, body):
    answer = desk.patch("/api/sites/seeds/style", body, "application/json", headers={"if-match": str(site.revision)})
    assert answer.status_code in (400, 422)
    assert Site.objects.get().facts.name == "Seed Library"


def test_a_body_that_is_far_too_big(desk, site):
    answer = patch(desk, {"name": "x" * 3_000_000}, site.revision)
    assert (answer.status_code, answer.json()["code"]) == (413, "too_big")


def test_the_house_style_asks_little_of_the_database(desk, site, django_assert_max_num_queries):
    # That the device is in use is noted at its first call.
    desk.get("/api/account")
    with django_assert_max_num_queries(8):
        desk.get("/api/sites/seeds/style")
