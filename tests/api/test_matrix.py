"""Every call of the API against every kind of caller. A new call fails here until it has its line."""

import json
from contextlib import contextmanager

import pytest
from django.core.files.uploadedfile import SimpleUploadedFile
from django.db import transaction
from django.test import Client

from hestor.api.api import api
from hestor.core.pages import actions
from hestor.core.pages.actions import PageAction
from hestor.core.roles import Role
from hestor.mail.models import Enquiry, Message, NoticesAddress, State
from hestor.mail.selectors.letters import Voice
from hestor.mail.services.posting import put
from hestor.pictures.models import Picture
from hestor.pictures.selectors import masters
from hestor.pictures.services import upload
from hestor.rendering.brand_files import PREFIX, BrandFiles
from hestor.sites.models import RemovedPage, Revision, Site
from hestor.sites.selectors import previews
from hestor.sites.services import page_tree
from hestor.sites.services.pictures import delete
from tests.conftest import NOW
from tests.support import caches
from tests.support.pictures import png

VIEW, EDIT, PUBLISH, MANAGE = "view", "edit", "publish", "manage"
FILE = "a picture, sent as a form"
LOOK = "words of a page, with the preview that they are seen in"
# method, path, body, what it needs, the status for whoever may
CALLS = [
    ("GET", "/sites/{site}", None, VIEW, 200),
    ("PATCH", "/sites/{site}", {"label": "L"}, MANAGE, 200),
    ("GET", "/sites/{site}/editions/{number}/files.zip", None, VIEW, 200),
    ("GET", "/sites/{site}/editions/{number}/package.zip", None, VIEW, 200),
    ("GET", "/sites/{site}/package.zip", None, VIEW, 200),
    ("GET", "/sites/{site}/facts-of/{other}", None, VIEW, 200),
    ("POST", "/sites/{site}/facts-of/{other}", {"keys": ["name"]}, EDIT, 200),
    ("GET", "/sites/{site}/timed", None, VIEW, 200),
    ("PUT", "/sites/{site}/timed", {"at": "2026-06-01T09:00"}, PUBLISH, 409),
    ("DELETE", "/sites/{site}/timed", None, PUBLISH, 200),
    ("GET", "/sites/{site}/closed", None, VIEW, 200),
    ("PUT", "/sites/{site}/closed", {}, MANAGE, 200),
    ("DELETE", "/sites/{site}/closed", None, MANAGE, 200),
    ("DELETE", "/sites/{site}", None, MANAGE, 204),
    ("GET", "/sites/{site}/style", None, VIEW, 200),
    ("PATCH", "/sites/{site}/style", {"facts": {"name": "N"}}, EDIT, 200),
    ("GET", "/sites/{site}/proofs", None, VIEW, 200),
    ("POST", "/sites/{site}/proofs", {"facts": {}}, VIEW, 200),
    ("POST", "/sites/{site}/reach", {"keys": ["name"]}, VIEW, 200),
    ("GET", "/sites/{site}/brand", None, VIEW, 200),
    ("POST", "/sites/{site}/brand", {"facts": {}}, VIEW, 200),
    ("POST", "/sites/{site}/tokens", {"text": ":root{--brand:#123456}"}, EDIT, 200),
    ("GET", "/sites/{site}/tokens.{kind}", None, VIEW, 200),
    ("GET", "/sites/{site}/files/{path}", None, VIEW, 200),
    ("GET", "/sites/{site}/pictures", None, VIEW, 200),
    ("POST", "/sites/{site}/pictures", FILE, EDIT, 201),
    ("PATCH", "/sites/{site}/pictures/{picture}", {"title": "T"}, EDIT, 200),
    ("POST", "/sites/{site}/pictures/{picture}/content", FILE, EDIT, 200),
    ("DELETE", "/sites/{site}/pictures/{picture}", None, EDIT, 204),
    ("POST", "/sites/{site}/pictures/{picture}/restore", None, EDIT, 200),
    ("GET", "/sites/{site}/pictures/{picture}/thumbnail", None, VIEW, 200),
    ("GET", "/sites/{site}/pictures/{picture}/crop", None, VIEW, 200),
    ("GET", "/sites/{site}/pages", None, VIEW, 200),
    ("GET", "/sites/{site}/tree", None, VIEW, 200),
    ("POST", "/sites/{site}/pages", {"path": "/n/", "title": "N"}, EDIT, 201),
    ("GET", "/sites/{site}/pages/{page}", None, VIEW, 200),
    ("PATCH", "/sites/{site}/pages/{page}", {"title": "N"}, EDIT, 200),
    ("DELETE", "/sites/{site}/pages/{page}", None, EDIT, 204),
    ("POST", "/sites/{site}/new-pages", {"title": "T"}, EDIT, 201),
    ("POST", "/sites/{site}/new-pages/several", {"titles": ["T"]}, EDIT, 201),
    ("POST", "/sites/{site}/pages/several", {"act": "menu", "pages": [1], "on": True}, EDIT, 200),
    ("POST", "/sites/{site}/pages/{page}/move", {"parent": None, "index": 0}, EDIT, 200),
    ("POST", "/sites/{site}/pages/{page}/duplicate", None, EDIT, 201),
    ("POST", "/sites/{site}/pages/{page}/look", LOOK, VIEW, 200),
    ("POST", "/sites/{site}/pages/{page}/passages", {}, VIEW, 200),
    ("POST", "/sites/{site}/pages/{page}/merge", {"base": "", "mine": "", "theirs": ""}, EDIT, 200),
    ("POST", "/sites/{site}/pages/{page}/home", None, EDIT, 204),
    ("POST", "/sites/{site}/pages/{page}/not-found", {"on": True}, EDIT, 204),
    ("GET", "/sites/{site}/address", None, VIEW, 200),
    ("PATCH", "/sites/{site}/address", {"slug": "beans"}, MANAGE, 200),
    ("POST", "/sites/{site}/address/check", None, MANAGE, 200),
    ("GET", "/sites/{site}/unsaid", None, VIEW, 200),
    ("POST", "/sites/{site}/import", FILE, EDIT, 200),
    ("GET", "/sites/{site}/import", None, VIEW, 200),
    ("GET", "/sites/{site}/pages.zip", None, VIEW, 200),
    ("POST", "/sites/{site}/added-code/check", {"code": "<meta name=a>"}, VIEW, 200),
    ("GET", "/sites/{site}/titles", None, VIEW, 200),
    ("PATCH", "/sites/{site}/titles", {"cells": []}, EDIT, 200),
    ("POST", "/sites/{site}/titles/replace", {"find": "a"}, EDIT, 200),
    ("POST", "/sites/{site}/titles/mends", {"kind": "title_long"}, EDIT, 200),
    ("GET", "/sites/{site}/titles.csv", None, VIEW, 200),
    ("POST", "/sites/{site}/titles/csv", {"text": "path,title"}, EDIT, 200),
    ("POST", "/sites/{site}/deeds/{deed}/take-back", None, EDIT, 404),
    ("PATCH", "/sites/{site}/editions/{number}", {"label": "Spring"}, EDIT, 200),
    ("GET", "/sites/{site}/editions/{number}/compared?other=1", None, VIEW, 200),
    ("POST", "/sites/{site}/editions/{number}/restore-part", {"fact": "name"}, EDIT, 200),
    ("GET", "/sites/{site}/sweep", None, VIEW, 200),
    ("POST", "/sites/{site}/sweep/step", None, VIEW, 200),
    ("GET", "/sites/{site}/sweep/change", None, VIEW, 200),
    ("GET", "/sites/{site}/followed", None, VIEW, 200),
    ("POST", "/sites/{site}/followed/{number}", {"take": True}, EDIT, 404),
    ("DELETE", "/sites/{site}/followed/{number}", None, EDIT, 404),
    ("GET", "/sites/{site}/own-changes", None, EDIT, 200),
    ("GET", "/several-sites/packages.zip?sites={site}", None, VIEW, 200),
    ("POST", "/sites/{site}/copies", {"name": "N", "what": "all"}, MANAGE, 201),
    ("POST", "/sites/{site}/own-changes/{number}/undo", None, EDIT, 404),
    ("POST", "/sites/{site}/dates/read", {"text": "3.5.", "wanted": "day"}, VIEW, 200),
    ("POST", "/sites/{site}/sweep/live", {"start": 0}, VIEW, 200),
    ("POST", "/sites/{site}/sweep/mend", {"strays": [{"id": "none"}]}, EDIT, 404),
    ("POST", "/sites/{site}/sweep/words", {"pages": []}, EDIT, 200),
    ("PUT", "/sites/{site}/sweep/meant/{stray}", {"reason": ""}, EDIT, 404),
    ("DELETE", "/sites/{site}/sweep/meant/{stray}", None, EDIT, 404),
    ("GET", "/sites/{site}/pages/{page}/below", None, VIEW, 200),
    ("GET", "/sites/{site}/removed-pages", None, VIEW, 200),
    ("POST", "/sites/{site}/removed-pages/{removed}/restore", None, EDIT, 200),
    ("POST", "/sites/{site}/events", {"title": "E", "schedule": {"starts": "2026-05-02"}}, EDIT, 201),
    ("POST", "/sites/{site}/events/check", {"schedule": {"starts": "2026-05-02"}}, VIEW, 200),
    ("GET", "/sites/{site}/changes", None, VIEW, 200),
    ("GET", "/sites/{site}/preview", None, VIEW, 200),
    ("POST", "/sites/{site}/contact/check", {"email": "hello@example.org"}, VIEW, 200),
    ("POST", "/sites/{site}/contact/details", {"phone": "+44 1632 960123"}, VIEW, 200),
    ("GET", "/sites/{site}/contact", None, VIEW, 200),
    ("POST", "/sites/{site}/contact/pages", {"kind": "contact"}, EDIT, 201),
    ("GET", "/sites/{site}/mail", None, VIEW, 200),
    ("GET", "/sites/{site}/mail/kinds", None, VIEW, 200),
    ("GET", "/sites/{site}/mail/kinds/{message_kind}/html", None, VIEW, 200),
    ("GET", "/sites/{site}/mail/{message}", None, VIEW, 200),
    ("GET", "/sites/{site}/mail/{message}/html", None, VIEW, 200),
    ("GET", "/sites/{site}/mail/{message}/raw", None, VIEW, 200),
    ("POST", "/sites/{site}/mail/{message}/again", None, PUBLISH, 200),
    ("GET", "/sites/{site}/enquiries", None, EDIT, 200),
    ("GET", "/sites/{site}/enquiries.mbox", None, EDIT, 200),
    ("PATCH", "/sites/{site}/enquiries/{enquiry}", {"done": True}, EDIT, 200),
    ("DELETE", "/sites/{site}/enquiries/{enquiry}", None, EDIT, 204),
    ("GET", "/sites/{site}/notices", None, VIEW, 200),
    ("POST", "/sites/{site}/notices/ask", None, MANAGE, 422),
    ("POST", "/sites/{site}/notices/leave", None, EDIT, 200),
    ("GET", "/sites/{site}/defaults", None, VIEW, 200),
    ("GET", "/sites/{site}/editions", None, VIEW, 200),
    ("POST", "/sites/{site}/editions", None, PUBLISH, 409),
    ("POST", "/sites/{site}/editions/{number}/restore", None, EDIT, 200),
]
ANY_ACCOUNT = [
    ("POST", "/check", FILE, 422),
    ("POST", "/check/mended.zip", FILE, 422),
    ("POST", "/packages", FILE, 422),
    ("GET", "/well-being", None, 403),
    ("POST", "/well-being/copies", None, 403),
    ("GET", "/deleted-sites", None, 200),
    ("POST", "/deleted-sites/{site}/restore", None, 404),
    ("GET", "/sites", None, 200),
    ("GET", "/several-sites", None, 200),
    ("POST", "/several-sites/say", {"sites": ["nobody"], "facts": {}}, 404),
    ("POST", "/several-sites/give", {"sites": ["nobody"], "source": "nobody", "bundles": []}, 404),
    ("POST", "/several-sites/take-back", {"done": [{"site": "nobody", "deed": 1}]}, 404),
    ("POST", "/several-sites/publish", {"sites": [{"site": "nobody", "revision": 1}]}, 404),
    ("POST", "/sites", {"name": "Another"}, 403),
    ("GET", "/account", None, 200),
    ("POST", "/account/password", {"current": "x", "password": "y"}, 422),
    ("POST", "/account/email", {"current": "x", "email": "y"}, 422),
    ("DELETE", "/account/email", None, 200),
    ("POST", "/account/language", {"language": "de"}, 204),
    ("DELETE", "/account/devices/{device}", None, 404),
    ("GET", "/account/defaults", None, 200),
    ("GET", "/account/defaults/{key}", None, 200),
    ("PUT", "/account/defaults/{key}", {"value": "+44 1632 960123"}, 200),
    ("DELETE", "/account/defaults/{key}", None, 204),
    ("GET", "/towns?q=lo", None, 200),
    ("GET", "/languages?q=de", None, 200),
    ("GET", "/words?language=de", None, 200),
    ("GET", "/countries", None, 200),
    ("GET", "/towns/{town}/proposal", None, 404),
    ("POST", "/clock/wall", {"wall": "2026-05-03T14:30", "zone": "UTC"}, 200),
    ("POST", "/dates/build", {"parts": [{"kind": "day", "pattern": "d"}]}, 200),
    ("GET", "/clock?zone=UTC", None, 200),
    ("GET", "/dates/forms?kind=date&language=en", None, 200),
    ("GET", "/dates/calendars?language=en", None, 200),
    ("POST", "/dates/check", {"pattern": "d", "kind": "date", "language": "en"}, 200),
]
OPEN = {("GET", "/session"), ("POST", "/session"), ("DELETE", "/session"), ("POST", "/accounts")} | {
    ("POST", "/new-password"),
    ("POST", "/notices/asked"),
    ("POST", "/account-address/asked"),
    ("POST", "/account-address/confirm"),
    ("POST", "/notices/confirm"),
    ("GET", "/shapes/{shape}"),
    ("GET", "/typefaces/{family}"),
}
MAY = {Role.OWNER: {VIEW, EDIT, PUBLISH, MANAGE}, Role.EDITOR: {VIEW, EDIT, PUBLISH}, Role.VIEWER: {VIEW}}
pytestmark = pytest.mark.django_db(databases=["default", "towns"])


