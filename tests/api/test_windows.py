"""Lists come a part at a time: pages, titles, changes; the parts make the whole, and each says how long that is."""

import pytest

from hestor.sites.models import Edition, Revision
from hestor.sites.services import publishing
from hestor.sites.services.facts import write_facts
from hestor.sites.services.pages import add_page, change_page, remove_page
from hestor.sites.services.publishing import publish
from tests.conftest import NOW

pytestmark = pytest.mark.django_db
URL = "/api/sites/seeds"


def page(site, path: str) -> int:
    return Revision.objects.in_draft_of(site).get(path=path).page_id


def tree(desk, **wanted) -> dict:
    return desk.get(f"{URL}/tree", wanted).json()


def paths(answer: dict) -> list[str]:
    return [row["path"] for row in answer["rows"]]


ALL = ["/", "/about/", "/about/people/", "/news/", "/news/first/"]


def test_parts_of_the_tree_make_the_whole(desk, site):
    whole = tree(desk)
    assert (whole["start"], whole["count"], paths(whole)) == (0, 5, ALL)
    parts = [tree(desk, start=start, count=2) for start in (0, 2, 4, 6)]
    assert [row for part in parts for row in part["rows"]] == whole["rows"]
    assert {part["count"] for part in parts} == {5}
    about = page(site, "/about/")
    assert [(row["depth"], row["above"]) for row in whole["rows"]][2] == (1, [about])


def test_a_part_is_found_around_a_page(desk, site):
    found = tree(desk, count=2, around=page(site, "/news/"))
    assert (found["start"], paths(found)) == (2, ALL[2:4])
    assert tree(desk, count=2, around=987_654)["start"] == 0


@pytest.mark.parametrize(
    ("sought", "found"),
    [
        ("PEOPLE", ["/about/people/"]),
        ("über straße", ["/x/"]),
        ("seed library and", ["/y/"]),
        ("{site}", ["/y/"]),
        (".*", []),
        ("%", []),
        ("_", []),
        ("'", []),
        ("news/f", ["/news/first/"]),
        ("  ", None),
    ],
)
def test_pages_are_found_by_words_of_title_and_address(desk, site, sought, found):
    write_facts(site, {"name": "Seed Library"}, site.revision)
    add_page(site, {"path": "/x/", "title": "ÜBER STRAßE"})
    add_page(site, {"path": "/y/", "title": "{site} and more"})
    answer = tree(desk, sought=sought)
    assert paths(answer) == (found if found is not None else [*ALL[:4], "/x/", "/y/", ALL[4]])
    assert answer["count"] == len(answer["rows"])


def test_lists_of_some_pages(desk, site):
    assert paths(tree(desk, parents_only=True)) == ["/about/", "/about/people/"]
    assert paths(tree(desk, leaving_out=True)) == []
    change_page(site, page(site, "/about/"), {"left_out": ["footer"]})
    assert paths(tree(desk, leaving_out=True)) == ["/about/"]


def test_a_program_is_led_on_by_a_link(desk):
    answer = desk.get(f"{URL}/pages", {"count": 3})
    assert [row["path"] for row in answer.json()] == ALL[:3]
    assert answer["Link"] == f'<{URL}/pages?start=3&count=3>; rel="next"'
    rest = desk.get(f"{URL}/pages?start=3&count=3")
    assert [row["path"] for row in rest.json()] == ALL[3:]
    assert not rest.has_header("Link")


@pytest.mark.parametrize("query", ["start=-1", "count=0", "count=1001", "start=x", "around=0"])
def test_a_part_that_can_not_be_is_refused(desk, query):
    assert desk.get(f"{URL}/tree?{query}").status_code == 422


def test_a_page_is_moved_by_steps_and_drops_and_back(desk, site):
    people, about, news = (page(site, path) for path in ("/about/people/", "/about/", "/news/"))
    steps = desk.get(f"{URL}/pages/{people}").json()["steps"]
    assert steps == {"up": False, "down": False, "into": False, "out": True}

    def move(of, **to):
        return desk.post(f"{URL}/pages/{of}/move", to, "application/json")

    moved = move(people, way="out").json()
    assert moved == {"before": {"parent": about, "index": 0}, "after": {"parent": None, "index": 2}}
    assert paths(tree(desk)) == ["/", "/about/", "/about/people/", "/news/", "/news/first/"]
    assert move(news, on=about, where="before").status_code == 200
    assert paths(tree(desk))[:3] == ["/", "/news/", "/about/"]
    assert move(people, on=news, where="into").json()["after"]["parent"] == news
    move(people, **moved["before"])
    move(news, parent=None, index=2)
    assert paths(tree(desk)) == ALL
    assert move(people, way="up").status_code == 422
    home = page(site, "/")
    assert move(about, way="into").status_code == 422
    assert move(about, on=home, where="into").status_code == 422
    assert move(people, on=people, where="after").status_code == 422
    assert move(about, on=people, where="into").status_code == 422
    assert move(people, on=987_654, where="into").status_code == 404
    assert move(people, way="sideways").status_code == 422


