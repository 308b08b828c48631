"""Copies and the way back: everything lost, a damaged copy, a full disk, a copy while others write."""

import errno
import os
import shutil
import sqlite3
import sys
from contextlib import closing
from datetime import UTC, datetime, timedelta
from pathlib import Path

import pytest

from hestor.backups import create, folder, restore
from hestor.backups.databases import SQLITE as DATABASE
from hestor.backups.errors import CopyDamaged, CopyFailed, NotEmpty
from hestor.backups.manifest import MANIFEST
from hestor.jobs import checks
from tests.support import roots
from tests.support.databases import sqlite_only
from tests.support.server import TOP, Caller, Server, copy_data, manage
from tests.support.template import DEMO

pytestmark = sqlite_only
NOW = datetime(2026, 11, 26, 3, 15, tzinfo=UTC)


@pytest.fixture
def data(tmp_path, settings) -> Path:
    """A copy of the demo's folder that the settings name."""
    settings.DATA = copy_data(DEMO, tmp_path / "data")
    settings.BACKUPS = tmp_path / "copies"
    return settings.DATA


def _rows(database: Path) -> dict[str, list[tuple]]:
    with closing(sqlite3.connect(database)) as opened:
        names = [name for (name,) in opened.execute("SELECT name FROM sqlite_master WHERE type = 'table'")]
        return {name: sorted(map(repr, opened.execute(f'SELECT * FROM "{name}"'))) for name in names}


def _pictures(data: Path) -> dict[str, bytes]:
    return {path.name: path.read_bytes() for path in (data / "pictures").glob("??/*")}


def test_all_that_was_lost_is_back(data, tmp_path):
    rows, pictures, secret = _rows(data / DATABASE), _pictures(data), (data / "secret-key").read_text()
    made = create.make(NOW, "daily")
    assert made.sites == 3
    assert made.pictures.keys() <= pictures.keys()
    shutil.rmtree(data)
    assert restore.restore(folder.listed()[0], data) == []
    assert _rows(data / DATABASE) == rows
    assert _pictures(data) == {key: pictures[key] for key in made.pictures}
    assert (data / "secret-key").read_text() == secret


def test_the_server_goes_on_with_what_was_brought_back(data, tmp_path, settings):
    create.make(NOW, "daily")
    shutil.rmtree(data)
    manage(data, "restore", "newest", "--from", str(settings.BACKUPS))
    with Server(data) as server:
        assert server.get("quillmere.localhost", "/")[0] == 200
        assert len(Caller(server).call("GET", "/api/sites")[1]) == 3


def test_nothing_is_written_over(data):
    create.make(NOW, "daily")
    before = (data / DATABASE).read_bytes()
    with pytest.raises(NotEmpty, match="holds a database already"):
        restore.restore(folder.listed()[0], data)
    assert (data / DATABASE).read_bytes() == before


