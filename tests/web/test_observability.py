"""Seen to be well: health, figures, slow requests by name, an id for each request."""

import json
import logging

import pytest
from django.db import DatabaseError
from django.test import Client

from hestor.observability import requests
from tests.support.server import Server, copy_data
from tests.support.template import DEMO

pytestmark = pytest.mark.django_db


@pytest.fixture
def machine() -> Client:
    """A program that asks by the machine's own address."""
    return Client(headers={"host": "127.0.0.1"})


def test_it_says_that_it_is_well(machine, tmp_path, settings):
    settings.DATA = tmp_path
    answer = machine.get("/healthz")
    assert (answer.status_code, answer.content) == (200, b"well\n")


def test_it_says_what_is_amiss(machine, monkeypatch, tmp_path, settings):
    settings.DATA = tmp_path / "nowhere"
    monkeypatch.setattr("hestor.jobs.state.connection.cursor", lambda: (_ for _ in ()).throw(DatabaseError))
    answer = machine.get("/healthz")
    assert (answer.status_code, answer.content) == (503, b"database, data\n")


def test_figures_are_for_who_knows_the_word(machine, settings):
    assert machine.get("/metrics").status_code == 404
    settings.METRICS = "a-long-word"
    assert machine.get("/metrics", headers={"authorization": "Bearer another"}).status_code == 404


def test_figures_of_all_processes(tmp_path):
    with Server(copy_data(DEMO, tmp_path / "data"), workers=2, more={"HESTOR_METRICS": "word"}) as server:
        for _ in range(20):
            assert server.get("quillmere.localhost", "/")[0] == 200
        said = server.get("localhost", "/metrics", Authorization="Bearer word")[1].decode()
    assert 'hestor_requests_total{status="200",where="site"} 20.0' in said
    assert "hestor_data_free_bytes" in said
    assert "hestor_jobs_failed 0.0" in said


def test_a_slow_request_is_named_and_private_words_are_not(public, caplog, settings):
    settings.SLOW_SECONDS = 0.0
    with caplog.at_level(logging.WARNING, "hestor.requests"):
        public.get("/about/", headers={"x-request-id": "abcdef0123456789"})
        public.get("/_preview/very-secret-word/about/")
        public.get("/folder/_preview/very-secret-word/about/")
        Client(headers={"host": "localhost"}).get("/confirm/very-secret-word")
    said = [record.getMessage() for record in caplog.records]
    assert said[0].startswith("slow: GET /about/ answered ")
    assert not any("very-secret-word" in line for line in said)


@pytest.mark.parametrize("odd", ["%0a", "%0d%0a", "%1b[2J", "%e2%80%a8", "%c2%85"])
def test_no_address_makes_a_line_of_its_own(public, caplog, settings, odd):
    settings.SLOW_SECONDS = 0.0
    with caplog.at_level(logging.WARNING, "hestor.requests"):
        public.get(f"/about{odd}2026-11-30 forged: GET /all-is-well")
    (line,) = [record.getMessage() for record in caplog.records]
    assert line.isprintable()
    assert odd.lower() in line.lower()


@pytest.mark.parametrize("given", ["", "short", "with\nbreak-in-it", "x" * 65, "ab cd efgh ij"])
def test_an_id_that_could_break_a_line_is_not_taken(given):
    assert requests.begin(given) != given
    assert requests.begin("0123456789abcdef") == "0123456789abcdef"


def test_a_line_for_programs_is_json(settings):
    from pythonjsonlogger.json import JsonFormatter

    form = settings.LOGGING["formatters"]["json"]["format"]
    requests.begin("0123456789abcdef")
    record = logging.LogRecord("hestor", logging.WARNING, "", 1, 'He said "%s"\n', ("no",), None)
    assert requests.WithRequest().filter(record)
    said = json.loads(JsonFormatter(form).format(record))
    assert (said["message"], said["request_id"]) == ('He said "no"\n', "0123456789abcdef")