def titles(desk, **wanted) -> dict:
    return desk.get(f"{URL}/titles", wanted).json()


def test_titles_by_their_words_and_by_what_is_amiss(desk, site):
    add_page(site, {"path": "/x/", "title": "About", "body": "Other words."})
    add_page(site, {"path": "/y/", "title": "Y", "own_title": "Über {site}", "summary": "Of bees."})
    whole = titles(desk)
    assert (whole["count"], whole["looked_over"], whole["is_whole"]) == (7, 7, True)
    twins = titles(desk, fault="title_twin")
    assert (twins["count"], paths(twins)) == (2, ["/about/", "/x/"])
    assert paths(titles(desk, fault="title_twin", start=1, count=1)) == ["/x/"]
    assert paths(titles(desk, sought="über seed")) == ["/y/"]
    assert paths(titles(desk, sought="BEES")) == ["/y/"]
    assert paths(titles(desk, sought="x", fault="title_twin")) == ["/x/"]
    assert paths(titles(desk, sought="people", fault="title_twin")) == []
    assert titles(desk)["faults"] == whole["faults"]


def test_titles_that_there_was_no_time_for_are_looked_over_later(desk, site, monkeypatch):
    from hestor.sites.selectors import title_table

    monkeypatch.setattr(title_table, "SECONDS", 0.0)
    monkeypatch.setattr(title_table, "_AT_ONCE", 2)
    add_page(site, {"path": "/x/", "title": "About", "body": "Other words."})
    told = [(answer["looked_over"], answer["is_whole"]) for answer in (titles(desk, count=1) for _ in range(3))]
    assert told[-1] != told[0]
    while not (answer := titles(desk))["is_whole"]:
        assert not any("twin" in fault["kind"] for row in answer["rows"] for fault in row["faults"])
    assert [row["path"] for row in answer["rows"] if row["faults"]] == ["/about/", "/x/"]
    said = desk.get(f"{URL}/unsaid").json()
    assert said["is_whole"]
    assert {"kind": "titles", "fact": "", "page": None, "count": 2} in said["items"]


def test_changes_come_in_parts_facts_first(desk, site):
    write_facts(site, {"name": "Other", "tagline": "New"}, site.revision)
    change_page(site, page(site, "/about/"), {"title": "Us", "path": "/us/"})
    remove_page(site, page(site, "/news/first/"))
    add_page(site, {"path": "/new/", "title": "New"})
    whole = desk.get(f"{URL}/changes").json()
    kinds = [(one["kind"], one["key"], one["old"], one["new"]) for one in whole["changes"]]
    assert kinds[2:] == [
        ("page_added", "/new/", "", "New"),
        ("page_removed", "/news/first/", "First", ""),
        ("page_changed", "/us/", "About", "Us"),
    ]
    assert whole["count"] == 5 == desk.get("/api/sites").json()[0]["changes"]
    for start in range(6):
        part = desk.get(f"{URL}/changes", {"start": start, "count": 2}).json()
        assert part["changes"] == whole["changes"][start : start + 2]
        assert part["count"] == 5


def test_an_edition_keeps_the_first_changes_and_how_many_there_were(desk, site, owner, monkeypatch):
    monkeypatch.setattr(publishing, "_PAGES_KEPT", 2)
    for name in "abcd":
        add_page(site, {"path": f"/{name}/", "title": name})
    write_facts(site, {"name": "Other"}, type(site).objects.get(pk=site.pk).revision)
    made = publish(site.pk, owner, NOW, held=[("page_added", "/b/")])
    assert [change["key"] for change in made.changes] == ["name", "/a/", "/c/"]
    assert Edition.objects.get(pk=made.pk).more_changes == 1
    said = desk.get(f"{URL}/editions").json()[0]
    assert (len(said["changes"]), said["more"]) == (3, 1)
    compared = desk.get(f"{URL}/editions/1/compared", {"other": 2}).json()
    assert ([one["key"] for one in compared["changes"]], compared["count"]) == (["name", "/a/", "/c/", "/d/"], 4)
    part = desk.get(f"{URL}/editions/1/compared", {"other": 2, "start": 2, "count": 1}).json()
    assert ([one["key"] for one in part["changes"]], part["count"]) == (["/c/"], 4)
