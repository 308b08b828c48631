"""For machines that watch: whether the server can work, and figures."""

import secrets

from django.conf import settings
from django.http import HttpRequest, HttpResponse

from hestor.jobs import state


def healthz(request: HttpRequest) -> HttpResponse:
    """200 if the server can work, else 503, with what is amiss in a word."""
    amiss = state.amiss()
    said = f"{', '.join(amiss)}\n" if amiss else "well\n"
    return HttpResponse(said, status=503 if amiss else 200, content_type="text/plain")


def _now() -> dict[str, float]:
    """The figures of this moment, which need not be counted."""
    found: dict[str, float] = {**state.queues()}
    found |= {f"{name}_free_bytes": disk.free for name, disk in state.disks().items()}
    if (newest := state.newest_copy()) is not None:
        found["last_copy_timestamp_seconds"] = newest.timestamp()
    return found


def metrics(request: HttpRequest) -> HttpResponse:
    """Figures for Prometheus, for a caller that sends the word in ``HESTOR_METRICS`` (RFC 6750)."""
    given = request.headers.get("Authorization", "").removeprefix("Bearer ")
    if not settings.METRICS or not secrets.compare_digest(given.encode(), settings.METRICS.encode()):
        return HttpResponse("There is nothing at this address.\n", status=404, content_type="text/plain")
    from hestor.observability import figures  # the package reads where its files are when it is imported

    return HttpResponse(figures.text(_now()), content_type="text/plain; version=0.0.4; charset=utf-8")
