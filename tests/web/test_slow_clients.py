"""Clients that send slowly, don't read, or only hold a line open stop nobody else."""

import socket
from types import SimpleNamespace

import pytest

from hestor.config import worker
from tests.support.server import Server, copy_data
from tests.support.template import DEMO

HALF = b"GET / HTTP/1.1\r\nHost: quillmere.localhost\r\nX-Slow: "
UNREAD = b"GET / HTTP/1.1\r\nHost: quillmere.localhost\r\n\r\n" * 50


@pytest.fixture(scope="module")
def server(tmp_path_factory):
    with Server(copy_data(DEMO, tmp_path_factory.mktemp("slow") / "data")) as running:
        yield running


@pytest.mark.parametrize(("sent", "count"), [(HALF, 40), (b"", 200), (UNREAD, 40)])
def test_others_are_answered_meanwhile(server, sent, count):
    lines = [socket.create_connection(("127.0.0.1", server.port)) for _ in range(count)]
    try:
        for line in lines:
            line.setsockopt(socket.SOL_SOCKET, socket.SO_RCVBUF, 1024)
            line.sendall(sent)
        assert server.get("quillmere.localhost", "/")[0] == 200
        assert server.get("localhost", "/api/session")[0] == 200
    finally:
        for line in lines:
            line.close()


@pytest.mark.parametrize(
    ("seconds", "head_is_whole", "late"),
    [
        (worker.HEAD_SECONDS - 1, False, False),
        (worker.HEAD_SECONDS + 1, False, True),
        (worker.HEAD_SECONDS + 1, True, False),
        (worker.BODY_SECONDS + 1, True, True),
    ],
)
def test_a_request_has_so_long_to_come(seconds, head_is_whole, late):
    request = SimpleNamespace(headers_finished=head_is_whole)
    channel = SimpleNamespace(begun=1_000.0, request=request)
    assert worker.Channel.is_late(channel, 1_000.0 + seconds) is late


def test_a_client_between_requests_is_not_late():
    assert not worker.Channel.is_late(SimpleNamespace(begun=0.0, request=None), 1e9)


@pytest.mark.parametrize(
    ("environment", "believed"),
    [
        ({}, None),
        ({"HESTOR_HTTPS": "1"}, "127.0.0.1"),
        ({"HESTOR_HTTPS": "1", "HESTOR_PROXY": "192.0.2.7"}, "192.0.2.7"),
    ],
)
def test_what_a_client_says_of_itself_is_believed_only_of_a_named_proxy(monkeypatch, environment, believed):
    for name in ("HESTOR_HTTPS", "HESTOR_PROXY"):
        monkeypatch.delenv(name, raising=False)
    for name, value in environment.items():
        monkeypatch.setenv(name, value)
    settings = worker._settings([])
    assert (settings.trusted_proxy, settings.clear_untrusted_proxy_headers) == (believed, True)
    assert settings.trusted_proxy_headers <= {"x-forwarded-for", "x-forwarded-proto"}


def test_no_client_moves_the_desk_elsewhere(server):
    with server.ask("GET", "localhost", "/", **{"Script-Name": "/else", "X-Forwarded-Host": "other.example"}) as answer:
        assert b"other.example" not in (page := answer.read())
        assert b"/else" not in page


def test_a_body_that_never_ends_is_refused(server):
    line = socket.create_connection(("127.0.0.1", server.port))
    head = (
        b"POST /api/session HTTP/1.1\r\nHost: localhost\r\nContent-Type: application/json\r\nContent-Length: %d\r\n\r\n"
    )
    with line:
        line.sendall(head % 99_000_000_000)
        assert line.recv(100).startswith(b"HTTP/1.1 413")
