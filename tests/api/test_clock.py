"""Towns, clocks and events as the desk asks for them: searches, the proposal, times on the wall, what a rule yields."""

import pytest

from hestor.core.text.names import HEAD, plain
from hestor.sites.models import Revision
from hestor.towns.models import LargestTown, Town, TownName
from tests.conftest import NOW

pytestmark = pytest.mark.django_db(databases=["default", "towns"])
ROWS = [
    ("Vienna", "AT", "Vienna", 1_900_000, "Europe/Vienna", ("Wien", "Vienne", "Вена")),
    ("Zürich", "CH", "Zurich", 340_000, "Europe/Zurich", ("Zurich", "Zurigo")),
    ("Łódź", "PL", "Łódź Voivodeship", 700_000, "Europe/Warsaw", ("Lodsch",)),
    ("Eucla", "AU", "Western Australia", 500, "Australia/Eucla", ()),
    ("Perth", "AU", "Western Australia", 2_000_000, "Australia/Perth", ()),
    ("القاهرة", "EG", "Cairo", 9_000_000, "Africa/Cairo", ("Cairo", "Le Caire")),
]


@pytest.fixture(autouse=True)
def fixed(settings):
    settings.FIXED_NOW = NOW


@pytest.fixture
def towns() -> dict[str, int]:
    found = {}
    for name, country, region, people, zone, others in ROWS:
        town = Town.objects.create(name=name, country=country, region=region, population=people, time_zone=zone)
        found[name] = town.pk
        for one in (name, *others):
            key = plain(one)
            TownName.objects.create(town=town, name=one, key=key, head=key[:HEAD])
    return found


def names(desk, q: str, **more: str) -> list[tuple[str, str]]:
    return [(one["name"], one["found_as"]) for one in desk.get("/api/towns", {"q": q, **more}).json()]


@pytest.mark.parametrize(
    ("typed", "found"),
    [
        ("wie", ("Vienna", "Wien")),
        ("ВЕН", ("Vienna", "Вена")),
        ("zuri", ("Zürich", "Zürich")),
        ("ZÜRI", ("Zürich", "Zürich")),
        ("lodz", ("Łódź", "Łódź")),
        ("قاه", None),
        ("القا", ("القاهرة", "القاهرة")),
        ("zurihc", ("Zürich", "Zürich")),
        ("vinna", ("Vienna", "Vienna")),
        ("القاهره", ("القاهرة", "القاهرة")),
        ("xqz", None),
    ],
)
def test_a_town_is_found_by_any_of_its_names_and_in_spite_of_slips(desk, towns, typed, found):
    assert names(desk, typed)[:1] == ([found] if found else [])


def test_results_say_where_a_town_is_and_what_time_it_is_there(desk, towns):
    (vienna,) = desk.get("/api/towns", {"q": "wien"}).json()
    assert (vienna["region"], vienna["country"], vienna["now"]) == ("", "Austria", "2026-05-01T14:00:00+02:00")
    assert [one["region"] for one in desk.get("/api/towns", {"q": "lodz"}).json()] == ["Łódź Voivodeship"]


def test_a_place_that_is_missing_is_found_by_its_country(desk, towns):
    assert names(desk, "", country="AU") == [("Perth", "Perth"), ("Eucla", "Eucla")]
    assert names(desk, "e", country="AU") == [("Eucla", "Eucla")]
    assert {"code": "AU", "name": "Australia"} in desk.get("/api/countries").json()


def test_common_beginnings_are_answered_from_what_is_known_beforehand(desk, towns):
    wien = TownName.objects.get(name="Wien")
    LargestTown.objects.create(begin="w", rank=0, found=wien)
    assert names(desk, "w") == [("Vienna", "Wien")]


def test_a_town_proposes_all_that_pages_will_say_and_what_else_there_is(desk, towns):
    said = desk.get(f"/api/towns/{towns['Zürich']}/proposal").json()
    assert (said["language"], said["zone"]) == ("de-CH", "Europe/Zurich")
    assert [one["tag"] for one in said["languages"]][:4] == ["de-CH", "gsw-CH", "en-CH", "fr-CH"]
    assert {one["fact"]: one["says"] for one in said["facts"]} == {
        "language": "Deutsch (Schweiz)",
        "time_zone": "14:00",
        "date_long": "1. Mai 2026",
        "date_short": "01.05.2026",
        "time_style": "14:00",
        "first_weekday": "Montag",
    }
    french = desk.get(f"/api/towns/{towns['Zürich']}/proposal", {"language": "fr-CH"}).json()
    assert "1 mai 2026" in [one["says"] for one in french["facts"]]
    eucla = desk.get(f"/api/towns/{towns['Eucla']}/proposal").json()
    assert [(one["zone"], one["town"]) for one in eucla["zones"]] == [
        ("Australia/Eucla", "Eucla"),
        ("Australia/Perth", "Perth"),
    ]
    assert desk.get("/api/towns/999999999999999999999/proposal").status_code in (404, 422)


