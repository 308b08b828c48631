"""The public pages' own files: one stylesheet a colour, a letter mark, and the shipped fonts.

Every address holds a hash of what it answers, and what is needed to make it again, so an edition that is
no longer live still finds its files.
"""

import hashlib
import html
import re
from functools import lru_cache
from importlib.resources import files
from threading import Lock

from fontTools.pens.svgPathPen import SVGPathPen
from fontTools.ttLib import TTFont

from hestor.core import colours, texts
from hestor.press.answer import Answer

PREFIX = "/_hestor/"
LIGHT, DARK = "#fdfcf9", "#15171d"
_FOLDER = files("hestor.press").joinpath("assets")
_ONE_AT_A_TIME = Lock()
_STYLE = re.compile(r"style-([0-9a-f]{6})-([0-9a-f]{10})\.css")
_MARK = re.compile(r"mark-([0-9a-f]{6})-([0-9a-f]{2,6})-([0-9a-f]{10})\.svg")
_FONT = re.compile(r"([a-z-]+)-([0-9a-f]{10})\.woff2")


def _hash(content: bytes) -> str:
    return hashlib.sha256(content).hexdigest()[:10]


@lru_cache(maxsize=1)
def _fonts() -> dict[str, tuple[str, bytes]]:
    """Each shipped font by name, with its hash."""
    fonts = {}
    for entry in _FOLDER.joinpath("fonts").iterdir():
        if entry.name.endswith(".woff2"):
            content = entry.read_bytes()
            fonts[entry.name.removesuffix(".woff2")] = (_hash(content), content)
    return fonts


def _font_url(name: str) -> str:
    return f"{PREFIX}{name}-{_fonts()[name][0]}.woff2"


@lru_cache(maxsize=1)
def _base_style() -> str:
    text = _FOLDER.joinpath("style.css").read_text()
    # Addresses are relative to the stylesheet, so that they hold inside a look at an edition too.
    return re.sub(r"font\(([a-z-]+)\)", lambda m: f"url({_font_url(m[1]).removeprefix(PREFIX)})", text)


def _variables(brand: str, ground: str, tint: float) -> str:
    tones = colours.palette(brand, ground, tint)
    return f"--ground:{tones.ground};--tint:{tones.tint};--brand:{tones.brand};--link:{tones.link}"


@lru_cache(maxsize=256)
def _style(brand: str) -> bytes:
    dark = f"@media(prefers-color-scheme:dark){{:root{{{_variables(brand, DARK, 0.17)}}}}}"
    return f":root{{{_variables(brand, LIGHT, 0.09)}}}{dark}\n{_base_style()}".encode()


@lru_cache(maxsize=256)
def style_url(brand: str) -> str:
    """The address of the stylesheet in the site's colour."""
    return f"{PREFIX}style-{brand[1:]}-{_hash(_style(brand))}.css"


@lru_cache(maxsize=4)
def _typeface(name: str) -> TTFont:
    with _FOLDER.joinpath("fonts", f"{name}.woff2").open("rb") as opened:
        return TTFont(opened, lazy=False)


def _outline(letter: str) -> str | None:
    """The letter as an SVG path in a 64-unit square, or None if no shipped font has it."""
    # fontTools reads a font's tables as they are asked for, which two threads must not do at once.
    with _ONE_AT_A_TIME:
        for name in ("bricolage-grotesque-latin-wght-normal", "noto-naskh-arabic-arabic-wght-normal"):
            font = _typeface(name)
            glyph_name = font.getBestCmap().get(ord(letter))
            if glyph_name:
                return _fitted(font, glyph_name)
    return None


def _fitted(font: TTFont, glyph_name: str) -> str | None:
    glyphs = font.getGlyphSet(location={"wght": 700})
    glyph = glyphs[glyph_name]
    pen = SVGPathPen(glyphs, ntos=lambda value: f"{value:.0f}")
    glyph.draw(pen)
    box = font["glyf"][glyph_name]
    width, height = box.xMax - box.xMin, box.yMax - box.yMin
    if not width or not height:
        return None
    scale = min(36 / width, 36 / height)
    x = 32 - scale * (box.xMin + width / 2)
    y = 32 + scale * (box.yMin + height / 2)
    return f'<path transform="matrix({scale:.4f} 0 0 {-scale:.4f} {x:.2f} {y:.2f})" d="{pen.getCommands()}"/>'


@lru_cache(maxsize=512)
def _letter_mark(brand: str, letter: str) -> bytes:
    ink = colours.ink_on(brand)
    drawn = _outline(letter) or (
        '<text x="32" y="44" text-anchor="middle" font-family="sans-serif" font-weight="700" '
        f'font-size="34">{html.escape(letter)}</text>'
    )
    return (
        '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 64 64">'
        f'<rect width="64" height="64" rx="15" fill="{brand}"/><g fill="{ink}">{drawn}</g></svg>'
    ).encode()


@lru_cache(maxsize=512)
def mark_url(brand: str, name: str) -> str:
    """The address of the site's letter mark: its first letter on its colour."""
    letter = texts.first_letter(name)
    return f"{PREFIX}mark-{brand[1:]}-{ord(letter):x}-{_hash(_letter_mark(brand, letter))}.svg"


def answer(path: str) -> Answer | None:
    """The file at an address below PREFIX, or None if there is none with that hash."""
    name = path.removeprefix(PREFIX)
    if found := _STYLE.fullmatch(name):
        return _if_hash(found[2], _style("#" + found[1]), "text/css; charset=utf-8")
    if found := _MARK.fullmatch(name):
        point = int(found[2], 16)
        if point > 0x10FFFF or texts.refusal(chr(point)):
            return None
        return _if_hash(found[3], _letter_mark("#" + found[1], chr(point)), "image/svg+xml")
    if (found := _FONT.fullmatch(name)) and found[1] in _fonts():
        return _if_hash(found[2], _fonts()[found[1]][1], "font/woff2")
    return None


def _if_hash(given: str, content: bytes, media_type: str) -> Answer | None:
    return Answer(200, media_type, content, immutable=True) if given == _hash(content) else None
