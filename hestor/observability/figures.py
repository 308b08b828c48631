"""Figures for Prometheus of what is answered; of all processes together, through files that they share."""

from collections.abc import Iterator, Mapping

from prometheus_client import CollectorRegistry, Counter, Histogram, generate_latest, multiprocess
from prometheus_client.core import GaugeMetricFamily, Metric

REQUESTS = Counter("hestor_requests", "Requests answered", ("where", "status"))
SECONDS = Histogram(
    "hestor_request_seconds",
    "How long answering took",
    ("where",),
    buckets=(0.005, 0.01, 0.025, 0.05, 0.1, 0.25, 0.5, 1, 2.5, 5, 10),
)


def note(where: str, status: int, seconds: float) -> None:
    """Counts one answer: ``where`` is ``desk`` or ``site``."""
    REQUESTS.labels(where, str(status)).inc()
    SECONDS.labels(where).observe(seconds)


class _Now:
    """Figures of this moment, told as they are: of these nothing is shared between processes."""

    def __init__(self, values: Mapping[str, float]) -> None:
        self._values = values

    def collect(self) -> Iterator[Metric]:
        """Each as a gauge."""
        for name, value in self._values.items():
            yield GaugeMetricFamily(f"hestor_{name}", name.replace("_", " "), value)


def text(now: Mapping[str, float]) -> bytes:
    """The figures of all processes, and those of ``now`` by their names."""
    registry = CollectorRegistry()
    multiprocess.MultiProcessCollector(registry)  # type: ignore[no-untyped-call]
    registry.register(_Now(now))
    return bytes(generate_latest(registry))
