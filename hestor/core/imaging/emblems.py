"""An icon made here: letters or a shape on a ground, drawn as SVG with letters as outlines.

The drawing is a square of 512 units. ``Outline`` is a path of any size; it is fitted here.
"""

import math
from collections.abc import Mapping
from dataclasses import dataclass
from typing import Literal

from hestor.core.imaging import colours
from hestor.core.imaging.shapes import SHAPES

Form = Literal["square", "rounded", "circle", "shield", "drop", "octagon", "plain"]
FORMS: tuple[Form, ...] = ("rounded", "circle", "square", "shield", "drop", "octagon", "plain")
MOST_LETTERS = 2
_SIDE = 512

# Each form as a path, and the square of side ``room`` around (x, y) that an emblem may fill in it.
_FORMS: Mapping[Form, tuple[str, float, float, float]] = {
    "square": ("M0 0h512v512H0z", 256, 256, 352),
    "rounded": (
        "M118 0h276a118 118 0 0 1 118 118v276a118 118 0 0 1-118 118H118A118 118 0 0 1 0 394V118A118 118 0 0 1 118 0z",
        256,
        256,
        340,
    ),
    "circle": ("M256 0a256 256 0 1 1 0 512 256 256 0 1 1 0-512z", 256, 256, 308),
    "shield": (
        "M256 0c66 42 140 58 224 58v190c0 132-84 218-224 264C116 466 32 380 32 248V58c84 0 158-16 224-58z",
        256,
        238,
        286,
    ),
    "drop": ("M256 0h206a50 50 0 0 1 50 50v206A256 256 0 1 1 256 0z", 256, 256, 306),
    "octagon": ("M150 0h212l150 150v212L362 512H150L0 362V150z", 256, 256, 318),
    "plain": ("", 256, 256, 500),
}
# W3C's manifest: what is within 40 % of the width around the middle is never cut off.
SAFE_RADIUS = 0.4
_ROOM_MASKABLE = 2 * SAFE_RADIUS * _SIDE / math.sqrt(2)


@dataclass(frozen=True)
class Outline:
    """A path in a coordinate system of its own whose y grows upwards, with its bounds."""

    path: str
    left: float
    bottom: float
    right: float
    top: float


@dataclass(frozen=True)
class Emblem:
    """What an icon made here shows. Colours are ``#rrggbb``; ``ground_to`` is empty for a plain ground."""

    letters: str
    shape: str
    form: Form
    ground: str
    ground_to: str = ""
    shadow: bool = False


def ink(emblem: Emblem) -> str:
    """The ink that is easiest to read on the whole ground; on no ground, the colour itself is the ink."""
    if emblem.form == "plain":
        return emblem.ground
    grounds = [emblem.ground, emblem.ground_to or emblem.ground]
    return max(("#ffffff", "#14161f"), key=lambda tone: min(colours.contrast(tone, ground) for ground in grounds))


def _fitted(outline: Outline, x: float, y: float, room: float) -> str:
    width, height = outline.right - outline.left, outline.top - outline.bottom
    scale = room / max(width, height)
    # A letter that fills its room in one direction only looks larger than a shape that fills both.
    scale *= 0.86
    dx = x - scale * (outline.left + width / 2)
    dy = y + scale * (outline.bottom + height / 2)
    return f'<path transform="matrix({scale:.5f} 0 0 {-scale:.5f} {dx:.2f} {dy:.2f})" d="{outline.path}"/>'


def _figure(emblem: Emblem, outline: Outline | None, x: float, y: float, room: float) -> str:
    if emblem.shape:
        side = room * 1.06
        at = f"translate({x - side / 2:.2f} {y - side / 2:.2f}) scale({side / 100:.4f})"
        return f'<g transform="{at}">{SHAPES[emblem.shape]}</g>'
    return _fitted(outline, x, y, room) if outline else ""


def _ground(emblem: Emblem, path: str) -> tuple[str, str]:
    if not path:
        return "", ""
    if not emblem.ground_to:
        return "", f'<path d="{path}" fill="{emblem.ground}"/>'
    stops = f'<stop stop-color="{emblem.ground}"/><stop offset="1" stop-color="{emblem.ground_to}"/>'
    gradient = (
        f'<linearGradient id="g" x1="0" y1="0" x2="0" y2="512" gradientUnits="userSpaceOnUse">{stops}</linearGradient>'
    )
    return gradient, f'<path d="{path}" fill="url(#g)"/>'


_SHADOW = '<filter id="s" x="-20%" y="-20%" width="140%" height="140%"><feGaussianBlur stdDeviation="10"/></filter>'


def draw(emblem: Emblem, outline: Outline | None, bleed: bool = False, maskable: bool = False) -> str:
    """The SVG. With ``bleed`` the ground fills the whole square; ``maskable`` keeps the figure in the safe zone too."""
    path, x, y, room = _FORMS[emblem.form]
    colour = ink(emblem)
    if bleed or maskable:
        path, x, y, room = _FORMS["square"][0], 256, 256, min(room, 330)
    if maskable:
        room = _ROOM_MASKABLE
    if path and emblem.form == "plain":
        defs, ground = "", f'<path d="{path}" fill="{plain_ground(emblem)}"/>'
    else:
        defs, ground = _ground(emblem, path)
    figure = _figure(emblem, outline, x, y, room)
    shade = ""
    if emblem.shadow and figure:
        defs += _SHADOW
        shade = f'<g filter="url(#s)" opacity=".38" fill="#000" color="#000" transform="translate(0 12)">{figure}</g>'
    body = f'{ground}{shade}<g fill="{colour}" color="{colour}">{figure}</g>'
    return (
        '<svg xmlns="http://www.w3.org/2000/svg" width="512" height="512" viewBox="0 0 512 512">'
        f"{f'<defs>{defs}</defs>' if defs else ''}{body}</svg>"
    )


def plain_ground(emblem: Emblem) -> str:
    """The ground where an icon without one needs an opaque one: white, or near black for a pale icon."""
    return colours.ink_on(emblem.ground)
