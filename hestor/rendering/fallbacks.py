"""What stands in while a typeface loads: fonts that are on nearly every machine, made as wide and high as it.

So texts can be read at once, and hardly move when the typeface arrives (CSS Fonts 5, font metrics overrides).
"""

from collections.abc import Iterator
from dataclasses import dataclass
from functools import lru_cache

from hestor.core.imaging.typefaces import PAIRS, Face
from hestor.rendering import faces, letters

# Letters in about the mixture of European languages; only the sum of their widths counts.
_SAMPLE = (
    "the quick brown fox jumps over a lazy dog and reads on: seeds are lent in spring, and seed comes back in autumn. "
    "Die Werkstatt ist am Samstag offen; nous sommes heureux de vous lire. "
)
_ARABIC_SAMPLE = "نفتح كل يوم من الصباح إلى المساء ونقدم القهوة والشاي والحلوى لأهل الحي وزواره "
_WEIGHTS = (400, 660)
_BOLD_FROM = 600


@dataclass(frozen=True)
class Local:
    """Fonts of one set of widths: their names, upright and bold, and how wide the sample is in them.

    A width is the mean advance of a letter, in ems.
    """

    names: tuple[str, ...]
    bold_names: tuple[str, ...]
    width: float
    bold_width: float


def _bold(*names: str) -> tuple[str, ...]:
    return tuple(f"{name} Bold" for name in names)


_ARIAL, _TIMES = ("Arial", "Liberation Sans", "Arimo", "Helvetica"), ("Times New Roman", "Liberation Serif", "Tinos")
LOCALS: dict[str, tuple[Local, ...]] = {
    "sans-serif": (
        Local(_ARIAL, _bold(*_ARIAL), 0.45571, 0.4894),
        Local(("Roboto",), _bold("Roboto"), 0.45289, 0.45867),
    ),
    "serif": (
        Local(_TIMES, _bold(*_TIMES), 0.4088, 0.43375),
        Local(("Noto Serif",), _bold("Noto Serif"), 0.48528, 0.5142),
    ),
}
ARABIC = Local(("DejaVu Sans",), ("DejaVu Sans Bold",), 0.45011, 0.54065)


def _generic(face: Face) -> str:
    return face.fallback.rpartition(",")[2].strip()


def _locals(face: Face, arabic: bool) -> tuple[Local, ...]:
    return (ARABIC,) if arabic else LOCALS[_generic(face)]


def families(face: Face, arabic: bool = False) -> str:
    """The stand-ins' families, best first, for a CSS font list."""
    return ",".join(f'"{face.family} {number}"' for number, _ in enumerate(_locals(face, arabic), 1))


def _percent(value: float) -> str:
    return f"{value * 100:.1f}%"


@dataclass(frozen=True)
class _Metrics:
    """Of a stand-in: its width against its fonts' own, and how far the typeface reaches above and below its line."""

    ratio: float
    rise: float
    fall: float


def _rule(family: str, names: tuple[str, ...], weights: str, metrics: _Metrics, area: str) -> str:
    sources = ",".join(f'local("{name}")' for name in names)
    rise, fall = _percent(metrics.rise / metrics.ratio), _percent(metrics.fall / metrics.ratio)
    return (
        f'@font-face{{font-family:"{family}";font-weight:{weights};src:{sources};size-adjust:{_percent(metrics.ratio)};'
        f"ascent-override:{rise};descent-override:{fall};line-gap-override:0%;unicode-range:{area}}}"
    )


def _rules(face: Face, arabic: bool) -> Iterator[str]:
    file, sample, area = (
        (faces.ARABIC_FILE, _ARABIC_SAMPLE, faces.ARABIC_LETTERS)
        if arabic
        else (faces.latin_file(face), _SAMPLE, faces.LATIN)
    )
    edges = letters.rise_and_fall(file)
    width, bold_width = (letters.mean_advance(file, sample, weight) for weight in _WEIGHTS)
    for number, local in enumerate(_locals(face, arabic), 1):
        family = f"{face.family} {number}"
        upright, bold = _Metrics(width / local.width, *edges), _Metrics(bold_width / local.bold_width, *edges)
        yield _rule(family, local.names, f"100 {_BOLD_FROM - 1}", upright, area)
        yield _rule(family, local.bold_names, f"{_BOLD_FROM} 900", bold, area)


@lru_cache(maxsize=len(PAIRS))
def rules(pair: str) -> str:
    """The ``@font-face`` rules of all that stands in for the typefaces of a pair."""
    own = sorted({PAIRS[pair].heading, PAIRS[pair].text}, key=lambda face: face.stem)
    found_rules = [rule for face in own for rule in _rules(face, arabic=False)]
    return "\n".join([*found_rules, *_rules(faces.ARABIC, arabic=True)])


def font_list(face: Face, arabic_first: bool) -> str:
    """A CSS font list: the face, what stands in for it, the one for Arabic; the latter first on an Arabic page."""
    latin = f'"{face.family}",{families(face)}'
    arabic = f"{faces.ARABIC.family},{families(faces.ARABIC, arabic=True)}"
    both = (arabic, latin) if arabic_first else (latin, arabic)
    return ",".join((*both, face.fallback))