def test_a_fixed_offset_says_its_cost_and_a_clock_elsewhere_is_asked_about(desk):
    def notices(zone: str, language: str) -> list[tuple[str, str]]:
        said = desk.get("/api/clock", {"zone": zone, "language": language}).json()
        return [(one["code"], one["message"]) for one in said["notices"]]

    ((code, message),) = notices("+01:00", "en-GB")
    assert code == "zone_fixed"
    assert "60 minutes" in message
    assert "Europe/London" in message
    assert [code for code, _ in notices("Asia/Tokyo", "en-GB")] == ["zone_elsewhere"]
    # India has one clock, which never changes.
    assert notices("+05:30", "hi-IN") == notices("Europe/London", "en-GB") == notices("Asia/Tokyo", "en") == []


def test_a_time_on_the_wall_that_is_none_is_explained(desk):
    def asked(wall: str):
        return desk.post("/api/clock/wall", {"wall": wall, "zone": "Europe/London"}, "application/json")

    assert asked("2026-03-29T01:30").json() == {
        "moment": "2026-03-29T02:30:00+01:00", "reading": "skipped", "by_minutes": 60,
    }  # fmt: skip
    assert asked("2026-10-25T01:30").json()["reading"] == "twice"
    for wrong in ("", "25:00", "2026-02-30T10:00", "2026-05-01T10:00+02:00", "0001-01-01T00:00-", "x" * 40):
        assert asked(wrong).status_code == 422, wrong


def test_the_sites_own_words_come_with_their_meaning(desk):
    said = {one["key"]: one for one in desk.get("/api/words?language=ar").json()}
    assert said["changed"] == {"key": "changed", "text": "آخر تعديل", "meaning": "Last changed", "is_missing": False}
    assert not any(key.startswith(("starter", "preview")) for key in said)
    assert all(one["is_missing"] for one in desk.get("/api/words?language=cy").json())
    assert desk.get("/api/words?language=xx-XX").status_code == 422


def test_a_form_is_taken_apart_and_put_together(desk):
    body = {"pattern": "EEEE, d. 'of' MMMM y", "kind": "date", "language": "en-GB"}
    parts = desk.post("/api/dates/check", body, "application/json").json()["parts"]
    assert [(one["kind"], one["pattern"] or one["text"]) for one in parts] == [
        ("weekday", "EEEE"), ("text", ", "), ("day", "d"), ("text", ". of "), ("month", "MMMM"), ("text", " "),
        ("year", "y"),
    ]  # fmt: skip
    assert "May" in [one["example"] for one in parts[4]["widths"]]
    given = [{name: one[name] for name in ("kind", "pattern", "text")} for one in reversed(parts)]
    built = desk.post("/api/dates/build", {"parts": given}, "application/json").json()
    assert built == {"pattern": "y MMMM'. of 'd, EEEE"}


def checked(desk, site, **schedule):
    body = {"schedule": {"starts": "2026-05-02", **schedule}}
    return desk.post(f"/api/sites/{site.slug}/events/check", body, "application/json")


def test_an_events_next_dates_come_in_the_sites_own_form(desk, site):
    said = checked(desk, site, starts_at="10:00", repeat={"unit": "monthly_weekday"}).json()
    assert [one["text"] for one in said["dates"]][:2] == ["2 May 2026, 10:00", "6 June 2026, 10:00"]
    assert [one["code"] for one in said["notices"]] == ["event_without_end"]


def test_a_time_that_the_clock_skips_or_shows_twice_is_explained(desk, site):
    skipped = checked(desk, site, starts="2027-03-28", starts_at="01:30").json()["notices"]
    assert [one["code"] for one in skipped] == ["event_skipped"]
    assert "02:30" in skipped[0]["message"]
    assert [one["code"] for one in checked(desk, site, starts="2026-10-25", starts_at="01:30").json()["notices"]] == [
        "event_twice"
    ]


