"""Sets a line of text in any script as outlines, each run in the font that has its letters."""

from collections.abc import Iterator
from dataclasses import dataclass
from functools import lru_cache
from itertools import groupby
from typing import Any

from fontTools.pens.boundsPen import BoundsPen
from fontTools.pens.svgPathPen import SVGPathPen
from fontTools.pens.transformPen import TransformPen

from hestor.core.imaging.emblems import Outline
from hestor.core.imaging.typefaces import PAIRS
from hestor.core.imaging.written import UNITS, Written
from hestor.core.text import bidi
from hestor.rendering import coverage, faces, letters
from hestor.rendering.coverage import Parted


@dataclass(frozen=True)
class _Piece:
    """Letters of one font and one direction."""

    text: str
    font: str
    level: int


def _pieces(text: str, pair: str, language: str) -> list[_Piece]:
    """A line in the order in which it is seen."""
    parted = coverage.parted(text, pair, language)
    fonts = [run.font for run in parted.runs for _ in run.text]
    each = list(zip(parted.drawn, fonts, bidi.levels(parted.drawn), strict=True))
    pieces = [
        _Piece("".join(letter for letter, *_ in alike), font, level)
        for (font, level), alike in groupby(each, key=lambda one: one[1:])
    ]
    return bidi.in_sight(pieces, [piece.level for piece in pieces])


def _glyphs(text: str, pair: str, weight: int, language: str) -> Iterator[tuple[Any, int, float, float, float]]:
    """Each glyph of a line: its font, its number, where it stands, its scale; last the end of the line, without one."""
    x = 0.0
    for piece in _pieces(text, pair, language):
        direction = "rtl" if piece.level % 2 else "ltr"
        buffer, font = letters.shaped(piece.font, piece.text, weight, language, direction)
        scale = UNITS / letters.units(piece.font)
        for info, position in zip(buffer.glyph_infos, buffer.glyph_positions, strict=True):
            yield font, info.codepoint, x + position.x_offset * scale, position.y_offset * scale, scale
            x += position.x_advance * scale
    yield None, 0, x, 0.0, 1.0


@lru_cache(maxsize=2048)
def advance(text: str, pair: str, weight: int, language: str) -> float:
    """How far a line goes, in thousandths of an em."""
    *_, (_, _, end, _, _) = _glyphs(text, pair, weight, language)
    return end


@lru_cache(maxsize=512)
def written(text: str, pair: str, weight: int, language: str) -> Written:
    """A line as outlines. Letters that no font has are left out."""
    path, bounds = SVGPathPen(None, ntos=lambda value: f"{value:.0f}"), BoundsPen(None)
    end = 0.0
    for font, glyph, x, y, scale in _glyphs(text, pair, weight, language):
        end = x
        for pen in (path, bounds) if font else ():
            font.draw_glyph_with_pen(glyph, TransformPen(pen, (scale, 0, 0, scale, x, y)))
    left, bottom, right, top = bounds.bounds or (0.0, 0.0, 0.0, 0.0)
    return Written(Outline(path.getCommands(), left, bottom, right, top), end)


def missing(text: str, pair: str, weight: int, language: str) -> int:
    """How many glyphs of a line are the sign for a letter that a font lacks; none, if what fonts have is told right."""
    return sum(font is not None and glyph == 0 for font, glyph, *_ in _glyphs(text, pair, weight, language))


@dataclass(frozen=True)
class Typesetting:
    """Sets lines for a site: in its pair of typefaces, and as its language (BCP 47) wants its letters."""

    pair: str
    language: str

    def _parted(self, text: str) -> Parted:
        return coverage.parted(text, self.pair, self.language)

    def drawn(self, text: str) -> str:
        """A text without the letters that no font has."""
        return self._parted(text).drawn.strip()

    def undrawn(self, *texts: str) -> str:
        """The letters of some texts that no font has, each once."""
        return "".join(dict.fromkeys(letter for text in texts for letter in self._parted(text).undrawn))

    def further_fonts(self, *texts: str) -> list[str]:
        """The fonts that draw some texts, but for the one with the heading's Latin letters."""
        fonts = {run.font for text in texts for run in self._parted(text).runs}
        return sorted(fonts - {faces.latin_file(PAIRS[self.pair].heading)})

    def advance(self, text: str, weight: int) -> float:
        """How far a line goes, in thousandths of an em."""
        return advance(text, self.pair, weight, self.language)

    def written(self, text: str, weight: int) -> Written:
        """A line as outlines."""
        return written(text, self.pair, weight, self.language)