@pytest.mark.parametrize("harm", ["database shorter", "database altered", "database gone"])
def test_a_damaged_copy_fails_loudly_and_restores_nothing(data, tmp_path, harm):
    create.make(NOW, "daily")
    copy = folder.listed()[0]
    kept = copy.path / DATABASE
    body = bytearray(kept.read_bytes())
    body[len(body) // 2] ^= 1
    {
        "database shorter": lambda: kept.write_bytes(body[:-1]),
        "database altered": lambda: kept.write_bytes(body),
        "database gone": kept.unlink,
    }[harm]()
    empty = tmp_path / "empty"
    with pytest.raises(CopyDamaged, match=DATABASE):
        restore.restore(copy, empty, even_damaged=True)
    assert not empty.exists()


def test_a_picture_that_was_harmed_where_it_stood_is_whole_again(data):
    made, pictures = create.make(NOW, "daily"), _pictures(data)
    harmed = data / "pictures" / next(iter(made.pictures))[:2] / next(iter(made.pictures))
    harmed.write_bytes(b"harmed")
    for part in data.glob(f"{DATABASE}*"):
        part.unlink()
    assert restore.restore(folder.listed()[0], data) == []
    assert {key: _pictures(data)[key] for key in made.pictures} == {key: pictures[key] for key in made.pictures}


def test_a_harmed_picture_is_named_and_the_rest_comes_back_if_asked(data, tmp_path):
    made = create.make(NOW, "daily")
    lost = next(iter(made.pictures))
    folder.picture(lost).write_bytes(b"other")
    copy, empty = folder.listed()[0], tmp_path / "empty"
    with pytest.raises(CopyDamaged, match="1 pictures"):
        restore.restore(copy, empty)
    assert restore.restore(copy, empty, even_damaged=True) == [lost]
    assert (empty / DATABASE).exists()
    # The next copy mends what the copies share.
    create.make(NOW + timedelta(days=1), "daily")
    assert restore.faults(copy) == ([], [])


def test_a_full_disk_leaves_the_copies_that_there_were(data, settings, monkeypatch):
    create.make(NOW, "daily")
    before = sorted(path.relative_to(settings.BACKUPS) for path in settings.BACKUPS.rglob("*"))

    def full(*_args, **_more):
        raise OSError(errno.ENOSPC, "No space left on device")

    monkeypatch.setattr(create.os, "fsync", full)
    monkeypatch.setattr(create.databases, "_checked", lambda database: (3, ["ff00"]))
    (data / "pictures" / "ff").mkdir(exist_ok=True)
    (data / "pictures" / "ff" / "ff00").write_bytes(b"new")
    with pytest.raises(CopyFailed, match="No space left"):
        create.make(NOW + timedelta(days=1), "daily")
    assert (
        sorted(path.relative_to(settings.BACKUPS) for path in settings.BACKUPS.rglob("*") if path.name != "ff")
        == before
    )


def test_pictures_stand_once_for_all_copies_and_go_with_the_last(data, settings):
    for day in range(40):
        create.make(NOW + timedelta(days=day), "daily")
    assert len(list(folder.pictures())) == len(folder.listed()[0].manifest.pictures)
    assert create.prune() == 40 - len(folder.listed())
    assert len(list(folder.pictures())) == len(folder.listed()[0].manifest.pictures)
    (settings.BACKUPS / "pictures" / "zz").mkdir()
    (settings.BACKUPS / "pictures" / "zz" / "nobodys").write_bytes(b"x")
    create.prune()
    assert not (settings.BACKUPS / "pictures" / "zz" / "nobodys").exists()


def test_a_copy_that_cannot_be_read_costs_no_pictures(data, settings):
    create.make(NOW, "daily")
    (folder.listed()[0].path / MANIFEST).write_text("{")
    assert folder.listed() == []
    assert len(folder.unreadable()) == 1
    create.prune()
    assert list(folder.pictures())


def test_a_copy_while_others_write_is_one_moment(data):
    """Two numbers are always written together; no copy may tell them apart."""
    with closing(sqlite3.connect(data / DATABASE)) as opened:
        opened.execute("PRAGMA journal_mode=WAL")
        opened.execute("CREATE TABLE pair (one INTEGER, other INTEGER)")
        opened.execute("INSERT INTO pair VALUES (0, 0)")
        opened.commit()
        for turn in range(5):
            opened.execute("UPDATE pair SET one = one + 1")
            # Not committed yet: the copy sees the state before.
            made = create.make(NOW + timedelta(minutes=turn), "daily")
            opened.execute("UPDATE pair SET other = other + 1")
            opened.commit()
            with closing(sqlite3.connect(folder.folder() / folder.name_of(made.made_at) / DATABASE)) as copied:
                one, other = copied.execute("SELECT one, other FROM pair").fetchone()
            assert one == other == turn


def test_a_picture_that_was_lost_before_is_no_reason_to_copy_nothing(data):
    lost = next(iter(_pictures(data)))
    (data / "pictures" / lost[:2] / lost).unlink()
    assert lost not in create.make(NOW, "daily").pictures
    assert restore.faults(folder.listed()[0]) == ([], [])


@pytest.mark.parametrize("left", ["hestor.sqlite3", "hestor.sqlite3-wal", "hestor.sqlite3-shm"])
def test_nothing_is_brought_back_beside_a_part_of_another_database(data, tmp_path, left):
    create.make(NOW, "daily")
    other = tmp_path / "other"
    other.mkdir()
    (other / left).write_bytes(b"what was written last")
    with pytest.raises(NotEmpty) as refused:
        restore.restore(folder.listed()[0], other)
    # The whole folder is to go: a file by itself would be torn from its log.
    assert f"move all of {other} away" in str(refused.value)
    assert "hestor.sqlite3" not in str(refused.value)


def test_what_was_copied_before_an_upgrade_outlives_the_next_days_copy(data):
    create.make(NOW, "before the upgrade to 0.9.0")
    for hours in range(1, 60, 8):
        create.make(NOW + timedelta(hours=hours), create.DAILY)
        create.prune()
    assert "before the upgrade to 0.9.0" in [one.manifest.reason for one in folder.listed()]


def test_copies_of_another_user_are_to_be_given_back_and_not_deleted(data, settings, monkeypatch):
    create.make(NOW, "daily")
    monkeypatch.setattr(folder.os, "geteuid", lambda: os.getuid() + 1)
    monkeypatch.setattr(folder.os, "access", lambda *_: False)
    monkeypatch.setattr(folder, "_read", lambda _: None)
    codes = [one.code for one in checks.findings()]
    assert "copies_of_another" in codes
    assert "copy_unreadable" not in codes


BY_ROOT = """
for above in {folder} {folder}/.. {folder}/../.. {folder}/../../..; do chmod o+x $above; done
chown -R {nobody}:{nobody} {folder}/data {folder}/copies
export DJANGO_SETTINGS_MODULE=hestor.config.settings DATA={folder}/data HESTOR_BACKUPS={folder}/copies
{python} manage.py backup
find {folder}/copies -uid 0
mv {folder}/data {folder}/lost
{python} manage.py restore newest
find {folder}/data -uid 0
"""


@pytest.mark.long
@roots.root_only
def test_what_root_copies_and_brings_back_is_the_servers_own(tmp_path):
    copy_data(DEMO, tmp_path / "data")
    (tmp_path / "copies").mkdir()
    said = roots.run(f"cd {TOP}" + BY_ROOT.format(folder=tmp_path, nobody=roots.NOBODY, python=sys.executable))
    assert said.returncode == 0, said.stderr
    # The folder itself could not be made by anybody else; nothing else is printed by either look.
    assert [line for line in said.stdout.splitlines() if line.startswith("/") and " " not in line] == []
    assert len(list((tmp_path / "data" / "pictures").glob("??/*"))) > 1
