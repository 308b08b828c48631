"""The home page, the not-found page, links that follow, posts with a time: what a draft's pages can be made."""

from datetime import UTC, date, datetime, time

import pytest
from django.test import Client

from hestor import clock
from hestor.core.errors import InvalidInput, NotFound, StaleRevision
from hestor.rendering import Renderer
from hestor.sites.models import Revision
from hestor.sites.selectors.changes import changes_of
from hestor.sites.selectors.former import said_before
from hestor.sites.selectors.states import draft_of
from hestor.sites.selectors.title_table import every_row
from hestor.sites.services import page_tree
from hestor.sites.services.bulk_titles import Cell, write_cells
from hestor.sites.services.facts import write_facts
from hestor.sites.services.home_page import make_home, make_not_found
from hestor.sites.services.link_updates import follow
from hestor.sites.services.pages import add_page, change_page
from hestor.sites.services.publishing import publish
from tests.conftest import NOW

pytestmark = pytest.mark.django_db


def page(site, path):
    return Revision.objects.in_draft_of(site).get(path=path).page_id


def drawn(site, path):
    site.refresh_from_db()
    return Renderer(draft_of(site), NOW).respond(path)


def test_another_page_becomes_home_and_the_old_one_gets_an_address(site, owner, public):
    change_page(site, page(site, "/"), {"body": "See [about](/about/)."})
    make_home(site, page(site, "/about/"))
    texts = dict(Revision.objects.in_draft_of(site).values_list("path", "title"))
    assert (texts["/"], "/about/" in texts, len(texts)) == ("About", False, 5)
    assert "See [about](/)" in Revision.objects.in_draft_of(site).get(path="/home/").text.body
    publish(site.pk, owner, NOW)
    answer = public.get("/about/")
    assert (answer.status_code, answer["Location"].rpartition("localhost")[2]) == (301, "/")
    make_home(site, page(site, "/home/"))
    assert page(site, "/")
    with pytest.raises(InvalidInput):
        make_home(site, page(site, "/news/first/"))


def test_the_owners_own_page_stands_for_all_addresses_that_lead_nowhere(site, owner, public):
    lost = page_tree.add_new(site, "Lost your way?", "page", None, NOW).page_id
    make_not_found(site, lost, True)
    for path in ("/nowhere/", "/lost-your-way/"):
        answer = drawn(site, path)
        assert (answer.status, b"Lost your way?" in answer.body, b'name="robots" content="noindex' in answer.body) == (
            404,
            True,
            True,
        )
    publish(site.pk, owner, NOW)
    assert public.get("/nowhere/").status_code == 404
    assert b"Lost your way?" in public.get("/nowhere/").content
    assert b"lost-your-way" not in public.get("/sitemap.xml").content
    make_not_found(site, page(site, "/about/"), True)
    kinds = dict(Revision.objects.in_draft_of(site).values_list("path", "kind"))
    assert (kinds["/lost-your-way/"], kinds["/about/"]) == ("page", "not_found")
    assert Revision.objects.in_draft_of(site).get(path="/about/people/").parent_id is None
    make_not_found(site, page(site, "/about/"), False)
    assert drawn(site, "/about/").status == 200
    for path in ("/", "/news/"):
        with pytest.raises(InvalidInput):
            make_not_found(site, page(site, path), True)


def test_links_follow_a_page_that_moves(site):
    add_page(site, {"path": "/links/", "title": "Links", "body": "[us](/about/) [people](/about/people/)"})
    change_page(site, page(site, "/about/"), {"path": "/us/"})
    assert follow(site, {"/about/": "/us/"}) == 1
    assert Revision.objects.in_draft_of(site).get(path="/links/").text.body == "[us](/us/) [people](/about/people/)"


@pytest.mark.parametrize("path", ["/ABOUT/", "/About/"])
def test_addresses_that_differ_by_case_alone_are_refused(site, path):
    with pytest.raises(InvalidInput) as refused:
        add_page(site, {"path": path, "title": "T"})
    assert [problem.code for problem in refused.value.problems] == ["path_alike"]


def test_addresses_that_differ_by_unicode_form_alone_are_refused(site):
    add_page(site, {"path": "/café/", "title": "T"})
    with pytest.raises(InvalidInput):
        add_page(site, {"path": "/cafe\u0301/", "title": "T"})
    with pytest.raises(InvalidInput):
        add_page(site, {"path": "/ＣＡＦÉ/", "title": "T"})


def test_a_post_comes_out_at_its_time_without_anybody_publishing(site, owner, public, monkeypatch):
    late = {
        "path": "/news/late/",
        "title": "Late",
        "kind": "post",
        "published": date(2026, 5, 2),
        "published_at": time(18, 30),
    }
    add_page(site, late)
    publish(site.pk, owner, NOW)
    # 18:30 in London in May is 17:30 in Greenwich.
    for hour, minute, status in ((16, 0, 404), (17, 29, 404), (17, 30, 200), (18, 0, 200)):
        monkeypatch.setattr(clock, "now", lambda h=hour, m=minute: datetime(2026, 5, 2, h, m, tzinfo=UTC))
        assert public.get("/news/late/").status_code == status, (hour, minute)
        assert (b"Late" in public.get("/news/").content) is (status == 200)
        assert (b"Late" in public.get("/feed.xml").content) is (status == 200)


