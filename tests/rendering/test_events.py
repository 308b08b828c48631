"""Rendered pages of events, hours and months, the calendar file read back by another library, all at any moment."""

import json
from datetime import UTC, date, datetime, time, timedelta

import pytest
import vobject
from hypothesis import given, settings
from hypothesis import strategies as st

from hestor.core import zones
from hestor.core.events import expansion
from hestor.core.events.schedule import Repeat, Schedule
from hestor.core.facts import document
from hestor.core.facts.document import Facts
from hestor.core.facts.own_words import OwnWord
from hestor.core.reading.page import PageReading
from hestor.rendering import Renderer
from tests.core.test_zones import NAMES
from tests.support.memory import MemoryState, page

NOW = datetime(2026, 11, 26, 9, tzinfo=UTC)
SWAP = Schedule(
    starts=date(2026, 3, 7),
    starts_at=time(10),
    ends_at=time(12, 30),
    place="The old school",
    repeat=Repeat(unit="monthly_weekday"),
    without=(date(2026, 8, 1),),
)
WALK = Schedule(starts=date(2026, 12, 31), starts_at=time(22, 30), ends=date(2027, 1, 1), ends_at=time(0, 30))
WEEKEND = Schedule(starts=date(2027, 3, 27), ends=date(2027, 3, 28))
ABOVE = (("/events/", "Events"),)
NEWS = (("/news/", "News"),)


def state(*more, **facts) -> MemoryState:
    events = [
        page("/events/swap/", "Monthly swap", "Bring bags.", "event", schedule=SWAP, summary="A table.", trail=ABOVE),
        page("/events/walk/", "Walk of {site}", "", "event", schedule=WALK, trail=ABOVE),
        page("/events/weekend/", "Potatoes", "", "event", schedule=WEEKEND, trail=ABOVE),
    ]
    listed = page("/events/", "Events", "", "events")
    news = [page("/news/", "News", "", "news")]
    news += [
        page(
            f"/news/{n}/", f"Post {n}", "Text.", "post", published=date(2026, 1 + n % 3, 9), trail=(("/news/", "News"),)
        )
        for n in range(7)
    ]
    said = document.changed(Facts(name="Seeds"), {"time_zone": "Europe/London", **facts})
    return MemoryState(said, [page("/", "Welcome", "Hello."), listed, *events, *news, *more])


def read(path: str, now: datetime = NOW, *more, **facts) -> PageReading:
    found = Renderer(state(*more, **facts), now).respond(path)
    assert found.status == 200, path
    return PageReading(found.body)


def test_an_events_own_page_says_when_it_is_for_people_and_machines():
    said = read("/events/swap/")
    assert said.texts("main .when p")[:2] == ("5 December 2026, 10:00 – 12:30", "The old school")
    assert said.texts("main .when .further time")[:2] == ("2 January 2027", "6 February 2027")
    assert said.machine_times("main .at") == ("2026-12-05T10:00:00+00:00", "2026-12-05T12:30:00+00:00")
    record = json.loads(said.structured_text)["@graph"][0]
    assert (record["@type"], record["startDate"], record["location"]["name"]) == (
        "Event", "2026-12-05T10:00:00+00:00", "The old school",
    )  # fmt: skip
    assert record["eventSchedule"]["byDay"] == "1SA"
    assert record["eventSchedule"]["exceptDate"] == ["2026-08-01"]


def test_what_is_over_says_so_and_whole_days_have_no_times():
    late = datetime(2027, 6, 1, tzinfo=UTC)
    assert "This event is over." in read("/events/walk/", late).texts("main .when .over")
    assert read("/events/weekend/").machine_times("main .at") == ("2027-03-27", "2027-03-28")


def test_the_list_names_each_event_once_by_when_it_comes_next():
    said = read("/events/")
    assert said.texts("main section h3") == ("Monthly swap", "Walk of Seeds", "Potatoes")
    assert said.texts("main caption") == ("November 2026",)
    assert [said.texts("main th abbr")[0], read("/events/", language="en-US").texts("main th abbr")[0]] == [
        "Mon",
        "Sun",
    ]
    assert read("/events/", first_weekday="wed").texts("main th abbr")[0] == "Wed"


def test_a_month_has_its_days_and_leads_on():
    said = read("/events/2026-12/")
    cells = [text for text in said.texts("main td") if " " in text]
    assert cells == ["5 10:00 Monthly swap", "31 22:30 Walk of Seeds"]
    assert said.texts("main nav.numbers a") == ("November 2026", "January 2027")
    assert said.title == "December 2026 – Seeds"
    # Beyond midnight it is still on, and says no time again.
    assert next(text for text in read("/events/2027-01/").texts("main td") if " " in text) == "1 Walk of Seeds"
    renderer = Renderer(state(), NOW)
    assert [renderer.respond(path).status for path in ("/events/2026-13/", "/events/26-12/", "/events/1850-01/")] == [
        404
    ] * 3


def test_a_crowded_day_says_how_many_more_there_are():
    crowd = [
        page(f"/events/c{n}/", f"C{n}", "", "event", schedule=Schedule(starts=date(2026, 12, 5))) for n in range(9)
    ]
    cell = next(text for text in read("/events/2026-12/", NOW, *crowd).texts("main td") if text.startswith("5 "))
    assert cell.endswith("and 5 more")


def test_the_news_are_found_by_month():
    said = read("/news/")
    assert said.texts("main nav.archive li") == ("March 2026 (2)", "February 2026 (2)", "January 2026 (3)")
    assert read("/news/2026-03/").texts("main .list h2") == ("Post 2", "Post 5")
    assert Renderer(state(), NOW).respond("/news/2025-03/").status == 404


