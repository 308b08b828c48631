"""Clocks, and forms of dates and times, as the desk asks for them."""

import pytest

from tests.conftest import NOW


@pytest.fixture(autouse=True)
def fixed(settings):
    settings.FIXED_NOW = NOW


def check(desk, pattern: str, kind: str = "date", language: str = "en-GB", **more: str):
    body = {"pattern": pattern, "kind": kind, "language": language, **more}
    return desk.post("/api/dates/check", body, "application/json")


def test_a_clock_says_what_it_does(desk):
    said = desk.get("/api/clock?zone=Europe/London").json()
    assert (said["now"], said["ahead_minutes"]) == ("2026-05-01T13:00:00+01:00", 60)
    assert said["next_change"] == {"at": "2026-10-25T01:00:00Z", "by_minutes": -60}
    assert desk.get("/api/clock?zone=Asia/Kolkata").json()["next_change"] is None
    wrong = desk.get("/api/clock?zone=Europe/Nowhere")
    assert (wrong.status_code, wrong.json()["errors"][0]["field"]) == (422, "time_zone")


def test_forms_are_shown_by_the_example_of_now_in_the_language(desk):
    said = desk.get("/api/dates/forms?kind=date&language=de-CH&zone=Europe/Zurich").json()
    examples = {one["pattern"]: one["example"] for one in said["forms"]}
    assert examples[said["own"]["long"]] == "1. Mai 2026"
    assert "Freitag, 1. Mai 2026" in examples.values()
    late = desk.get("/api/dates/forms?kind=time&language=en-US&zone=Pacific/Auckland").json()
    assert "12:00\u202fAM" in {one["example"] for one in late["forms"]}


def test_calendars_are_shown_by_today_those_of_the_region_first(desk):
    said = desk.get("/api/dates/calendars?language=ar-SA&zone=Asia/Riyadh").json()["calendars"]
    assert said[0] == {
        "calendar": "islamic-umalqura",
        "name": "Islamic (Umm al-Qura)",
        "example": "١٤ ذو القعدة ١٤٤٧ هـ",
        "usual": True,
    }
    assert [one["usual"] for one in said] == [True] + [False] * 9
    assert desk.get("/api/dates/calendars?language=xx-YY").status_code == 422


def test_a_calendar_that_nobody_keeps_is_refused(desk, site):
    given = {"facts": {"further_calendar": "martian"}}
    answer = desk.patch("/api/sites/seeds/style", given, "application/json", headers={"if-match": str(site.revision)})
    assert (answer.status_code, answer.json()["errors"][0]["field"]) == (422, "further_calendar")


def test_a_slip_is_pointed_at_with_its_mend(desk):
    (error,) = check(desk, "d. mmmm y").json()["errors"]
    assert (error["code"], error["start"], error["end"], error["fix"]) == ("pattern_minutes", 3, 7, "MMMM")
    assert check(desk, "d. mmmm y").json()["samples"] == []


def test_a_date_that_can_be_misread_is_warned_of_with_a_better_form(desk):
    said = check(desk, "dd/MM/y").json()
    assert (said["errors"], said["now"]) == ([], "01/05/2026")
    assert [(one["code"], one["fix"]) for one in said["notices"]] == [("date_ambiguous", "d MMMM y")]
    assert check(desk, "d MMM y").json()["notices"] == []


def test_samples_try_a_form(desk):
    said = {one["what"]: one["text"] for one in check(desk, "d MMMM y").json()["samples"]}
    assert said == {"one_digit": "3 January 2026", "longest": "28 September 2026", "last_day": "31 December 2026"}
    said = {one["what"]: one["text"] for one in check(desk, "HH:mm", "time", "ar-EG").json()["samples"]}
    assert said["midnight"] == "٠٠:٠٠"
    tried = check(desk, "HH:mm", "time", zone="Europe/London").json()["samples"]
    assert {one["what"]: one["text"] for one in tried}["before_change"] == "01:59"
    assert {one["what"]: one["text"] for one in tried}["after_change"] == "01:00"


@pytest.mark.parametrize("body", [{"language": "xx-YY"}, {"zone": "GMT+99"}])
def test_a_language_or_clock_that_is_none_is_refused(desk, body):
    assert check(desk, "d", **{"language": "en", **body}).status_code == 422


def test_nobody_asks_without_being_signed_in(client):
    for path in ("/api/clock?zone=UTC", "/api/dates/forms?kind=date&language=en"):
        assert client.get(path, headers={"host": "localhost"}).status_code == 401
