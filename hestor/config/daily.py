"""What the server does by itself once a day."""

import logging
import threading
import time

from django.db import close_old_connections, connection

_LOG = logging.getLogger("hestor.daily")
_FIRST = 600
_DAY = 24 * 60 * 60


def run() -> None:
    """One day's work. A failure is logged; the next day tries again."""
    from hestor import clock
    from hestor.mail.services.enquiries import delete_old  # needs the apps, which are ready only now
    from hestor.sites.services.cleaning import clean

    try:
        clean(clock.now())
        delete_old(clock.now())
    except Exception:
        _LOG.exception("cleaning up failed")
    finally:
        connection.close()
        close_old_connections()


def _every_day() -> None:
    time.sleep(_FIRST)
    while True:
        run()
        time.sleep(_DAY)


def start() -> None:
    """Begins, some minutes after the server did, so that starting stays quick."""
    threading.Thread(target=_every_day, name="daily", daemon=True).start()
