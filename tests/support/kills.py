"""Losses of power."""

import os
import signal
import time
from collections.abc import Callable


def killed(work: Callable[[], object], after: float) -> None:
    """Begins some work in another process, and kills it after some seconds."""
    child = os.fork()
    if child == 0:
        try:
            work()
        finally:
            os._exit(0)
    time.sleep(after)
    os.kill(child, signal.SIGKILL)
    os.waitpid(child, 0)
