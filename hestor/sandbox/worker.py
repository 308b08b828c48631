"""The sandbox's own process: waits for work and does each piece in a copy of itself, which ends with it.

It holds nothing of the process that opened it but the modules that are loaded: no port, no database.
"""

import gc
import os
import pickle
import signal
import socket
import sys
from typing import Any, NoReturn

from hestor.core.errors import TooMuchWork
from hestor.sandbox.limits import Limits, set_limits


def _keep_only(door: int) -> None:
    """Closes whatever else was open, such as the server's port."""
    os.closerange(3, door)
    os.closerange(door + 1, 4096)


def _quiet() -> None:
    """The sandbox ends when its opener does, not by a signal to all; what ends in it is nobody's to wait for."""
    for number in (signal.SIGTERM, signal.SIGQUIT, signal.SIGHUP, signal.SIGUSR1, signal.SIGUSR2, signal.SIGWINCH):
        signal.signal(number, signal.SIG_DFL)
    signal.signal(signal.SIGINT, signal.SIG_IGN)
    signal.signal(signal.SIGCHLD, signal.SIG_IGN)


def _outcome(work: bytes) -> tuple[bool, Any]:
    function, args, kwargs = pickle.loads(work)  # noqa: S301
    try:
        return False, function(*args, **kwargs)
    except MemoryError:
        return True, TooMuchWork()
    except Exception as error:
        return True, error


def _pickled(outcome: tuple[bool, Any]) -> bytes:
    try:
        return pickle.dumps(outcome)
    except Exception as error:
        return pickle.dumps((True, RuntimeError(f"{type(outcome[1]).__name__} can't be sent: {error}")))


def _do(end: socket.socket, limits: Limits) -> None:
    set_limits(limits)
    work = b"".join(iter(lambda: end.recv(1 << 20), b""))
    end.sendall(_pickled(_outcome(work)))


def serve(door: socket.socket) -> None:
    """Does work until the door is closed."""
    gc.collect()
    gc.freeze()
    while True:
        message, fds, _, _ = socket.recv_fds(door, 16, 1)
        if not message:
            return
        if os.fork() == 0:
            door.close()
            try:
                _do(socket.socket(fileno=fds[0]), Limits(*message))
            finally:
                os._exit(0)
        for fd in fds:
            os.close(fd)


def become(door: socket.socket) -> NoReturn:
    """Makes this process the sandbox."""
    try:
        _quiet()
        _keep_only(door.fileno())
        serve(door)
    finally:
        os._exit(0)


def main() -> None:
    """The sandbox as a program, on the socket whose number it is given."""
    import django

    django.setup()
    become(socket.socket(fileno=int(sys.argv[1])))


if __name__ == "__main__":
    main()
