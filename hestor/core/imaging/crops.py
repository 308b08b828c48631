"""Square crops of a picture: drawing one, and proposing one from what is in the picture."""

from typing import Any

import numpy as np
from PIL import Image

from hestor.core.imaging import measuring, raster
from hestor.core.imaging.raster import Box, Master

_MEASURED = 320
_AIR = 0.05
_GAP = 0.03
_WIDE = 1.5


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
    if shape > _WIDE:
        box = _emblem(measuring.mask(image), box) or box
    return _around(master, box)


def mark(master: Master) -> Box | None:
    """A square around the mark of a wide picture: its emblem, else its first letter; None where none stands apart."""
    image = raster.drawn_within(master, _MEASURED)
    box = measuring.box(image)
    if box is None or raster.ratio(master, box) <= _WIDE:
        return None
    mask = measuring.mask(image)
    found = _emblem(mask, box) or _first_letter(mask, box)
    return _around(master, found) if found else None


def _middle(master: Master) -> Box:
    """The largest square in the middle, as for a photograph."""
    side = min(master.width, master.height)
    x, y = side / master.width / 2, side / master.height / 2
    return 0.5 - x, 0.5 - y, 0.5 + x, 0.5 + y


def _blocks(mask: Any, gap: float) -> list[Box]:
    """The blocks between empty columns, from the left; none of a strip of one colour, which is all ground."""
    height, width = mask.shape
    columns = np.flatnonzero(mask.any(axis=0))
    if not len(columns):
        return []
    breaks = np.flatnonzero(np.diff(columns) > gap)
    starts, ends = [columns[0], *columns[breaks + 1]], [*columns[breaks], columns[-1]]
    blocks = []
    for start, end in zip(starts, ends, strict=True):
        rows = np.flatnonzero(mask[:, start : end + 1].any(axis=1))
        blocks.append((start / width, rows[0] / height, (end + 1) / width, (rows[-1] + 1) / height))
    return blocks


def _is_mark(block: Box, box: Box, mask: Any, least: float) -> bool:
    """Whether a block is as high as most of the picture, and not much wider or narrower than that."""
    height, width = mask.shape
    high = (block[3] - block[1]) * height
    shape = (block[2] - block[0]) * width / high
    return bool(least < shape < 1.6 and high > 0.55 * (box[3] - box[1]) * height)


def _emblem(mask: Any, box: Box) -> Box | None:
    """The first or last block that is about as wide as it is high."""
    blocks = _blocks(mask, max(2, _GAP * mask.shape[0]))
    ends = (blocks[0], blocks[-1]) if len(blocks) > 1 else ()
    return next((block for block in ends if _is_mark(block, box, mask, 0.6)), None)


def _first_letter(mask: Any, box: Box) -> Box | None:
    """The first of several blocks, however near they stand; scripts that join their letters have none."""
    blocks = _blocks(mask, 1)
    return blocks[0] if len(blocks) > 1 and _is_mark(blocks[0], box, mask, 0.25) else None


def _around(master: Master, box: Box) -> Box:
    """The square around a box with a little air; it may reach beyond the picture, where nothing is."""
    width, height = (box[2] - box[0]) * master.width, (box[3] - box[1]) * master.height
    half = max(width, height) * (0.5 + _AIR)
    x, y = (box[0] + box[2]) / 2, (box[1] + box[3]) / 2
    dx, dy = half / master.width, half / master.height
    return x - dx, y - dy, x + dx, y + dy
