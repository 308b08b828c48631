"""What no honest caller sends: each is refused in words, at its spot where it has one, and costs next to nothing."""

import json

import pytest
from django.test import Client

from hestor.api import bodies
from hestor.core.errors import InvalidInput, Malformed, TooBig

pytestmark = pytest.mark.django_db(databases=["default", "towns"])


@pytest.fixture
def desk(site, owner):
    client = Client(headers={"host": "localhost"})
    client.force_login(owner)
    return client


def sent(client, method, path, body, **headers):
    raw = body if isinstance(body, bytes) else json.dumps(body).encode()
    return client.generic(method, path, raw, content_type="application/json", headers=headers)


HALF = "half \ud800 character"


@pytest.mark.parametrize(
    ("method", "path", "body", "field"),
    [
        ("POST", "/api/sites/seeds/pages", {"path": f"/{HALF}/", "title": "A"}, "path"),
        ("POST", "/api/sites/seeds/pages", {"path": "/a/", "title": "A", "body": HALF}, "body"),
        ("POST", "/api/sites/seeds/tokens", {"text": HALF}, "text"),
        ("POST", "/api/sites/seeds/proofs", {"path": HALF}, "path"),
        ("POST", "/api/session", {"email": HALF, "password": "x"}, "email"),
        ("POST", "/api/session", {"email": "a@example.org", "password": HALF}, "password"),
        ("POST", "/api/accounts", {"email": "a@example.org", "password": "x", "name": HALF}, "name"),
        ("PATCH", "/api/sites/seeds/style", {"facts": {"name": HALF}}, "name"),
        ("POST", "/api/sites", {"name": "A", "town": 2**63}, "town"),
        ("POST", "/api/sites/seeds/pages", {"path": "/a/", "title": "A", "parent": 2**70}, "parent"),
        ("POST", "/api/sites/seeds/pages", {"path": "/a/", "title": "A", "published": 0}, "published"),
    ],
)
def test_is_refused_where_it_was_given(desk, method, path, body, field):
    answer = sent(desk, method, path, body, **{"If-Match": '"1"'})
    assert answer.status_code == 422
    assert [error["field"] for error in answer.json()["errors"]] == [field]


@pytest.mark.parametrize("path", ["pages/{}", "pictures/{}/thumbnail", "pictures/{}/crop", "editions?before={}"])
@pytest.mark.parametrize("number", [2**63, 2**64, -1, 0])
def test_no_number_is_too_large_to_be_answered(desk, path, number):
    assert desk.get(f"/api/sites/seeds/{path.format(number)}").status_code == 422


@pytest.mark.parametrize(
    ("path", "size", "status"),
    [
        ("/api/sites/seeds/proofs", 63_000, 404),
        ("/api/sites/seeds/proofs", 65_000, 413),
        ("/api/sites/seeds/pages", 500_000, 422),
        ("/api/sites/seeds/pages", 1_100_000, 413),
        ("/api/session", 1_900_000, 413),
    ],
)
def test_a_call_has_a_size(desk, path, size, status):
    field = "email" if path.endswith("session") else "path"
    body = {field: "/" + "a" * size, "password": ""} if field == "email" else {"path": "/" + "a" * size}
    answer = sent(desk, "POST", path, body)
    assert (answer.status_code, answer["Content-Type"]) == (status, "application/problem+json")


@pytest.mark.parametrize("body", [b"{", b"\xff\xfe", b'{"a": NaN}', b"[" * 50_000, b'{"a": 1' + b"0" * 9_000 + b"}"])
def test_what_is_no_json_is_said_to_be_none(desk, body):
    answer = sent(desk, "POST", "/api/sites/seeds/proofs", body)
    assert (answer.status_code, answer.json()["code"]) == (400, "malformed")


def test_many_keys_and_depths_are_too_much():
    with pytest.raises(TooBig):
        bodies.read(json.dumps({str(n): n for n in range(2_000)}).encode(), bodies.SETTINGS)
    with pytest.raises(TooBig):
        bodies.read(b"[" * 20 + b"]" * 20, bodies.SETTINGS)
    with pytest.raises(Malformed):
        bodies.read(b"[Infinity]", bodies.SETTINGS)


def test_at_most_a_handful_of_problems_is_said():
    with pytest.raises(InvalidInput) as caught:
        bodies.read(json.dumps({f"k{n}": "\ud800" for n in range(900)}).encode(), bodies.SETTINGS)
    assert len(caught.value.problems) == 5


def test_files_that_are_no_form_are_refused(desk):
    for kind in ("multipart/form-data", "multipart/form-data; boundary="):
        answer = desk.generic("POST", "/api/sites/seeds/pictures", b"--x", content_type=kind)
        assert answer.status_code in (400, 422)
        assert answer["Content-Type"] == "application/problem+json"


@pytest.mark.parametrize(("method", "path", "status"), [("GET", "/api/nowhere", 404), ("PUT", "/api/session", 405)])
def test_calls_that_there_are_not_are_problems_too(desk, method, path, status):
    answer = desk.generic(method, path)
    assert (answer.status_code, answer["Content-Type"]) == (status, "application/problem+json")
    assert answer.json()["title"]
    assert ("Allow" in answer) == (status == 405)
