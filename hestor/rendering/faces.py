"""The shipped typefaces: their files, their style rules, and which of them a page needs."""

import hashlib
import re
from functools import lru_cache
from importlib.resources import files

from hestor.core.imaging.typefaces import PAIRS, Face

_FOLDER = files("hestor.rendering").joinpath("assets", "fonts")
_LETTERS = files("hestor.rendering").joinpath("assets", "letters")
ARABIC = Face("Naskh", "noto-naskh-arabic", 700, "serif")
_SCRIPTS = {
    "latin": "U+0000-00FF,U+0131,U+0152-0153,U+02BB-02BC,U+02C6,U+02DA,U+02DC,U+2000-206F,U+20AC,U+2122,U+2191,U+2193,"
    "U+2212,U+2215,U+FEFF,U+FFFD",
    "latin-ext": "U+0100-02BA,U+1E00-1E9F,U+1EF2-1EFF,U+20A0-20AB,U+20AD-20C0",
}
LATIN = "U+0000-02FF,U+1E00-22FF"
ARABIC_LETTERS = "U+0020,U+00A0,U+0600-06FF,U+0750-077F,U+08A0-08FF,U+200C-200F,U+FB50-FDFF,U+FE70-FEFE"
# Digits and punctuation of the same hand, so that an Arabic page loads no Latin typeface for them.
_ARABIC_SIGNS = (
    "U+0021-0040,U+005B-0060,U+007B-007E,U+00A1-00A3,U+00A5,U+00A7-00A9,U+00AB,U+00AE-00B0,U+00B4,U+00B6-00B8,U+00BB,"
    "U+00BF,U+00D7,U+00F7,U+2009,U+200B,U+2013-2014,U+2018-201A,U+201C-201E,U+2022,U+2026,U+2039-203A,U+20AC,U+2122,"
    "U+2212"
)
ARABIC_FILE = "noto-naskh-arabic-arabic-wght-normal"
_ARABIC_SIGNS_FILE = "noto-naskh-arabic-signs-wght-normal"
_BEYOND_LATIN = re.compile("[\u0100-\u02ba\u1e00-\u1e9f\u1ef2-\u1eff\u20a0-\u20ab\u20ad-\u20c0]")
_IN_ARABIC = re.compile("[\u0600-\u06ff\u0750-\u077f\u08a0-\u08ff]")


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


def content(name: str) -> bytes:
    """The bytes of a shipped font: one that pages load, or one that only drawings need."""
    known = shipped().get(name)
    return known[1] if known else _LETTERS.joinpath(f"{name}.woff2").read_bytes()


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
    found_rules = [_rule(face, f"{face.stem}-{script}-wght-normal", area) for script, area in _SCRIPTS.items()]
    if face.italic:
        found_rules.append(_rule(face, f"{face.stem}-latin-wght-italic", "U+0000-00FF,U+2000-206F", italic=True))
    return found_rules


@lru_cache(maxsize=len(PAIRS))
def rules(pair: str) -> str:
    """The ``@font-face`` rules of a pair of typefaces, and of those for further scripts."""
    faces = {PAIRS[pair].heading, PAIRS[pair].text}
    own = [rule for face in sorted(faces, key=lambda face: face.stem) for rule in _rules_of(face)]
    arabic = (_rule(ARABIC, ARABIC_FILE, ARABIC_LETTERS), _rule(ARABIC, _ARABIC_SIGNS_FILE, _ARABIC_SIGNS))
    return "\n".join([*own, *arabic])


def latin_file(face: Face) -> str:
    """The name of the file with a face's Latin letters."""
    return f"{face.stem}-latin-wght-normal"


def needed(pair: str, script: str, text: str) -> tuple[str, ...]:
    """The names of the font files that a page needs at once: those of its language's script, and of its text."""
    faces = dict.fromkeys((PAIRS[pair].heading, PAIRS[pair].text))
    names = [] if script == "Arab" else [latin_file(face) for face in faces]
    if script == "Arab" or _IN_ARABIC.search(text):
        names.append(ARABIC_FILE)
    if _BEYOND_LATIN.search(text):
        names += [f"{face.stem}-latin-ext-wght-normal" for face in faces]
    return tuple(names)


def file_of(family: str) -> bytes | None:
    """The file with the Latin letters of a family that sites can be set in."""
    known = {face.family: face for pair in PAIRS.values() for face in (pair.heading, pair.text)}
    return shipped()[latin_file(known[family])][1] if family in known else None
