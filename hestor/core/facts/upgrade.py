"""Stored documents of facts, from whichever version they were written in to the present one.

Each step takes a document of its version to the next; none is ever removed or changed, as editions are kept
for ever. A fact that a document does not have yet takes its default, which needs no step.
"""

from collections.abc import Callable, Mapping
from typing import Any

VERSION = 2
Document = dict[str, Any]


def _trims_within_the_picture(document: Document) -> Document:
    """1 → 2: a logo's trim lies within its picture; one that left it, or left next to nothing, showed nothing."""
    for key in ("logo", "logo_dark"):
        logo = document.get(key)
        if logo and logo.get("trim"):
            box = [min(1.0, max(0.0, share)) for share in logo["trim"]]
            whole = box == [0.0, 0.0, 1.0, 1.0] or box[2] - box[0] < 0.005 or box[3] - box[1] < 0.005
            document[key] = {**logo, "trim": None if whole else box}
    return document


STEPS: Mapping[int, Callable[[Document], Document]] = {1: _trims_within_the_picture}


def upgraded(document: Mapping[str, Any]) -> Document:
    """A stored document in the present version. Raises ValueError for one that a newer Hestor wrote."""
    found = dict(document)
    version = found.pop("version", 1)
    if version > VERSION:
        raise ValueError(f"a newer Hestor wrote this document (version {version}; this one reads up to {VERSION})")
    for number in range(version, VERSION):
        found = STEPS[number](found)
    return found
