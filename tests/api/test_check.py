"""Someone else's pages over the API: a ZIP in, what is amiss out, and the same ZIP mended."""

import io
import json
import zipfile

import pytest
from django.core.files.uploadedfile import SimpleUploadedFile

from tests.support.labelled import sites

pytestmark = pytest.mark.django_db


def zipped(files, folder=""):
    made = io.BytesIO()
    with zipfile.ZipFile(made, "w") as archive:
        for name, raw in files.items():
            archive.writestr(folder + name, raw)
    return made.getvalue()


def send(desk, raw, path="/api/check", style=None):
    form = {"file": SimpleUploadedFile("pages.zip", raw), "style": json.dumps(style) if style else ""}
    return desk.post(path, form)


@pytest.mark.parametrize("folder", ["", "my site/"])
def test_a_zip_is_checked_and_comes_back_mended(desk, folder):
    site = next(sites())
    found = send(desk, zipped(site.files, folder), style=site.style()).json()
    assert found["pages"] == sum(name.endswith(".html") for name in site.files)
    assert {"former_name", "old_icon", "title_twin"} <= {one["kind"] for one in found["kinds"]}
    assert all(one["page"] in site.files for one in found["strays"])
    answer = send(desk, zipped(site.files, folder), "/api/check/mended.zip", site.style())
    with zipfile.ZipFile(io.BytesIO(answer.content)) as archive:
        made = {name.removeprefix(folder): archive.read(name) for name in archive.namelist()}
    assert made.keys() == site.files.keys()
    unmended = {one["page"] for one in found["strays"] if one["mend"]}
    assert {name for name in made if made[name] != site.files[name]} <= unmended
    again = send(desk, zipped(made), style=site.style()).json()
    assert not [one for one in again["strays"] if one["mend"]]


def test_without_a_style_most_pages_say_it(desk):
    found = send(desk, zipped(next(sites()).files)).json()
    assert found["style"]["facts"]["name"] == "Quillmere Seed Library"


def test_what_climbs_out_clashes_or_is_no_page_is_said_and_the_rest_done(desk):
    whole = b"<html lang=en><title>Peas</title><p>Peas</p>"
    files = {"a.html": whole, "../b.html": whole, "A.html": whole, "c.html": b"\0\1", "/d.html": whole}
    found = send(desk, zipped(files)).json()
    assert found["pages"] == 1
    assert {one["file"] for one in found["left_out"]} == {"../b.html", "A.html", "/d.html"}
    assert [one["page"] for one in found["unread"]] == ["c.html"]


@pytest.mark.parametrize(
    ("raw", "code"),
    [(b"no zip", "zip_unreadable"), (zipped({"a.txt": b"x"}), "zip_without_pages"), (zipped({}), "zip_without_pages")],
)
def test_what_is_no_folder_of_pages_is_refused(desk, raw, code):
    answer = send(desk, raw)
    assert (answer.status_code, answer.json()["errors"][0]["field"]) == (422, "file")


def test_a_bomb_is_not_unpacked(desk):
    made = io.BytesIO()
    with zipfile.ZipFile(made, "w", zipfile.ZIP_DEFLATED) as archive:
        archive.writestr("a.html", b"<p>x")
        for number in range(4):
            archive.writestr(f"{number}.bin", b"\0" * 45_000_000)
    found = send(desk, made.getvalue()).json()
    assert (found["pages"], len(found["left_out"])) == (1, 3)


@pytest.mark.parametrize("style", ["{", "[]", '{"hestor": 2, "facts": {}}', '{"hestor": 1, "facts": {"name": 1}}'])
def test_a_style_that_is_none_is_refused_where_it_was_given(desk, style):
    form = {"file": SimpleUploadedFile("pages.zip", zipped({"a.html": b"<p>x"})), "style": style}
    answer = desk.post("/api/check", form)
    assert (answer.status_code, answer.json()["errors"][0]["field"]) == (422, "style")
