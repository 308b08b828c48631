"""Gunicorn's settings: a few processes (``worker``) with threads, which suits SQLite and many small answers."""

import gc
import os

bind = f"{os.environ.get('HESTOR_BIND', '127.0.0.1')}:{os.environ.get('PORT', '8000')}"
workers = int(os.environ.get("HESTOR_WORKERS", "2"))
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


def on_starting(server: object) -> None:
    """What an older version left open to others on the machine is closed."""
    from hestor.config import private

    private.close_to_others()


def pre_fork(server: object, worker: object) -> None:
    """What was loaded before is left out of every later collection: quicker, and its memory stays shared."""
    gc.collect()
    gc.freeze()


def post_fork(server: object, worker: object) -> None:
    """A process must not share its parent's database connections."""
    from django.db import connections

    connections.close_all()


def post_worker_init(worker: object) -> None:
    """Each process has a studio, and one of them at a time does the jobs."""
    from hestor.jobs import runner
    from hestor.studio import open_studio

    open_studio()
    runner.start()
