"""What is sent to the API, looked at before anything else is done with it: its size, its depth, its characters.

Costs a few steps a byte, whatever it holds. What is past these checks can be kept, compared and sent back as UTF-8
(RFC 8259, section 8; lone surrogates are what section 8.2 warns of).
"""

import json
import math
import re
from collections.abc import Callable, Iterator
from dataclasses import dataclass
from typing import Any, NoReturn

from django.http import HttpRequest, HttpResponse
from ninja.parser import Parser

from hestor.api.errors import in_one_shape, own
from hestor.core.errors import MOST_PROBLEMS, HestorError, InvalidInput, Malformed, Problem, TooBig


@dataclass(frozen=True)
class Limits:
    """How much a call may bring: bytes, and values."""

    size: int
    values: int


# A page has a text, a table many; all else are settings.
SETTINGS, PAGE, TABLE = Limits(64_000, 2_000), Limits(1_000_000, 2_000), Limits(24_000_000, 400_000)
_PAGE = re.compile(r"/api/sites/[^/]+/pages(?:/[^/]+(?:/look)?)?")
_TABLE = re.compile(r"/api/sites/[^/]+/(?:titles(?:/csv)?|sweep/(?:mend|words))")
_DEEPEST = 12
# What a database's integer holds (64 bits with a sign).
_FARTHEST = 2**63 - 1
_SURROGATE = re.compile("[\ud800-\udfff]")


def limits_of(path: str) -> Limits:
    """How much a call to an address may bring."""
    if _TABLE.fullmatch(path):
        return TABLE
    return PAGE if _PAGE.fullmatch(path) else SETTINGS


def _refuse(constant: str) -> NoReturn:
    raise ValueError(constant)


def _parsed(body: bytes) -> Any:
    try:
        return json.loads(body.decode(), parse_constant=_refuse)
    except (ValueError, RecursionError) as error:
        raise Malformed from error


def _walked(value: Any, field: str, depth: int = 0) -> Iterator[tuple[str, Any]]:
    """Every value with the name of the field that it is in. Raises TooBig for what is nested too deep."""
    if depth > _DEEPEST:
        raise TooBig
    yield field, value
    if isinstance(value, dict):
        for key, inner in value.items():
            yield key, key
            yield from _walked(inner, key, depth + 1)
    elif isinstance(value, list):
        for inner in value:
            yield from _walked(inner, field, depth + 1)


def _problem(field: str, value: Any) -> Problem | None:
    if isinstance(value, str) and _SURROGATE.search(value):
        return Problem(_SURROGATE.sub("\ufffd", field), "characters_broken")
    far = isinstance(value, int) and abs(value) > _FARTHEST
    return Problem(field, "number_far") if far or (isinstance(value, float) and not math.isfinite(value)) else None


def read(body: bytes, limits: Limits) -> Any:
    """The value that a body holds. Raises TooBig, Malformed, or InvalidInput with the first problem of each kind."""
    if len(body) > limits.size:
        raise TooBig
    parsed = _parsed(body)
    problems: dict[tuple[str, str], Problem] = {}
    for number, (field, value) in enumerate(_walked(parsed, "body")):
        if number > limits.values:
            raise TooBig
        if len(problems) < MOST_PROBLEMS and (problem := _problem(field, value)):
            problems.setdefault((problem.field, problem.code), problem)
    if problems:
        raise InvalidInput(list(problems.values()))
    return parsed


class ReadBody(Parser):
    """Gives ninja the body as it was read before."""

    def parse_body(self, request: HttpRequest) -> Any:
        """The value that the body holds."""
        if hasattr(request, "hestor_body"):
            return request.hestor_body
        # A form without a field says as little as no body at all.
        is_empty = (request.content_type or "").startswith("multipart/") and not request.POST and not request.FILES
        return None if is_empty else super().parse_body(request)


class RequestBodyMiddleware:
    """Reads what is sent to the API, or says what is wrong with it, before any view is asked."""

    def __init__(self, get_response: Callable[[HttpRequest], HttpResponse]) -> None:
        self._get_response = get_response

    def __call__(self, request: HttpRequest) -> HttpResponse:
        """Answers one request."""
        if not request.path.startswith("/api/"):
            return self._get_response(request)
        is_form = (request.content_type or "").startswith("multipart/")
        if request.method in ("POST", "PUT", "PATCH") and not is_form:
            try:
                self._read(request)
            except HestorError as error:
                return own(request, error)
        return in_one_shape(self._get_response(request))

    def _read(self, request: HttpRequest) -> None:
        limits = limits_of(request.path)
        given = request.META.get("CONTENT_LENGTH") or "0"
        if given.isdigit() and int(given) > limits.size:
            raise TooBig
        if request.body:
            request.hestor_body = read(request.body, limits)  # type: ignore[attr-defined]
