"""Letters of the shipped fonts: as outlines, as fonts to draw with, and measured."""

import io
from functools import lru_cache
from threading import Lock
from typing import Any

import uharfbuzz
from fontTools.pens.boundsPen import BoundsPen
from fontTools.pens.svgPathPen import SVGPathPen
from fontTools.pens.transformPen import TransformPen
from fontTools.ttLib import TTFont
from PIL import ImageFont

from hestor.core.imaging.emblems import Outline
from hestor.core.imaging.typefaces import PAIRS
from hestor.rendering import faces

_ONE_AT_A_TIME = Lock()
_BOLD = 700


@lru_cache(maxsize=32)
def _plain(name: str) -> tuple[TTFont, bytes]:
    """A font without its compression, parsed and as bytes."""
    font = TTFont(io.BytesIO(faces.shipped()[name][1]), lazy=False)
    out = io.BytesIO()
    font.flavor = None
    font.save(out)
    return font, out.getvalue()


def font_for(text: str, pair: str) -> str | None:
    """The name of the shipped font that has every letter of the text; None if no single one has."""
    stem = PAIRS[pair].heading.stem
    with _ONE_AT_A_TIME:
        for name in (
            f"{stem}-latin-wght-normal",
            f"{stem}-latin-ext-wght-normal",
            "noto-naskh-arabic-arabic-wght-normal",
        ):
            known = _plain(name)[0].getBestCmap()
            if all(ord(letter) in known for letter in text if not letter.isspace()):
                return name
    return None


@lru_cache(maxsize=128)
def sized(name: str, size: int, weight: int) -> Any:
    """A font to draw pixels with."""
    font = ImageFont.truetype(io.BytesIO(_plain(name)[1]), size, layout_engine=ImageFont.Layout.RAQM)
    axes = font.get_variation_axes()
    wanted = min(max(weight, axes[0]["minimum"] or 0), axes[0]["maximum"] or 1000)
    font.set_variation_by_axes([wanted, *(axis["default"] or 0 for axis in axes[1:])])
    return font


@lru_cache(maxsize=512)
def outline(letters: str, pair: str) -> Outline | None:
    """Letters as one outline, shaped as their script wants; None if no shipped font has them."""
    name = font_for(letters, pair)
    if name is None:
        return None
    # fontTools reads a font's tables as they are asked for, which two threads must not do at once.
    with _ONE_AT_A_TIME:
        font, content = _plain(name)
        return _shaped(font, content, letters)


def _shape(content: bytes, text: str, weight: int) -> Any:
    """A text as its script wants it: glyphs and their positions, in the font's own units."""
    shaper = uharfbuzz.Font(uharfbuzz.Face(content))
    shaper.set_variations({"wght": weight})
    buffer = uharfbuzz.Buffer()
    buffer.add_str(text)
    buffer.guess_segment_properties()
    uharfbuzz.shape(shaper, buffer)
    return buffer


def mean_advance(name: str, text: str, weight: int) -> float:
    """The mean advance of a text's letters in a shipped font, in ems."""
    with _ONE_AT_A_TIME:
        font, content = _plain(name)
        units = font["head"].unitsPerEm
    advances = sum(position.x_advance for position in _shape(content, text, weight).glyph_positions)
    return float(advances / units / len(text))


def rise_and_fall(name: str) -> tuple[float, float]:
    """How far a shipped font reaches above and below its baseline, in ems."""
    with _ONE_AT_A_TIME:
        font = _plain(name)[0]
        head, units = font["hhea"], font["head"].unitsPerEm
        return head.ascent / units, -head.descent / units


def _shaped(font: TTFont, content: bytes, letters: str) -> Outline | None:
    buffer = _shape(content, letters, _BOLD)
    glyphs = font.getGlyphSet(location={"wght": _BOLD})
    path, bounds = SVGPathPen(glyphs, ntos=lambda value: f"{value:.0f}"), BoundsPen(glyphs)
    x = y = 0
    for info, position in zip(buffer.glyph_infos, buffer.glyph_positions, strict=True):
        glyph = glyphs[font.getGlyphName(info.codepoint)]
        for pen in (path, bounds):
            glyph.draw(TransformPen(pen, (1, 0, 0, 1, x + position.x_offset, y + position.y_offset)))
        x, y = x + position.x_advance, y + position.y_advance
    if bounds.bounds is None:
        return None
    left, bottom, right, top = bounds.bounds
    return Outline(path.getCommands(), left, bottom, right, top)
