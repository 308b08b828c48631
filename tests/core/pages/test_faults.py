"""What is amiss with titles and descriptions, and the mends: each mend ends the fault that it is for."""

from collections import Counter
from dataclasses import replace
from datetime import date

import pytest
from hypothesis import example, given
from hypothesis import strategies as st

from hestor.core.pages import faults, title_changes, titles_csv
from hestor.core.pages.empty_titles import says_nothing
from hestor.core.pages.faults import House, NamedPage
from hestor.core.pages.title_survey import TitleSurvey, surveyed
from hestor.core.pages.titles import Titling
from hestor.core.text.fillins import Values

HOUSE = House(Titling(Values("Seed Library", "Borrow", 2026)), "All about seed.", ("Seed Exchange", "Seed"))
LONG = "How to keep the seed of beans and peas dry over the whole of a wet winter and after"


def page(number, title, **more):
    return NamedPage(number, f"/{number}/", title, **{"excerpt": "Of beans. And more.", **more})


def rows_of(pages, house):
    survey = surveyed(pages, house)
    return [survey.row(page) for page in pages]


def found(*pages, house=HOUSE):
    return [{fault.kind: dict(fault.mend) for fault in row.faults} for row in rows_of(pages, house)]


@pytest.mark.parametrize(
    ("one", "expected"),
    [
        (page(1, "Beans"), {}),
        (page(1, "About the Seed Exchange"), {"former_name": {"title": "About the {site}"}}),
        (page(1, "Beans", menu_title="Seed Exchange"), {"former_name": {"menu_title": "{site}"}}),
        (page(1, "Seed Library days"), {}),
        (page(1, "Of seed"), {}),
        (page(1, "Seedlings"), {}),
        (page(1, "Beans", own_title="{site}: beans – Seed Library"), {"title_repeats_name": {"own_title": ""}}),
        (page(1, "Home"), {"title_empty": {"title": "Of beans"}}),
        (page(1, "Untitled 2", excerpt=""), {"title_empty": {}, "description_unset": {}}),
        (page(1, "Startseite", own_title="Beans"), {}),
        (page(1, "Beans", own_title="Welcome!"), {"title_empty": {"own_title": ""}}),
        (replace(page(1, "Home"), path="/"), {}),
        (page(1, LONG[:60]), {"title_long": {"own_title": LONG[:60]}}),
        (page(1, "Beans", summary="x" * 10 + " bean" * 40), {"description_stuffed": {"summary": ""}}),
        (
            page(1, "Beans", summary="First one. " + "and so on it goes with other words " * 5),
            {"description_stuffed": {"summary": ""}},
        ),
        (page(1, "Beans", excerpt=""), {"description_unset": {}}),
        (replace(page(1, "Home", excerpt=""), path="/"), {}),
    ],
)
def test_each_fault_with_its_mend(one, expected):
    assert found(one) == [expected]


def test_a_long_description_ends_with_its_last_whole_sentence():
    summary = (
        "Borrow six packets. "
        + "Then sow, weed, water and wait until autumn comes around again for all of you here" * 2
    )
    kinds = found(page(1, "Beans", summary=summary))[0]
    assert kinds.get("description_long") == {"summary": "Borrow six packets."}


def test_twins_are_told_apart_by_their_section_or_their_day():
    same = (page(1, "Rules", section="Borrowing"), page(2, "Rules", section="Returning"), page(3, "Rules"))
    assert found(*same) == [{"title_twin": {}}, {"title_twin": {"title": "Rules (Returning)"}}, {"title_twin": {}}]
    posts = (page(1, "Swap day", published=date(2026, 5, 1)), page(2, "Swap day", published=date(2026, 5, 8)))
    assert found(*posts)[1] == {"title_twin": {"title": "Swap day (2026-05-08)"}}


def test_descriptions_alike_give_way_to_the_pages_own_words():
    twins = (
        page(1, "A", summary="About us."),
        page(2, "B", summary="about us."),
        page(3, "C", summary="About us.", excerpt=""),
    )
    assert found(*twins) == [{"description_twin": {}}, {"description_twin": {"summary": ""}}, {"description_twin": {}}]


@pytest.mark.parametrize(
    ("title", "nothing"),
    [("Home", True), ("HOME ", True), ("Startseite", True), ("الرئيسية", True), ("Page 7", True), ("…", True),
     ("12", True), ("Homes for bees", False), ("Welcome to spring", False), ("Öffnungszeiten", False)],
)  # fmt: skip
def test_titles_that_say_nothing(title, nothing):
    assert says_nothing(title) is nothing


TITLES = st.text(st.sampled_from("ab {}'Seed Library Exchange é豆"), max_size=40)


@given(st.lists(st.tuples(TITLES, TITLES, TITLES), min_size=1, max_size=6))
def test_a_mend_ends_its_fault(given_titles):
    pages = [
        page(n, title or "T", own_title=own, summary=summary) for n, (title, own, summary) in enumerate(given_titles)
    ]
    for row in rows_of(pages, HOUSE):
        for fault in row.faults:
            if not fault.mend or fault.kind == "description_long":
                continue
            mended = [replace(one, **fault.mend) if one is row.page else one for one in pages]
            after = next(r for r in rows_of(mended, HOUSE) if r.page.page_id == row.page.page_id)
            assert fault.kind not in {one.kind for one in after.faults}


