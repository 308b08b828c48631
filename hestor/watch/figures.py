"""Figures for Prometheus of what is answered; of all processes together, through files that they share."""

from prometheus_client import CollectorRegistry, Counter, Histogram, generate_latest, multiprocess

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


def text() -> bytes:
    """The figures of all processes."""
    registry = CollectorRegistry()
    multiprocess.MultiProcessCollector(registry)  # type: ignore[no-untyped-call]
    return bytes(generate_latest(registry))
