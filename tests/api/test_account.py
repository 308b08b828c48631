"""One's own account: password, email address, devices, a lost password; and who may make sites."""

import re
from datetime import timedelta
from io import StringIO

import pytest
from django.contrib.sessions.models import Session
from django.core.management import CommandError, call_command
from django.test import Client

from hestor import clock
from hestor.accounts.models import Account, Device
from hestor.core.roles import Role
from hestor.mail.models import Message
from hestor.sites.models import Membership
from hestor.sites.services.cleaning import clean
from hestor.sites.services.facts import write_facts
from tests.conftest import NOW, PASSWORD

pytestmark = pytest.mark.django_db(databases=["default", "towns"])
NEW = "another-long-enough-one"


def device(**more) -> Client:
    return Client(headers={"host": "localhost", **more})


def sign_in(client, password=PASSWORD, email="owner@example.org"):
    return client.post("/api/session", {"email": email, "password": password}, "application/json")


@pytest.fixture
def desk(owner):
    client = device(**{"user-agent": "Mozilla/5.0 (X11; Linux x86_64; rv:131.0) Gecko/20100101 Firefox/131.0"})
    sign_in(client)
    return client


def test_another_password_signs_out_every_other_device(desk):
    other = device()
    sign_in(other)
    answer = desk.post("/api/account/password", {"current": PASSWORD, "password": NEW}, "application/json")
    assert [one["here"] for one in answer.json()["devices"]] == [True]
    assert other.get("/api/account").status_code == 401
    assert desk.get("/api/account").status_code == 200
    assert (sign_in(other).status_code, sign_in(other, NEW).status_code) == (401, 200)


@pytest.mark.parametrize(
    ("given", "field", "code"),
    [
        ({"current": "wrong", "password": NEW}, "current", "password_wrong"),
        ({"current": PASSWORD, "password": "short"}, "password", "password_weak"),
        ({"current": PASSWORD, "password": " " * 30}, "password", "password_blank"),
        ({"current": PASSWORD, "password": "password1234"}, "password", "password_weak"),
    ],
)
def test_a_password_that_is_refused_changes_nothing(desk, given, field, code):
    answer = desk.post("/api/account/password", given, "application/json")
    assert [(error["field"], error["code"]) for error in answer.json()["errors"]] == [(field, code)]
    assert sign_in(device()).status_code == 200


def wish(desk, email="New@Example.org") -> str:
    """Asks for another address; the token of the link that was sent there."""
    said = desk.post("/api/account/email", {"current": PASSWORD, "email": email}, "application/json").json()
    assert (said["email"], said["wished"]) == ("owner@example.org", "new@example.org")
    letter = next(one for one in said["letters"] if one["receiver"] == "new@example.org")
    return re.search(r"/confirm-address/(\S+)", letter["text"])[1]


def agree(token, step="confirm"):
    return device().post(f"/api/account-address/{step}", {"token": token}, "application/json")


def test_another_address_counts_once_its_reader_agreed_and_the_old_is_told(desk):
    token = wish(desk)
    told = Message.objects.get(site=None, receiver="owner@example.org")
    assert "new@example.org" in told.body.words
    assert "confirm-address" not in told.body.words
    assert sign_in(device(), email="new@example.org").status_code == 401
    assert agree(token, "asked").json() == {"address": "new@example.org"}
    assert sign_in(device()).status_code == 200
    assert agree(token).json() == {"address": "new@example.org"}
    assert sign_in(device()).status_code == 401
    assert sign_in(device(), email="new@example.org").status_code == 200
    assert Message.objects.filter(site=None, receiver="owner@example.org").count() == 2
    assert agree(token).status_code == 410
    assert desk.get("/api/account").json()["wished"] == ""


def test_a_link_that_was_taken_back_altered_replaced_or_is_old_is_spent(desk, monkeypatch):
    token = wish(desk)
    for spoilt in (token[:-2], "x" + token, ""):
        assert agree(spoilt).status_code == 410
    later = wish(desk)
    assert agree(token).status_code == 410
    assert desk.delete("/api/account/email").json()["wished"] == ""
    assert agree(later).status_code == 410
    last = wish(desk)
    Account.objects.update(wished_at=clock.now() - timedelta(days=1, minutes=1))
    assert agree(last).status_code == 410
    assert sign_in(device()).status_code == 200


def test_where_mail_leaves_the_link_is_its_readers_alone(desk, settings):
    settings.SMTP = "smtp://mail.example"
    said = desk.post("/api/account/email", {"current": PASSWORD, "email": "new@example.org"}, "application/json")
    assert said.json()["letters"] == []
    assert "confirm-address" not in said.content.decode()
    assert desk.get("/api/account").json()["letters"] == []


@pytest.mark.parametrize(
    ("given", "field"),
    [
        ({"current": PASSWORD, "email": "none"}, "email"),
        ({"current": PASSWORD, "email": "viewer@people.example"}, "email"),
        ({"current": "wrong", "email": "new@example.org"}, "current"),
    ],
)
def test_an_email_address_that_is_refused(desk, person, site, given, field):
    person(Role.VIEWER)
    answer = desk.post("/api/account/email", given, "application/json")
    assert [error["field"] for error in answer.json()["errors"]] == [field]


