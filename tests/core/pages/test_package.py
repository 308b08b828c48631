"""Pages as files: what is written is read back as the same page; what is hostile is left out with its reason."""

import io
import zipfile
from datetime import date, time

import pytest
from hypothesis import given
from hypothesis import strategies as st

from hestor.core.events.schedule import Schedule
from hestor.core.pages import front_matter, package
from hestor.core.pages.fields import PageFields
from hestor.core.sweep.zipped import unpack
from hestor.core.text import lines

LINE = st.text(st.characters(exclude_categories=["Cs", "Cc", "Co", "Cn"]), max_size=60).map(lines.tidy)
BODY = st.text(max_size=300).map(lambda text: lines.carried(text).strip("\n"))


@given(
    title=LINE.filter(bool), own=LINE, menu=LINE, summary=LINE, body=BODY, shown=st.booleans(), in_menu=st.booleans(),
    order=st.integers(0, 9), left_out=st.lists(st.sampled_from(["menu", "side"]), unique=True).map(sorted),
)  # fmt: skip
def test_a_page_is_read_back_as_it_was_written(title, own, menu, summary, body, shown, in_menu, order, left_out):
    fields = PageFields(
        path="/growing/beans/", title=title, own_title=own, menu_title=menu, summary=summary, body=body,
        shows_heading=shown, in_menu=in_menu, order=order, left_out=tuple(left_out),
    )  # fmt: skip
    read, problems = front_matter.read(front_matter.written(fields, "/growing/"))
    assert problems == []
    assert read.pop("parent") == "/growing/"
    assert PageFields(**read) == fields


def test_a_post_and_an_event_keep_when_they_are():
    post = PageFields(
        path="/news/x/", title="X: a “post”", kind="post", published=date(2026, 5, 2), published_at=time(18, 30)
    )
    schedule = Schedule.model_validate({"starts": "2026-05-02"})
    event = PageFields(path="/e/", title="E", kind="event", schedule=schedule)
    for fields in (post, event):
        read, problems = front_matter.read(front_matter.written(fields, None))
        assert (PageFields(**read), problems) == (fields, [])


@pytest.mark.parametrize(
    ("text", "fields"),
    [
        ("# Beans\n\nSow.", {"title": "Beans", "body": "Sow."}),
        ("Sow.", {"title": "", "body": "Sow."}),
        ("---\ntitle: Beans\n---\nSow.", {"title": "Beans", "body": "Sow."}),
        (
            "\ufeff---\r\ntitle: 2026\r\ndescription: D\r\n---\r\nSow.\r\n",
            {"title": "2026", "summary": "D", "body": "Sow."},
        ),
        ("---\ndate: 2026-05-02 10:00:00\ntitle: T\n---\n", {"published": date(2026, 5, 2), "title": "T", "body": ""}),
        ("---\npublished_at: 18:30\ntitle: T\n---\n", {"published_at": time(18, 30), "title": "T", "body": ""}),
        ("---\n---\n# T\n", {"title": "T", "body": ""}),
        ("--- not front matter", {"title": "", "body": "--- not front matter"}),
    ],
)
def test_files_of_others_are_read_as_they_are_meant(text, fields):
    assert front_matter.read(text) == (fields, [])


@pytest.mark.parametrize(
    ("head", "code"),
    [
        ("title: [", "front_matter_unreadable"),
        ("- a\n- b", "front_matter_unreadable"),
        ("a: &a [x]\nb: *a", "front_matter_unreadable"),
        ("title: !!python/object/apply:os.system ['x']", "front_matter_unreadable"),
        ("title: T\nlayout: wide", "front_matter_unknown"),
        ("x" * 30_000, "front_matter_unreadable"),
    ],
)
def test_what_is_no_front_matter_is_said(head, code):
    _, problems = front_matter.read(f"---\n{head}\n---\nText")
    assert [one.code for one in problems] == [code]


def test_a_star_in_a_text_is_no_alias():
    assert front_matter.read('---\ntitle: "* Beans *"\n---\n')[1] == []


def zipped(*files, **attributes):
    out = io.BytesIO()
    with zipfile.ZipFile(out, "w", zipfile.ZIP_DEFLATED) as archive:
        for name, body in files:
            archive.writestr(name, body)
    return out.getvalue()


def codes(found):
    return [problem.code for problem in found.problems]


@pytest.mark.parametrize(
    ("name", "clean"),
    [
        ("a/b.md", "a/b.md"), ("./a//b.md", "a/b.md"), ("../b.md", None), ("a/../../b.md", None), ("/etc/b.md", None),
        ("C:\\b.md", None), ("a\\b.md", "a/b.md"), ("..\\b.md", None), ("", None), ("a\x00.md", None),
        ("x" * 500, None),
    ],
)  # fmt: skip
def test_names_that_climb_out_are_none(name, clean):
    assert package.clean_name(name) == clean


def test_a_zip_is_taken_as_far_as_it_is_good():
    found = package.of_zip(
        zipped(
            ("a.md", "# A"),
            ("../up.md", "x"),
            ("latin.md", "caf\xe9".encode("latin-1")),
            ("run.exe", b"MZ"),
            ("p/x.png", b"png"),
            ("__MACOSX/._a.md", "x"),
            (".git/config.md", "x"),
        )
    )
    assert (dict(found.texts), dict(found.pictures)) == ({"a.md": "# A"}, {"p/x.png": b"png"})
    assert sorted(codes(found)) == ["file_climbs", "file_no_utf8", "file_other"]


NO_ZIPS = {"nothing": b"", "short": b"PK", "text": b"no zip at all" * 100, "cut": zipped(("a.md", "x"))[:40]}