def ids(call) -> str:
    return f"{call[0]} {call[1]}"


@pytest.fixture(autouse=True)
def pictures(site, tmp_path, settings):
    """A picture, and one that was deleted."""
    settings.DATA = tmp_path
    upload(site.pk, "a.png", png(40, 30))
    gone = upload(site.pk, "gone.png", png(40, 30, seed=1))[0]
    delete(site.pk, gone.pk, NOW)
    page_tree.delete(site, page_tree.add_new(site, "Gone", "page", None, NOW).page_id, NOW)
    site.refresh_from_db()


@pytest.fixture(autouse=True)
def mail(site):
    """A message from a visitor, and one that failed to be sent."""
    wrote = {"email": "v@visitor.example", "message": "Hello.", "path": "/contact/", "received": NOW, "digest": "d"}
    Enquiry.objects.create(site=site, **wrote)
    said = {"address": "a@b.example", "moment": "now"}
    put(site, Voice(site, NOW).write("replaced", said, "b@b.example"), NOW)
    Message.objects.update(state=State.FAILED)


def filled_in(path: str, site: Site) -> str:
    page = Revision.objects.in_draft_of(site).get(path="/about/people/").page_id
    picture = Picture.objects.kept_by(site.pk).first()
    deleted = Picture.objects.deleted_of(site.pk).first()
    icon = BrandFiles(site.facts, masters(site.pk)).icon_folder.removeprefix(PREFIX)
    values: dict[str, object] = {"device": 999_999, "town": 1}
    message, enquiry = Message.objects.get(site=site).pk, Enquiry.objects.get(site=site).pk
    values |= {"message": message, "enquiry": enquiry, "message_kind": "confirm", "key": "phone", "deed": 1}
    values |= {"removed": RemovedPage.objects.get(site=site).pk}
    values |= {"picture": (deleted if "restore" in path else picture).pk, "kind": "css", "path": f"{icon}icon-32.png"}
    return "/api" + path.format(site=site.slug, page=page, number=1, stray="none", other=site.slug, **values)


