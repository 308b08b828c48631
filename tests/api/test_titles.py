"""The table of titles over the API: parts of it, many cells at once, proposals that keep nothing, CSV out and in."""

import csv
import io

import pytest

from hestor.sites.models import Revision
from hestor.sites.services.facts import write_facts
from hestor.sites.services.pages import add_page
from hestor.sites.services.publishing import publish
from tests.conftest import NOW

pytestmark = pytest.mark.django_db
URL = "/api/sites/seeds/titles"


def rows(desk, **query):
    return desk.get(URL, query).json()


def by_path(said):
    return {row["path"]: row for row in said["rows"]}


def change(desk, site, *cells, revision=None):
    site.refresh_from_db()
    body = {"cells": [dict(zip(("page", "field", "value"), cell, strict=True)) for cell in cells]}
    headers = {"if-match": str(site.revision if revision is None else revision)}
    return desk.patch(URL, body, "application/json", headers=headers)


def page(path):
    return Revision.objects.get(path=path, in_draft=True).page_id


def test_the_table_comes_in_parts_in_the_order_of_the_tree(desk, site):
    whole = rows(desk)
    assert [row["path"] for row in whole["rows"]] == ["/", "/about/", "/about/people/", "/news/", "/news/first/"]
    assert (whole["count"], whole["search_cut"], whole["tab_cut"]) == (5, 580, 190)
    part = rows(desk, start=2, count=2)
    assert ([row["path"] for row in part["rows"]], part["count"]) == (["/about/people/", "/news/"], 5)
    assert rows(desk, start=99)["rows"] == []
    about = by_path(whole)["/about/"]
    assert (about["shown_title"], about["description"], about["source"]) == (
        "About – Seed Library", "This is Seed Library.", "excerpt",
    )  # fmt: skip


def test_a_write_gives_the_rows_that_it_changed(desk, site):
    answer = change(desk, site, (page("/about/"), "own_title", " Of {site} "), (page("/news/"), "title", "Old"))
    assert answer.status_code == 200
    assert {path: row["shown_title"] for path, row in by_path(answer.json()).items()} == {
        "/about/": "Of Seed Library", "/news/": "Old – Seed Library",
    }  # fmt: skip
    assert answer.json()["revision"] == site.revision + 1


def test_a_refused_cell_is_named_and_nothing_is_kept(desk, site):
    about = page("/about/")
    answer = change(desk, site, (about, "title", ""), (page("/news/"), "title", "New"), (about, "summary", "x" * 400))
    assert answer.status_code == 422
    assert {error["field"] for error in answer.json()["errors"]} == {f"{about}.title", f"{about}.summary"}
    assert by_path(rows(desk))["/news/"]["title"] == "News"


def test_a_stale_write_gets_what_is_there_now(desk, site):
    about, old = page("/about/"), site.revision
    change(desk, site, (about, "title", "Theirs"))
    answer = change(desk, site, (about, "title", "Mine"), revision=old)
    assert answer.status_code == 412
    assert [row["title"] for row in answer.json()["current"]["rows"]] == ["Theirs"]
    without = desk.patch(URL, {"cells": []}, "application/json")
    assert without.status_code == 428


def test_words_are_replaced_after_a_look(desk, site):
    before = rows(desk)
    said = desk.post(f"{URL}/replace", {"find": "E", "by": "X", "fields": ["title"]}, "application/json").json()
    assert said["count"] == 5
    assert {cell["value"] for cell in said["cells"]} >= {"PXoplX", "NXws"}
    strict = {"find": "E", "by": "X", "match_case": True, "fields": ["title"]}
    assert desk.post(f"{URL}/replace", strict, "application/json").json()["count"] == 0
    assert rows(desk) == before


def test_faults_are_counted_with_their_mends(desk, site, owner):
    write_facts(site, {"name": "Seed Exchange"}, site.revision)
    publish(site.pk, owner, NOW)
    site.refresh_from_db()
    write_facts(site, {"name": "Seed Library"}, site.revision)
    add_page(site, {"path": "/old/", "title": "At the Seed Exchange", "body": "Words."})
    said = rows(desk)
    assert said["faults"] == [{"kind": "former_name", "pages": 1, "mends": 1}]
    mends = desk.post(f"{URL}/mends", {"kind": "former_name"}, "application/json").json()
    assert mends["cells"] == [
        {
            "page": page("/old/"),
            "field": "title",
            "value": "At the {site}",
            "path": "/old/",
            "was": "At the Seed Exchange",
        }
    ]
    none = desk.post(f"{URL}/mends", {"kind": "former_name", "pages": [1]}, "application/json").json()
    assert none["cells"] == []


def test_csv_goes_out_and_comes_in(desk, site):
    answer = desk.get(f"{URL}.csv")
    assert answer["content-type"] == "text/csv; charset=utf-8"
    table = list(csv.DictReader(io.StringIO(answer.content.decode("utf-8-sig"))))
    assert [row["path"] for row in table] == [row["path"] for row in rows(desk)["rows"]]
    text = answer.content.decode().replace("/about/,About", "/about/,All about") + "/lost/,Lost\r\n"
    said = desk.post(f"{URL}/csv", {"text": text}, "application/json").json()
    assert said["cells"] == [
        {"page": page("/about/"), "field": "title", "value": "All about", "path": "/about/", "was": "About"}
    ]
    assert [error["code"] for error in said["errors"]] == ["csv_page_unknown"]
    assert by_path(rows(desk))["/about/"]["title"] == "About"
