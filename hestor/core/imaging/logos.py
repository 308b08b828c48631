"""The logo: its empty margins, a sensible width, how it stands on the header's ground, and its files."""

from collections.abc import Mapping
from dataclasses import dataclass
from typing import Literal

from PIL import Image

from hestor.core.imaging import measuring, raster
from hestor.core.imaging.raster import WHOLE, Box, Master

LEAST_WIDTH, MOST_WIDTH, MOST_HEIGHT = 24, 1344, 480
"""In CSS pixels; the widest is as wide as the widest page's contents."""
BANNER = 480
"""A logo that is wider than this is a banner: it takes a line of the header for itself."""
PHONE_WIDTH = 480
"""As wide as a phone's window; a part of a banner that phones show is drawn for it."""
_MOST_PIXELS = 2_700
"""A banner is drawn no wider: three times as many would weigh more than all else on a page."""
_MEASURED = 400
_PHONE_SHAPE = 2.0
_WORTH_TRIMMING = 0.04
# A logo of any shape takes about this much of a header, and stays within these heights (CSS pixels).
_AREA, _TALLEST, _WIDEST = 9_000, 72, 240
SCALES = (1, 2, 3)
# What a logo of one colour is redrawn in where its own vanishes: on dark grounds, on light ones.
REMEDIES = {"dark": "#f4f2ee", "light": "#22242c"}

Standing = Literal["clear", "faint", "lost"]


def margins(master: Master) -> Box | None:
    """What is left of a logo without its empty margins, if they are wide enough to be worth a trim."""
    box = measuring.box(raster.drawn_within(master, _MEASURED))
    if box is None or max(box[0], box[1], 1 - box[2], 1 - box[3]) < _WORTH_TRIMMING:
        return None
    return box


def sensible_width(shape: float) -> int:
    """A width in CSS pixels for a logo that is ``shape`` times as wide as it is high."""
    height = min((_AREA / shape) ** 0.5, _TALLEST)
    return max(LEAST_WIDTH, int(min(height * shape, _WIDEST) + 0.5))


def phone_part(master: Master, box: Box) -> Box:
    """What phones could show of a banner: its middle, whole in height, twice as wide as it is high."""
    share = min(1.0, _PHONE_SHAPE / raster.ratio(master, box))
    left = box[0] + (box[2] - box[0]) * (1 - share) / 2
    return left, box[1], left + (box[2] - box[0]) * share, box[3]


def standing(image: Image.Image, ground: str) -> Standing:
    """How a logo stands on a ground: most of what is visible of it stands out, some of it, or next to nothing."""
    share = measuring.standing_out(image, ground)
    return "clear" if share >= 0.45 else "faint" if share >= 0.12 else "lost"


@dataclass(frozen=True)
class Measured:
    """What a logo is: its shape, a trim, a width, its one colour if it has one, and how it stands on grounds.

    ``phone_part`` is what phones could show of it, if it is a banner.
    """

    shape: float
    trim: Box | None
    width: int
    one_colour: str | None
    standing: Mapping[str, Standing]
    sharp_to: int
    phone_part: Box = WHOLE


def measured(master: Master, box: Box, grounds: Mapping[str, str], recolour: str = "") -> Measured:
    """Measures a logo; ``grounds`` are colours by name. ``sharp_to`` is the width that is sharp on 3x screens."""
    image = raster.drawn_within(master, _MEASURED, box)
    if recolour:
        image = measuring.recoloured(image, recolour)
    shape = raster.ratio(master, box)
    sharp = MOST_WIDTH if master.kind == "svg" else int((box[2] - box[0]) * master.width / SCALES[-1])
    found = {name: standing(image, ground) for name, ground in grounds.items()}
    return Measured(
        shape,
        margins(master),
        sensible_width(shape),
        measuring.one_colour(image),
        found,
        sharp,
        phone_part(master, box),
    )


@dataclass(frozen=True)
class LogoFile:
    """One file of a logo: its scale (device pixels a CSS pixel) and its size in device pixels."""

    scale: int
    width: int
    height: int


def plan(master: Master, box: Box, width: int) -> tuple[LogoFile, ...]:
    """The sizes of a logo that is ``width`` CSS pixels wide, or less where it would be higher than ``MOST_HEIGHT``.

    None is larger than the picture itself but the first.
    """
    shape = raster.ratio(master, box)
    width = max(1, min(width, int(MOST_HEIGHT * shape)))
    most = 10_000 if master.kind == "svg" else (box[2] - box[0]) * master.width
    most = min(most * 1.02, _MOST_PIXELS)
    fit = [scale for scale in SCALES if scale == 1 or width * scale <= most]
    return tuple(LogoFile(s, width * s, max(1, round(width * s / shape))) for s in fit)


def files(master: Master, box: Box, recolour: str, sizes: tuple[LogoFile, ...]) -> dict[tuple[int, str], bytes]:
    """Each size in a modern and a fallback format, by scale and ending: WebP beside PNG or JPEG."""
    made: dict[tuple[int, str], bytes] = {}
    photo = master.kind == "jpeg"
    for size in sizes:
        # Each from the master: one shrunk from another has soft edges, and takes more bytes.
        image = raster.draw(master, size.width, size.height, box)
        if recolour:
            image = measuring.recoloured(image, recolour)
        made[size.scale, "webp"] = raster.webp(image, lossless=not photo)
        made[size.scale, "jpg" if photo else "png"] = raster.jpeg(image) if photo else raster.png(image)
    return made


def part(trim: Box | None) -> Box:
    """The part of a picture that a logo shows."""
    return trim or WHOLE
