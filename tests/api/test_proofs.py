import re

import pytest

from tests.api.test_style import patch


def ask(desk, path="/about/", **facts):
    return desk.post("/api/sites/seeds/proofs", {"path": path, "facts": facts}, "application/json").json()


def place(said, name, path):
    return next(p for p in said["proofs"] if p["place"] == name and p["path"] == path)


def texts(proof):
    return {line["role"]: line["text"] for line in proof["lines"]}


def test_proofs_say_what_the_rendered_draft_says(desk, site):
    patch(desk, {"name": "Bean House", "footer_text": "By {site}"}, site.revision)
    said = desk.get("/api/sites/seeds/proofs", {"path": "/about/"}).json()
    assert texts(place(said, "tab", "/about/")) == {"title": "About – Bean House"}
    assert texts(place(said, "tab", "/")) == {"title": "Bean House – Borrow"}
    assert texts(place(said, "header", "/about/")) == {"name": "Bean House", "tagline": "Borrow", "entry": "News"}
    assert texts(place(said, "footer", "/about/")) == {"line": "By Bean House"}
    assert texts(place(said, "search", "/about/"))["description"] == "This is Bean House."
    assert texts(place(said, "feed", ""))["title"] == "Bean House"
    assert texts(place(said, "manifest", ""))["short_name"] == "Bean House"


def test_words_being_typed_are_shown_and_not_kept(desk, site):
    said = ask(desk, name="Typed")
    assert texts(place(said, "header", "/about/"))["name"] == "Typed"
    assert desk.get("/api/sites/seeds/style").json()["facts"]["name"] == "Seed Library"


def test_a_refused_value_is_said_and_the_kept_one_is_shown(desk, site):
    said = ask(desk, name="", tagline="New")
    assert texts(place(said, "header", "/about/")) == {"name": "Seed Library", "tagline": "New", "entry": "News"}
    assert [(e["field"], e["code"]) for e in said["errors"]] == [("name", "empty")]


def test_highlights_show_where_the_fact_stands(desk, site):
    said = ask(desk, name="👩‍🌾 Bean & Co")
    (line,) = place(said, "tab", "/about/")["lines"]
    (mark,) = line["highlights"]
    assert (mark["fact"], line["text"][mark["start"] : mark["end"]]) == ("name", "👩‍🌾 Bean & Co")


def reach(desk, **body):
    return desk.post("/api/sites/seeds/reach", body, "application/json").json()


def test_reach(desk, site):
    name = reach(desk)["name"]
    assert name["pages"] == 5
    assert {p["place"]: p["number"] for p in name["places"]} == {
        "tab": 5,
        "header": 5,
        "search": 5,
        "share": 5,
        "paper": 5,
        "aloud": 5,
        "footer": 5,
        "text": 2,
        "feed": 1,
        "manifest": 1,
        "message": 1,
        "structured": 2,
        "not_found": 1,
    }


def test_reach_of_some_facts_as_they_are_typed(desk, site):
    assert reach(desk, keys=["description"]) == {"description": {"pages": 0, "places": []}}
    typed = reach(desk, keys=["description"], facts={"description": "A village library.", "name": ""})
    assert {p["place"]: p["number"] for p in typed["description"]["places"]} == {
        "search": 1,
        "share": 1,
        "structured": 1,
        "manifest": 1,
    }


def test_only_the_places_that_are_wanted_are_proved(desk, site):
    wanted = [{"place": "tab"}, {"place": "search", "home": True}, {"place": "manifest"}]
    body = {"path": "/about/", "places": wanted}
    proofs = desk.post("/api/sites/seeds/proofs", body, "application/json").json()["proofs"]
    assert [(p["place"], p["path"]) for p in proofs] == [("tab", "/about/"), ("search", "/"), ("manifest", "")]


def test_a_page_that_is_not_there(desk, site):
    for path in ("/nowhere/", "/feed.xml", "/about", ""):
        assert desk.get("/api/sites/seeds/proofs", {"path": path}).status_code == 404


def test_a_keystroke_fetches_no_picture_anew_that_looks_as_it_did(desk, site):
    def sources(**facts: str) -> dict[tuple[str, str], str]:
        return {(p["place"], one["role"]): one["src"] for p in ask(desk, **facts)["proofs"] for one in p["pictures"]}

    before, after = sources(), sources(name="Seed Lending")
    changed = {where for where in before if before[where] != after[where]}
    assert changed == {("share", "share")}
    assert ask(desk)["icon_url"] == ask(desk, tagline="Typed")["icon_url"]
    other = sources(name="Bean House")
    assert ("tab", "icon") in {where for where in before if before[where] != other[where]}
    assert desk.get(other["tab", "icon"]).status_code == 200


def ask_new(desk, **facts):
    """The proofs of the home page of a site that was just made."""
    return desk.post("/api/sites/harrow/proofs", {"path": "/", "facts": facts}, "application/json").json()


@pytest.fixture
def new_site(desk, site):
    made = desk.post("/api/sites", {"name": "Harrow", "slug": "harrow"}, "application/json")
    assert made.status_code == 201


def test_a_place_that_no_page_shows_yet_is_drawn_from_a_sample(desk, new_site):
    said = ask_new(desk, language="de-CH", date_long="d. MMMM y")
    dated = place(said, "dated", "/")
    assert dated["is_sample"]
    assert any(re.search(r"\d\. [A-Z][a-zä]+ 20\d\d", line["text"]) for line in dated["lines"])
    event = place(said, "event", "/")
    assert event["is_sample"]
    assert texts(event)["when"]
    assert not place(said, "header", "/")["is_sample"]


def test_what_a_page_shows_is_drawn_from_it_and_not_from_a_sample(desk, new_site):
    desk.post("/api/sites/harrow/new-pages", {"title": "Open", "kind": "post"}, "application/json")
    dated = place(ask_new(desk), "dated", "/")
    assert dated["lines"]
    assert not dated["is_sample"]


def test_messages_are_drawn_as_if_a_visitor_had_written(desk, site):
    assert texts(place(ask(desk), "message", ""))["subject"] == "Message from Robin Hale"
    assert "Robin Berger" in texts(place(ask(desk, language="de-CH"), "message", ""))["subject"]
