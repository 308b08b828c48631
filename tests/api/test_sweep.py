"""Consistency over the API: strays with their spots, mended at once and taken back, said to be meant."""

import pytest

from hestor.sites.models import Revision, SweptPage
from hestor.sites.services.facts import write_facts
from hestor.sites.services.pages import add_page, change_page
from hestor.sites.services.publishing import publish
from tests.conftest import NOW

pytestmark = pytest.mark.django_db
URL = "/api/sites/seeds/sweep"
BODY = "Welcome to Pea Society. The Pea Society meets on 12/10/2026, and on 14 Nov. 2026; write to old@peas.example."


@pytest.fixture
def renamed(site, owner):
    """A site that had another name, address and telephone number, which its pages still say."""
    write_facts(site, {"name": "Pea Society", "contact_email": "old@peas.example"}, site.revision)
    publish(site.pk, owner, NOW)
    site.refresh_from_db()
    write_facts(site, {"name": "Seed Library", "contact_email": "hello@seeds.example"}, site.revision)
    add_page(site, {"path": "/old/", "title": "Old words", "body": BODY})
    site.refresh_from_db()
    return site


def strays(desk, *kinds):
    return [one for one in desk.get(URL).json()["strays"] if not kinds or one["kind"] in kinds]


def mend(desk, site, *wanted, revision=None):
    site.refresh_from_db()
    headers = {"if-match": str(site.revision if revision is None else revision)}
    body = {"strays": [one if isinstance(one, dict) else {"id": one} for one in wanted]}
    return desk.post(f"{URL}/mend", body, "application/json", headers=headers)


def body_of(path="/old/"):
    return Revision.objects.get(path=path, in_draft=True).text.body


def test_each_stray_has_its_spot_in_the_text(desk, renamed):
    found = {(one["kind"], one["start"]): one for one in strays(desk) if one["page"] == "/old/"}
    for (_, start), one in found.items():
        if one["field"] == "body":
            assert BODY[start : one["end"]] == one["says"]
    kinds = {kind for kind, _ in found}
    assert {"former_name", "date_ambiguous", "contact"} <= kinds
    ambiguous = next(one for one in found.values() if one["kind"] == "date_ambiguous")
    assert [one["day"] for one in ambiguous["readings"]] == ["2026-10-12", "2026-12-10"]
    assert sum(kind == "former_name" for kind, _ in found) == 2
    said = desk.get(URL).json()
    assert said["style"]["former"]["name"] == ["Pea Society"]
    assert said["pages"] == Revision.objects.in_draft_of(renamed).count()
    assert {one["kind"] for one in said["kinds"]} >= kinds
    assert len({one["id"] for one in said["strays"]}) == len(said["strays"])


def test_a_group_is_mended_at_once_and_taken_back(desk, renamed):
    wanted = [one["id"] for one in strays(desk, "former_name") if one["page"] == "/old/"]
    answer = mend(desk, renamed, *wanted)
    assert (answer.status_code, answer.json()["mended"]) == (200, 2)
    assert body_of() == BODY.replace("Pea Society", "{site}")
    assert not [one for one in strays(desk, "former_name") if one["page"] == "/old/"]
    said = answer.json()
    back = desk.post(f"{URL}/words", {"pages": said["pages_before"], "facts": said["facts_before"]}, "application/json")
    assert (back.status_code, body_of()) == (200, BODY)
    again = desk.post(f"{URL}/words", {"pages": said["pages_after"]}, "application/json")
    assert (again.status_code, body_of()) == (200, BODY.replace("Pea Society", "{site}"))


def test_a_date_is_mended_by_saying_which_day_it_is(desk, renamed):
    (stray,) = strays(desk, "date_ambiguous")
    assert (stray["mend"], stray["replacement"]) == (None, None)
    assert mend(desk, renamed, {"id": stray["id"], "reading": 1}).status_code == 200
    assert "{date:2026-12-10}" in body_of()
    assert not strays(desk, "date_ambiguous")


def test_an_address_becomes_the_fill_in(desk, renamed):
    (stray,) = strays(desk, "contact")
    assert (stray["says"], stray["should_say"], stray["replacement"]) == (
        "old@peas.example",
        "hello@seeds.example",
        "{contact}",
    )
    mend(desk, renamed, stray["id"])
    assert "{contact}" in body_of()
    assert not strays(desk, "contact")


def test_what_others_wrote_meanwhile_is_not_lost(desk, renamed):
    (stray, _) = strays(desk, "former_name")
    revision = renamed.revision
    change_page(renamed, stray["page_id"], {"summary": "Other words"})
    assert mend(desk, renamed, stray["id"], revision=revision).status_code == 412
    change_page(renamed, stray["page_id"], {"body": "New words"})
    assert mend(desk, renamed, stray["id"]).status_code == 404
    assert body_of() == "New words"


def test_what_is_meant_is_quiet_until_its_spot_changes(desk, renamed):
    wanted = strays(desk, "former_name")[0]
    url = f"{URL}/meant/{wanted['id']}"
    answer = desk.put(url, {"reason": "It tells of old days"}, "application/json")
    assert (answer.status_code, answer.json()["reason"]) == (200, "It tells of old days")
    said = desk.get(URL).json()
    assert wanted["id"] not in {one["id"] for one in said["strays"]}
    assert [(one["id"], one["is_there"], one["by"]) for one in said["meant"]] == [
        (wanted["id"], True, answer.json()["by"])
    ]
    write_facts(renamed, {"name": "Seed House"}, renamed.revision)
    said = desk.get(URL).json()
    assert [one["is_there"] for one in said["meant"]] == [False]
    assert [one for one in said["strays"] if one["kind"] == "former_name" and one["says"] == "Pea Society"]
    assert desk.delete(url).status_code == 204
    assert desk.get(URL).json()["meant"] == []
    assert desk.delete(url).status_code == 404


