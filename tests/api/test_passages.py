"""A page beside what is live of it, and two people's changes of its text."""

import pytest

from hestor.sites.models import Revision
from tests.support.writing import write

pytestmark = pytest.mark.django_db
LIVE = "Open on Saturdays.\n\nBring an envelope.\n\nTea is free."


@pytest.fixture
def page(desk, site):
    number = Revision.objects.in_draft_of(site).get(path="/about/").page_id
    assert write(desk, number, body=LIVE).status_code == 200
    publish(desk)
    return number


def publish(desk):
    revision = str(desk.get("/api/sites/seeds/style").json()["revision"])
    answer = desk.post(
        "/api/sites/seeds/editions", {"held_back": []}, "application/json", headers={"If-Match": revision}
    )
    assert answer.status_code == 201, answer.content


def ask(desk, page, **given):
    return desk.post(f"/api/sites/seeds/pages/{page}/passages", given, "application/json")


def test_what_changed_is_told_by_line_and_by_paragraph(desk, page):
    write(desk, page, title="About seeds", body=LIVE.replace("an envelope", "two envelopes"))
    told = ask(desk, page).json()
    assert [(one["field"], one["new"]) for one in told["lines"]] == [("title", "About seeds")]
    assert [(one["differs"], one["paragraphs"]) for one in told["passages"]] == [(False, 1), (True, 1), (False, 1)]
    words = {(one["where"], one["text"]) for one in told["passages"][1]["words"]}
    assert {("old", "an"), ("new", "two"), ("both", "Bring ")} <= words


def test_what_is_being_typed_is_compared_and_one_passage_put_back(desk, page):
    typed = "Open on Sundays.\n\nBring an envelope.\n\nTea is free.\n\nAsk Sam."
    told = ask(desk, page, body=typed).json()
    assert [one["differs"] for one in told["passages"]] == [True, False, True]
    assert ask(desk, page, body=typed, back=0).json()["body"] == typed.replace("Sundays", "Saturdays")
    assert ask(desk, page, body=typed, back=9).status_code == 404


def test_nothing_changed(desk, page):
    told = ask(desk, page).json()
    assert told["is_live"]
    assert told["lines"] == []
    assert not any(one["differs"] for one in told["passages"])


def test_a_new_page_is_live_nowhere(desk, site):
    made = desk.post("/api/sites/seeds/new-pages", {"title": "New"}, "application/json").json()
    assert ask(desk, made["id"]).json() == {"is_live": False, "lines": [], "passages": [], "body": None}


def test_two_peoples_changes_come_together(desk, page):
    texts = {
        "base": LIVE,
        "mine": LIVE.replace("Saturdays", "Sundays"),
        "theirs": LIVE.replace("free", "not free"),
    }
    merged = desk.post(f"/api/sites/seeds/pages/{page}/merge", texts, "application/json").json()
    assert merged == {"clashes": [], "body": "Open on Sundays.\n\nBring an envelope.\n\nTea is not free."}


def test_a_clash_waits_for_its_choice(desk, page):
    texts = {"base": LIVE, "mine": LIVE.replace("Tea", "Juice"), "theirs": LIVE.replace("Tea", "Cake")}
    address = f"/api/sites/seeds/pages/{page}/merge"
    merged = desk.post(address, texts, "application/json").json()
    assert merged["body"] is None
    assert merged["clashes"] == [{"base": "Tea is free.", "mine": "Juice is free.", "theirs": "Cake is free."}]
    settled = desk.post(address, {**texts, "choices": ["mine"]}, "application/json").json()
    assert settled["body"] == texts["mine"]
    assert desk.post(address, {**texts, "choices": ["none"]}, "application/json").status_code == 422