def test_dates_and_times_in_texts_take_the_sites_forms():
    text = "On {date:2026-05-03}, or {date:2026-05-03,short}, at {time:14:30}; then {next:swap}, never {next:nothing}."
    said = read("/x/", NOW, page("/x/", "X", text), date_short="y-MM-dd", time_style="h:mm a")
    assert said.text.endswith("On 3 May 2026, or 2026-05-03, at 2:30 pm; then 5 December 2026, never no date yet.")


def test_long_dates_are_said_in_the_second_calendar_too():
    text = "On {date:2026-05-03}, or {date:2026-05-03,short}; then {next:swap}."
    said = read("/x/", NOW, page("/x/", "X", text), further_calendar="persian").text
    assert "On 3 May 2026 (13 Ordibehesht 1405 AP), or 3 May 2026;" in said
    assert said.endswith("then 5 December 2026 (14 Azar 1405 AP).")
    event = Renderer(state(further_calendar="persian"), NOW).respond("/events/swap/").body.decode()
    assert '"2026-12-05T10:00:00+00:00" data-moment>5 December 2026 (14 Azar 1405 AP), 10:00</time>' in event


HOURS = {
    "week": {"thu": [{"opens": "09:00", "closes": "12:00"}, {"opens": "14:00", "closes": "18:00"}]},
    "exceptions": [{"first": "2026-12-24", "last": "2027-01-03", "note": "Holiday"}],
}


@pytest.mark.parametrize(
    ("at", "status"),
    [
        ("2026-11-26T08:59", "Closed now. Opens today at 09:00"),
        ("2026-11-26T09:00", "Open now, until 12:00"),
        ("2026-11-26T12:00", "Closed now. Opens today at 14:00"),
        ("2026-11-26T18:00", "Closed now. Opens 3 December 2026 at 09:00"),
        ("2026-12-02T18:00", "Closed now. Opens tomorrow at 09:00"),
        ("2026-12-22T18:00", "Closed now. Opens 7 January 2027 at 09:00"),
        ("2026-06-01T12:00", "Closed now. Opens Thursday at 09:00"),
    ],
)
def test_open_now_is_said_at_the_sites_clock(at, status):
    hours = page("/h/", "H", "{hours}\n\nToday: {hours}. {open}")
    said = read("/h/", datetime.fromisoformat(f"{at}+00:00"), hours, time_zone="UTC", opening_hours=HOURS)
    assert said.texts("main .hours .status") == (status,)
    assert status in said.text
    assert said.texts("main .hours tr")[3].startswith("Thursday")


def test_hours_are_told_to_machines_with_their_exceptions():
    record = json.loads(read("/", opening_hours=HOURS).structured_text)
    hours = record["publisher"]["openingHoursSpecification"]
    assert record["publisher"]["@type"] == "LocalBusiness"
    assert hours[0] == {
        "@type": "OpeningHoursSpecification", "opens": "09:00", "closes": "12:00", "dayOfWeek": ["Thursday"],
    }  # fmt: skip
    assert (hours[2]["validFrom"], hours[2]["opens"], hours[2]["closes"]) == ("2026-12-24", "00:00", "00:00")


def test_words_of_the_sites_own_stand_in_its_language_only():
    own = [OwnWord(language="en", key="events.ahead", text="What is on {count}")]
    assert read("/events/", own_words=own).texts("main h2")[0] == "What is on {count}"
    assert read("/events/", own_words=own, language="de-CH").texts("main h2")[0] == "Demnächst"


def calendar(state_: MemoryState, path: str = "/events.ics"):
    answer = Renderer(state_, NOW).respond(path)
    assert (answer.status, answer.media_type) == (200, "text/calendar; charset=utf-8")
    return next(vobject.readComponents(answer.body.decode()))


def test_the_calendar_file_says_the_same_to_another_library():
    read_back = calendar(state())
    events = {event.summary.value: event for event in read_back.vevent_list}
    assert set(events) == {"Monthly swap", "Walk of Seeds", "Potatoes"}
    swap = events["Monthly swap"]
    left_out = {moment.date() for line in swap.exdate_list for moment in line.value}
    assert left_out == set(SWAP.without)
    days = [moment.date() for moment in swap.getrruleset(addRDate=False)[:13]]
    assert [day for day in days if day not in left_out] == expansion.following(SWAP, SWAP.starts, 12)
    assert events["Potatoes"].dtend.value == date(2027, 3, 29)
    assert calendar(state(), "/events/swap/event.ics").vevent.summary.value == "Monthly swap"
    assert Renderer(state(), NOW).respond("/events/event.ics").status == 404


@settings(max_examples=25)
@given(st.sampled_from(NAMES), st.datetimes(datetime(2026, 1, 1), datetime(2031, 12, 1)))
def test_the_calendar_files_clock_is_that_of_the_zone(name, moment):
    kept = zones.read(name)
    read_back = calendar(state(time_zone=kept))
    if kept == "UTC":
        return
    told = read_back.vtimezone.tzinfo
    clock = zones.clock_of(kept)
    # Around a change another library may read a time that comes twice otherwise.
    for at in (moment, moment + timedelta(days=183)):
        local = at.replace(tzinfo=clock)
        if (
            local.utcoffset()
            == (at + timedelta(hours=3)).replace(tzinfo=clock).utcoffset()
            == (at - timedelta(hours=3)).replace(tzinfo=clock).utcoffset()
        ):
            assert told.utcoffset(at) == local.utcoffset(), (kept, at)


def test_a_site_without_events_has_no_calendar():
    plain = MemoryState(Facts(name="Seeds"), [page("/", "Welcome")])
    assert Renderer(plain, NOW).respond("/events.ics").status == 404
    assert b"text/calendar" not in Renderer(plain, NOW).respond("/").body
