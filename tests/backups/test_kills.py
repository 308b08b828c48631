"""A loss of power while copies are made, cleaned or brought back: what there is afterwards is whole, or not there."""

import os
import shutil
import time
from datetime import timedelta
from pathlib import Path

import pytest

from hestor.backups import create, folder, restore
from hestor.backups.databases import SQLITE as DATABASE
from tests.backups.test_copies import NOW, _pictures, _rows, data  # noqa: F401 a fixture
from tests.support.databases import sqlite_only
from tests.support.kills import killed
from tests.support.sampling import sample

pytestmark = sqlite_only
MOMENTS = sample((0.0, 0.002, 0.005, 0.01, 0.02, 0.04, 0.08, 0.16), 2, 5)


@pytest.mark.parametrize("after", MOMENTS)
def test_killed_while_copying(data, after):  # noqa: F811
    create.make(NOW, "daily")
    killed(lambda: create.make(NOW + timedelta(days=1), "daily"), after)
    assert folder.unreadable() == []
    for copy in folder.listed():
        assert restore.faults(copy) == ([], [])
    create.make(NOW + timedelta(days=2), "daily")
    assert restore.faults(folder.listed()[0]) == ([], [])


@pytest.mark.parametrize("after", MOMENTS)
def test_killed_while_copies_are_cleaned(data, after):  # noqa: F811
    for day in range(20):
        create.make(NOW + timedelta(days=day), "daily")
    newest = folder.listed()[0]
    killed(create.prune, after)
    assert restore.faults(newest) == ([], [])
    assert all(restore.faults(copy) == ([], []) for copy in folder.listed())
    create.prune()
    assert folder.unreadable() == []
    assert all(restore.faults(copy) == ([], []) for copy in folder.listed())


@pytest.mark.parametrize("after", MOMENTS)
def test_killed_while_a_copy_is_brought_back(data, after):  # noqa: F811
    rows, pictures = _rows(data / DATABASE), _pictures(data)
    made = create.make(NOW, "daily")
    shutil.rmtree(data)
    copy = folder.listed()[0]
    killed(lambda: restore.restore(copy, Path(data)), after)
    if not (data / DATABASE).exists():
        assert restore.restore(copy, data) == []
    assert _rows(data / DATABASE) == rows
    assert _pictures(data) == {key: pictures[key] for key in made.pictures}
    assert (data / "secret-key").exists()


def test_what_a_kill_left_of_a_copy_goes_after_a_day(data, settings):  # noqa: F811
    killed(lambda: create.make(NOW, "daily"), 0.01)
    left = settings.BACKUPS / ".left.part"
    left.mkdir(parents=True)
    create.prune()
    assert left.exists()
    long_ago = time.time() - 2 * 24 * 3600
    os.utime(left, (long_ago, long_ago))
    create.prune()
    assert not left.exists()
