"""Whether an icon will be legible when tiny, measured on the pixels that are really shown.

Three measures at 16 and 32 pixels: how much of it stands out from a light and from a dark ground, how much
detail of the large one is lost, and how much of the square it uses. Its outline is looked at apart from what is
inside: white letters on a black ground are read on a dark tab, but the shape that they stand on is gone.
"""

from dataclasses import dataclass
from typing import Any, Literal, cast

import numpy as np
from PIL import Image

from hestor.core.imaging import measuring, raster
from hestor.core.imaging.icons import Icon

SIZES = (16, 32)
# The grounds of a tab, in light and in dark.
GROUNDS = {"light": "#ffffff", "dark": "#1b1e2c"}
_LARGE = 128

Advice = Literal[
    "clear",
    "faint_on_light",
    "faint_on_dark",
    "outline_lost_on_light",
    "outline_lost_on_dark",
    "fine_detail",
    "fine_detail_tiny",
    "small_in_square",
    "strip_in_square",
]
# A pale letter on a ground that vanishes is legible still, so a tenth of the icon is enough.
_STANDS_OUT = 0.1
_LEAST_OUTLINE = 0.35
_MOST_LOST = 0.42
_LEAST_USED = 0.62
# Of something lower than this, such as a line of letters, a tab shows a dash.
_LEAST_ACROSS = 0.38


@dataclass(frozen=True)
class AtSize:
    """The measures at one size, each 0 to 1: standing out by ground, detail lost."""

    size: int
    stands_out: dict[str, float]
    lost: float


@dataclass(frozen=True)
class Legibility:
    """All measures, and what they mean, the gravest first; ``("clear",)`` if nothing is amiss.

    ``outline`` is the share of the outline that stands out, by ground.
    """

    at: tuple[AtSize, ...]
    outline: dict[str, float]
    used: float
    advice: tuple[Advice, ...]


def _tones(image: Image.Image, ground: str) -> Any:
    return measuring.luminance(np.asarray(raster.on_ground(image, ground), dtype=np.float32)) ** (1 / 2.2)


def lost(large: Image.Image, small: Image.Image, ground: str) -> float:
    """The share of the large picture's structure that the small one can't show, 0 (nothing) to 1 (all)."""
    blown = small.resize(large.size, Image.Resampling.BICUBIC)
    true, seen = _tones(large, ground), _tones(blown, ground)
    spread = float(((true - true.mean()) ** 2).sum())
    return min(1.0, float(((true - seen) ** 2).sum()) / spread) if spread > 1e-6 else 0.0


def used(image: Image.Image) -> tuple[float, float]:
    """How much of the square's side the visible part takes, 0 to 1, where it is longest and across that."""
    if raster.is_opaque(image) and measuring.own_ground(image) is None:
        return 1.0, 1.0
    box = measuring.box(image)
    if box is None:
        return 0.0, 0.0
    wide, high = box[2] - box[0], box[3] - box[1]
    return max(wide, high), min(wide, high)


def _worst_ground(image: Image.Image) -> str:
    return min(GROUNDS, key=lambda name: measuring.standing_out(image, GROUNDS[name]))


def measure(icon: Icon) -> Legibility:
    """Measures an icon."""
    large = icon.at(_LARGE)
    best = GROUNDS["dark" if _worst_ground(large) == "light" else "light"]
    at = []
    for size in SIZES:
        image = icon.at(size)
        out = {name: measuring.standing_out(image, ground) for name, ground in GROUNDS.items()}
        at.append(AtSize(size, out, lost(large, image, best)))
    share, across = used(large)
    outline = {name: measuring.outline_standing_out(large, ground) for name, ground in GROUNDS.items()}
    return Legibility(tuple(at), outline, share, _advice(at, outline, share, across))


def _on_ground(name: str, at: list[AtSize], outline: float) -> str:
    if min(size.stands_out[name] for size in at) < _STANDS_OUT:
        return f"faint_on_{name}"
    return f"outline_lost_on_{name}" if outline < _LEAST_OUTLINE else ""


def _advice(at: list[AtSize], outline: dict[str, float], share: float, across: float) -> tuple[Advice, ...]:
    advices = [cast(Advice, said) for name in GROUNDS if (said := _on_ground(name, at, outline[name]))]
    if at[1].lost > _MOST_LOST:
        advices.append("fine_detail")
    elif at[0].lost > _MOST_LOST:
        advices.append("fine_detail_tiny")
    if across < _LEAST_ACROSS <= share:
        advices.append("strip_in_square")
    elif share < _LEAST_USED:
        advices.append("small_in_square")
    return tuple(advices) or ("clear",)
