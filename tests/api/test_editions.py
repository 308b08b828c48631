import pytest

from hestor.sites.models import Edition, Revision
from tests.api.test_style import patch
from tests.conftest import NOW


def page_id(site, path="/about/"):
    return Revision.objects.in_draft_of(site).get(path=path).page_id


def test_from_a_name_to_every_page(desk, site, public):
    before = {path: public.get(path).content for path in ("/", "/about/", "/feed.xml")}
    patch(desk, {"name": "Bean House"}, site.revision)
    assert {path: public.get(path).content for path in before} == before
    (change,) = desk.get("/api/sites/seeds/changes").json()["changes"]
    assert (change["words"], change["old"], change["new"]) == (
        "Name: 5 pages, the not-found page, 1 feed, 1 home screen entry, every message",
        "Seed Library",
        "Bean House",
    )
    published = desk.post("/api/sites/seeds/editions").json()
    assert (published["number"], published["live"], published["by"]) == (2, True, "owner")
    assert published["address"] == "http://seeds.localhost:8000/"
    for path in (
        "/",
        "/about/",
        "/about/people/",
        "/news/",
        "/news/first/",
        "/feed.xml",
        "/site.webmanifest",
        "/none/",
    ):
        text = public.get(path).content.decode()
        assert "Bean House" in text
        assert "Seed Library" not in text
    assert desk.get("/api/sites/seeds/changes").json()["changes"] == []


def test_publishing_what_was_reviewed(desk, site):
    reviewed = desk.get("/api/sites/seeds/changes").json()["revision"]
    patch(desk, {"name": "Other"}, reviewed)
    stale = desk.post("/api/sites/seeds/editions", headers={"if-match": str(reviewed)})
    assert (stale.status_code, stale.json()["code"]) == (412, "stale_revision")
    assert desk.post("/api/sites/seeds/editions", headers={"if-match": str(reviewed + 1)}).status_code == 201


def test_pages_are_changed_in_the_draft_only(desk, site, public):
    before = public.get("/about/").content
    pages = "/api/sites/seeds/pages"
    assert (
        desk.patch(f"{pages}/{page_id(site)}", {"body": "New.", "title": "Us"}, "application/json").status_code == 200
    )
    desk.post(pages, {"path": "/new/", "title": "New {site}"}, "application/json")
    desk.delete(f"{pages}/{page_id(site, '/news/first/')}")
    assert public.get("/about/").content == before
    assert public.get("/new/").status_code == 404
    words = [c["words"] for c in desk.get("/api/sites/seeds/changes").json()["changes"]]
    assert words == ["Changed page /about/: 1 page", "New page /new/: 1 page", "Page /news/first/ taken out: 1 page"]
    states = {p["path"]: p["state"] for p in desk.get(pages).json()}
    assert (states["/about/"], states["/new/"], states["/"]) == ("changed", "new", "live")
    desk.post("/api/sites/seeds/editions")
    assert "New." in public.get("/about/").content.decode()
    assert "New Seed Library" in public.get("/new/").content.decode()
    assert public.get("/news/first/").status_code == 404


def test_an_edition_can_be_brought_back_exactly(desk, site, public):
    paths = ("/", "/about/", "/feed.xml", "/sitemap.xml", "/site.webmanifest")
    first = {path: public.get(path).content for path in paths}
    patch(desk, {"name": "Bean House", "footer_text": "{year:2001}"}, site.revision)
    desk.patch(f"/api/sites/seeds/pages/{page_id(site)}", {"body": "Other."}, "application/json")
    desk.delete(f"/api/sites/seeds/pages/{page_id(site, '/news/first/')}")
    desk.post("/api/sites/seeds/editions")
    assert {path: public.get(path).content for path in paths} != first
    back = desk.post("/api/sites/seeds/editions/1/restore").json()
    assert (back["number"], back["changed"], back["changed_pages"]) == (1, ["name", "footer_text"], 2)
    desk.post("/api/sites/seeds/editions")
    assert {path: public.get(path).content for path in paths} == first
    assert [e["number"] for e in desk.get("/api/sites/seeds/editions").json()] == [3, 2, 1]


def test_bringing_back_what_is_live_changes_nothing(desk, site):
    patch(desk, {"name": "Typed"}, site.revision)
    back = desk.post("/api/sites/seeds/editions/1/restore").json()
    assert (back["changed"], back["changed_pages"]) == ([], 0)
    assert desk.post("/api/sites/seeds/editions").status_code == 409


def test_the_list_says_who_when_and_what(desk, site):
    patch(desk, {"tagline": "New"}, site.revision)
    desk.post("/api/sites/seeds/editions")
    newest, first = desk.get("/api/sites/seeds/editions").json()
    assert (newest["number"], newest["live"], first["live"]) == (2, True, False)
    assert [c["words"] for c in newest["changes"]] == ["Tagline: 5 pages, the not-found page, 1 feed"]
    assert first["by"] == "Olive"
    assert first["published"].startswith("2026-05-01T12:00:00")
    assert [e["number"] for e in desk.get("/api/sites/seeds/editions?before=2").json()] == [1]