@example([("'=", "''+1"), ("=", "'x")])
@given(st.lists(st.tuples(st.text(max_size=20), st.text(max_size=20)), min_size=1, max_size=5))
def test_what_is_written_as_csv_is_read_back_as_no_change(words):
    from hestor.core.text import lines

    pages = [page(n, lines.tidy(title), own_title=lines.tidy(own)) for n, (title, own) in enumerate(words)]
    text = titles_csv.written(rows_of(pages, HOUSE))
    read = titles_csv.read(text, pages)
    assert (read.cells, read.problems) == ((), ())


@given(st.lists(st.tuples(TITLES, TITLES, TITLES), max_size=8), st.integers(1, 8))
def test_what_is_counted_is_what_the_rows_say(given_titles, at_once):
    pages = [
        page(n, title or "T", own_title=own, summary=summary) for n, (title, own, summary) in enumerate(given_titles, 1)
    ]
    survey = TitleSurvey(HOUSE)
    for first in range(0, len(pages), at_once):
        survey.look(pages[first : first + at_once])
    assert not {kind for one in pages for kind in kinds(survey.row(one)) if kind.endswith("_twin")}
    survey.finish()
    rows = [survey.row(one) for one in pages]
    shown = Counter(row.shown.casefold() for row in rows)
    said = Counter(one.summary.casefold() for one in pages if one.summary)
    for row in rows:
        assert ("title_twin" in kinds(row)) == (shown[row.shown.casefold()] > 1)
        assert ("description_twin" in kinds(row)) == (said[row.page.summary.casefold()] > 1)
    counted = {
        kind: (
            sum(kind in kinds(row) for row in rows),
            sum(any(fault.kind == kind and fault.mend for fault in row.faults) for row in rows),
        )
        for kind in faults.KINDS
    }
    assert survey.counts() == {kind: both for kind, both in counted.items() if both[0]}
    for kind in faults.KINDS:
        assert survey.pages_with(kind) == [row.page.page_id for row in rows if kind in kinds(row)]
    misled = [row for row in rows if faults.MISLEADING & kinds(row)]
    assert survey.misleading(faults.MISLEADING) == len(misled)


def test_of_very_many_changes_the_first_are_proposed(monkeypatch):
    monkeypatch.setattr(title_changes, "MOST_CELLS", 2)
    pages = [page(n, f"At Seed {n}") for n in range(1, 6)]
    replaced = title_changes.replacing(pages, "seed", "bean", ("title",), False)
    assert (replaced.count, [one.page for one in replaced.cells], replaced.left) == (5, [1, 2], 3)
    read = iter(rows_of(pages, HOUSE))
    mended = title_changes.mending(read, "former_name", 5)
    assert ([one.value for one in mended.cells], mended.left) == (["At {site} 1", "At {site} 2"], 3)
    # What is left is not read.
    assert next(read).page.page_id == 3
    some = title_changes.mending(rows_of(pages, HOUSE), "former_name", 5, {4, 5})
    assert ([one.page for one in some.cells], some.left) == ([4, 5], 0)


def kinds(row):
    return {fault.kind for fault in row.faults}


@pytest.mark.parametrize("parting", [",", ";", "\t"])
def test_a_spreadsheets_file_is_read_whatever_parts_its_columns(parting):
    pages = [page(1, "Beans"), page(2, "Peas")]
    rows = [["Title", "path"], ["Broad beans", "/1/"], ["Peas", "/2/"], ["?", "/nowhere/"]]
    read = titles_csv.read("\ufeff" + "\r\n".join(parting.join(row) for row in rows), pages)
    assert read.cells == ((1, "/1/", "title", "Broad beans", "Beans"),)
    assert [(one.code, one.params["line"]) for one in read.problems] == [("csv_page_unknown", 4)]


@pytest.mark.parametrize(
    ("text", "code"),
    [("", "csv_columns"), ("title\nBeans", "csv_columns"), ("path,size\n/1/,2", "csv_columns")],
)
def test_what_is_no_table_of_titles(text, code):
    read = titles_csv.read(text, [page(1, "Beans")])
    assert [problem.code for problem in read.problems] == [code]


def test_a_formula_stays_a_text():
    row = rows_of([page(1, "=HYPERLINK(1)")], HOUSE)
    text = titles_csv.written(row)
    assert "'=HYPERLINK(1)" in text
    assert titles_csv.read(text, [page(1, "Other")]).cells == ((1, "/1/", "title", "=HYPERLINK(1)", "Other"),)


@pytest.mark.parametrize(
    ("text", "case", "after", "count"),
    [
        ("Seed seed SEED", False, "x x x", 3),
        ("Seed seed", True, "Seed x", 1),
        ("ssseed", True, "ssx", 1),
        ("", False, "", 0),
    ],
)
def test_find_and_replace(text, case, after, count):
    assert title_changes.replaced(text, "seed", "x", case) == (after, count)
