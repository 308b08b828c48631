"""Pictures and the brand report over the API: behaviour and refusals. Permissions are in ``test_matrix``."""

import json

import pytest
from django.core.files.uploadedfile import SimpleUploadedFile

from hestor.core.roles import Role
from hestor.sites.models import Revision
from hestor.sites.services.pages import change_page
from hestor.sites.services.publishing import publish
from tests.conftest import NOW
from tests.support.pictures import drawing, encoded, opened, png, wordmark


@pytest.fixture(autouse=True)
def data(tmp_path, settings):
    settings.DATA = tmp_path


def upload(desk, body: bytes, name: str = "logo.png", path: str = ""):
    return desk.post(f"/api/sites/seeds/pictures{path}", {"file": SimpleUploadedFile(name, body)})


def write(desk, **facts: object):
    revision = desk.get("/api/sites/seeds/style").json()["revision"]
    body = json.dumps({"facts": facts})
    return desk.patch("/api/sites/seeds/style", body, "application/json", headers={"if-match": str(revision)})


def brand(desk, **facts: object):
    return desk.post("/api/sites/seeds/brand", json.dumps({"facts": facts}), "application/json").json()


def test_uploading_a_picture(desk, site):
    answer = upload(desk, drawing("<script>x</script><rect width='9' height='9'/>"), "My logo.svg")
    assert answer.status_code == 201
    picture = answer.json()["picture"]
    assert (picture["name"], picture["kind"], picture["width"]) == ("My logo.svg", "svg", 100)
    assert picture["notes"] == ["Scripts in the drawing were taken out."]
    assert opened(desk.get(picture["thumbnail"]).content).size == (360, 360)
    again = upload(desk, drawing("<script>x</script><rect width='9' height='9'/>"), "again.svg")
    assert (again.status_code, again.json()["new"], again.json()["picture"]["id"]) == (200, False, picture["id"])


@pytest.mark.parametrize(
    ("body", "code", "words"),
    [
        (b"", "picture_empty", "“a.png” is empty."),
        (b"words", "picture_text", "“a.png” holds plain text"),
        (png(40, 30)[:60], "picture_truncated", "“a.png” breaks off before its end"),
        (b"%PDF-1.4", "picture_other_kind", "“a.png” is a PDF file"),
        (png(40, 30) + b"PK\x03\x04", "picture_two_formats", "“a.png” is a PNG with another file hidden in it."),
    ],
)
def test_a_refusal_says_what_is_wrong_and_stores_nothing(desk, site, body, code, words):
    answer = upload(desk, body, "a.png")
    assert (answer.status_code, answer.json()["code"]) == (422, code)
    assert answer.json()["title"].startswith(words)
    assert desk.get("/api/sites/seeds/pictures").json()["pictures"] == []


def test_a_call_without_a_file_is_refused(desk, site):
    answer = desk.post("/api/sites/seeds/pictures", {})
    assert (answer.status_code, answer.json()["errors"][0]["field"]) == (422, "file")


def test_listing_tells_uses_and_what_can_come_back(desk, site):
    picture = upload(desk, encoded(wordmark(), "PNG")).json()["picture"]
    assert write(desk, logo=picture["key"]).status_code == 200
    (listed,) = desk.get("/api/sites/seeds/pictures").json()["pictures"]
    assert listed["uses"] == [{"fact": "logo", "page": None, "path": "", "title": ""}]
    gone = f"/api/sites/seeds/pictures/{picture['id']}"
    refused = desk.delete(gone)
    assert (refused.status_code, refused.json()["code"]) == (409, "picture_in_use")
    assert desk.delete(f"{gone}?used=true").status_code == 204
    said = desk.get("/api/sites/seeds/pictures").json()
    assert (said["pictures"], [one["id"] for one in said["deleted"]]) == ([], [picture["id"]])
    assert desk.post(f"{gone}/restore").status_code == 200


def test_what_visitors_see_is_used_in_their_edition_and_can_not_be_deleted(desk, site, owner):
    fact, text = (upload(desk, png(40, 40, seed), f"{seed}.png").json()["picture"] for seed in (1, 2))
    write(desk, logo=fact["key"])
    page = Revision.objects.in_draft_of(site).get(path="/about/").page_id
    change_page(site, page, {"body": text["markdown"]})
    publish(site.pk, owner, NOW)
    for picture in (fact, text):
        gone = f"/api/sites/seeds/pictures/{picture['id']}?used=true"
        refused = desk.delete(gone)
        assert (refused.status_code, refused.json()["code"]) == (409, "picture_live")
    write(desk, logo=None)
    change_page(site, page, {"body": "No more"})
    assert desk.delete(f"/api/sites/seeds/pictures/{fact['id']}").status_code == 409
    listed = desk.get("/api/sites/seeds/pictures").json()["pictures"]
    assert [(one["uses"], one["edition"], one["is_live"]) for one in listed] == [([], 2, True)] * 2
    publish(site.pk, owner, NOW)
    for picture in (fact, text):
        assert desk.delete(f"/api/sites/seeds/pictures/{picture['id']}").status_code == 204
    said = desk.get("/api/sites/seeds/pictures").json()
    assert [(one["edition"], one["is_live"]) for one in said["deleted"]] == [(2, False)] * 2


def test_listing_asks_the_database_as_often_for_many(desk, site, django_assert_num_queries):
    for seed in range(6):
        upload(desk, png(20, 20, seed), f"{seed}.png")
    with django_assert_num_queries(8):
        assert len(desk.get("/api/sites/seeds/pictures").json()["pictures"]) == 6


