"""Compressing responses, by what the visitor's browser takes (RFC 9110, 12.5.3)."""

import gzip

import brotli

_COMPRESSES = ("text/", "application/json", "application/manifest", "application/xml", "application/atom", "image/svg")
_LEAST = 600


def _accepted(accepts: str) -> set[str]:
    """The codings that an Accept-Encoding header takes; a weight of nought refuses one."""
    accepted = set()
    for part in accepts.lower().split(","):
        coding, _, weight = part.replace(" ", "").partition(";q=")
        if not weight or weight.strip("0."):
            accepted.add(coding)
    return accepted


def choose(accepts: str, media_type: str, size: int) -> str:
    """``br``, ``gzip`` or ``""``: the best coding that the browser takes and that is worth it."""
    if size < _LEAST or not media_type.startswith(_COMPRESSES):
        return ""
    accepted = _accepted(accepts)
    return next((coding for coding in ("br", "gzip") if coding in accepted), "")


def encode(body: bytes, coding: str) -> bytes:
    """The body in a coding that ``choose`` named."""
    if coding == "br":
        return bytes(brotli.compress(body, quality=5))
    return gzip.compress(body, 6, mtime=0) if coding == "gzip" else body
