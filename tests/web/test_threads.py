"""The desk's threads take turns, and none waits with the turn in its hand."""

import os
import threading
import time

import pytest

from hestor.config.worker import DESK, Turn, stand_back
from hestor.sandbox import client, waiting
from hestor.sandbox.limits import Limits


def nap() -> str:
    time.sleep(0.2)
    return "done"


@pytest.fixture
def turn(monkeypatch):
    made = Turn()
    monkeypatch.setattr(waiting, "pass_on", made.passed_on)
    return made


@pytest.fixture
def sandbox(monkeypatch):
    opened = client.Sandbox()
    opened.open_by_exec()
    monkeypatch.setattr(client, "_SANDBOX", opened)
    assert client.run(nap) == "done"
    yield opened
    opened.close()


def test_more_threads_than_places_in_the_sandbox_get_on(turn, sandbox, monkeypatch):
    monkeypatch.setattr(client, "_PATIENCE", 3600)
    done = []

    def work() -> None:
        with turn.taken():
            done.extend(client.run_within(Limits(5, 10), nap) for _ in range(3))

    threads = [threading.Thread(target=work, daemon=True) for _ in range(DESK + 2)]
    for thread in threads:
        thread.start()
    for thread in threads:
        thread.join(timeout=60)
    # A turn held while waiting for a place would never be let go.
    assert len(done) == 3 * len(threads)


def test_one_computes_at_a_time(turn):
    at_once, most = [], []

    def work() -> None:
        with turn.taken():
            at_once.append(1)
            most.append(len(at_once))
            time.sleep(0.01)
            at_once.pop()

    threads = [threading.Thread(target=work) for _ in range(6)]
    for thread in threads:
        thread.start()
    for thread in threads:
        thread.join()
    assert max(most) == 1


def test_another_gets_on_while_one_waits(turn):
    waits, seen = threading.Event(), threading.Event()

    def first() -> None:
        with turn.taken(), waiting.aside():
            waits.set()
            assert seen.wait(60)

    thread = threading.Thread(target=first)
    thread.start()
    assert waits.wait(60)
    with turn.taken():
        seen.set()
    thread.join(timeout=60)
    assert not thread.is_alive()


def test_who_has_no_turn_has_none_to_pass_on(turn):
    with waiting.aside(), turn.taken():
        pass


def test_a_thread_that_stands_back_leaves_a_processor_to_the_others():
    told = []

    def work() -> None:
        before = os.sched_getaffinity(threading.get_native_id())
        stand_back()
        this = threading.get_native_id()
        told.append((before, os.sched_getaffinity(this), os.getpriority(os.PRIO_PROCESS, this)))

    mine = os.sched_getaffinity(0), os.getpriority(os.PRIO_PROCESS, 0)
    thread = threading.Thread(target=work)
    thread.start()
    thread.join()
    ((before, after, priority),) = told
    assert len(after) == max(1, len(before) - 1)
    assert after <= before
    assert priority > mine[1]
    assert (os.sched_getaffinity(0), os.getpriority(os.PRIO_PROCESS, 0)) == mine


def test_first_come_first_served(turn):
    order = []

    def work(name: str) -> None:
        with turn.taken():
            order.append(name)

    threads = []
    with turn.taken():
        for name in "abc":
            threads.append(threading.Thread(target=work, args=(name,)))
            threads[-1].start()
            while len(turn._waiting) < len(threads):
                time.sleep(0.001)
        with turn.passed_on():
            # Whoever wants it again comes after those who have waited already.
            pass
        order.append("again")
    for thread in threads:
        thread.join()
    assert order == ["a", "b", "c", "again"]
