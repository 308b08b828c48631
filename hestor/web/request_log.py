"""Stands before everything else: names each request, says which were slow, and counts them."""

import logging
import time
from collections.abc import Callable

from django.conf import settings
from django.http import HttpRequest, HttpResponse

from hestor.observability import requests
from hestor.web.middleware import host_of, is_desk

_LOG = logging.getLogger("hestor.requests")


class RequestLog:
    """One of the middlewares, the outermost."""

    def __init__(self, get_response: Callable[[HttpRequest], HttpResponse]) -> None:
        self._get_response = get_response

    def __call__(self, request: HttpRequest) -> HttpResponse:
        """Answers one request."""
        requests.begin(request.headers.get("X-Request-Id", ""))
        path, begun = request.path, time.perf_counter()
        response = self._get_response(request)
        seconds = time.perf_counter() - begun
        where = "desk" if is_desk(host_of(request.META.get("HTTP_HOST", ""))) else "site"
        if settings.METRICS:
            from hestor.observability import figures  # the package reads where its files are when it is imported

            figures.note(where, response.status_code, seconds)
        if seconds >= settings.SLOW_SECONDS or settings.LOG_ALL:
            said = {
                "method": request.method,
                "path": requests.named(path),
                "status": response.status_code,
                "ms": round(seconds * 1000),
                "where": where,
            }
            slow = seconds >= settings.SLOW_SECONDS
            _LOG.log(
                logging.WARNING if slow else logging.INFO,
                "%s%s %s answered %s in %s ms",
                "slow: " if slow else "",
                *(said[name] for name in ("method", "path", "status", "ms")),
                extra=said,
            )
        return response
