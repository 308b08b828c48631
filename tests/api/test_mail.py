"""The calls about mail: tray, inbox, notices; and that nobody's private address is ever served."""

import re

import pytest
from django.test import Client

from hestor.core.contact.enquiry import Written
from hestor.core.roles import Role
from hestor.mail.models import Message, State
from hestor.mail.selectors.letters import Voice
from hestor.mail.services import enquiries, notices
from hestor.mail.services.posting import put
from hestor.rendering import Renderer
from hestor.sites.models import Edition
from hestor.sites.selectors.states import draft_of, edition_of
from hestor.sites.services.facts import write_facts
from hestor.sites.services.new_pages import page_of_kind
from hestor.sites.services.publishing import publish
from tests.conftest import NOW

pytestmark = pytest.mark.django_db
ADA = Written("Ada", "ada@cottage.example", "Hello. Is it late?")


@pytest.fixture
def client(site, person, owner) -> Client:
    page_of_kind(site, "contact")
    notices.set_in_force(site, "private@post.example", NOW)
    publish(site.pk, owner, NOW)
    enquiries.keep(site, ADA, "/contact/", NOW, False, "d")
    return person(Role.OWNER)


def get(client, path, **more):
    return client.get(f"/api/sites/seeds/{path}", more)


def test_the_tray_lists_finds_and_shows_a_message_whole(client):
    listed = get(client, "mail").json()
    message = listed["messages"][0]
    assert (message["receiver"], message["subject"], message["state"]) == (
        "private@post.example", "Message from Ada", "kept",
    )  # fmt: skip
    assert (listed["sends"], listed["more"], listed["counts"]) == (False, False, {"kept": 1})
    for sought, count in (("late", 1), ("hello ada", 1), ("POST.example", 1), ("nobody", 0)):
        assert len(get(client, "mail", q=sought).json()["messages"]) == count
    whole = get(client, f"mail/{message['id']}").json()
    assert {"name": "Reply-To", "value": "Ada <ada@cottage.example>"} in whole["headers"]
    assert "Is it late?" in whole["text"]
    raw = get(client, f"mail/{message['id']}/raw")
    assert (raw["Content-Type"], b"Is it late?" in raw.content) == ("message/rfc822", True)


def test_a_message_is_framed_by_the_desk_alone_and_runs_nothing(client):
    number = get(client, "mail").json()["messages"][0]["id"]
    for path in (f"mail/{number}/html", "mail/kinds/confirm/html"):
        shown = get(client, path, theme="dark")
        policy = shown["Content-Security-Policy"]
        assert (shown.status_code, shown["X-Frame-Options"]) == (200, "SAMEORIGIN")
        assert "sandbox" in policy
        assert "script-src" not in policy
        assert policy.startswith("default-src 'none'")
        assert b"@media all" in shown.content
    assert get(client, "mail")["X-Frame-Options"] == "DENY"


def test_older_messages_come_page_by_page(client, site):
    letter = Voice(site, NOW).write("replaced", {"address": "a@b.example", "moment": "now"}, "me@post.example")
    for _ in range(60):
        put(site, letter, NOW)
    first = get(client, "mail").json()
    assert (len(first["messages"]), first["more"]) == (50, True)
    last = get(client, "mail", before=first["messages"][-1]["id"]).json()
    assert (len(last["messages"]), last["more"]) == (11, False)


def test_a_failed_message_is_shown_and_sent_again(client, site):
    Message.objects.update(state=State.FAILED, error="550 no such person")
    failed = get(client, "mail", state="failed").json()
    assert failed["counts"] == {"failed": 1}
    assert failed["messages"][0]["error"] == "550 no such person"
    again = client.post(f"/api/sites/seeds/mail/{failed['messages'][0]['id']}/again")
    assert again.json()["state"] == "kept"


def test_kinds_come_with_their_words_and_what_they_need(client, site):
    kinds = {one["kind"]: one for one in get(client, "mail/kinds").json()}
    assert set(kinds) == {"enquiry", "confirm", "replaced"}
    assert (kinds["confirm"]["needed"], kinds["confirm"]["own"]) == (["link"], False)
    own = [{"language": "en", "key": "message.confirm.text", "text": "Please."}]
    site.refresh_from_db()
    refused = client.patch(
        "/api/sites/seeds/style",
        {"facts": {"own_words": own}},
        "application/json",
        headers={"if-match": str(site.revision)},
    )
    problem = refused.json()["errors"][0]
    assert (refused.status_code, problem["field"], problem["fix"]) == (422, "own_words.message.confirm.text", " {link}")
    assert "{link}" in problem["message"]


def test_the_inbox_marks_and_deletes(client):
    found = get(client, "enquiries").json()
    one = found["enquiries"][0]
    assert (one["told"], found["receiver"], found["form"], found["days"]) == (
        "private@post.example", "private@post.example", "/contact/", 180,
    )  # fmt: skip
    path = f"/api/sites/seeds/enquiries/{one['id']}"
    assert client.patch(path, {"done": True}, "application/json").json()["done"]
    assert get(client, "enquiries", shown="done").json()["counts"] == {"open": 0, "done": 1, "suspect": 0}
    assert client.delete(path).status_code == 204
    assert client.delete(path).status_code == 404


def test_an_address_is_confirmed_by_whoever_reads_it_signed_in_or_not(client, site):
    site.refresh_from_db()
    write_facts(site, {"notices_email": "new@post.example"}, site.revision)
    asked = client.post("/api/sites/seeds/notices/ask").json()
    assert (asked["in_force"], asked["asked"]) == ("private@post.example", "new@post.example")
    token = re.search(r"/confirm/(\S+)", Message.objects.latest("pk").body.words)[1]
    stranger = Client(headers={"host": "localhost"})
    for call, status in (("asked", 200), ("confirm", 200), ("confirm", 410), ("asked", 410)):
        answer = stranger.post(f"/api/notices/{call}", {"token": token}, "application/json")
        assert answer.status_code == status
    assert get(client, "notices").json()["in_force"] == "new@post.example"


def test_only_an_owner_sends_the_link(site, person, client):
    assert person(Role.EDITOR).post("/api/sites/seeds/notices/ask").status_code == 403


def test_no_byte_that_a_site_serves_holds_the_private_address(client, site):
    """Whatever the public and a preview can ask for."""
    site.refresh_from_db()
    states = [draft_of(site), *(edition_of(site, one) for one in Edition.objects.all())]
    for state in states:
        renderer = Renderer(state, NOW)
        paths = [*renderer.paths(), "/feed.xml", "/contact.vcf", "/events.ics", "/sitemap.xml", "/robots.txt",
                 "/site.webmanifest", "/nowhere/", "/contact/sent/"]  # fmt: skip
        for path in paths:
            assert b"private@post" not in renderer.respond(path).body, path
    visitor = Client(headers={"host": "seeds.localhost"})
    for path in ("/", "/contact/", "/contact/sent/", "/feed.xml", "/contact.vcf"):
        assert b"private@post" not in visitor.get(path).content
    assert all("private@post" not in str(one.facts_document) for one in Edition.objects.all())
