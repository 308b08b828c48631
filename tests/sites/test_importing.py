"""Pages out as files and in again: nothing is lost, nothing stops the rest."""

import io
import zipfile

import pytest

from hestor.accounts.models import Account
from hestor.core.pages import package
from hestor.core.pages.package import Package
from hestor.pictures.services import upload
from hestor.sites.models import Page, Revision, Text
from hestor.sites.selectors.changes import changes_of
from hestor.sites.selectors.export import zip_of
from hestor.sites.selectors.page_fields import fields_of
from hestor.sites.selectors.picture_uses import ADDRESS
from hestor.sites.services.creation import make_site
from hestor.sites.services.importing import take_in
from hestor.sites.services.pages import add_page
from tests.support.pictures import png

pytestmark = pytest.mark.django_db


def said(site):
    """All that the pages of a draft say, by their addresses, those above by theirs."""
    drafts = list(Revision.objects.in_draft_of(site).select_related("text"))
    at = {one.page_id: one.path for one in drafts}
    return {one.path: {**fields_of(one).model_dump(), "parent": at.get(one.parent_id)} for one in drafts}


def test_the_demo_goes_out_and_comes_back_without_a_change(demo_sites):
    for site in demo_sites.values():
        before = said(site)
        report = take_in(site, package.of_zip(zip_of(site)))
        site.refresh_from_db()
        assert (report.problems, report.added, report.changed, report.same) == ([], [], [], len(before)), site
        assert said(site) == before
        assert changes_of(site) == ()


def test_another_site_takes_the_same_pages_in(demo_sites):
    owner = Account.objects.get(email="owner@quillmere.example")
    site = demo_sites["quillmere"]
    other = make_site(owner, {"name": "Other"}, "other")
    report = take_in(other, package.of_zip(zip_of(site)))
    assert report.problems == []
    assert report.pictures >= 1
    assert said(other) == said(site)
    assert zip_of(other) == zip_of(site)


def files(**texts):
    return Package({name.replace("__", "/") + ".md": text for name, text in texts.items()})


def test_files_of_others_become_pages_with_their_pictures(site, tmp_path, settings):
    settings.DATA = tmp_path
    texts = {"docs/index.md": "# Garden\n\n[Beans](beans.md)", "docs/beans.md": "# Beans\n\n![A bean](img/bean.png)"}
    found = Package(texts, {"docs/img/bean.png": png(40, 30)})
    report = take_in(site, found)
    assert (sorted(report.added), report.changed, report.pictures) == (["/beans/"], ["/"], 1)
    beans = Revision.objects.in_draft_of(site).get(path="/beans/")
    assert beans.title == "Beans"
    assert f"![A bean]({ADDRESS}" in beans.text.body
    assert "[Beans](/beans/)" in said(site)["/"]["body"]
    assert take_in(site, found).same == 2


@pytest.mark.parametrize(
    ("text", "code"),
    [
        ("---\ntitle: [\n---\n", "front_matter_unreadable"),
        ("---\ntitle: T\npath: /_hestor/x/\n---\n", "path_reserved"),
        ("---\ntitle: T\npath: /feed.xml/\n---\n", "path_reserved"),
        ("---\ntitle: T\npath: no slash\n---\n", "path_form"),
        ("---\ntitle: T\nkind: nonsense\n---\n", "front_matter_value"),
        ("---\ntitle: T\nkind: post\n---\n", "post_undated"),
        ("---\ntitle: T\npublished: soon\n---\n", "front_matter_value"),
        ("---\ntitle: T\npath: /ABOUT/\n---\n", "path_alike"),
        ("---\ntitle: T\npath: /news/2/\n---\n", "path_numbered"),
        ("---\ntitle: T\npath: /news/2026-05/\n---\n", "path_month"),
        ("---\ntitle: " + "x" * 10_000 + "\n---\n", "too_long"),
        ("Hello {sight}", "fillin_unknown"),
        ("x" * 300_000, "too_long"),
    ],
)
def test_what_can_t_be_taken_is_named_and_the_rest_is_taken(site, text, code):
    before = said(site)
    report = take_in(site, files(bad=text, good="# Good"))
    assert [(name, problem.code) for name, problem in report.problems] == [("bad.md", code)]
    assert report.added == ["/good/"]
    assert said(site) == before | {"/good/": said(site)["/good/"]}


def test_two_files_of_one_address_and_loops_in_the_tree(site):
    report = take_in(
        site,
        files(
            a="---\ntitle: A\npath: /same/\n---\n",
            b="---\ntitle: B\npath: /SAME/\n---\n",
            c="---\ntitle: C\nparent: /d/\n---\n",
            d="---\ntitle: D\nparent: /c/\n---\n",
            e="---\ntitle: E\nparent: /nowhere/\n---\n",
            f="---\ntitle: F\nparent: /about/\n---\n",
        ),
    )
    assert sorted((name, one.code) for name, one in report.problems) == [
        ("b.md", "path_alike"), ("c.md", "parent_loop"), ("e.md", "parent_unknown"),
    ]  # fmt: skip
    assert {path: said(site)[path]["parent"] for path in ("/c/", "/d/", "/e/", "/f/")} == {
        "/c/": None, "/d/": "/c/", "/e/": None, "/f/": "/about/",
    }  # fmt: skip


def test_the_home_page_is_written_over_and_never_lost(site):
    report = take_in(site, files(index="---\ntitle: New home\nparent: /about/\n---\nHello."))
    assert (report.changed, said(site)["/"]["title"], said(site)["/"]["parent"]) == (["/"], "New home", None)


def test_a_picture_that_is_none_is_said_and_its_page_taken(site, tmp_path, settings):
    settings.DATA = tmp_path
    report = take_in(site, Package({"a.md": "![x](x.png)"}, {"x.png": b"no picture"}))
    assert [(name, one.code) for name, one in report.problems] == [("x.png", "picture_text")]
    assert report.added == ["/a/"]


def test_nothing_is_left_over_of_what_was_replaced(site):
    take_in(site, files(about="One."))
    take_in(site, files(about="Two."))
    drafts = Revision.objects.in_draft_of(site)
    assert drafts.count() == Page.objects.filter(site=site).count() == 5
    used = set(Revision.objects.values_list("text_id", flat=True))
    assert set(Text.objects.values_list("pk", flat=True)) == used


def test_pictures_of_one_name_are_told_apart_in_the_zip(site, tmp_path, settings):
    settings.DATA = tmp_path
    keys = [upload(site.pk, "a.png", png(40, 30, seed=seed))[0].key for seed in (1, 2)]
    add_page(site, {"path": "/p/", "title": "P", "body": " ".join(f"![]({ADDRESS}{key})" for key in keys)})
    with zipfile.ZipFile(io.BytesIO(zip_of(site))) as archive:
        assert len([name for name in archive.namelist() if name.startswith("pictures/")]) == 2
    before = said(site)
    assert take_in(site, package.of_zip(zip_of(site))).problems == []
    assert said(site) == before