def send(client: Client, method: str, path: str, body, site: Site):
    filled = filled_in(path, site)
    if body == FILE:
        name = "files" if filled.endswith("/import") else "file"
        return client.post(filled, {name: SimpleUploadedFile("b.png", png(40, 30, seed=2))})
    if body == LOOK:
        body = {"title": "T", "root": previews.link(site, None, "").partition(":8000")[2]}
    data = json.dumps(body) if body is not None else None
    revision = {"if-match": str(site.revision)}
    answer = client.generic(method, filled, data or "", "application/json", headers=revision)
    if answer.streaming:
        answer.getvalue()
        answer.close()
    return answer


def test_the_matrix_holds_every_call():
    documented = {
        (method.upper(), path.removeprefix("/api"))
        for path, methods in api.get_openapi_schema()["paths"].items()
        for method in methods
    }
    listed = {(c[0], c[1].partition("?")[0]) for c in CALLS} | {(c[0], c[1].partition("?")[0]) for c in ANY_ACCOUNT}
    assert documented == listed | OPEN


def state(site: Site):
    tables = (
        Revision.objects,
        Picture.objects,
        Message.objects,
        Enquiry.objects,
        NoticesAddress.objects,
        RemovedPage.objects,
    )
    return Site.objects.values().get(pk=site.pk), [list(table.values()) for table in tables]