@pytest.mark.parametrize(
    ("schedule", "status", "fields"),
    [
        ({"ends": "2026-05-01"}, 200, ["schedule.ends"]),
        ({"repeat": {"unit": "weekly", "until": "2026-01-01"}}, 200, ["schedule.until"]),
        ({"starts": "2026-02-30"}, 422, ["schedule.starts"]),
        ({"starts": 5}, 422, ["schedule.starts"]),
        ({"starts": "9999-12-31"}, 200, ["schedule.starts"]),
        ({"repeat": {"unit": "weekly", "every": 0}}, 422, ["schedule.repeat.every"]),
        ({"repeat": {"unit": "hourly"}}, 422, ["schedule.repeat.unit"]),
    ],
)
def test_a_schedule_that_can_not_be_is_refused_where_it_is(desk, site, schedule, status, fields):
    answer = checked(desk, site, **schedule)
    assert answer.status_code == status
    assert [one["field"] for one in answer.json()["errors"]] == fields


def plan(desk, site, title: str = "Swap day", **schedule):
    body = {"title": title, "schedule": {"starts": "2026-05-02", **schedule}}
    return desk.post(f"/api/sites/{site.slug}/events", body, "application/json")


def test_an_event_comes_with_the_page_that_lists_it(desk, site):
    made = plan(desk, site, starts_at="10:00", ends_at="12:00", place=" The  green ")
    assert made.status_code == 201
    assert (made.json()["path"], made.json()["kind"]) == ("/events/swap-day/", "event")
    assert made.json()["schedule"]["place"] == "The green"
    listed = Revision.objects.in_draft_of(site).get(kind="events")
    assert (listed.path, listed.title, listed.in_menu) == ("/events/", "Events", True)
    assert plan(desk, site).json()["path"] == "/events/swap-day-2/"
    assert plan(desk, site, "مقهى").status_code == 201
    assert Revision.objects.in_draft_of(site).filter(kind="events").count() == 1


def test_an_event_that_can_not_be_is_refused_and_nothing_of_it_is_kept(desk, site):
    refused = plan(desk, site, " ", ends="2026-05-01")
    assert {one["field"] for one in refused.json()["errors"]} == {"title", "schedule.ends"}
    assert not Revision.objects.in_draft_of(site).filter(kind__in=("event", "events")).exists()


def test_an_event_is_changed_and_what_was_said_stays_until_then(desk, site):
    page = plan(desk, site).json()
    address = f"/api/sites/{site.slug}/pages/{page['id']}"
    schedule = {**page["schedule"], "repeat": {"unit": "weekly", "every": 2}, "without": ["2026-05-16", "2026-05-16"]}
    sent = {"headers": {"if-match": str(page["revision"])}, "content_type": "application/json"}
    changed = desk.patch(address, {"schedule": schedule}, **sent).json()
    assert changed["schedule"]["without"] == ["2026-05-16"]
    assert [one["code"] for one in changed["notices"]] == ["event_without_end"]
    sent["headers"] = {"if-match": str(changed["revision"])}
    assert desk.patch(address, {"schedule": None}, **sent).json()["errors"][0]["code"] == "event_undated"


def test_no_page_takes_the_address_of_a_month(desk, site):
    plan(desk, site)
    refused = desk.post(f"/api/sites/{site.slug}/pages", {"path": "/events/2026-05/", "title": "X"}, "application/json")
    assert refused.json()["errors"][0]["code"] == "path_month"


def test_proofs_are_read_at_a_chosen_moment(desk, site):
    plan(desk, site, starts="2026-12-31", starts_at="23:00")

    def proofs(at: str, *places: str) -> list[str]:
        body = {
            "facts": {"footer_text": "© {year}"},
            "at": at,
            "places": [{"place": one, "home": False} for one in places],
        }
        said = desk.post(f"/api/sites/{site.slug}/proofs", body, "application/json").json()
        return [line["text"] for proof in said["proofs"] for line in proof["lines"]]

    assert proofs("2026-12-31T23:59", "footer") == ["© 2026"]
    assert proofs("2027-01-01T00:00", "footer") == ["© 2027"]
    assert proofs("", "calendar")[0] == "May 2026"
    assert proofs("2026-12-31T12:00", "calendar")[0] == "December 2026"
    # Asked for on a page that is none, an event is read on one that is.
    assert "31 December 2026, 23:00" in proofs("", "event")
    wrong = desk.post(f"/api/sites/{site.slug}/proofs", {"at": "soon"}, "application/json")
    assert (wrong.status_code, wrong.json()["errors"][0]["field"]) == (422, "at")
