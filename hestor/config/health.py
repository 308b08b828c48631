"""For machines that watch: whether the server can work, and figures."""

import os
import secrets
from pathlib import Path

from django.conf import settings
from django.db import DatabaseError, connection
from django.http import HttpRequest, HttpResponse

from hestor.jobs import state
from hestor.jobs.findings import disk


def healthz(request: HttpRequest) -> HttpResponse:
    """200 if the database answers and what is kept can be written, else 503, with what is amiss in a word."""
    amiss = []
    try:
        with connection.cursor() as cursor:
            cursor.execute("SELECT 1")
    except DatabaseError:
        amiss.append("database")
    if not os.access(settings.DATA, os.W_OK):
        amiss.append("data")
    if disk(Path(settings.DATA)).is_nearly_full:
        amiss.append("disk")
    said = f"{', '.join(amiss)}\n" if amiss else "well\n"
    return HttpResponse(said, status=503 if amiss else 200, content_type="text/plain")


def _gauges() -> str:
    found = {f"hestor_{name}": value for name, value in state.queues().items()}
    found |= {f"hestor_{name}_free_bytes": one.free for name, one in state.disks().items()}
    if (newest := state.newest_copy()) is not None:
        found["hestor_last_copy_timestamp_seconds"] = int(newest.timestamp())
    return "".join(f"# TYPE {name} gauge\n{name} {value}\n" for name, value in found.items())


def metrics(request: HttpRequest) -> HttpResponse:
    """Figures for Prometheus, for who knows the word that ``HESTOR_METRICS`` says (RFC 6750)."""
    given = request.headers.get("Authorization", "").removeprefix("Bearer ")
    if not settings.METRICS or not secrets.compare_digest(given.encode(), settings.METRICS.encode()):
        return HttpResponse("There is nothing at this address.\n", status=404, content_type="text/plain")
    from hestor.watch import figures  # only where it is set up

    return HttpResponse(figures.text() + _gauges().encode(), content_type="text/plain; version=0.0.4; charset=utf-8")