def test_many_cells_are_kept_at_once_or_none(site, owner):
    site.refresh_from_db()
    people, about = page(site, "/about/people/"), page(site, "/about/")
    cells = [
        Cell(people, "title", " The people "),
        Cell(about, "own_title", "About {site}"),
        Cell(about, "title", "About"),
    ]
    assert set(write_cells(site, cells, site.revision)) == {people, about}
    site.refresh_from_db()
    shown = {row.page.path: row.shown for row in every_row(site, NOW)}
    assert (shown["/about/"], shown["/about/people/"]) == ("About Seed Library", "The people – Seed Library")
    assert [(one.kind, one.key) for one in changes_of(site)] == [
        ("page_changed", "/about/"),
        ("page_changed", "/about/people/"),
    ]
    before = list(Revision.objects.values())
    for bad in ([Cell(about, "title", ""), Cell(people, "title", "x")], [Cell(about, "body", "x")]):
        with pytest.raises(InvalidInput):
            write_cells(site, bad, site.revision)
    with pytest.raises(NotFound):
        write_cells(site, [Cell(999_999, "title", "x")], site.revision)
    with pytest.raises(StaleRevision):
        write_cells(site, [Cell(about, "title", "x")], site.revision - 1)
    assert list(Revision.objects.values()) == before
    # Said again as it is live, a page is no change any more; its text was never copied.
    write_cells(site, [Cell(people, "title", "People"), Cell(about, "own_title", "")], site.revision)
    site.refresh_from_db()
    assert changes_of(site) == ()
    assert Revision.objects.in_draft_of(site).filter(live_from=None).count() == 0


def test_a_pattern_reaches_all_pages_made_before_and_after(site, owner, public):
    write_facts(site, {"title_pattern": "{site}: {section} / {page}"}, site.revision)
    add_page(site, {"path": "/after/", "title": "After"})
    publish(site.pk, owner, NOW)
    for path, title in (
        ("/about/", "Seed Library / About"),
        ("/about/people/", "Seed Library: About / People"),
        ("/after/", "Seed Library / After"),
        ("/news/first/", "Seed Library: News / First"),
    ):
        assert f"<title>{title}</title>".encode() in public.get(path).content


def test_the_table_says_what_the_pages_say(site):
    page_tree.add_new(site, "Deep", "page", page(site, "/about/people/"), NOW)
    write_facts(site, {"title_pattern": "{page} – {section} – {site}"}, site.revision + 1)
    site.refresh_from_db()
    renderer = Renderer(draft_of(site), NOW)
    for row in every_row(site, NOW):
        read = renderer.read(row.page.path)
        assert (row.shown, row.description) == (read.title, read.description), row.page.path


def test_former_names_come_from_the_editions(site, owner):
    for name in ("Seed Exchange", "Seed Bank", "Seed Library"):
        site.refresh_from_db()
        write_facts(site, {"name": name}, site.revision)
        publish(site.pk, owner, NOW)
    site.refresh_from_db()
    assert said_before(site, "name", site.facts.name) == ("Seed Bank", "Seed Exchange")


@pytest.mark.parametrize(
    ("part", "gone"),
    [("header", b'class="home"'), ("menu", b"<nav id"), ("footer", b"footer-line"), ("trail", b'class="trail"'),
     ("notice", b"notice-line"), ("side", b'class="side"'), ("contact", b'class="contact"')],
)  # fmt: skip
def test_a_page_leaves_out_a_part_that_all_others_show(site, part, gone):
    facts = {"site_notice": {"text": "Closed"}, "side_text": "Beside.", "contact_email": "a@b.example"}
    write_facts(site, facts, site.revision)
    assert gone in drawn(site, "/about/people/").body
    change_page(site, page(site, "/about/people/"), {"left_out": [part]})
    assert gone not in drawn(site, "/about/people/").body
    change_page(site, page(site, "/about/people/"), {"left_out": []})
    assert gone in drawn(site, "/about/people/").body


def test_a_heading_that_is_not_shown_is_still_read_out(site):
    change_page(site, page(site, "/about/"), {"shows_heading": False})
    assert b'<h1 class="unseen">About</h1>' in drawn(site, "/about/").body


def test_a_notice_ends_with_its_last_day(site, owner, public, monkeypatch):
    write_facts(site, {"site_notice": {"text": "Closed on {date:2026-12-24}", "until": "2026-05-03"}}, site.revision)
    publish(site.pk, owner, NOW)
    for day, shown in ((2, True), (3, True), (4, False)):
        monkeypatch.setattr(clock, "now", lambda d=day: datetime(2026, 5, d, 12, tzinfo=UTC))
        assert (b"Closed on 24 December 2026" in public.get("/about/").content) is shown


CODE = {"code": "<script src='https://count.example/c.js'></script>"}


def test_code_of_others_is_on_every_page_and_allowed_there_alone(site, owner, public):
    write_facts(site, {"added_code": CODE}, site.revision)
    publish(site.pk, owner, NOW)
    answer = public.get("/about/")
    assert CODE["code"].encode() in answer.content
    assert "script-src 'self' https://count.example;" in answer["Content-Security-Policy"]
    assert "https://count.example" not in public.get("/feed.xml")["Content-Security-Policy"]
    assert "https://count.example" not in Client(headers={"host": "localhost"}).get("/")["Content-Security-Policy"]


def test_until_a_visitor_agrees_the_code_waits(site, owner, public):
    notice = {"title": "Counting visits", "text": "May {site} count you?"}
    write_facts(site, {"added_code": CODE, "cookie_notice": notice}, site.revision)
    publish(site.pk, owner, NOW)
    html = public.get("/about/").content.decode()
    assert CODE["code"] not in html.partition("<template")[0]
    assert CODE["code"] in html.partition("<template")[2]
    assert "May Seed Library count you?" in html
