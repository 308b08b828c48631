"""Square crops of a picture: drawing one, and proposing one from what is in the picture."""

from typing import Any

import numpy as np
from PIL import Image

from hestor.core.imaging import measuring, raster
from hestor.core.imaging.raster import Box, Master

_MEASURED = 320
_AIR = 0.05
_GAP = 0.03


def square(master: Master, box: Box, side: int) -> Image.Image:
    """The square ``box`` of a picture, ``side`` pixels a side. What lies outside the picture is clear."""
    left, top, right, bottom = box
    inner = (max(left, 0.0), max(top, 0.0), min(right, 1.0), min(bottom, 1.0))
    if inner[0] >= inner[2] or inner[1] >= inner[3]:
        return Image.new("RGBA", (side, side))
    x, y = (inner[0] - left) / (right - left), (inner[1] - top) / (bottom - top)
    width = max(1, round((inner[2] - inner[0]) / (right - left) * side))
    height = max(1, round((inner[3] - inner[1]) / (bottom - top) * side))
    drawn = raster.draw(master, width, height, inner)
    if drawn.size == (side, side):
        return drawn
    canvas = Image.new("RGBA", (side, side))
    canvas.paste(drawn, (round(x * side), round(y * side)))
    return canvas


# Rounding of shares moves a side by less than this.
_SQUARE_ENOUGH = 0.02


def is_square(box: Box, master: Master) -> bool:
    """Whether a part of a picture is as wide as it is high."""
    return abs(raster.ratio(master, box) - 1) <= _SQUARE_ENOUGH


def squared(box: Box, master: Master) -> Box:
    """The largest square in the middle of a part; a square is left as it is."""
    if is_square(box, master):
        return box
    width, height = (box[2] - box[0]) * master.width, (box[3] - box[1]) * master.height
    side, x, y = min(width, height) / 2, (box[0] + box[2]) / 2, (box[1] + box[3]) / 2
    dx, dy = side / master.width, side / master.height
    return x - dx, y - dy, x + dx, y + dy


def proposed(master: Master) -> Box:
    """A square around what an icon should show: the emblem of a wide logo, else all that is visible."""
    image = raster.drawn_within(master, _MEASURED)
    box = measuring.box(image) or raster.WHOLE
    if measuring.own_ground(image) is None and raster.is_opaque(image):
        return _middle(master)
    shape = raster.ratio(master, box)
    if shape > 1.5:
        box = _emblem(measuring.mask(image), box) or box
    return _around(master, box)


def _middle(master: Master) -> Box:
    """The largest square in the middle, as for a photograph."""
    side = min(master.width, master.height)
    x, y = side / master.width / 2, side / master.height / 2
    return 0.5 - x, 0.5 - y, 0.5 + x, 0.5 + y


def _emblem(mask: Any, box: Box) -> Box | None:
    """The first or last block between empty columns that is about as wide as it is high."""
    height, width = mask.shape
    columns = np.flatnonzero(mask.any(axis=0))
    if not len(columns):
        # A strip of one colour is all ground.
        return None
    breaks = np.flatnonzero(np.diff(columns) > max(2, _GAP * height))
    starts = [columns[0], *columns[breaks + 1]]
    ends = [*columns[breaks], columns[-1]]
    blocks = list(zip(starts, ends, strict=True))
    for start, end in (blocks[0], blocks[-1]):
        rows = np.flatnonzero(mask[:, start : end + 1].any(axis=1))
        high, wide = rows[-1] - rows[0] + 1, end - start + 1
        if len(blocks) > 1 and 0.6 < wide / high < 1.6 and high > 0.55 * (box[3] - box[1]) * height:
            return start / width, rows[0] / height, (end + 1) / width, (rows[-1] + 1) / height
    return None


def _around(master: Master, box: Box) -> Box:
    """The square around a box with a little air; it may reach beyond the picture, where nothing is."""
    width, height = (box[2] - box[0]) * master.width, (box[3] - box[1]) * master.height
    half = max(width, height) * (0.5 + _AIR)
    x, y = (box[0] + box[2]) / 2, (box[1] + box[3]) / 2
    dx, dy = half / master.width, half / master.height
    return x - dx, y - dy, x + dx, y + dy
