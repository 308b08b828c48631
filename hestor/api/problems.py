"""Errors as problem details (RFC 9457): one handler for the job's own errors, one body for all."""

import logging
from collections.abc import Callable
from typing import Any

from django.core.exceptions import RequestDataTooBig
from django.http import HttpRequest, HttpResponse, JsonResponse
from ninja import NinjaAPI
from ninja.errors import HttpError, ValidationError

from hestor import wording
from hestor.core.errors import HestorError, InvalidInput, Problem, StaleRevision

_LOG = logging.getLogger("hestor.api")
_STATUS = {
    "invalid_input": 422,
    "not_found": 404,
    "forbidden": 403,
    "nothing_to_publish": 409,
    "signed_out": 401,
    "sign_in_refused": 401,
    "sign_in_paused": 429,
    "revision_missing": 428,
    "accounts_exist": 409,
    "picture_in_use": 409,
    "picture_gone": 404,
}


def field_name(key: str) -> str:
    """What a field is called on the desk."""
    known = wording.catalogue("desk", wording.FALLBACK)
    return known.get(f"fact.{key}") or known.get(f"field.{key}") or key


def spot(problem: Problem) -> dict[str, Any]:
    """One refused spot, in words."""
    message = wording.say(f"problem.{problem.code}", field=field_name(problem.field), **problem.params)
    return {
        "field": problem.field,
        "code": problem.code,
        "message": message,
        "start": problem.start,
        "end": problem.end,
        "fix": problem.fix,
    }


def body(status: int, code: str, title: str, **more: Any) -> HttpResponse:
    """A problem details answer."""
    said = {"type": "about:blank", "status": status, "code": code, "title": title, **more}
    return JsonResponse(said, status=status, content_type="application/problem+json")


def _own(request: HttpRequest, error: HestorError) -> HttpResponse:
    key = f"error.{error.code}"
    if isinstance(error, InvalidInput):
        one = ".one" if len(error.problems) == 1 else ""
        errors = [spot(problem) for problem in error.problems]
        return body(422, error.code, wording.say(key + one, **error.params), errors=errors)
    # What has no status of its own is something that was given and can't be taken.
    return body(_STATUS.get(error.code, 422), error.code, wording.say(key, **error.params))


def _stale(request: HttpRequest, error: StaleRevision) -> HttpResponse:
    """A stale write also says both values, where the call knew them (``style``)."""
    return body(412, error.code, wording.say(f"error.{error.code}"), **error.values)


def _schema(request: HttpRequest, error: ValidationError) -> HttpResponse:
    errors = [
        {
            "field": str(e["loc"][-1]),
            "code": "schema",
            "message": str(e["msg"]),
            "start": None,
            "end": None,
            "fix": None,
        }
        for e in error.errors
    ]
    one = ".one" if len(errors) == 1 else ""
    return body(422, "invalid_input", wording.say(f"error.invalid_input{one}", count=len(errors)), errors=errors)


def _too_big(request: HttpRequest, error: RequestDataTooBig) -> HttpResponse:
    return body(413, "too_big", wording.say("error.too_big"))


def _http(request: HttpRequest, error: HttpError) -> HttpResponse:
    return body(error.status_code, "http", str(error))


def _crash(request: HttpRequest, error: Exception) -> HttpResponse:
    _LOG.exception("%s %s failed", request.method, request.path)
    return body(500, "crash", wording.say("error.crash"))


def register(api: NinjaAPI) -> None:
    """Puts the handlers in place."""
    handlers: list[tuple[type[Exception], Callable[..., HttpResponse]]] = [
        (HestorError, _own),
        (StaleRevision, _stale),
        (ValidationError, _schema),
        (HttpError, _http),
        (RequestDataTooBig, _too_big),
        (Exception, _crash),
    ]
    for kind, handler in handlers:
        api.add_exception_handler(kind, handler)