@pytest.mark.parametrize("call", CALLS, ids=ids)
def test_whom_a_call_is_refused_and_in_which_words(call, site, person):
    """Nobody signed in, somebody with no part in the site, and roles that may not; nothing has changed after each."""
    method, path, body, needs, _ = call
    before = state(site)
    refused = [(Client(headers={"host": "localhost"}), 401, "signed_out"), (person(None), 404, "not_found")]
    refused += [(person(role), 403, "forbidden") for role in Role if needs not in MAY[role]]
    for client, status, code in refused:
        answer = send(client, method, path, body, site)
        assert (answer.status_code, answer.json()["code"]) == (status, code)
        assert state(site) == before


@contextmanager
def taken_back():
    """What is done within is as if it had never been."""
    with transaction.atomic():
        yield
        transaction.set_rollback(True)
    caches.forget()


@pytest.mark.parametrize("call", CALLS, ids=ids)
def test_roles_that_may(call, site, person):
    """Each role finds all as it was; who makes one test of them makes pictures and pages for it once."""
    method, path, body, needs, status = call
    may = [role for role in Role if needs in MAY[role]]
    answered = {}
    for role in may:
        with taken_back():
            answered[role] = send(person(role), method, path, body, site).status_code
    assert answered == dict.fromkeys(may, status)


