"""Jobs: each comes again, one at a time; what was killed is done once more; what fails stops nothing."""

from datetime import timedelta

import pytest
from django.utils import timezone
from django_tasks_db.models import DBTaskResult

from hestor.backups.errors import CopyFailed
from hestor.jobs import recurring, runner, tasks
from hestor.jobs.recurring import RECURRING

pytestmark = pytest.mark.django_db


@pytest.fixture
def done(monkeypatch) -> list[str]:
    """What was done, in its order."""
    found: list[str] = []
    monkeypatch.setattr(tasks.cleaning, "clean", lambda now: found.append("clean"))
    monkeypatch.setattr(tasks.create, "make", lambda now, reason: found.append("copy"))
    monkeypatch.setattr(tasks.create, "prune", lambda: 0)
    return found


def _rows(**more) -> list[DBTaskResult]:
    return list(DBTaskResult.objects.filter(**more).order_by("enqueued_at"))


def _bring_near() -> None:
    DBTaskResult.objects.filter(status="READY").update(run_after=timezone.now() - timedelta(seconds=1))


def test_each_job_has_one_row_waiting_however_often_one_looks():
    for _ in range(3):
        recurring.ensure()
    assert sorted(row.task_path for row in _rows()) == sorted(one.path for one in RECURRING)


def test_nothing_is_done_before_its_time(done):
    recurring.ensure()
    runner.run_ready(tasks.SLOW)
    assert done == []


def test_what_is_done_comes_again_after_its_time(done):
    recurring.ensure()
    _bring_near()
    runner.run_ready(tasks.SLOW)
    assert sorted(done) == ["clean", "copy"]
    recurring.ensure()
    waiting = _rows(status="READY")
    assert len(waiting) == len(RECURRING)
    for row in waiting:
        every = next(one.every for one in RECURRING if one.path == row.task_path)
        assert abs(row.run_after - timezone.now() - every) < timedelta(minutes=1)


def test_what_fails_is_kept_with_its_reason_and_tried_again_the_same_day(done, monkeypatch):
    def full(now, reason):
        raise CopyFailed("No copy could be made: no space left.")

    monkeypatch.setattr(tasks.create, "make", full)
    recurring.ensure()
    _bring_near()
    runner.run_ready(tasks.SLOW)
    assert done == ["clean"]
    failed = _rows(status="FAILED")
    assert [row.task_path for row in failed] == [tasks.backup.module_path]
    assert "no space left" in failed[0].traceback
    recurring.ensure()
    again = DBTaskResult.objects.get(status="READY", task_path=tasks.backup.module_path)
    assert again.run_after <= timezone.now() + timedelta(hours=1)


def test_what_was_killed_at_work_is_done_once_more(done):
    recurring.ensure()
    _bring_near()
    DBTaskResult.objects.filter(task_path=tasks.backup.module_path).update(
        status="RUNNING", worker_ids=[runner._name()], started_at=timezone.now()
    )
    DBTaskResult.objects.filter(task_path=tasks.clean.module_path).update(
        status="RUNNING", worker_ids=["hestor@another"], started_at=timezone.now()
    )
    runner.run_ready(tasks.SLOW)
    assert done == []
    runner.take_up_again()
    runner.run_ready(tasks.SLOW)
    assert sorted(done) == ["clean", "copy"]


def test_a_clock_set_back_puts_nothing_off_for_long():
    recurring.ensure()
    DBTaskResult.objects.update(run_after=timezone.now() + timedelta(days=400))
    recurring.ensure()
    for row in _rows():
        assert row.run_after <= timezone.now() + timedelta(days=1, minutes=1)
