"""Guessing passwords: what stops it, from wherever it is done, and what never keeps the owner out."""

from datetime import timedelta

import pytest
from django.conf import settings
from django.test import Client

from hestor.accounts.models import WrongTry
from tests.conftest import PASSWORD

pytestmark = pytest.mark.django_db


@pytest.fixture(autouse=True)
def quick(settings):
    """Hashing a password is dear on purpose; here only the counting counts."""
    settings.PASSWORD_HASHERS = ["django.contrib.auth.hashers.MD5PasswordHasher"]


def at(address: str) -> Client:
    return Client(headers={"host": "localhost"}, REMOTE_ADDR=address)


def sign_in(client, email="owner@example.org", password=PASSWORD) -> int:
    return client.post("/api/session", {"email": email, "password": password}, "application/json").status_code


def test_a_house_is_one_origin_however_many_addresses_it_has(owner):
    codes = [sign_in(at(f"2001:db8:1:2::{n:x}"), password="wrong") for n in range(1, settings.SIGN_IN_TRIES + 3)]
    assert (codes[0], codes[-1]) == (401, 429)
    assert sign_in(at("2001:db8:1:3::1")) == 200


@pytest.mark.parametrize(("prefix", "room"), [("2001:db8:1:{:x}::1", 4), ("2001:db8:{:x}::1", 16)])
def test_a_network_is_one_origin_once_it_is_full(owner, prefix, room):
    most = settings.SIGN_IN_TRIES_OF_ALL * room
    codes = [sign_in(at(prefix.format(n + 1)), f"a{n}@example.org", "wrong") for n in range(most)]
    assert set(codes) == {401}
    assert sign_in(at(prefix.format(most + 1)), "b@example.org", "wrong") == 429
    assert sign_in(at("2001:db9::1"), "b@example.org", "wrong") == 401


def test_one_account_tried_from_everywhere_is_closed_to_strangers_alone(owner):
    known = at("198.51.100.1")
    assert sign_in(known) == 200
    for n in range(settings.SIGN_IN_TRIES_A_DAY):
        assert sign_in(at(f"203.0.{n // 200}.{n % 200}"), password="wrong") == 401
    assert sign_in(at("203.0.113.250"), password="wrong") == 429
    assert sign_in(at("203.0.113.251")) == 429
    assert sign_in(known) == 200
    # An account that there is not is closed in the same way, so that nothing is told by it.
    for n in range(settings.SIGN_IN_TRIES_A_DAY):
        sign_in(at(f"192.0.{n // 200}.{n % 200}"), "nobody@example.org", "wrong")
    assert sign_in(at("192.0.113.250"), "nobody@example.org", "wrong") == 429
    WrongTry.objects.update(at=WrongTry.objects.latest("at").at - timedelta(days=1, minutes=1))
    assert sign_in(at("203.0.113.251")) == 200


@pytest.mark.parametrize(
    ("path", "more"), [("password", {"password": "correct horse battery"}), ("email", {"email": "new@example.org"})]
)
def test_the_current_password_is_not_guessed_at_an_open_desk(owner, path, more):
    client = at("198.51.100.1")
    sign_in(client)
    wrong = [
        client.post(f"/api/account/{path}", {"current": f"wrong {n}", **more}, "application/json").status_code
        for n in range(settings.SIGN_IN_TRIES + 1)
    ]
    assert (set(wrong[:-1]), wrong[-1]) == ({422}, 429)
    # Nor is the right one taken then, from wherever.
    elsewhere = at("198.51.100.2")
    sign_in(elsewhere)
    answer = elsewhere.post(f"/api/account/{path}", {"current": PASSWORD, **more}, "application/json")
    assert (answer.status_code, answer["Retry-After"]) == (429, str(settings.SIGN_IN_PAUSE_MINUTES * 60))
