"""The public pages' own files: one stylesheet a set of colours and typefaces, a script, and the shipped fonts.

Every address holds a hash of what it answers, and what is needed to make it again, so an edition that is
no longer live still finds its files.
"""

import re
from functools import lru_cache
from importlib.resources import files

from hestor.core.facts.document import Facts
from hestor.core.imaging import palettes
from hestor.core.imaging.palettes import Theme, ThemeName
from hestor.core.imaging.typefaces import PAIRS
from hestor.rendering import faces, fallbacks
from hestor.rendering.response import Response

PREFIX = "/_hestor/"
_FOLDER = files("hestor.rendering").joinpath("assets")
_STYLE = re.compile(r"style-([0-9a-f]{6})-([0-9a-f]{6})?-([a-z]+)-([0-9a-f]{10})\.css")
_SCRIPT = re.compile(r"page-([0-9a-f]{10})\.js")
_FONT = re.compile(r"([a-z0-9-]+)-([0-9a-f]{10})\.woff2")
StyleKey = tuple[str, str, str]
"""Brand colour, accent colour (or empty) and pair of typefaces: all that a stylesheet depends on."""


def style_key(facts: Facts) -> StyleKey:
    """What of the facts the stylesheet depends on."""
    return facts.brand_colour, facts.accent_colour, facts.typefaces


@lru_cache(maxsize=1)
def _base_style() -> str:
    return _FOLDER.joinpath("style.css").read_text()


LIGHT: ThemeName = "light"
DARK: ThemeName = "dark"


def _variables(theme: Theme, name: ThemeName) -> str:
    names = ("ground", "tint", "ink", "soft", "line", "band", "link", "button", "button_ink")
    colours = {key: getattr(theme, key) for key in names} | {"plate": palettes.PLATE[name]}
    return ";".join(f"--{key.replace('_', '-')}:{value}" for key, value in colours.items())


def _fonts(pair: str, arabic_first: bool) -> str:
    fonts = {"heading": PAIRS[pair].heading, "text": PAIRS[pair].text}
    return ";".join(f"--{name}:{fallbacks.font_list(face, arabic_first)}" for name, face in fonts.items())


@lru_cache(maxsize=64)
def style(key: StyleKey) -> bytes:
    """The stylesheet of one set of colours and typefaces."""
    brand, accent, pair = key
    themes = palettes.themes(brand, accent)
    light, darker = (_variables(themes[name], name) for name in (LIGHT, DARK))
    dark = f"@media(prefers-color-scheme:dark){{:root{{{darker}}}}}"
    root = f":root{{{light};{_fonts(pair, False)}}}{dark}:root.arabic{{{_fonts(pair, True)}}}"
    return f"{faces.rules(pair)}\n{fallbacks.rules(pair)}\n{root}\n{_base_style()}".encode()


@lru_cache(maxsize=256)
def style_url(key: StyleKey) -> str:
    """The address of the stylesheet in the site's colours and typefaces."""
    brand, accent, pair = key
    return f"{PREFIX}style-{brand[1:]}-{accent[1:]}-{pair}-{faces.short_hash(style(key))}.css"


@lru_cache(maxsize=1)
def _script() -> bytes:
    return _FOLDER.joinpath("page.js").read_bytes()


@lru_cache(maxsize=1)
def script_url() -> str:
    """The address of the pages' script, which they also work without."""
    return f"{PREFIX}page-{faces.short_hash(_script())}.js"


def font_url(name: str) -> str:
    """The address of a shipped font."""
    return PREFIX + faces.file_name(name)


def respond(path: str) -> Response | None:
    """The file at an address below PREFIX, or None if there is none with that hash."""
    name = path.removeprefix(PREFIX)
    if (match := _STYLE.fullmatch(name)) and match[3] in PAIRS:
        key = (f"#{match[1]}", f"#{match[2]}" if match[2] else "", match[3])
        return _if_hash(match[4], style(key), "text/css; charset=utf-8")
    if match := _SCRIPT.fullmatch(name):
        return _if_hash(match[1], _script(), "text/javascript; charset=utf-8")
    if (match := _FONT.fullmatch(name)) and match[1] in faces.shipped():
        return _if_hash(match[2], faces.shipped()[match[1]][1], "font/woff2")
    return None


def _if_hash(given: str, content: bytes, media_type: str) -> Response | None:
    return Response(200, media_type, content, immutable=True) if given == faces.short_hash(content) else None
