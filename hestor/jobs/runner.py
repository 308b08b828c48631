"""Takes up jobs while the server runs: in one of its processes, whichever holds the lock, a thread for each queue."""

import fcntl
import logging
import socket
import threading
import time
from pathlib import Path

from django.conf import settings
from django.db import DatabaseError, close_old_connections, connection
from django_tasks_db.management.commands.db_worker import Worker
from django_tasks_db.models import DBTaskResult

from hestor.jobs import recurring, sending, tasks

_LOG = logging.getLogger("hestor.jobs")
_TICK = 1.0
_PROMPT = "default"
_QUEUES = (_PROMPT, tasks.SLOW)


def _name() -> str:
    """What the jobs of this machine are marked with while they run."""
    return f"hestor@{socket.gethostname()}"[:64]


def _worker(queue: str) -> Worker:
    return Worker(
        queue_names=[queue],
        interval=_TICK,
        batch=True,
        backend_name="default",
        startup_delay=False,
        max_tasks=None,
        worker_id=_name(),
        excluded_queue_names=[],
    )


def run_ready(queue: str) -> None:
    """Does all that is due in a queue; what fails is kept with its reason, and hinders nothing after it."""
    # Looking is free; only who has something to do enters the one transaction that writes.
    if DBTaskResult.objects.ready().filter(queue_name=queue).exists():
        _worker(queue).run()


def take_up_again() -> None:
    """What was at work when its process was killed is done once more."""
    # Of other machines' jobs nothing is known but that none takes this long.
    for one in DBTaskResult.objects.running():
        if one.worker_ids and one.worker_ids[-1] == _name():
            DBTaskResult.objects.filter(pk=one.pk, status="RUNNING").update(status="READY", started_at=None)


def _wait_for_turn() -> object:
    """Waits until no other process of this machine runs jobs; the file that is given holds the turn."""
    path = Path(settings.DATA) / "jobs.lock"
    while True:
        held = path.open("w")
        try:
            fcntl.flock(held, fcntl.LOCK_EX | fcntl.LOCK_NB)
            return held
        except OSError:
            held.close()
            time.sleep(5)


def _forever(queue: str) -> None:
    while True:
        try:
            if queue == _PROMPT:
                recurring.ensure()
            run_ready(queue)
        except DatabaseError:
            # Most often another writes just then.
            _LOG.warning("jobs of the queue %s wait for the database", queue, exc_info=True)
        except Exception:
            _LOG.exception("jobs of the queue %s stopped for a moment", queue)
        finally:
            close_old_connections()
        time.sleep(_TICK)


def _begin() -> None:
    held = _wait_for_turn()
    try:
        take_up_again()
    except DatabaseError:
        _LOG.exception("jobs that were broken off stay so until the next start")
    finally:
        connection.close()
    sending.start()
    threads = [threading.Thread(target=_forever, args=(queue,), name=f"jobs {queue}", daemon=True) for queue in _QUEUES]
    for thread in threads:
        thread.start()
    # The lock lasts as long as somebody holds the file.
    for thread in threads:
        thread.join()
    del held


def start() -> None:
    """Begins, in the background."""
    threading.Thread(target=_begin, name="jobs", daemon=True).start()
