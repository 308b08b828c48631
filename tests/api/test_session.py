from datetime import timedelta

import pytest
from axes.models import AccessAttempt
from django.conf import settings
from django.test import Client

from hestor.accounts.models import Account
from hestor.sites.models import Membership
from tests.conftest import PASSWORD

pytestmark = pytest.mark.django_db


@pytest.fixture
def client() -> Client:
    return Client(headers={"host": "localhost"})


def sign_in(client, email="owner@example.org", password=PASSWORD):
    return client.post("/api/session", {"email": email, "password": password}, "application/json")


def test_signing_in_and_out(client, owner):
    assert client.get("/api/session").json() == {"account": None, "first_run": False, "demo_accounts": []}
    assert sign_in(client).json()["account"] == {
        "email": "owner@example.org",
        "name": "Olive",
        "language": "",
        "may_make_sites": True,
        "keeps_installation": True,
    }
    assert client.get("/api/sites").status_code == 200
    assert client.delete("/api/session").status_code == 204
    assert client.get("/api/sites").status_code == 401
    assert client.delete("/api/session").status_code == 204


def test_the_email_address_is_the_same_in_capitals(client, owner):
    assert sign_in(client, " Owner@Example.ORG ").status_code == 200


@pytest.mark.parametrize(
    ("email", "password"), [("owner@example.org", "wrong"), ("nobody@example.org", PASSWORD), ("", "")]
)
def test_a_refusal_does_not_tell_whether_the_account_exists(client, owner, email, password):
    answer = sign_in(client, email, password)
    assert (answer.status_code, answer.json()["code"]) == (401, "sign_in_refused")
    assert answer.json()["title"] == "Email and password don’t match an account. Check both and try again."


def test_a_stranger_can_not_keep_the_owner_out(client, owner):
    assert sign_in(client).status_code == 200
    stranger = Client(headers={"host": "localhost"})
    codes = [sign_in(stranger, password="wrong").status_code for _ in range(settings.SIGN_IN_TRIES * 3)]
    assert codes[-1] == 429
    assert sign_in(stranger)["Retry-After"] == str(settings.SIGN_IN_PAUSE_MINUTES * 60)
    client.delete("/api/session")
    assert sign_in(client).status_code == 200


def test_a_known_device_has_no_endless_tries_either(client, owner):
    sign_in(client)
    codes = [sign_in(client, password="wrong").status_code for _ in range(settings.SIGN_IN_TRIES + 1)]
    assert (codes[0], codes[-1]) == (401, 429)


def test_a_device_that_is_forged_or_anothers_is_a_stranger(client, owner):
    Account.objects.create_user("other@example.org", PASSWORD)
    sign_in(client, "other@example.org")
    for _ in range(settings.SIGN_IN_TRIES):
        sign_in(Client(headers={"host": "localhost"}), password="wrong")
    assert sign_in(client).status_code == 429
    client.cookies[settings.DEVICE_COOKIE_NAME] = "abc owner@example.org"
    assert sign_in(client).status_code == 429


def test_a_list_of_accounts_is_not_tried_from_one_place(client, owner):
    codes = [
        sign_in(client, f"a{n}@example.org", "wrong").status_code for n in range(settings.SIGN_IN_TRIES_OF_ALL + 1)
    ]
    assert (set(codes[:-1]), codes[-1]) == ({401}, 429)
    assert sign_in(client).status_code == 429
    assert sign_in(Client(headers={"host": "localhost"}, REMOTE_ADDR="203.0.113.9")).status_code == 200


def test_a_pause_ends_though_somebody_goes_on_trying(client, owner):
    for _ in range(settings.SIGN_IN_TRIES + 5):
        sign_in(client, password="wrong")
    before = AccessAttempt.objects.get().attempt_time
    sign_in(client, password="wrong")
    assert AccessAttempt.objects.get().attempt_time == before
    AccessAttempt.objects.update(attempt_time=before - timedelta(minutes=settings.SIGN_IN_PAUSE_MINUTES + 1))
    assert sign_in(client).status_code == 200


@pytest.mark.parametrize("field", ["email", "password"])
def test_nothing_long_is_kept_or_hashed(client, owner, field):
    body = {"email": "owner@example.org", "password": PASSWORD, field: "a" * 300}
    answer = client.post("/api/session", body, "application/json")
    assert [error["field"] for error in answer.json()["errors"]] == [field]
    assert not AccessAttempt.objects.exists()


def test_guessing_is_paused_and_others_are_not(client, owner):
    Account.objects.create_user("other@example.org", PASSWORD)
    codes = [sign_in(client, password="wrong").status_code for _ in range(settings.SIGN_IN_TRIES + 1)]
    assert codes[:3] == [401, 401, 401]
    assert codes[-1] == 429
    paused = sign_in(client)
    assert (paused.status_code, paused.json()["code"]) == (429, "sign_in_paused")
    assert sign_in(client, "other@example.org").status_code == 200
    assert sign_in(Client(headers={"host": "localhost"}, REMOTE_ADDR="203.0.113.9")).status_code == 200


def test_the_cookie_can_not_be_read_by_scripts_nor_sent_by_others(client, owner):
    cookie = sign_in(client).cookies[settings.SESSION_COOKIE_NAME]
    assert cookie["httponly"]
    assert cookie["samesite"] == "Lax"
    assert cookie["domain"] == ""


def test_the_first_run_makes_an_account_and_then_no_more(client):
    assert client.get("/api/session").json()["first_run"]
    body = {"email": "Me@Example.org", "name": "Me", "password": "correct horse battery"}
    made = client.post("/api/accounts", body, "application/json")
    assert made.status_code == 201
    said = {"email": "me@example.org", "name": "Me", "language": ""}
    assert made.json()["account"] == {**said, "may_make_sites": True, "keeps_installation": True}
    assert client.get("/api/sites").json() == []
    again = client.post("/api/accounts", {**body, "email": "you@example.org"}, "application/json")
    assert (again.status_code, again.json()["code"]) == (409, "accounts_exist")
    assert Account.objects.count() == 1


@pytest.mark.parametrize(
    ("change", "field"),
    [
        ({"email": "me"}, "email"),
        ({"password": "short"}, "password"),
        ({"password": "password123"}, "password"),
        ({"password": " " * 20}, "password"),
    ],
)
def test_a_first_account_that_is_refused(client, change, field):
    body = {"email": "me@example.org", "name": "Me", "password": "correct horse battery", **change}
    answer = client.post("/api/accounts", body, "application/json")
    assert answer.status_code == 422
    assert [e["field"] for e in answer.json()["errors"]] == [field]
    assert Account.objects.count() == 0


def test_demo_accounts_are_shown_in_the_demo_only(client, settings):
    settings.DEMO = True
    assert [a["role"] for a in client.get("/api/session").json()["demo_accounts"]] == ["owner", "editor", "viewer"]


def test_passwords_are_kept_hashed(owner):
    assert PASSWORD not in Account.objects.get().password
    assert not Membership.objects.exists()
