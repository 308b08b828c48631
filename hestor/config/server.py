"""Gunicorn's settings: a few processes (``worker``) with threads, which suits SQLite and many small answers."""

import gc
import os
import shutil
import tempfile

from hestor.config import options, readings

_said = options.read()
bind = f"{_said.bind}:{_said.port}"
workers = _said.workers
worker_class = "hestor.config.worker.HestorWorker"
timeout = 60
graceful_timeout = 5
preload_app = True
accesslog = None
errorlog = "-"
loglevel = "warning"
wsgi_app = "hestor.config.wsgi"
# The heartbeat file belongs in memory; on a slow disk it would stall the workers.
worker_tmp_dir = "/dev/shm" if os.path.isdir("/dev/shm") else None  # noqa: S108
control_socket_disable = True


if _said.metrics:
    # Where the processes share their figures; the package looks for it when it is imported.
    os.environ.setdefault("PROMETHEUS_MULTIPROC_DIR", tempfile.mkdtemp(prefix="hestor-figures-"))


if __name__ == "__config__":
    # As gunicorn calls what it reads its settings from: code that only imports them has no server.
    readings.make_folder()


def on_exit(server: object) -> None:
    """What the processes shared ends with them."""
    readings.delete_folder()
    if _said.metrics:
        shutil.rmtree(os.environ["PROMETHEUS_MULTIPROC_DIR"], ignore_errors=True)


def child_exit(server: object, worker: object) -> None:
    """What a process that ended said of the present counts no more."""
    if _said.metrics:
        from prometheus_client import multiprocess

        multiprocess.mark_process_dead(getattr(worker, "pid", 0))  # type: ignore[no-untyped-call]


# A page makes thousands of objects that end with it; by default the collector looks through them again and again.
gc.set_threshold(10_000, 20, 10)


def on_starting(server: object) -> None:
    """Before anybody is answered: what an older version left open is closed, and nobody is led to files of before."""
    from hestor import edge_cache
    from hestor.config import private

    private.close_to_others()
    edge_cache.drop_links()


def pre_fork(server: object, worker: object) -> None:
    """What was loaded before is left out of every later collection: quicker, and its memory stays shared."""
    from django.db import connections

    # A connection is the parent's alone: what a child would close, it would close for both.
    connections.close_all()
    gc.collect()
    gc.freeze()


def post_fork(server: object, worker: object) -> None:
    """A process must not share its parent's database connections."""
    from django.db import connections

    connections.close_all()


def post_worker_init(worker: object) -> None:
    """Each process has a sandbox, and one of them at a time does the jobs."""
    from hestor.jobs import runner
    from hestor.sandbox import open_sandbox

    open_sandbox()
    runner.start()
