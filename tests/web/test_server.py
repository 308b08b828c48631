"""The server as it runs in production: several processes, and behind HTTPS."""

import json
import time
from concurrent.futures import ThreadPoolExecutor

import pytest

from tests.support.server import OWNER, PASSWORD, Caller, Server, copy_data
from tests.support.template import DEMO


@pytest.fixture
def data(tmp_path):
    return copy_data(DEMO, tmp_path / "data")


def test_every_process_says_a_new_edition_at_once(data):
    with Server(data, workers=2) as server, ThreadPoolExecutor(8) as pool:
        caller = Caller(server)

        def names(_: int) -> bool:
            return f"<title>Name {number}" in server.get("quillmere.localhost", "/")[1].decode()

        for number in range(5):
            assert caller.write("quillmere", name=f"Name {number}")[0] == 200
            assert caller.call("POST", "/api/sites/quillmere/editions")[0] == 201
            assert all(pool.map(names, range(24)))
            assert caller.call("GET", "/api/sites/quillmere/proofs")[1]["proofs"][0]["lines"][0]["text"].startswith(
                f"Name {number}"
            )


def test_behind_https_cookies_are_secure_and_bound_to_the_host(data):
    with Server(data, more={"HESTOR_HTTPS": "1", "HESTOR_PUBLIC_PORT": ""}) as server:
        body = json.dumps({"email": OWNER, "password": PASSWORD}).encode()
        headers = {"Content-Type": "application/json", "X-Forwarded-Proto": "https"}
        with server.ask("POST", "localhost", "/api/session", body, **headers) as signed_in:
            cookies = signed_in.headers.get_all("Set-Cookie")
        (session,) = (cookie for cookie in cookies if cookie.startswith("__Host-hestor-session="))
        assert {"Secure", "HttpOnly", "Path=/", "SameSite=Lax"} <= set(session.split("; "))
        assert "Domain" not in session
        with server.ask("GET", "localhost", "/", **{"X-Forwarded-Proto": "https"}) as page:
            assert page.headers["Set-Cookie"].startswith("__Host-csrftoken=")
            assert page.headers["Strict-Transport-Security"] == "max-age=31536000"
        with server.ask("GET", "quillmere.localhost", "/", **{"X-Forwarded-Proto": "https"}) as page:
            assert page.headers["Strict-Transport-Security"] == "max-age=31536000"
        (site, *_) = Caller(server).call("GET", "/api/sites")[1]
        assert site["address"].startswith("https://")
        assert ":" not in site["address"].removeprefix("https://")


def test_what_the_processes_share_ends_with_them(data, tmp_path):
    shared = tmp_path / "shared"
    shared.mkdir()
    with Server(data, workers=2, more={"TMPDIR": str(shared)}) as server:
        caller = Caller(server)
        caller.write("quillmere", name="Another name")
        assert caller.call("POST", "/api/sites/quillmere/editions")[0] == 201
        assert list(shared.glob("hestor-readings-*/*"))
        server.stop()
        deadline = time.monotonic() + 10
        while list(shared.glob("hestor-readings-*")) and time.monotonic() < deadline:
            time.sleep(0.05)
    assert not list(shared.glob("hestor-readings-*"))
