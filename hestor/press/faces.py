"""The shipped typefaces: their files, their style rules, and letters as outlines."""

import hashlib
import io
from functools import lru_cache
from importlib.resources import files
from threading import Lock
from typing import Any

import uharfbuzz
from fontTools.pens.boundsPen import BoundsPen
from fontTools.pens.svgPathPen import SVGPathPen
from fontTools.pens.transformPen import TransformPen
from fontTools.ttLib import TTFont
from PIL import ImageFont

from hestor.core.imaging.emblems import Outline
from hestor.core.imaging.typefaces import PAIRS, Face

_FOLDER = files("hestor.press").joinpath("assets", "fonts")
_ONE_AT_A_TIME = Lock()
ARABIC = Face("Naskh", "noto-naskh-arabic", 700, "serif")
_SCRIPTS = {
    "latin": "U+0000-00FF,U+0131,U+0152-0153,U+02BB-02BC,U+02C6,U+02DA,U+02DC,U+2000-206F,U+20AC,U+2122,U+2191,U+2193,"
    "U+2212,U+2215,U+FEFF,U+FFFD",
    "latin-ext": "U+0100-02BA,U+1E00-1E9F,U+1EF2-1EFF,U+20A0-20AB,U+20AD-20C0",
}
_ARABIC_RANGE = "U+0600-06FF,U+0750-077F,U+08A0-08FF,U+200C-200F,U+FB50-FDFF,U+FE70-FEFF"
_BOLD = 700


def short_hash(content: bytes) -> str:
    """Ten hexadecimal digits of the content's SHA-256, for addresses."""
    return hashlib.sha256(content).hexdigest()[:10]


@lru_cache(maxsize=1)
def shipped() -> dict[str, tuple[str, bytes]]:
    """Each shipped font file by name, with its hash."""
    fonts = {}
    for entry in _FOLDER.iterdir():
        if entry.name.endswith(".woff2"):
            content = entry.read_bytes()
            fonts[entry.name.removesuffix(".woff2")] = (short_hash(content), content)
    return fonts


def file_name(name: str) -> str:
    """The name of a font's file in its address, which holds the content's hash."""
    return f"{name}-{shipped()[name][0]}.woff2"


def _rule(face: Face, name: str, area: str, italic: bool = False) -> str:
    # Addresses are relative to the stylesheet, so that they hold inside a look at an edition too.
    style = "font-style:italic;" if italic else ""
    return (
        f'@font-face{{font-family:"{face.family}";{style}font-weight:200 {face.heaviest};font-display:swap;'
        f'src:url({file_name(name)}) format("woff2");unicode-range:{area}}}'
    )


def _rules_of(face: Face) -> list[str]:
    found = [_rule(face, f"{face.stem}-{script}-wght-normal", area) for script, area in _SCRIPTS.items()]
    if face.italic:
        found.append(_rule(face, f"{face.stem}-latin-wght-italic", "U+0000-00FF,U+2000-206F", italic=True))
    return found


@lru_cache(maxsize=len(PAIRS))
def rules(pair: str) -> str:
    """The ``@font-face`` rules of a pair of typefaces, and of those for further scripts."""
    faces = {PAIRS[pair].heading, PAIRS[pair].text}
    own = [rule for face in sorted(faces, key=lambda face: face.stem) for rule in _rules_of(face)]
    return "\n".join([*own, _rule(ARABIC, "noto-naskh-arabic-arabic-wght-normal", _ARABIC_RANGE)])


def file_of(family: str) -> bytes | None:
    """The file with the Latin letters of a family that sites can be set in."""
    known = {face.family: face for pair in PAIRS.values() for face in (pair.heading, pair.text)}
    return shipped()[f"{known[family].stem}-latin-wght-normal"][1] if family in known else None


@lru_cache(maxsize=32)
def _plain(name: str) -> tuple[TTFont, bytes]:
    """A font without its compression, parsed and as bytes."""
    font = TTFont(io.BytesIO(shipped()[name][1]), lazy=False)
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


def _shaped(font: TTFont, content: bytes, letters: str) -> Outline | None:
    shaper = uharfbuzz.Font(uharfbuzz.Face(content))
    shaper.set_variations({"wght": _BOLD})
    buffer = uharfbuzz.Buffer()
    buffer.add_str(letters)
    buffer.guess_segment_properties()
    uharfbuzz.shape(shaper, buffer)
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
