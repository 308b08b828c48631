"""Which shipped font draws which letter: texts parted into runs of one font each, in any script.

What the fonts have is written down as they are laid down (``scripts/letters.py``), so that none is opened to know.
"""

import json
from array import array
from bisect import bisect_right
from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from functools import lru_cache
from importlib.resources import files
from unicodedata import category, normalize

import regex

from hestor.core.imaging.typefaces import PAIRS

_LISTED = files("hestor.rendering").joinpath("assets", "letters", "letters.json")
_NASKH = ("noto-naskh-arabic-arabic-wght-normal", "noto-naskh-arabic-signs-wght-normal")
# The letters that several scripts write Chinese characters with look otherwise in each (Unicode 16, 18.1).
_HAN = {"ja": "noto-sans-jp", "ko": "noto-sans-kr", "zh": "noto-sans-sc"}
_LATIN = regex.compile(r"\p{Latin}")
_KANA, _HANGUL = regex.compile(r"[\p{Hiragana}\p{Katakana}]"), regex.compile(r"\p{Hangul}")
# Signs as wide as they are high; so is the space between them.
_PICTURES = ("noto-emoji", "noto-sans-symbols")
_CLUSTER = regex.compile(r"\X")
# What has no look of its own: joiners, marks of direction, selectors of a variant (UAX 44).
_UNSEEN = regex.compile(r"\p{Default_Ignorable_Code_Point}")


@dataclass(frozen=True)
class Run:
    """Letters that one font draws: its name among the shipped ones."""

    text: str
    font: str


@dataclass(frozen=True)
class Parted:
    """A text in its runs, and the letters that no font draws (each once, in their order)."""

    runs: tuple[Run, ...]
    undrawn: tuple[str, ...] = ()

    @property
    def drawn(self) -> str:
        """The text as it is drawn."""
        return "".join(run.text for run in self.runs)


class _Letters:
    """The code points that a font has, as the bounds of their stretches."""

    def __init__(self, stretches: Sequence[Sequence[int]]) -> None:
        # Tens of thousands of numbers in each process: as few bytes as they need.
        self._bounds = array("I", (bound for first, last in stretches for bound in (first, last + 1)))

    def __contains__(self, point: int) -> bool:
        return bisect_right(self._bounds, point) % 2 == 1


@lru_cache(maxsize=1)
def _fonts() -> Mapping[str, _Letters]:
    return {name: _Letters(stretches) for name, stretches in json.loads(_LISTED.read_text()).items()}


def _rank(name: str, heading: str, han: str) -> int:
    """How early a font is asked: the heading's own, Arabic's, then each script's; emoji and what is left last."""
    if name in (f"{heading}-latin-wght-normal", f"{heading}-latin-ext-wght-normal"):
        return 0
    if name in _NASKH:
        return 1
    if name.startswith(han):
        return 3
    if name.startswith(tuple(_HAN.values())):
        return 4
    return 5 if name.startswith(_PICTURES) else 2


@lru_cache(maxsize=32)
def _asked(heading: str, han: str) -> tuple[str, ...]:
    """The fonts that a text may be drawn with, in the order in which they are asked."""
    own = [name for name in _fonts() if name.startswith(("noto-", f"{heading}-latin"))]
    return tuple(sorted(own, key=lambda name: (_rank(name, heading, han), name)))


@lru_cache(maxsize=4096)
def _having(point: int, heading: str, han: str) -> tuple[str, ...]:
    fonts = _fonts()
    return tuple(name for name in _asked(heading, han) if point in fonts[name])


def _han_of(text: str, language: str) -> str:
    if _KANA.search(text):
        return _HAN["ja"]
    if _HANGUL.search(text):
        return _HAN["ko"]
    return _HAN.get(language.partition("-")[0], _HAN["zh"])


def _heading(text: str, stem: str) -> str:
    """The family of a text's Latin letters: the heading's if it has all of them, else one that has."""
    fonts = [_fonts()[f"{stem}-{part}-wght-normal"] for part in ("latin", "latin-ext")]
    letters = _LATIN.findall(normalize("NFC", text))
    return stem if all(any(ord(one) in font for font in fonts) for one in letters) else "noto-sans"


def _font_of(cluster: str, before: str, heading: str, han: str) -> str | None:
    """The first font that has all of a letter with its marks; signs of all scripts stay with the font before them."""
    seen = [ord(one) for one in cluster if not _UNSEEN.match(one)]
    if not seen:
        return before or None
    having = [name for name in _having(seen[0], heading, han) if all(point in _fonts()[name] for point in seen[1:])]
    if before in having and not before.startswith(_PICTURES) and category(chr(seen[0]))[0] in "ZPNS":
        return before
    return having[0] if having else None


@lru_cache(maxsize=1024)
def parted(text: str, pair: str, language: str) -> Parted:
    """A text in runs of one font each, for a pair of typefaces, in a language (BCP 47). White space is folded."""
    heading = _heading(text, PAIRS[pair].heading.stem)
    han = _han_of(text, language)
    runs: list[Run] = []
    undrawn: dict[str, None] = {}
    for cluster in _CLUSTER.findall(" ".join(normalize("NFC", text).split())):
        before = runs[-1].font if runs else ""
        font = _font_of(cluster, before, heading, han)
        if font is None:
            # What nobody would see is not missed.
            if not all(map(_UNSEEN.match, cluster)):
                undrawn[cluster] = None
        elif runs and font == before:
            runs[-1] = Run(runs[-1].text + cluster, font)
        else:
            runs.append(Run(cluster, font))
    return Parted(tuple(runs), tuple(undrawn))
