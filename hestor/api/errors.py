"""Errors as problem details (RFC 9457): one handler for the job's own errors, one body for all."""

import logging
from collections.abc import Callable, Sequence
from typing import Any

from django.core.exceptions import RequestDataTooBig, SuspiciousOperation
from django.http import HttpRequest, HttpResponse, JsonResponse
from django.http.multipartparser import MultiPartParserError
from ninja import NinjaAPI
from ninja.errors import HttpError, ValidationError

from hestor import translations
from hestor.core.errors import (
    HestorError,
    InternalError,
    InvalidInput,
    Malformed,
    Problem,
    SignInPaused,
    StaleRevision,
    TooBusy,
)

_LOG = logging.getLogger("hestor.api")


class Conflict(HestorError):
    """A stale write, with what was given and what is there now, so that a person can choose."""

    code = StaleRevision.code
    status = StaleRevision.status

    def __init__(self, error: StaleRevision, yours: dict[str, Any], current: dict[str, Any]) -> None:
        super().__init__(**error.params)
        self.values = {"yours": yours, "current": current}


def field_name(key: str) -> str:
    """What a field is called on the desk."""
    known = translations.catalogue("desk", translations.speaking())
    if key.partition(".")[0].isdigit():
        # A cell of a table of pages.
        key = key.partition(".")[2]
    return known.get(f"fact.{key}") or known.get(f"field.{key}") or key


def in_words(problem: Problem) -> str:
    """What is wrong at one spot. That with a picture is an error of its own where one is uploaded by itself."""
    is_problem = f"problem.{problem.code}" in translations.catalogue("desk", translations.FALLBACK)
    kind = "problem" if is_problem else "error"
    return translations.say(f"{kind}.{problem.code}", field=field_name(problem.field), **problem.params)


def field_error(problem: Problem) -> dict[str, Any]:
    """One refused spot, in words."""
    return {
        "field": problem.field,
        "code": problem.code,
        "message": in_words(problem),
        "start": problem.start,
        "end": problem.end,
        "fix": problem.fix,
    }


def body(status: int, code: str, title: str, **more: Any) -> HttpResponse:
    """A problem details response."""
    details = {"type": "about:blank", "status": status, "code": code, "title": title, **more}
    return JsonResponse(details, status=status, content_type="application/problem+json")


def title_of(error: HestorError) -> str:
    """What one of the job's own errors says happened."""
    key = f"error.{error.code}"
    if isinstance(error, InvalidInput):
        return translations.counted(key, len(error.problems))
    return translations.say(key, **error.params)


def own(request: HttpRequest, error: HestorError) -> HttpResponse:
    """One of the job's own errors, in words."""
    if isinstance(error, InvalidInput):
        errors = [field_error(problem) for problem in error.problems]
        return body(error.status, error.code, title_of(error), errors=errors)
    said = body(error.status, error.code, title_of(error))
    if isinstance(error, SignInPaused):
        said["Retry-After"] = str(60 * int(error.params["minutes"]))
    elif isinstance(error, TooBusy):
        said["Retry-After"] = "30"
    return said


def _conflict(request: HttpRequest, conflict: Conflict) -> HttpResponse:
    title = translations.say(f"error.{conflict.code}")
    return body(conflict.status, conflict.code, title, **conflict.values)


_BEFORE_FIELDS = 2


def _spot(location: Sequence[Any]) -> str:
    """The field of a body that is refused by its schema, with the way into it; else the parameter."""
    within = location[_BEFORE_FIELDS:] if location[0] == "body" else ()
    return ".".join(map(str, within or location[-1:]))[:200]


def _schema(request: HttpRequest, error: ValidationError) -> HttpResponse:
    errors = [
        {
            "field": _spot(e["loc"]),
            "code": "schema",
            "message": str(e["msg"]),
            "start": None,
            "end": None,
            "fix": None,
        }
        for e in error.errors
    ]
    return body(422, "invalid_input", translations.counted("error.invalid_input", len(errors)), errors=errors)


_BY_FRAMEWORK = {404: "no_such_call", 405: "method"}


def in_one_shape(response: HttpResponse) -> HttpResponse:
    """What the framework itself says of a call that there is not, as a problem like all others."""
    code = _BY_FRAMEWORK.get(response.status_code)
    if code is None or "json" in response.get("Content-Type", ""):
        return response
    said = body(response.status_code, code, translations.say(f"error.{code}"))
    if "Allow" in response:
        said["Allow"] = response["Allow"]
    return said


def _malformed(request: HttpRequest, error: Exception) -> HttpResponse:
    return own(request, Malformed())


def _too_big(request: HttpRequest, error: RequestDataTooBig) -> HttpResponse:
    return body(413, "too_big", translations.say("error.too_big"))


def _http(request: HttpRequest, error: HttpError) -> HttpResponse:
    return own(request, Malformed()) if error.status_code == 400 else body(error.status_code, "http", str(error))


def _crash(request: HttpRequest, error: Exception) -> HttpResponse:
    _LOG.exception("%s %s failed", request.method, request.path)
    return body(500, "crash", translations.say("error.crash"))


def register(api: NinjaAPI) -> None:
    """Puts the handlers in place."""
    handlers: list[tuple[type[Exception], Callable[..., HttpResponse]]] = [
        (HestorError, own),
        (Conflict, _conflict),
        (InternalError, _crash),
        (ValidationError, _schema),
        (HttpError, _http),
        (RequestDataTooBig, _too_big),
        (SuspiciousOperation, _malformed),
        (MultiPartParserError, _malformed),
        (Exception, _crash),
    ]
    for kind, handler in handlers:
        api.add_exception_handler(kind, handler)
