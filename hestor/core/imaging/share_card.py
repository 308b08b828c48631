"""The picture that stands for a site where its address is shared: 1200 by 630 pixels (the Open Graph protocol).

It is composed from logo, name, tagline and colour, or made from a picture. A composed one never cuts the logo.
"""

from collections.abc import Callable
from dataclasses import dataclass
from typing import Any

from PIL import Image, ImageDraw, ImageFilter

from hestor.core.imaging import measuring, raster
from hestor.core.imaging.palettes import Theme
from hestor.core.imaging.raster import Master

WIDTH, HEIGHT = 1200, 630
MOST_BYTES = 300_000
_EDGE, _BAND = 84, 26
_COLUMN = WIDTH - 2 * _EDGE
_MARGIN, _GAP = 56, 36
_LOGO_BOX, _LOGO_BOX_ALONE = (700, 170), (860, 260)
_ICON = 150
_NAME_SIZES = (104, 92, 80, 70, 60, 52, 44)
_TAGLINE_SIZES = (42, 36, 32)
_MOST_CUT = 0.35
_QUALITIES = (90, 84, 76, 66, 50, 35)

Fonts = Callable[[str, int, int], Any]
"""Gives a font that has all letters of a text, in a size (pixels) and a weight; None if there is none."""


@dataclass(frozen=True)
class Words:
    """What is written on a composed picture; ``direction`` is ``ltr`` or ``rtl``."""

    name: str
    tagline: str
    direction: str


def fitting(image: Image.Image, width: int, height: int) -> Image.Image:
    """The whole image, as large as fits."""
    share = min(width / image.width, height / image.height)
    return raster.scaled(image, max(1, round(image.width * share)), max(1, round(image.height * share)))


@dataclass(frozen=True)
class _Block:
    """A text laid out: its lines, their font, their height in pixels."""

    lines: tuple[str, ...]
    font: Any
    step: int
    colour: str

    @property
    def height(self) -> int:
        return len(self.lines) * self.step


_PEN = ImageDraw.Draw(Image.new("RGB", (1, 1)))


def _length(text: str, font: Any, direction: str) -> float:
    return _PEN.textlength(text, font=font, direction=direction)


def _wrapped(text: str, font: Any, direction: str) -> tuple[str, ...] | None:
    """The text in at most two lines, or None if it is too long for them."""
    lines: list[str] = []
    for word in text.split():
        longer = f"{lines[-1]} {word}" if lines else word
        if lines and _length(longer, font, direction) <= _COLUMN:
            lines[-1] = longer
        else:
            lines.append(word)
        if len(lines) > 2 or _length(lines[-1], font, direction) > _COLUMN:
            return None
    return tuple(lines)


