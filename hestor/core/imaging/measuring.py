"""What can be seen of a picture: where it is, how it stands out from a ground, of how many colours it is.

Contrast is that of WCAG 2.2; for a logo or icon the bar is 3 to 1 (success criterion 1.4.11).
"""

from typing import Any

import numpy as np
from numpy.typing import NDArray
from PIL import Image

from hestor.core.imaging.raster import Box

GRAPHIC_CONTRAST = 3.0
_LEAST_ALPHA = 24
_OWN_GROUND = 26.0
_ONE_COLOUR = 26.0
# Two grounds of less contrast than this look like one.
_TOLD_APART = 1.25
_OUTLINE_CONTRAST = 1.5

Pixels = NDArray[Any]


def _rgba(image: Image.Image) -> Pixels:
    return np.asarray(image if image.mode == "RGBA" else image.convert("RGBA"), dtype=np.float32)


def luminance(rgb: Pixels) -> Pixels:
    """Relative luminance (WCAG 2.2) of sRGB values 0 to 255, 0 to 1."""
    share = rgb[..., :3] / 255.0
    linear = np.where(share <= 0.04045, share / 12.92, ((share + 0.055) / 1.055) ** 2.4)
    return np.asarray(linear @ np.array([0.2126, 0.7152, 0.0722]))


def _colour(value: str) -> Pixels:
    return np.array([int(value[at : at + 2], 16) for at in (1, 3, 5)], dtype=np.float32)


def hex_of(rgb: Pixels) -> str:
    """``#rrggbb`` of three values 0 to 255."""
    return "#" + "".join(f"{round(float(part)):02x}" for part in rgb[:3])


def own_ground(image: Image.Image) -> str | None:
    """The colour that an opaque picture stands on, if its four corners and edges agree on one."""
    pixels = _rgba(image)
    if pixels[..., 3].min() < 250:
        return None
    edge = np.concatenate([pixels[0], pixels[-1], pixels[:, 0], pixels[:, -1]])[:, :3]
    middle = np.median(edge, axis=0)
    near = np.linalg.norm(edge - middle, axis=1) < _OWN_GROUND
    return hex_of(middle) if near.mean() > 0.94 else None


def mask(image: Image.Image) -> Pixels:
    """Which pixels belong to the picture itself: not clear, and not its own plain ground."""
    pixels = _rgba(image)
    seen = pixels[..., 3] > _LEAST_ALPHA
    if ground := own_ground(image):
        seen &= np.linalg.norm(pixels[..., :3] - _colour(ground), axis=2) > _OWN_GROUND
    return seen


def box(image: Image.Image) -> Box | None:
    """Where the visible part is, or None if nothing is visible."""
    seen = mask(image)
    rows, columns = np.flatnonzero(seen.any(axis=1)), np.flatnonzero(seen.any(axis=0))
    if not len(rows):
        return None
    height, width = seen.shape
    left, top, right, bottom = (int(part) for part in (columns[0], rows[0], columns[-1], rows[-1]))
    return left / width, top / height, (right + 1) / width, (bottom + 1) / height


def standing_out(image: Image.Image, ground: str) -> float:
    """The share (0 to 1) of the picture's visible part that has at least 3 to 1 against ``ground``.

    Pixels that let the ground through are seen as they are on it. An opaque picture's own ground does not
    count where it can't be told from ``ground``.
    """
    pixels = _rgba(image)
    weight = pixels[..., 3] / 255.0 * (pixels[..., 3] > _LEAST_ALPHA)
    under = _colour(ground)
    alpha = pixels[..., 3:] / 255.0
    ratios = _ratios(luminance(pixels[..., :3] * alpha + under * (1 - alpha)), float(luminance(under)))
    own = own_ground(image)
    if own and float(_ratios(luminance(_colour(own)), float(luminance(under)))) < _TOLD_APART:
        weight = weight * mask(image)
    total = float(weight.sum())
    return float((weight * (ratios >= GRAPHIC_CONTRAST)).sum()) / total if total else 0.0


def _silhouette(pixels: Pixels, image: Image.Image, under: float) -> Pixels:
    """What is seen of a picture as one shape: an opaque one's own ground is part of it where it can be told apart."""
    own = own_ground(image)
    if own and float(_ratios(luminance(_colour(own)), under)) < _TOLD_APART:
        return mask(image)
    return np.asarray(pixels[..., 3] > _LEAST_ALPHA)


def _eroded(shape: Pixels, by: int) -> Pixels:
    """A shape without its outermost pixels; what lies beyond the picture is no part of it."""
    inner = np.pad(shape, by)
    for _ in range(by):
        middle = inner[1:-1, 1:-1] & inner[:-2, 1:-1] & inner[2:, 1:-1] & inner[1:-1, :-2] & inner[1:-1, 2:]
        inner = np.pad(middle, 1)
    return inner[by:-by, by:-by]


def outline_standing_out(image: Image.Image, ground: str) -> float:
    """The share (0 to 1) of the picture's outline, a twentieth of its side wide, that can be told from ``ground``.

    What is inside says what the picture is, so the outline need not have the 3 to 1 of a figure (WCAG 2.2, 1.4.11);
    below 1.5 to 1 it melts into the ground.
    """
    pixels = _rgba(image)
    under = _colour(ground)
    dark = float(luminance(under))
    shape = _silhouette(pixels, image, dark)
    edge = shape & ~_eroded(shape, max(1, max(image.size) // 20))
    if not edge.any():
        return 0.0
    alpha = pixels[..., 3:] / 255.0
    ratios = _ratios(luminance(pixels[..., :3] * alpha + under * (1 - alpha)), dark)
    return float((ratios[edge] >= _OUTLINE_CONTRAST).mean())


def _ratios(pixels: Pixels, other: float) -> Pixels:
    return np.asarray((np.maximum(pixels, other) + 0.05) / (np.minimum(pixels, other) + 0.05))


def one_colour(image: Image.Image) -> str | None:
    """The colour of a picture that is drawn in a single one on a clear ground; else None."""
    pixels = _rgba(image)
    if own_ground(image) or pixels[..., 3].min() > 200:
        return None
    solid = pixels[pixels[..., 3] > 200][:, :3]
    if len(solid) < 4:
        return None
    middle = np.median(solid, axis=0)
    near = np.linalg.norm(solid - middle, axis=1) < _ONE_COLOUR
    return hex_of(middle) if near.mean() > 0.97 else None


def recoloured(image: Image.Image, colour: str) -> Image.Image:
    """The picture's shape in one colour."""
    made = Image.new("RGBA", image.size, colour)
    made.putalpha(image.getchannel("A"))
    return made
