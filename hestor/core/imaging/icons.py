"""The icon: every file that tabs, bookmarks, phones and pages ask for, from one source.

Sizes: ``favicon.ico`` with 16, 32 and 48; a PNG of 32 for tabs; 180 opaque for phones' home screens; 192
and 512 for the web app manifest (W3C), and a maskable 512 whose figure lies within the manifest's safe zone,
the circle of 40 % of the width; and an SVG where the source is one.
"""

from dataclasses import dataclass
from typing import Literal

import numpy as np
from PIL import Image
from propcache.api import cached_property

from hestor.core.imaging import crops, emblems, measuring, raster, svg
from hestor.core.imaging.emblems import SAFE_RADIUS, Emblem, Outline
from hestor.core.imaging.raster import Box, Master

FileName = Literal[
    "icon.svg", "favicon.ico", "icon-32.png", "icon-180.png", "icon-192.png", "icon-512.png", "maskable-512.png"
]
NAMES: tuple[FileName, ...] = (
    "icon.svg", "favicon.ico", "icon-32.png", "icon-180.png", "icon-192.png", "icon-512.png", "maskable-512.png",
)  # fmt: skip
_ICO_SIZES = (16, 32, 48)
_LARGE = 512


@dataclass(frozen=True)
class DrawnIcon:
    """An icon made of an emblem; ``outline`` is that of its letters."""

    emblem: Emblem
    outline: Outline | None

    @property
    def has_svg(self) -> bool:
        """Whether it has a drawing that is sharp at any size."""
        return True

    def svg(self) -> bytes:
        """The drawing."""
        return emblems.draw(self.emblem, self.outline).encode()

    def at(self, side: int) -> Image.Image:
        """The icon, ``side`` pixels a side."""
        return svg.pixels(self.svg(), side, side)

    def opaque(self, side: int) -> Image.Image:
        """The icon with its ground to all four edges."""
        return svg.pixels(emblems.draw(self.emblem, self.outline, bleed=True).encode(), side, side)

    def maskable(self, side: int) -> Image.Image:
        """The icon with its figure in the safe zone."""
        return svg.pixels(emblems.draw(self.emblem, self.outline, maskable=True).encode(), side, side)


@dataclass(frozen=True)
class CroppedIcon:
    """An icon that is a square crop of a picture."""

    master: Master
    crop: Box

    @property
    def has_svg(self) -> bool:
        """Whether the picture is a drawing, so that the icon is sharp at any size."""
        return self.master.kind == "svg"

    def svg(self) -> bytes:
        """The drawing of the crop."""
        left, top, right, bottom = self.crop
        return svg.cropped(self.master.body, left, top, right - left, bottom - top)

    @cached_property
    def _large(self) -> Image.Image:
        return crops.square(self.master, self.crop, _LARGE)

    def at(self, side: int) -> Image.Image:
        """The icon, ``side`` pixels a side."""
        if self.has_svg and side != _LARGE:
            return crops.square(self.master, self.crop, side)
        return self._large if side == _LARGE else raster.scaled(self._large, side, side)

    @cached_property
    def _ground(self) -> str:
        own = measuring.own_ground(self._large)
        if own:
            return own
        if raster.is_opaque(self._large):
            return measuring.hex_of(np.asarray(self._large.convert("RGB").resize((1, 1))).reshape(3))
        return "#ffffff" if measuring.standing_out(self._large, "#ffffff") >= 0.4 else "#14161f"

    def opaque(self, side: int) -> Image.Image:
        """The icon on an opaque ground."""
        return raster.on_ground(self.at(side), self._ground)

    def maskable(self, side: int) -> Image.Image:
        """The icon made so small that all that is visible of it lies in the safe zone."""
        share = min(1.0, SAFE_RADIUS / max(_reach(self._large), 1e-6))
        inner = max(1, int(share * side))
        ground = Image.new("RGB", (side, side), self._ground)
        small = raster.scaled(self._large, inner, inner)
        ground.paste(small, ((side - inner) // 2,) * 2, small)
        return ground


Icon = DrawnIcon | CroppedIcon


def _reach(image: Image.Image) -> float:
    """How far from the middle the visible part reaches, as a share of the width."""
    seen = measuring.mask(image)
    side = seen.shape[0]
    rows, columns = np.nonzero(seen)
    if not len(rows):
        return 0.0
    # Of each pixel the corner that is farthest from the middle counts.
    across, down = np.abs(columns + 0.5 - side / 2) + 0.5, np.abs(rows + 0.5 - side / 2) + 0.5
    return float(np.sqrt(across**2 + down**2).max() / side)


def make(icon: Icon, name: FileName) -> bytes:
    """The bytes of one file. Raises KeyError for the SVG of an icon that has none."""
    match name:
        case "icon.svg":
            if not icon.has_svg:
                raise KeyError(name)
            return icon.svg()
        case "favicon.ico":
            return raster.ico([icon.at(side) for side in _ICO_SIZES])
        case "icon-180.png":
            return raster.png(icon.opaque(180))
        case "maskable-512.png":
            return raster.png(icon.maskable(_LARGE))
        case _:
            return raster.png(icon.at(int(name.removeprefix("icon-").removesuffix(".png"))))


def names_of(icon: Icon) -> tuple[FileName, ...]:
    """The files that an icon has."""
    return NAMES if icon.has_svg else NAMES[1:]