@pytest.mark.parametrize("call", ANY_ACCOUNT, ids=ids)
def test_calls_that_need_only_an_account(call, site, person):
    method, path, body, status = call
    assert send(person(None), method, path, body, site).status_code == status
    assert send(Client(headers={"host": "localhost"}), method, path, body, site).status_code == 401


@pytest.mark.parametrize("call", [c for c in CALLS if c[0] != "GET"], ids=ids)
def test_a_page_of_another_origin_can_write_nothing(call, site, person):
    client = person(Role.OWNER)
    client.handler.enforce_csrf_checks = True
    path = filled_in(call[1], site)
    before = state(site)
    for origin in ("http://seeds.localhost:8000", "https://evil.example", "null"):
        answer = client.generic(call[0], path, "{}", "application/json", headers={"origin": origin, "if-match": "1"})
        assert (answer.status_code, answer.json()["code"]) == (403, "cross_site")
    assert state(site) == before


def test_the_desks_own_page_writes_with_its_token(site, person):
    client = person(Role.OWNER)
    client.handler.enforce_csrf_checks = True
    client.get("/")
    token = client.cookies["csrftoken"].value
    headers = {"origin": "http://localhost", "if-match": str(site.revision)}
    for given, status in (({}, 403), ({"x-csrftoken": token}, 200)):
        answer = client.patch(
            "/api/sites/seeds/style", {"facts": {"name": "N"}}, "application/json", headers=headers | given
        )
        assert answer.status_code == status


def test_the_api_is_not_on_the_sites_origin(site, person):
    client = person(Role.OWNER)
    assert client.get("/api/sites", headers={"host": "seeds.localhost"}).status_code == 404


@pytest.mark.parametrize("role", Role)
def test_the_desk_is_told_what_the_calls_allow_and_why_not(person, site, role):
    told = person(role).get(f"/api/sites/{site.slug}").json()["may"]
    assert {action for action, said in told.items() if said["allowed"]} == MAY[role]
    assert all(bool(said["reason"]) is not said["allowed"] for said in told.values())


@pytest.mark.parametrize("role", Role)
@pytest.mark.parametrize("path", ["/", "/about/", "/news/first/"])
def test_the_desk_is_told_what_it_may_do_with_a_page(person, site, role, path):
    page = Revision.objects.in_draft_of(site).get(path=path)
    may = person(role).get(f"/api/sites/{site.slug}/pages/{page.page_id}").json()["may"]
    refused = {action.value for action in PageAction if actions.refusal(action, page.kind, path)}
    allowed = {action.value for action in PageAction} - refused if "edit" in MAY[role] else set()
    assert {name for name, said in may.items() if said["allowed"]} == allowed | ({"edit"} & MAY[role])
    assert all(bool(said["reason"]) is not said["allowed"] for said in may.values())


def test_why_not_is_said_in_the_language_of_the_desk(person, site):
    client = person(Role.VIEWER)
    client.cookies["hestor-language"] = "de"
    said = client.get(f"/api/sites/{site.slug}", headers={"accept-language": "de"}).json()["may"]["edit"]["reason"]
    assert said.startswith("Ihre Rolle")