def test_any_edition_and_the_draft_can_be_previewed(desk, site, public):
    patch(desk, {"name": "Bean House"}, site.revision)
    draft = desk.get("/api/sites/seeds/changes").json()["preview_url"]
    desk.post("/api/sites/seeds/editions")
    old = desk.get("/api/sites/seeds/editions").json()[1]["preview_url"]
    for link, name in ((old, "Seed Library"), (draft, "Bean House")):
        path = link.removeprefix("http://seeds.localhost:8000")
        answer = public.get(path + "about/")
        assert name in answer.content.decode()
        assert answer["cache-control"] == "private, no-store"
        assert answer["x-robots-tag"] == "noindex"


@pytest.mark.parametrize(
    "spoil", [lambda p: p[:-3] + "/", lambda p: p.replace("/_preview/", "/_preview/x"), lambda p: "/_preview/"]
)
def test_a_preview_needs_its_whole_link(desk, site, public, spoil):
    path = desk.get("/api/sites/seeds/changes").json()["preview_url"].removeprefix("http://seeds.localhost:8000")
    assert public.get(path).status_code == 200
    assert public.get(spoil(path)).status_code == 404


def test_a_preview_is_good_for_its_own_site_only(desk, site, public):
    desk.post("/api/sites", {"name": "Other"}, "application/json")
    desk.post("/api/sites/other/editions")
    path = desk.get("/api/sites/seeds/changes").json()["preview_url"].removeprefix("http://seeds.localhost:8000")
    assert public.get(path, headers={"host": "other.localhost"}).status_code == 404


def test_one_page(desk, site):
    said = desk.get(f"/api/sites/seeds/pages/{page_id(site)}").json()
    assert (said["body"], said["tab_title"], said["parent"]) == ("This is {site}.", "About – Seed Library", None)
    assert desk.get("/api/sites/seeds/pages/999999").status_code == 404


def test_a_stale_write_to_a_page_is_refused_with_both_values(desk, site):
    page = f"/api/sites/seeds/pages/{page_id(site)}"
    read = desk.get(page).json()["revision"]
    headers = {"if-match": f'"{read}"'}
    assert desk.patch(page, {"title": "Theirs"}, "application/json", headers=headers).status_code == 200
    stale = desk.patch(page, {"title": "Mine"}, "application/json", headers=headers)
    assert (stale.status_code, stale.json()["code"]) == (412, "stale_revision")
    assert stale.json()["yours"] == {"title": "Mine"}
    current = stale.json()["current"]
    assert (current["title"], current["revision"]) == ("Theirs", read + 1)
    headers = {"if-match": str(current["revision"])}
    assert desk.patch(page, {"title": "Mine"}, "application/json", headers=headers).json()["title"] == "Mine"


@pytest.mark.parametrize("change", [{"order": -1}, {"title": None}, {"kind": "x"}, {"nope": 1}, {"parent": "x"}])
def test_a_change_of_a_page_that_is_no_change_is_refused(desk, site, change):
    answer = desk.patch(f"/api/sites/seeds/pages/{page_id(site)}", change, "application/json")
    assert (answer.status_code, answer.json()["code"]) == (422, "invalid_input")


def test_a_long_list_names_where_it_goes_on(desk, site):
    Edition.objects.bulk_create(
        Edition(site=site, number=n, facts_document=site.draft_facts, published=NOW) for n in range(2, 60)
    )
    first = desk.get("/api/sites/seeds/editions")
    assert [one["number"] for one in first.json()] == list(range(59, 9, -1))
    assert first["Link"] == '</api/sites/seeds/editions?before=10>; rel="next"'
    rest = desk.get("/api/sites/seeds/editions?before=10")
    assert [one["number"] for one in rest.json()] == list(range(9, 0, -1))
    assert "Link" not in rest


def test_a_page_that_is_refused_says_where(desk, site):
    body = {"path": "/x/", "title": "X", "body": "Hello {sitee}"}
    answer = desk.post("/api/sites/seeds/pages", body, "application/json")
    (error,) = answer.json()["errors"]
    assert (error["field"], error["start"], error["end"], error["fix"]) == ("body", 6, 13, "{site}")


def test_facts_are_called_by_their_names_in_the_desks_language(desk, site):
    patch(desk, {"tagline": "Sow and share"}, site.revision)

    def named(path: str, language: str) -> list[str]:
        found = desk.get(f"/api/sites/seeds/{path}", headers={"accept-language": language}).json()
        return [change["name"] for change in (found["changes"] if path == "changes" else found[0]["changes"])]

    assert (named("changes", "de"), named("changes", "es")) == (["Leitspruch"], ["Lema"])
    desk.post("/api/sites/seeds/editions", content_type="application/json")
    assert (named("editions", "de"), named("editions", "en")) == (["Leitspruch"], ["Tagline"])