def _cut(text: str, font: Any, direction: str) -> tuple[str, ...]:
    """As much of the text as one line holds."""
    end = len(text)
    while end > 1 and _length(text[:end] + "…", font, direction) > _COLUMN:
        end -= max(1, end // 20)
    return (text[:end].rstrip() + "…",)


def _laid_out(
    text: str, sizes: tuple[int, ...], weight: int, colour: str, fonts: Fonts, direction: str
) -> _Block | None:
    """A text as large as two lines allow; None if there is none, or no shipped font has its letters."""
    for size in sizes if text else ():
        font = fonts(text, size, weight)
        if font is None:
            return None
        lines = _wrapped(text, font, direction)
        if lines is None and size == sizes[-1]:
            lines = _cut(text, font, direction)
        if lines:
            return _Block(lines, font, round(size * 1.22), colour)
    return None


def _write(canvas: Image.Image, block: _Block, top: int, direction: str) -> None:
    draw = ImageDraw.Draw(canvas)
    x, anchor = (WIDTH - _EDGE, "ra") if direction == "rtl" else (_EDGE, "la")
    for index, line in enumerate(block.lines):
        at = (x, top + index * block.step)
        draw.text(at, line, font=block.font, fill=block.colour, anchor=anchor, direction=direction)


def composed(
    logo: Image.Image | None, icon: Image.Image, words: Words, themes: tuple[Theme, Theme], fonts: Fonts
) -> Image.Image:
    """A picture from a logo (or, without one, the icon), the name and the tagline, in the middle of its height.

    ``themes`` are the light and the dark colours; the dark ones are taken for a logo that needs them.
    """
    theme, dark = themes
    if logo is not None and measuring.standing_out(logo, theme.ground) < measuring.standing_out(logo, dark.ground) / 2:
        theme = dark
    canvas = Image.new("RGB", (WIDTH, HEIGHT), theme.ground)
    ImageDraw.Draw(canvas).rectangle((0, 0, WIDTH, _BAND), fill=theme.band)
    name = _laid_out(words.name, _NAME_SIZES, 680, theme.ink, fonts, words.direction)
    tagline = _laid_out(words.tagline, _TAGLINE_SIZES, 420, theme.soft, fonts, words.direction)
    blocks = [block for block in (name, tagline) if block]
    room = HEIGHT - _BAND - 2 * _MARGIN - sum(block.height + _GAP for block in blocks)
    box = _LOGO_BOX if name else _LOGO_BOX_ALONE
    emblem = fitting(logo, box[0], min(box[1], room)) if logo is not None else raster.scaled(icon, _ICON, _ICON)
    top = _BAND + (HEIGHT - _BAND - emblem.height - sum(block.height + _GAP for block in blocks)) // 2
    left = WIDTH - _EDGE - emblem.width if words.direction == "rtl" else _EDGE
    canvas.paste(emblem, (left if blocks else (WIDTH - emblem.width) // 2, top), emblem)
    top += emblem.height
    for block in blocks:
        _write(canvas, block, top + _GAP, words.direction)
        top += block.height + _GAP
    return canvas


def _backdrop(picture: Image.Image) -> Image.Image:
    """A picture without any detail, over all of the card: what goes on beside a picture of another shape."""
    share = max(WIDTH / picture.width, HEIGHT / picture.height)
    width, height = WIDTH / share, HEIGHT / share
    left, top = (picture.width - width) / 2, (picture.height - height) / 2
    part = picture.convert("RGB").resize((24, 13), Image.Resampling.BOX, (left, top, left + width, top + height))
    soft = part.resize((WIDTH, HEIGHT), Image.Resampling.BICUBIC).filter(ImageFilter.GaussianBlur(48))
    return Image.blend(soft, Image.new("RGB", soft.size, "#808080"), 0.25)


def from_picture(master: Master, ground: str) -> Image.Image:
    """A picture in the wanted shape: filled where little is cut off, else whole on its own ground, on ``ground`` where
    it is clear there, or before a blur of itself.
    """
    shape, wanted = master.width / master.height, WIDTH / HEIGHT
    cut = 1 - min(shape / wanted, wanted / shape)
    image = raster.drawn_within(master, 64)
    own = measuring.own_ground(image)
    if raster.is_opaque(image) and own is None and cut <= _MOST_CUT:
        dx, dy = max(0.0, 1 - wanted / shape) / 2, max(0.0, 1 - shape / wanted) / 2
        return raster.draw(master, WIDTH, HEIGHT, (dx, dy, 1 - dx, 1 - dy)).convert("RGB")
    share = min(WIDTH / master.width, HEIGHT / master.height)
    whole = raster.draw(master, max(1, round(master.width * share)), max(1, round(master.height * share)))
    canvas = Image.new("RGB", (WIDTH, HEIGHT), own or ground)
    if own is None and raster.is_opaque(image):
        canvas.paste(_backdrop(whole))
    canvas.paste(whole, ((WIDTH - whole.width) // 2, (HEIGHT - whole.height) // 2), whole)
    return canvas


def file(image: Image.Image) -> bytes:
    """A JPEG below the size that every service takes."""
    made = b""
    for quality in _QUALITIES:
        made = raster.jpeg(image, quality)
        if len(made) <= MOST_BYTES:
            break
    return made