def test_the_brand_is_measured_as_they_are_chosen(desk, site):
    picture = upload(desk, encoded(wordmark("#7a2e4d", margin=60), "PNG")).json()["picture"]
    before = brand(desk)
    assert (before["logo"], before["icon"]["starter"], before["share"]["composed"]) == (None, True, True)
    said = brand(desk, logo=picture["key"], icon={"source": "logo"})
    assert said["logo"]["standing"] == {"light": "clear", "dark": "lost"}
    assert said["logo"]["one_colour"] == "#7a2e4d"
    assert said["logo"]["trim"] == pytest.approx([60 / 520, 60 / 220, 460 / 520, 160 / 220], abs=0.02)
    assert 0 < said["logo"]["modern_bytes"] < said["logo"]["fallback_bytes"]
    assert said["proposals"] == {"brand_colour": ["#7a2e4d"], "accent_colour": ["#7a2e4d"]}
    assert said["icon"]["starter"] is False
    for name, address in said["icon"]["files"].items():
        answer = desk.get(address)
        assert answer.status_code == 200, name
        assert "immutable" in answer["Cache-Control"]
    assert opened(desk.get(said["share"]["src"]).content).size == (1200, 630)
    assert desk.get("/api/sites/seeds/style").json()["facts"]["logo"] is None


def test_choices_that_are_refused_are_said_and_the_kept_ones_shown(desk, site):
    said = brand(desk, logo_width=5, icon={"source": "drawn", "letters": "ABC"})
    assert [spot["code"] for spot in said["errors"]] == ["width_range", "icon_letters"]
    assert said["icon"]["starter"] is True


def test_a_drawing_opened_by_itself_may_only_draw(desk, site):
    drawn = brand(desk)["icon"]["files"]["icon.svg"]
    assert desk.get(drawn)["Content-Security-Policy"] == "default-src 'none'; sandbox"


def test_files_are_only_those_of_the_draft(desk, site):
    assert desk.get("/api/sites/seeds/files/icon-0000000000000000/icon-32.png").status_code == 404
    assert desk.get("/api/sites/seeds/files/../../etc/passwd").status_code == 404
    assert desk.get("/api/sites/seeds/files/style-000000--reading-0000000000.css").status_code == 404


def test_changes_of_the_brand_are_said_in_words(desk, site):
    key = upload(desk, encoded(wordmark(), "PNG")).json()["picture"]["key"]
    write(desk, logo=key, logo_says_name=True, logo_width=200, logo_plate="dark", typefaces="ledger")
    write(desk, icon={"source": "drawn", "shape": "leaf"}, logo_dark={"picture": key, "recolour": "#f4f2ee"})
    said = {c["key"]: (c["old"], c["new"]) for c in desk.get("/api/sites/seeds/changes").json()["changes"]}
    assert said == {
        "logo": ("", "A picture"),
        "logo_dark": ("", "The logo in #f4f2ee"),
        "logo_plate": ("Where the logo needs one", "On dark backgrounds"),
        "logo_width": ("From its shape", "200 pixels"),
        "logo_says_name": ("No", "Yes"),
        "icon": ("The starter icon", "Drawn here: leaf"),
        "typefaces": ("Literata", "Source Serif 4 · Public Sans"),
    }


def test_changes_of_language_and_clock_are_said_in_the_readers_words(desk, site):
    write(desk, language="de-CH", time_zone="Asia/Kolkata")
    for reader, words in (
        ("en", ("German (Switzerland)", "Kolkata · India Time")),
        ("es", ("alemán (Suiza)", "Calcuta · hora de India")),
    ):
        changes = desk.get("/api/sites/seeds/changes", headers={"accept-language": reader}).json()["changes"]
        said = {change["key"]: change["new"] for change in changes}
        assert (said["language"], said["time_zone"]) == words


def test_tokens_go_out_and_come_in(desk, site, person):
    write(desk, brand_colour="#7a2e4d", typefaces="almanac")
    for kind, media in (("json", "application/json"), ("css", "text/css")):
        answer = desk.get(f"/api/sites/seeds/tokens.{kind}")
        assert answer["Content-Type"].startswith(media)
        assert f'filename="seeds-tokens.{kind}"' in answer["Content-Disposition"]
        body = json.dumps({"text": answer.content.decode()})
        read = desk.post("/api/sites/seeds/tokens", body, "application/json").json()
        assert read["facts"] == {"brand_colour": "#7a2e4d", "typefaces": "almanac"}
    refused = desk.post("/api/sites/seeds/tokens", json.dumps({"text": "{"}), "application/json")
    assert (refused.status_code, refused.json()["code"]) == (422, "tokens_broken")


def test_what_there_is_to_choose_from_is_open_to_see(desk, site, client):
    for address, media in (("/api/shapes/leaf", "image/svg+xml"), ("/api/typefaces/Sora", "font/woff2")):
        answer = client.get(address, headers={"host": "localhost"})
        assert (answer.status_code, answer["Content-Type"]) == (200, media)
    assert client.get("/api/typefaces/Nothing", headers={"host": "localhost"}).status_code == 404
    assert client.get("/api/shapes/nothing", headers={"host": "localhost"}).status_code == 404


def test_a_viewer_sees_pictures_but_uploads_none(person, site):
    viewer = person(Role.VIEWER)
    assert viewer.get("/api/sites/seeds/pictures").status_code == 200
    assert upload(viewer, png(20, 20)).status_code == 403


def test_what_is_far_too_large_is_refused_unread(desk, site):
    answer = desk.post("/api/sites/seeds/pictures", b"x", "multipart/form-data; boundary=b", CONTENT_LENGTH="60000000")
    assert (answer.status_code, answer.json()["code"]) == (413, "too_big")
    assert answer["X-Frame-Options"] == "DENY"