@pytest.mark.parametrize("body", NO_ZIPS.values(), ids=NO_ZIPS)
def test_what_is_no_zip_is_said(body):
    assert codes(package.of_zip(body)) == ["zip_unreadable"]


def test_a_bomb_stops_at_the_limit(monkeypatch):
    monkeypatch.setattr(package, "MOST_BYTES", 3_000_000)
    monkeypatch.setattr(package, "MOST_PICTURE_BYTES", 2_000_000)
    bomb = zipped(*((f"{n}.png", bytes(1_900_000)) for n in range(4)), ("text.md", "x"))
    assert len(bomb) < 30_000
    assert codes(package.of_zip(bomb)) == ["zip_large"]
    assert codes(package.of_zip(zipped(("big.png", bytes(2_500_000)), ("a.md", "x")))) == ["file_too_long"]


def test_too_many_files_are_cut(monkeypatch):
    monkeypatch.setattr(package, "MOST_FILES", 3)
    found = package.of_zip(zipped(*((f"{n}.md", "x") for n in range(5))))
    assert (len(found.texts), codes(found)) == (3, ["zip_many"])


def test_a_folder_is_held_to_the_same_limits(monkeypatch):
    monkeypatch.setattr(package, "MOST_FILES", 3)
    found = package.of_files((f"{n}.md", b"x") for n in range(5))
    assert (len(found.texts), codes(found)) == (3, ["zip_many"])
    monkeypatch.setattr(package, "MOST_BYTES", 10)
    found = package.of_files([("a.md", b"123456"), ("b.md", b"123456")])
    assert (list(found.texts), codes(found)) == (["a.md"], ["zip_large"])


@given(st.binary(max_size=200), st.integers(0, 150), st.binary(min_size=1, max_size=8))
def test_a_damaged_zip_never_fails(noise, at, more):
    good = zipped(("a.md", "# A"), ("b.png", noise))
    damaged = good[:at] + more + good[at + len(more) :]
    assert isinstance(package.of_zip(damaged), package.Package)


@pytest.mark.parametrize(
    ("name", "path"),
    [
        ("index.md", "/"), ("growing/index.md", "/growing/"), ("growing/Beans & Peas.md", "/growing/beans-peas/"),
        ("README.md", "/"), ("中文.md", "/zhong-wen/"), ("a.markdown", "/a/"), ("…/x.md", "/page/x/"),
    ],
)  # fmt: skip
def test_a_file_that_says_no_address_has_one_from_its_name(name, path):
    assert package.path_of(name) == path


def test_a_folder_that_holds_everything_is_left_away():
    found = package.without_common_folder(package.Package({"site/a.md": "", "site/b/c.md": ""}, {"site/p.png": b""}))
    assert (set(found.texts), set(found.pictures)) == ({"a.md", "b/c.md"}, {"p.png"})
    apart = package.Package({"a.md": "", "b/c.md": ""})
    assert package.without_common_folder(apart) == apart


@pytest.mark.parametrize(
    ("source", "linked"),
    [
        ("![x](../pictures/a%20b.png)", "![x](/_hestor/pic-1)"),
        ("[x](beans.md#sow)", "[x](/growing/beans/#sow)"),
        ("[x](/growing/beans.md)", "[x](/growing/beans/)"),
        (
            "[x](https://beans.md) [y](mailto:a@b.c) [z](nowhere.md)",
            "[x](https://beans.md) [y](mailto:a@b.c) [z](nowhere.md)",
        ),
        ("[x](../../../etc/passwd)", "[x](../../../etc/passwd)"),
    ],
)
def test_links_between_files_lead_to_what_became_of_them(source, linked):
    targets = {"pictures/a b.png": "/_hestor/pic-1", "growing/beans.md": "/growing/beans/"}
    assert package.linked(source, "growing/peas.md", targets) == linked


def test_files_of_one_name_are_told_apart():
    body = package.zipped([("a.md", b"1"), ("A.md", b"2")])
    with zipfile.ZipFile(io.BytesIO(body)) as archive:
        assert archive.namelist() == ["a.md", "A-2.md"]
    assert body == package.zipped([("a.md", b"1"), ("A.md", b"2")])


def _of(*entries: tuple[str, bytes, int]) -> bytes:
    out = io.BytesIO()
    with zipfile.ZipFile(out, "w") as archive:
        for name, body, packed in entries:
            archive.writestr(name, body, compress_type=packed)
    return out.getvalue()


@pytest.mark.parametrize("packed", [zipfile.ZIP_BZIP2, zipfile.ZIP_LZMA])
def test_what_is_packed_in_an_unusual_way_is_not_even_unpacked(packed, monkeypatch):
    opened, given = [], [_of((name, b"0" * 9, packed)) for name in ("a.png", "a.html")]
    monkeypatch.setattr(zipfile.ZipFile, "open", lambda *asked, **_: opened.append(asked))
    assert [one.code for one in package.of_zip(given[0]).problems] == ["file_packed"]
    assert [one.code for one in unpack(given[1]).problems] == ["file_packed"]
    assert opened == []


@pytest.mark.parametrize("taken", [package.of_zip, unpack])
def test_what_was_unpacked_counts_though_it_is_not_kept(taken):
    large = b"0" * 41_000_000
    body = _of(*((f"{name}.png", large, zipfile.ZIP_DEFLATED) for name in "abcdef"))
    codes = [one.code for one in taken(body).problems]
    # Three of forty million bytes may be looked at, however many more there are.
    assert codes == ["file_too_long", "file_too_long", "zip_large"]
