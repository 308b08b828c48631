"""How one process serves: it reads requests and writes answers itself, for any number of clients, however slow.

Only a whole request takes one of the few threads that do the work, and none waits for a client to read. Visitors
have threads of their own, so that work at the desk, however much there is, leaves them theirs. Gunicorn starts
and watches the processes; reading and writing is waitress's.
"""

import os
import sys
import threading
import time
from collections import deque
from collections.abc import Iterator
from contextlib import contextmanager
from typing import Any

from gunicorn.workers.base import Worker
from waitress import wasyncore
from waitress.adjustments import Adjustments
from waitress.channel import HTTPChannel
from waitress.server import TcpWSGIServer
from waitress.task import ThreadedTaskDispatcher

from hestor.config import options
from hestor.sandbox import waiting

VISITORS, DESK = 3, 3
# From the first byte of a request to the end of its head, and to the end of its body, in seconds.
HEAD_SECONDS, BODY_SECONDS, IDLE_SECONDS = 10, 120, 30
# Larger than any picture may be: the refusal in words is the desk's, and this one is for strangers.
_MOST_BYTES = 64_000_000
# Added to the niceness of the desk's threads.
_LESS_URGENT = 15
# How long a thread may go on while another waits. At the usual 5 ms a short answer waits for several long ones.
_SWITCH = 0.0002


class Turn:
    """Lets one of the desk's threads compute at a time, first come, first served; a thread that waits for
    anything else lets the next one. (A plain lock goes to the thread that asks at the right moment, and one may wait
    while many pass.)"""

    def __init__(self) -> None:
        self._lock = threading.Lock()
        self._taken = False
        self._waiting: deque[threading.Lock] = deque()
        self._mine = threading.local()

    def _take(self) -> None:
        with self._lock:
            if not self._taken:
                self._taken = True
                return
            mine = threading.Lock()
            mine.acquire()
            self._waiting.append(mine)
        # The thread that gives the turn away releases it, and the turn stays taken.
        mine.acquire()

    def _give(self) -> None:
        with self._lock:
            if self._waiting:
                self._waiting.popleft().release()
            else:
                self._taken = False

    @contextmanager
    def taken(self) -> Iterator[None]:
        """Waits for the turn, and has it."""
        self._take()
        self._mine.has = True
        try:
            yield
        finally:
            self._mine.has = False
            self._give()

    @contextmanager
    def passed_on(self) -> Iterator[None]:
        """Gives the turn to others for a while, if this thread has it."""
        if not getattr(self._mine, "has", False):
            yield
            return
        self._give()
        try:
            yield
        finally:
            self._take()


TURN = Turn()


class DeskTask:
    """A request of the desk's, done when it is its turn."""

    def __init__(self, channel: HTTPChannel) -> None:
        self._channel = channel

    def service(self) -> None:
        """Answers it."""
        with TURN.taken():
            self._channel.service()

    def cancel(self) -> None:
        """Lets it go."""
        self._channel.cancel()


def stand_back() -> None:
    """Lets the system prefer all others to this thread, and leaves one of the processors to them, if there are more."""
    this = threading.get_native_id()
    os.setpriority(os.PRIO_PROCESS, this, _LESS_URGENT)
    processors = sorted(os.sched_getaffinity(this))
    if len(processors) > 1:
        os.sched_setaffinity(this, processors[1:])


class DeskThreads(ThreadedTaskDispatcher):  # type: ignore[misc]  # its package has no types
    """Threads for the desk's work, to which the system prefers those for visitors."""

    def handler_thread(self, thread_no: int) -> None:
        """Works until told to end."""
        stand_back()
        super().handler_thread(thread_no)


class Channel(HTTPChannel):  # type: ignore[misc]  # its package has no types
    """One client. It knows since when a request is on its way."""

    begun = 0.0

    def received(self, data: bytes) -> bool:
        """Takes note of a request that has not come whole."""
        took = bool(super().received(data))
        if self.request is None:
            self.begun = 0.0
        elif not self.begun:
            self.begun = time.time()
        return took

    def is_late(self, now: float) -> bool:
        """Whether a request takes longer to come than it may."""
        if not self.begun or self.request is None:
            return False
        return now - self.begun > (BODY_SECONDS if self.request.headers_finished else HEAD_SECONDS)


class Server(TcpWSGIServer):  # type: ignore[misc]  # its package has no types
    """Answers on one socket, with threads for visitors and others for the desk."""

    channel_class = Channel

    def __init__(self, application: Any, sock: Any, settings: Adjustments) -> None:
        self._desk = DeskThreads()
        self._desk.set_thread_count(DESK)
        super().__init__(application, _sock=sock, adj=settings, bind_socket=False, sockinfo=(sock.family,) * 4)

    def add_task(self, task: HTTPChannel) -> None:
        """A request has come whole."""
        from hestor.web.middleware import host_of, is_desk  # needs the settings, which are ready only now

        asks_desk = is_desk(host_of(task.requests[0].headers.get("HOST", "")))
        if asks_desk:
            self._desk.add_task(DeskTask(task))
        else:
            self.task_dispatcher.add_task(task)

    def maintenance(self, now: float) -> None:
        """Closes connections that are idle, or too slow."""
        super().maintenance(now)
        for channel in self.active_channels.values():
            if channel.is_late(now):
                channel.will_close = True

    def turn(self) -> None:
        """Reads and writes once."""
        wasyncore.loop(timeout=1.0, use_poll=True, map=self._map, count=1)

    def end(self, seconds: float) -> None:
        """Finishes what has begun."""
        self.accepting = False
        for dispatcher in (self.task_dispatcher, self._desk):
            dispatcher.shutdown(timeout=seconds)
        self.turn()


def _settings(sockets: list[Any]) -> Adjustments:
    """Only the proxy that is named may say where a request comes from (its address, and whether by HTTPS)."""
    said = options.read()
    proxy = said.proxy if said.proxy is not None else "127.0.0.1" if said.https else ""
    trusted = {
        "trusted_proxy": proxy,
        "trusted_proxy_count": 1,
        "trusted_proxy_headers": {"x-forwarded-for", "x-forwarded-proto"},
    }
    return Adjustments(
        sockets=sockets,
        threads=VISITORS,
        ident=None,
        connection_limit=2_000,
        channel_timeout=IDLE_SECONDS,
        cleanup_interval=2,
        max_request_header_size=32_000,
        max_request_body_size=_MOST_BYTES,
        clear_untrusted_proxy_headers=True,
        **(trusted if proxy else {}),
    )


class HestorWorker(Worker):  # type: ignore[misc]  # its package has no types
    """A process of gunicorn's that serves as above."""

    def run(self) -> None:
        """Serves until told to end, or until its parent process has ended."""
        sys.setswitchinterval(_SWITCH)
        waiting.pass_on = TURN.passed_on
        (listener,) = self.sockets
        sock = listener.sock
        sock.setblocking(False)
        server = Server(self.wsgi, sock, _settings([sock]))
        while self.alive and self.ppid == os.getppid():
            self.notify()
            server.turn()
        server.end(self.cfg.graceful_timeout)
