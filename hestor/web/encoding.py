"""Compressing responses, by what the visitor's browser takes (RFC 9110, 12.5.3)."""

import gzip
import re

import brotli

_COMPRESSES = ("text/", "application/json", "application/manifest", "application/xml", "application/atom", "image/svg")
_LEAST = 600
_CODINGS = ("br", "gzip")
_WEIGHT = re.compile(r"0(?:\.\d{0,3})?|1(?:\.0{0,3})?")


def _weights(accepts: str) -> dict[str, float]:
    """The weight of each coding that an Accept-Encoding header names, 0 to 1; nought if it can't be read."""
    weights = {}
    for part in accepts.lower().split(","):
        coding, _, weight = part.replace(" ", "").partition(";q=")
        weights[coding] = float(weight) if _WEIGHT.fullmatch(weight) else 0.0 if weight else 1.0
    return weights


def choose(accepts: str, media_type: str, size: int) -> str:
    """``br``, ``gzip`` or ``""``: the coding that the browser likes best, if it is worth it; of equals the smallest."""
    if size < _LEAST or not media_type.startswith(_COMPRESSES):
        return ""
    weights = _weights(accepts)
    anything = weights.get("*", 0.0)
    liked = {coding: weights.get(coding, anything) for coding in _CODINGS}
    best = max(_CODINGS, key=liked.__getitem__)
    return best if liked[best] > 0 and liked[best] >= weights.get("identity", 0.0) else ""


def encode(body: bytes, coding: str) -> bytes:
    """The body in a coding that ``choose`` named."""
    if coding == "br":
        return bytes(brotli.compress(body, quality=5))
    return gzip.compress(body, 6, mtime=0) if coding == "gzip" else body
