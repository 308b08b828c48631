"""Sends queued messages while the server runs."""

import logging
import threading
import time

from django.conf import settings
from django.db import close_old_connections, connection

_LOG = logging.getLogger("hestor.sending")
_PAUSE = 2.0
# A server that can't be reached is asked ever more seldom.
_LONGEST = 60.0


def _round() -> bool:
    from hestor.mail.services.sending import drain  # needs the apps, which are ready only now

    try:
        drain()
    except Exception:
        _LOG.exception("sending failed")
        return False
    finally:
        close_old_connections()
    return True


def _forever() -> None:
    pause = _PAUSE
    while True:
        time.sleep(pause)
        pause = _PAUSE if _round() else min(2 * pause, _LONGEST)


def start() -> None:
    """Begins, if real sending is set up."""
    if settings.SMTP:
        threading.Thread(target=_forever, name="sending", daemon=True).start()
        connection.close()
