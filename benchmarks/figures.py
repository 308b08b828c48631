"""What a benchmark gives, and how times are taken."""

import statistics
import time
from collections.abc import Callable
from dataclasses import asdict, dataclass
from typing import Any


@dataclass(frozen=True)
class Figure:
    """One measured number; ``limit`` is the target, or None where there is none."""

    name: str
    value: float
    unit: str
    limit: float | None = None

    @property
    def is_missed(self) -> bool:
        """Whether there is a target, and it was not reached."""
        return self.limit is not None and self.value > self.limit

    def document(self) -> dict[str, Any]:
        """The figure as it is written to the file."""
        return {**asdict(self), "value": round(self.value, 4)}


def times(work: Callable[[int], object], rounds: int, warm: int = 3) -> list[float]:
    """How long each call of ``work`` took, in milliseconds; the first ``warm`` calls don't count."""
    taken = []
    for number in range(rounds + warm):
        start = time.perf_counter()
        work(number)
        taken.append((time.perf_counter() - start) * 1000)
    return taken[warm:]


def least(work: Callable[[], object], rounds: int) -> float:
    """The least that a call of ``work`` took of the processor's own time, in seconds.

    A shared machine is at times half as fast, for seconds: only what both of a ratio take at their best compares them.
    """
    best = 9e9
    for _ in range(rounds):
        start = time.thread_time()
        work()
        best = min(best, time.thread_time() - start)
    return best


def quietest(rounds: Callable[[int], list[float]], count: int) -> list[float]:
    """The round with the lowest median of ``count``: a shared machine is at times half as fast, for seconds."""
    return min((rounds(number) for number in range(count)), key=statistics.median)


def p95(taken: list[float]) -> float:
    """The time that 95 of 100 calls stay within."""
    return statistics.quantiles(taken, n=20, method="inclusive")[-1]


def ratio(one: Callable[[], object], other: Callable[[], object], rounds: int) -> float:
    """How many times longer ``one`` takes than ``other``, both at their best of rounds taken in turn.

    A shared machine is at times half as fast, for seconds: only what both take at their best compares them.
    """
    pairs = []
    for _ in range(rounds):
        start = time.perf_counter()
        one()
        middle = time.perf_counter()
        other()
        pairs.append((middle - start, time.perf_counter() - middle))
    return min(own for own, _ in pairs) / min(bare for _, bare in pairs)