@pytest.mark.parametrize("reason", ["x" * 201, "two\nlines"])
def test_a_reason_that_is_none_is_refused(desk, renamed, reason):
    url = f"{URL}/meant/{strays(desk, 'former_name')[0]['id']}"
    answer = desk.put(url, {"reason": reason}, "application/json")
    assert (answer.status_code, answer.json()["errors"][0]["field"]) == (422, "reason")


def test_only_what_changed_is_looked_at_again(desk, renamed):
    assert desk.post(f"{URL}/step").json() == {"done": 6, "total": 6}
    before = dict(SweptPage.objects.values_list("revision_id", "key"))
    change_page(renamed, Revision.objects.get(path="/old/", in_draft=True).page_id, {"body": "All well"})
    desk.post(f"{URL}/step")
    after = dict(SweptPage.objects.filter(revision__in_draft=True).values_list("revision_id", "key"))
    kept = {pk for pk, key in after.items() if before.get(pk) == key}
    # The list of news shows other pages: it is looked at again with any of them.
    assert len(after) - len(kept) == 2
    assert not strays(desk, "former_name")


def test_site_wide_texts_titles_and_parts_left_out_are_seen(desk, renamed):
    renamed.refresh_from_db()
    write_facts(renamed, {"tagline": "Your tagline here", "footer_text": "The Pea Society, {year}"}, renamed.revision)
    page = add_page(renamed, {"path": "/x/", "title": "Home", "body": "x", "left_out": ["footer", "side"]})
    found = strays(desk)
    assert {(one["kind"], one["field"]) for one in found if one["page_id"] is None} >= {
        ("starter_text", "tagline"), ("former_name", "footer_text"), ("fact_unset", "logo"),
    }  # fmt: skip
    mine = {one["kind"]: one for one in found if one["page_id"] == page.page_id}
    assert {"title_empty", "opted_out"} <= mine.keys()
    mended = [one["id"] for one in found if one["kind"] == "opted_out"]
    wide = next(one["id"] for one in found if one["field"] == "footer_text")
    said = mend(desk, renamed, *mended, wide).json()
    assert said["facts_after"] == {"footer_text": "The {site}, {year}"}
    assert Revision.objects.get(page=page.page_id, in_draft=True).left_out == []
    renamed.refresh_from_db()
    assert renamed.facts.footer_text == "The {site}, {year}"


def test_words_of_messages_notices_and_side_are_mended_and_taken_back(desk, renamed):
    renamed.refresh_from_db()
    words = [
        {"language": "en", "key": "message.confirm.subject", "text": "Pea Society asks you"},
        {"language": "en", "key": "news.read_on", "text": "More of Pea Society"},
        {"language": "de", "key": "news.read_on", "text": "Mehr von Pea Society"},
    ]
    given = {
        "side_text": "**Pea Society** is open.",
        "site_notice": {"text": "Pea Society is closed.", "until": "2027-01-01"},
        "own_words": words,
    }
    write_facts(renamed, given, renamed.revision)
    found = {one["field"]: one for one in strays(desk, "former_name") if one["page_id"] is None}
    message, read_on = "own_words.message.confirm.subject", "own_words.news.read_on"
    # What does not hold in the site's language is shown nowhere.
    assert found.keys() == {"side_text", "site_notice.text", message, read_on}
    said = mend(desk, renamed, *(one["id"] for one in found.values())).json()
    assert said["facts_after"] == {
        "side_text": "**{site}** is open.",
        "site_notice.text": "{site} is closed.",
        message: "{site} asks you",
        # Such words know no fill-ins.
        read_on: "More of Seed Library",
    }
    renamed.refresh_from_db()
    assert str(renamed.facts.site_notice.until) == "2027-01-01"
    assert {one.text for one in renamed.facts.own_words if one.language == "de"} == {"Mehr von Pea Society"}
    assert not [one for one in strays(desk, "former_name") if one["page_id"] is None]
    back = {"pages": [], "facts": said["facts_before"]}
    assert desk.post(f"{URL}/words", back, "application/json").status_code == 200
    renamed.refresh_from_db()
    assert renamed.facts.side_text == given["side_text"]
    write_facts(renamed, {"site_notice": None}, renamed.revision)
    gone = {"pages": [], "facts": {"site_notice.text": "x"}}
    assert desk.post(f"{URL}/words", gone, "application/json").status_code == 404


def test_a_published_edition_is_held_to_its_own_house_style(desk, renamed, owner):
    assert desk.get(f"{URL}?edition=99").status_code == 404
    before = desk.get(f"{URL}?edition=2").json()
    assert [one for one in before["strays"] if one["kind"] == "former_name"] == []
    assert before["style"]["facts"]["name"] == "Pea Society"
    publish(renamed.pk, owner, NOW)
    found = desk.get(f"{URL}?edition=3").json()
    assert found["pages"] == Revision.objects.in_edition_of(renamed, 3).count()
    former = [one for one in found["strays"] if one["kind"] == "former_name"]
    assert [one["says"] for one in former] == ["Pea Society", "Pea Society"]
    # What was published is not mended.
    assert {one["mend"] for one in found["strays"]} == {None}
    assert mend(desk, renamed, *(one["id"] for one in former)).status_code == 200
    assert [one for one in desk.get(f"{URL}?edition=3").json()["strays"] if one["kind"] == "former_name"] == former
