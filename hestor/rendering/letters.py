"""Letters of the shipped fonts: opened, shaped as their script wants them (HarfBuzz), measured."""

import io
from functools import lru_cache
from typing import Any

import uharfbuzz
from fontTools.ttLib import woff2

from hestor.rendering import faces


@lru_cache(maxsize=48)
def _face(name: str) -> Any:
    out = io.BytesIO()
    woff2.decompress(io.BytesIO(faces.content(name)), out)
    return uharfbuzz.Face(out.getvalue())


def units(name: str) -> int:
    """How many units of a font make an em."""
    return int(_face(name).upem)


def shaped(name: str, text: str, weight: int, language: str = "", direction: str = "") -> tuple[Any, Any]:
    """A text's glyphs from left to right, in the font's own units, and the font to draw them with.

    Of language (BCP 47) and direction (``ltr`` or ``rtl``) an empty one is guessed.
    """
    font = uharfbuzz.Font(_face(name))
    font.set_variations({"wght": weight})
    buffer = uharfbuzz.Buffer()
    buffer.add_str(text)
    buffer.guess_segment_properties()
    if direction:
        buffer.direction = direction
    if language:
        buffer.language = language
    uharfbuzz.shape(font, buffer)
    return buffer, font


def mean_advance(name: str, text: str, weight: int) -> float:
    """The mean advance of a text's letters in a shipped font, in ems."""
    buffer, _ = shaped(name, text, weight)
    return float(sum(one.x_advance for one in buffer.glyph_positions) / units(name) / len(text))


def rise_and_fall(name: str) -> tuple[float, float]:
    """How far a shipped font reaches above and below its baseline, in ems."""
    edges = uharfbuzz.Font(_face(name)).get_font_extents("ltr")
    return edges.ascender / units(name), -edges.descender / units(name)
