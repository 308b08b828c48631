"""Colours proposed from a logo: the ones that most of it is drawn in, the liveliest first."""

from collections.abc import Iterable

import numpy as np
from coloraide import Color
from PIL import Image

from hestor.core.imaging import measuring
from hestor.core.imaging.colours import contrast

_LOOKED_AT = 200
_BIN = 24
MOST = 5
_APART = 12.0
_LIVELY = 0.035
_LEAST_SHARE = 0.015
_PAPER, _SEEN = "#ffffff", 1.3
_SAME = 4.0


def colours_of(image: Image.Image) -> tuple[str, ...]:
    """Up to five colours of the visible part, each clearly apart from the others."""
    small = image.copy()
    small.thumbnail((_LOOKED_AT, _LOOKED_AT))
    pixels = np.asarray(small.convert("RGBA"))
    seen = pixels[measuring.mask(small) & (pixels[..., 3] > 200)][:, :3]
    if not len(seen):
        return ()
    # Near colours share a bin; the middle of a bin is what most of it is, whatever is blended at edges.
    bins, which, counts = np.unique(seen // _BIN, axis=0, return_inverse=True, return_counts=True)
    ranked = [
        (float(counts[index]) / len(seen), measuring.hex_of(np.median(seen[which.reshape(-1) == index], axis=0)))
        for index in range(len(bins))
        if counts[index] >= _LEAST_SHARE * len(seen)
    ]
    return _apart(sorted(ranked, key=_rank))


def worth_offering(colours: Iterable[str], present: str) -> tuple[str, ...]:
    """The colours that are a proposal: none that is nearly white, and none that can't be told from the present one."""
    wanted = (colour for colour in colours if contrast(colour, _PAPER) >= _SEEN)
    return tuple(one for one in wanted if not present or Color(one).delta_e(present, method="2000") > _SAME)


def _chroma(colour: str) -> float:
    return float(Color(colour).convert("oklch")["chroma"])


def _rank(found: tuple[float, str]) -> tuple[bool, float]:
    """Colours before greys, then by how much there is of them."""
    share, colour = found
    return _chroma(colour) < _LIVELY, -share


def _apart(ranked: list[tuple[float, str]]) -> tuple[str, ...]:
    kept: list[str] = []
    for _, colour in ranked:
        if all(Color(colour).delta_e(other, method="2000") > _APART for other in kept):
            kept.append(colour)
    return tuple(kept[:MOST])
