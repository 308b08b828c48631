"""A page drawn while it is typed: the renderer's own page, with other words, and nothing kept."""

import pytest

from hestor.rendering import Preview, Renderer
from hestor.sites.models import Revision
from hestor.sites.selectors import previews
from hestor.sites.selectors.states import draft_of
from hestor.sites.services.creation import make_site
from tests.conftest import NOW

pytestmark = pytest.mark.django_db


def root_of(site):
    return previews.link(site, None, "").partition(":8000")[2]


@pytest.fixture
def root(site):
    """The path of one preview; another made a second later has another one."""
    return root_of(site)


@pytest.fixture
def look(desk, site, root):
    page = Revision.objects.in_draft_of(site).get(path="/about/").page_id
    return lambda **typed: desk.post(f"/api/sites/seeds/pages/{page}/look", {"root": root, **typed}, "application/json")


def test_it_is_what_the_preview_would_say(look, root):
    before = list(Revision.objects.values())
    said = look(title="All of {site}", body="See [news](/news/) of *{site}*.", own_title="").json()
    assert f'<a href="{root}/news/"' in said["main"]
    assert "<h1>All of Seed Library</h1>" in said["main"]
    assert said["title"] == "All of Seed Library"
    assert list(Revision.objects.values()) == before


def test_without_other_words_it_is_the_page_itself(look, root, site):
    said = look().json()
    html = Renderer(draft_of(site), NOW, Preview(root)).respond("/about/").body.decode()
    assert said["main"].partition("Last changed")[0] in html


@pytest.mark.parametrize(
    "body", ["<script>alert(1)</script>", "[x](javascript:alert(1))", "![x](https://x.example/a.png)"]
)
def test_what_is_typed_is_cleaned_as_ever(look, body):
    said = look(title="<b>T</b>", body=body).json()["main"]
    assert "<script" not in said
    assert 'javascript:alert(1)"' not in said
    assert "<h1>&lt;b&gt;T&lt;/b&gt;</h1>" in said


def test_slips_are_drawn_as_far_as_they_can_be(look):
    assert "Of {sight}" in look(body="Of {sight}").json()["main"]
    assert look(body="x" * 12_000).status_code == 200


def test_a_preview_of_another_site_is_none(desk, site, owner):
    other = make_site(owner, {"name": "Other"}, "other")
    page = Revision.objects.in_draft_of(site).get(path="/about/").page_id
    for root in (root_of(other), "/_preview/nonsense", "", "/"):
        answer = desk.post(f"/api/sites/seeds/pages/{page}/look", {"root": root}, "application/json")
        assert answer.status_code == 404
