"""Takes up jobs while the server runs: in one of its processes, whichever has the turn, a thread for each queue."""

import logging
import socket
import threading
import time

from django.db import DatabaseError, close_old_connections, connection
from django_tasks_db.management.commands.db_worker import Worker
from django_tasks_db.models import DBTaskResult

from hestor import locks
from hestor.jobs import recurring, sending, tasks

_LOG = logging.getLogger("hestor.jobs")
_TICK = 1.0
_UNTIL_ASKED_AGAIN = 5.0
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
    # Looking is free; the one transaction that writes is entered only if there is something to do.
    if DBTaskResult.objects.ready().filter(queue_name=queue).exists():
        _worker(queue).run()


def take_up_again() -> None:
    """A job that was running when its process was killed runs again: only the process with the lock runs jobs."""
    DBTaskResult.objects.running().update(status="READY", started_at=None)


def _forever(queue: str, lasts: locks.Lasts) -> None:
    while lasts():
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


def _at_turn(lasts: locks.Lasts) -> None:
    try:
        take_up_again()
    except DatabaseError:
        _LOG.exception("jobs that were broken off stay so until the next start")
    finally:
        connection.close()
    threads = [
        threading.Thread(target=_forever, args=(queue, lasts), name=f"jobs {queue}", daemon=True) for queue in _QUEUES
    ]
    for thread in threads:
        thread.start()
    for thread in threads:
        thread.join()


def _run() -> None:
    sending.start()
    while True:
        try:
            with locks.taken("jobs") as lasts:
                if lasts:
                    _at_turn(lasts)
        except (OSError, DatabaseError):
            _LOG.exception("jobs wait until they can be taken up")
        finally:
            connection.close()
        time.sleep(_UNTIL_ASKED_AGAIN)


def start() -> None:
    """Begins, in the background."""
    threading.Thread(target=_run, name="jobs", daemon=True).start()