def test_devices_are_listed_and_signed_out_one_by_one(desk):
    other = device(**{"user-agent": "A phone"})
    sign_in(other)
    listed = desk.get("/api/account").json()["devices"]
    assert {(one["name"], one["here"]) for one in listed} == {
        ("Firefox on Linux", True),
        ("A browser that doesn’t say what it is", False),
    }
    phone = next(one["id"] for one in listed if not one["here"])
    left = desk.delete(f"/api/account/devices/{phone}").json()["devices"]
    assert [one["here"] for one in left] == [True]
    assert other.get("/api/account").status_code == 401


def test_nobody_signs_out_anothers_device(desk, person, site):
    stranger = person(Role.VIEWER)
    own = desk.get("/api/account").json()["devices"][0]["id"]
    assert stranger.delete(f"/api/account/devices/{own}").status_code == 404
    assert desk.get("/api/account").status_code == 200


def link(email="owner@example.org"):
    out = StringIO()
    call_command("password_link", email, stdout=out)
    found = re.search(r"^http://localhost:8000/new-password\?account=(\d+)&token=(\S+)$", out.getvalue().strip())
    return {"account": int(found[1]), "token": found[2]}


def test_a_lost_password_is_replaced_once(desk):
    said = link()
    assert device().post("/api/new-password", {**said, "password": NEW}, "application/json").status_code == 204
    assert desk.get("/api/account").status_code == 401
    assert sign_in(desk, NEW).status_code == 200
    again = device().post("/api/new-password", {**said, "password": PASSWORD}, "application/json")
    assert (again.status_code, again.json()["code"]) == (410, "link_spent")


def test_a_link_is_for_one_account_and_an_hour(owner, settings):
    said = link()
    for wrong in ({"token": "x-y"}, {"account": said["account"] + 1}):
        body = {**said, **wrong, "password": NEW}
        assert device().post("/api/new-password", body, "application/json").status_code == 410
    settings.PASSWORD_RESET_TIMEOUT = -1
    assert device().post("/api/new-password", {**said, "password": NEW}, "application/json").status_code == 410


def test_there_is_no_link_for_nobody(db):
    with pytest.raises(CommandError, match="Nobody signs in with a@example"):
        call_command("password_link", "a@example.org")


def test_who_may_make_sites_is_a_setting(site, person, settings):
    helper = person(Role.EDITOR)
    assert not helper.get("/api/session").json()["account"]["may_make_sites"]
    assert helper.post("/api/sites", {"name": "Mine"}, "application/json").status_code == 403
    settings.NEW_SITES = "everyone"
    assert helper.get("/api/session").json()["account"]["may_make_sites"]
    assert helper.post("/api/sites", {"name": "Mine"}, "application/json").status_code == 201


def test_one_person_has_only_so_many_sites(site, owner, desk, settings):
    settings.SITES_OF_ONE = 2
    assert desk.post("/api/sites", {"name": "Second"}, "application/json").status_code == 201
    answer = desk.post("/api/sites", {"name": "Third"}, "application/json")
    assert (answer.status_code, answer.json()["code"]) == (403, "too_many_sites")
    assert Membership.objects.filter(account=owner).count() == 2


def test_devices_whose_session_has_ended_are_forgotten(desk):
    desk.get("/api/account")
    Session.objects.update(expire_date=NOW - timedelta(days=1))
    clean(NOW)
    assert not Device.objects.exists()
    assert not Session.objects.exists()


def test_the_desk_speaks_what_the_person_chose_and_never_what_a_site_does(desk, site, owner):
    write_facts(site, {"language": "ar"}, site.revision)

    def refusal(**headers: str) -> str:
        return desk.get("/api/sites/nowhere/style", headers=headers).json()["title"]

    assert refusal() == "There is nothing here that you may see."
    assert refusal(accept_language="it-IT, de-CH;q=0.8") == "Hier ist nichts, was Sie sehen dürfen."
    desk.cookies["desk_language"] = "es"
    assert refusal(accept_language="de") == "Aquí no hay nada que usted pueda ver."
    desk.cookies["desk_language"] = "../x"
    assert refusal() == "There is nothing here that you may see."
    assert desk.post("/api/account/language", {"language": "de"}, "application/json").status_code == 204
    assert desk.get("/api/session").json()["account"]["language"] == "de"
    wrong = desk.post("/api/account/language", {"language": "xx"}, "application/json")
    assert (wrong.status_code, wrong.json()["errors"][0]["field"]) == (422, "language")


def test_german_is_written_as_the_reader_s_region_writes_it(desk, site):
    def said(asked: str) -> str:
        words = desk.get("/api/sites/seeds/style", headers={"accept-language": asked}).json()["default_words"]
        return " ".join(words.values())

    assert "ß" in said("de-DE") + said("de, en;q=0.5")
    assert "ß" not in said("de-CH, de;q=0.8")
