"""The side of the sandbox that answers: hands work over, waits, and opens the sandbox anew if it was lost."""

import os
import pickle
import socket
import subprocess
import sys
from collections.abc import Callable
from threading import BoundedSemaphore, Lock
from typing import Any, ParamSpec, TypeVar, cast

from hestor.core.errors import InternalError, TooBusy, TooMuchWork
from hestor.sandbox import worker
from hestor.sandbox.limits import TO_MAKE, TO_READ, Limits
from hestor.sandbox.waiting import aside

P = ParamSpec("P")
T = TypeVar("T")

# Each piece of work may take as much memory as a large picture needs, so only so many are done at a time.
_AT_ONCE = 2
_PATIENCE = 10.0
# A result comes within the limits or never; what is more is a machine that is busy with other things.
_GRACE = 3.0


class Sandbox:
    """One process's way to its sandbox."""

    def __init__(self) -> None:
        self._lock = Lock()
        self._turns = BoundedSemaphore(_AT_ONCE)
        self._door: socket.socket | None = None
        self._program: subprocess.Popen[bytes] | None = None

    @property
    def is_open(self) -> bool:
        """Whether work goes to other processes at all."""
        return self._door is not None

    def open_by_fork(self) -> None:
        """Opens the sandbox as a copy of this process, which must not have started a thread yet."""
        mine, theirs = _pair()
        if os.fork() == 0:
            worker.become(theirs)
        theirs.close()
        self._door = mine

    def open_by_exec(self) -> None:
        """Opens the sandbox as a program of its own, which takes longer but asks nothing of this process."""
        mine, theirs = _pair()
        command = [sys.executable, "-m", "hestor.sandbox.worker", str(theirs.fileno())]
        self._wait()
        self._program = subprocess.Popen(command, pass_fds=[theirs.fileno()], stdin=subprocess.DEVNULL)  # noqa: S603
        theirs.close()
        self._door = mine

    def close(self) -> None:
        """Ends the sandbox; from now on work is done on the spot."""
        if self._door:
            self._door.close()
            self._door = None
            self._wait()

    def _wait(self) -> None:
        """Takes note that a program has ended, so that nothing is left of it."""
        if self._program:
            self._program.wait(timeout=5)
            self._program = None

    def _reopen(self, lost: socket.socket) -> None:
        """Opens another sandbox, once, however many found it lost. By now threads run, so it is no copy."""
        with self._lock:
            if self._door is lost:
                self.open_by_exec()
                lost.close()

    def _hand_over(self, end: socket.socket, limits: Limits) -> socket.socket:
        """Gives one end of a line to the sandbox, and says which sandbox that is."""
        for _ in range(2):
            door = cast(socket.socket, self._door)
            try:
                socket.send_fds(door, [bytes(limits)], [end.fileno()])
                return door
            except OSError:
                self._reopen(door)
        raise TooBusy

    def _try(self, work: bytes, limits: Limits) -> Any:
        mine, theirs = socket.socketpair()
        with mine:
            with theirs:
                door = self._hand_over(theirs, limits)
            mine.settimeout(limits.clock + _GRACE)
            try:
                return _answer(mine, work)
            except TooMuchWork as error:
                if _is_lost(door):
                    raise SandboxLost from error
                raise

    def do(self, work: bytes, limits: Limits) -> Any:
        """Has pickled work done. Raises what it raised, TooMuchWork if it passed its limits, TooBusy for no turn."""
        if not self._turns.acquire(timeout=_PATIENCE):
            raise TooBusy
        try:
            return self._try(work, limits)
        except SandboxLost:
            # The work is not to blame; a second time it is.
            try:
                return self._try(work, limits)
            except SandboxLost as error:
                raise TooMuchWork from error
        finally:
            self._turns.release()


class SandboxLost(InternalError):
    """The whole sandbox ended while it was at work."""


def _is_lost(door: socket.socket) -> bool:
    try:
        return door.recv(1, socket.MSG_PEEK | socket.MSG_DONTWAIT) == b""
    except BlockingIOError:
        return False
    except OSError:
        return True


def _pair() -> tuple[socket.socket, socket.socket]:
    return socket.socketpair(socket.AF_UNIX, socket.SOCK_SEQPACKET)


def _answer(end: socket.socket, work: bytes) -> Any:
    try:
        end.sendall(work)
        end.shutdown(socket.SHUT_WR)
        pieces = list(iter(lambda: end.recv(1 << 20), b""))
    except OSError as error:
        raise TooMuchWork from error
    if not pieces:
        # It ended without a word: killed by a limit, or by what it was given.
        raise TooMuchWork
    failed, found = pickle.loads(b"".join(pieces))  # noqa: S301
    if failed:
        raise found
    return found


_SANDBOX = Sandbox()


def open_sandbox() -> None:
    """Opens this process's sandbox. To be called before any thread is started."""
    _SANDBOX.open_by_fork()


def run(work: Callable[P, T], *args: P.args, **kwargs: P.kwargs) -> T:
    """What ``work`` gives, done in the sandbox. Raises what it raises, TooMuchWork or TooBusy.

    ``work`` and what it is given must be known to ``pickle``.
    """
    return run_within(TO_MAKE, work, *args, **kwargs)


_LONG = 10_000


def run_on_text(text: str, work: Callable[P, T], *args: P.args, **kwargs: P.kwargs) -> T:
    """What ``work`` gives that reads a text: a short one on the spot, a long one in the sandbox.

    A long text can be written over which a reader sits for a minute. Raises what ``work`` raises, TooMuchWork, TooBusy.
    """
    return work(*args, **kwargs) if len(text) <= _LONG else run_within(TO_READ, work, *args, **kwargs)


def run_within(limits: Limits, work: Callable[P, T], *args: P.args, **kwargs: P.kwargs) -> T:
    """The same, within other limits."""
    if not _SANDBOX.is_open:
        return work(*args, **kwargs)
    pickled = pickle.dumps((work, args, kwargs))
    with aside():
        return cast(T, _SANDBOX.do(pickled, limits))
