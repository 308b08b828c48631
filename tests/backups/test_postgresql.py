"""Copies and the way back where the database is PostgreSQL's."""

import shutil
import subprocess
import sys
import time
from pathlib import Path

import psycopg
import pytest

from tests.support import databases
from tests.support.databases import postgresql_only
from tests.support.server import TOP, Caller, Server, copy_data, environment, manage
from tests.support.template import DEMO

pytestmark = postgresql_only


def _rows(data: Path) -> dict[str, list[tuple]]:
    with psycopg.connect(databases.environment(data)["HESTOR_DATABASE"]) as connection:
        found = connection.execute("SELECT tablename FROM pg_tables WHERE schemaname = 'public'").fetchall()
        return {name: sorted(map(repr, connection.execute(f'SELECT * FROM "{name}"').fetchall())) for (name,) in found}


def _pictures(data: Path) -> dict[str, bytes]:
    return {path.name: path.read_bytes() for path in (data / "pictures").glob("??/*")}


@pytest.fixture
def data(tmp_path) -> Path:
    return copy_data(DEMO, tmp_path / "data")


@pytest.fixture
def copies(data, tmp_path, monkeypatch) -> Path:
    """A folder with one copy of the data."""
    monkeypatch.setenv("HESTOR_BACKUPS", str(tmp_path / "copies"))
    manage(data, "backup")
    return tmp_path / "copies"


def _empty(folder: Path) -> Path:
    folder.mkdir()
    databases.make(folder)
    return folder


def _refusal(data: Path, *command: str) -> str:
    with pytest.raises(subprocess.CalledProcessError) as caught:
        manage(data, *command)
    return caught.value.output


def test_all_that_was_lost_is_back(data, copies, tmp_path):
    new = _empty(tmp_path / "new")
    manage(new, "restore", "newest")
    assert _rows(new) == _rows(data)
    assert _pictures(new) == _pictures(data) != {}
    with Server(new) as server:
        assert server.get("quillmere.localhost", "/")[0] == 200
        # Numbers go on where they were.
        assert Caller(server).call("POST", "/api/sites/quillmere/pages", {"path": "/n/", "title": "N"})[0] == 201


def test_the_server_does_its_jobs(data, tmp_path, monkeypatch):
    """A copy that is asked for on the page is made by whoever has the turn."""
    monkeypatch.setenv("HESTOR_BACKUPS", str(tmp_path / "asked"))
    with Server(data, workers=2) as server:
        caller = Caller(server)
        assert caller.call("POST", "/api/well-being/copies")[0] == 202
        for _ in range(300):
            said = caller.call("GET", "/api/well-being")[1]
            if said["copies"]:
                break
            time.sleep(0.1)
        assert [one["sites"] for one in said["copies"]] == [3]


def test_nothing_is_written_over(data, copies):
    before = _rows(data)
    assert "holds tables already" in _refusal(data, "restore", "newest")
    assert _rows(data) == before


def test_a_damaged_copy_restores_nothing(copies, tmp_path):
    (dump,) = copies.glob("*/hestor.pgdump")
    dump.write_bytes(dump.read_bytes()[:-1000])
    new = _empty(tmp_path / "new")
    assert "not what it was" in _refusal(new, "restore", "newest")
    assert _rows(new) == {}


def test_a_copy_of_the_other_kind_is_named(data, copies, tmp_path):
    (dump,) = copies.glob("*/hestor.pgdump")
    manifest = dump.with_name("copy.json")
    manifest.write_text(manifest.read_text().replace(dump.name, "hestor.sqlite3"))
    dump.rename(dump.with_name("hestor.sqlite3"))
    assert "This copy is of SQLite" in _refusal(_empty(tmp_path / "new"), "restore", "newest")


def test_without_its_programs_it_is_said_what_to_install(data, copies, monkeypatch, tmp_path):
    monkeypatch.setenv("PATH", str(tmp_path))
    assert "install PostgreSQL's programs" in _refusal(data, "backup")
    assert len(list(copies.glob("2*"))) == 1


def test_an_upgrade_makes_a_copy_first(data, tmp_path, monkeypatch):
    monkeypatch.setenv("HESTOR_BACKUPS", str(tmp_path / "copies"))
    manage(data, "migrate", "sessions", "zero")
    manage(data, "upgrade")
    assert len(list((tmp_path / "copies").glob("2*/hestor.pgdump"))) == 1


def test_from_sqlite_to_postgresql_as_the_page_on_real_use_says(tmp_path):
    old = tmp_path / "old"
    old.mkdir()

    def at_sqlite(*command: str) -> None:
        own = {**environment(old), "HESTOR_DATABASE": ""}
        subprocess.run([sys.executable, "manage.py", *command], check=True, cwd=TOP, env=own)

    at_sqlite("migrate", "--verbosity", "0")
    at_sqlite("load_demo")
    said = str(tmp_path / "all.json")
    at_sqlite("dumpdata", "--exclude", "contenttypes", "--exclude", "auth.permission", "--output", said)
    new = _empty(tmp_path / "new")
    shutil.copytree(old / "pictures", new / "pictures")
    manage(new, "migrate", "--verbosity", "0")
    manage(new, "loaddata", said)
    with Server(new) as server:
        caller = Caller(server)
        assert {one["slug"] for one in caller.call("GET", "/api/sites")[1]} == {"narjis", "quillmere", "silberpfad"}
        assert server.get("quillmere.localhost", "/")[0] == 200
        assert caller.call("POST", "/api/sites/quillmere/pages", {"path": "/n/", "title": "N"})[0] == 201
        assert caller.call("POST", "/api/sites/quillmere/editions")[0] == 201
