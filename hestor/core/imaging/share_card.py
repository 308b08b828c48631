"""The picture that stands for a site where its address is shared: 1200 by 630 pixels (the Open Graph protocol).

It is composed from logo, name, tagline and colour, or made from a picture. A composed one never cuts the logo.
"""

from dataclasses import dataclass

from PIL import Image, ImageDraw, ImageFilter

from hestor.core.imaging import measuring, raster, svg
from hestor.core.imaging.palettes import Theme
from hestor.core.imaging.raster import Master
from hestor.core.imaging.written import UNITS, Typesetter, broken, cut

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
_BASELINE = 0.97
_QUALITIES = (90, 84, 76, 66, 50, 35)
_DRAWING = f'<svg xmlns="http://www.w3.org/2000/svg" width="{WIDTH}" height="{HEIGHT}">{{}}</svg>'


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
    """A text laid out: its lines, their size in pixels, their weight."""

    lines: tuple[str, ...]
    size: int
    weight: int
    colour: str

    @property
    def step(self) -> int:
        return round(self.size * 1.22)

    @property
    def height(self) -> int:
        return len(self.lines) * self.step


def _laid_out(text: str, sizes: tuple[int, ...], weight: int, colour: str, setter: Typesetter) -> _Block | None:
    """A text as large as two lines allow; None if there is none, or no shipped font has any of its letters."""
    drawn = setter.drawn(text)

    def length(line: str) -> float:
        return setter.advance(line, weight)

    for size in sizes if drawn else ():
        most = _COLUMN * UNITS / size
        lines = broken(drawn, most, 2, length)
        if lines is None and size == sizes[-1]:
            lines = (cut(drawn, most, length),)
        if lines:
            return _Block(lines, size, weight, colour)
    return None


def _written(block: _Block, top: float, direction: str, setter: Typesetter) -> str:
    """The lines of a block as paths of a drawing, from ``top`` on."""
    scale = block.size / UNITS
    paths = []
    for number, line in enumerate(block.lines):
        set_line = setter.written(line, block.weight)
        x = WIDTH - _EDGE - set_line.advance * scale if direction == "rtl" else _EDGE
        baseline = top + number * block.step + _BASELINE * block.size
        at = f"translate({x:.2f} {baseline:.2f}) scale({scale:.5f} {-scale:.5f})"
        paths.append(f'<path transform="{at}" d="{set_line.outline.path}"/>')
    return f'<g fill="{block.colour}">{"".join(paths)}</g>'


def composed(
    logo: Image.Image | None, icon: Image.Image, words: Words, themes: tuple[Theme, Theme], setter: Typesetter
) -> Image.Image:
    """A picture from a logo (or, without one, the icon), the name and the tagline, in the middle of its height.

    ``themes`` are the light and the dark colours; the dark ones are taken for a logo that needs them.
    """
    theme, dark = themes
    if logo is not None and measuring.standing_out(logo, theme.ground) < measuring.standing_out(logo, dark.ground) / 2:
        theme = dark
    canvas = Image.new("RGB", (WIDTH, HEIGHT), theme.ground)
    ImageDraw.Draw(canvas).rectangle((0, 0, WIDTH, _BAND), fill=theme.band)
    name = _laid_out(words.name, _NAME_SIZES, 680, theme.ink, setter)
    tagline = _laid_out(words.tagline, _TAGLINE_SIZES, 420, theme.soft, setter)
    blocks = [block for block in (name, tagline) if block]
    room = HEIGHT - _BAND - 2 * _MARGIN - sum(block.height + _GAP for block in blocks)
    box = _LOGO_BOX if name else _LOGO_BOX_ALONE
    emblem = fitting(logo, box[0], min(box[1], room)) if logo is not None else raster.scaled(icon, _ICON, _ICON)
    top = _BAND + (HEIGHT - _BAND - emblem.height - sum(block.height + _GAP for block in blocks)) // 2
    left = WIDTH - _EDGE - emblem.width if words.direction == "rtl" else _EDGE
    canvas.paste(emblem, (left if blocks else (WIDTH - emblem.width) // 2, top), emblem)
    top += emblem.height
    written = []
    for block in blocks:
        written.append(_written(block, top + _GAP, words.direction, setter))
        top += block.height + _GAP
    ink = svg.pixels(_DRAWING.format("".join(written)).encode(), WIDTH, HEIGHT)
    canvas.paste(ink, (0, 0), ink)
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
