"""The pairs of typefaces that a site can be set in: one for headings and the name, one for texts.

Only the names and the files are known here; the renderer holds the files.
"""

from collections.abc import Mapping
from dataclasses import dataclass


@dataclass(frozen=True)
class Face:
    """A typeface: its CSS family, its file's stem, its heaviest weight, what stands in while it loads."""

    family: str
    stem: str
    heaviest: int
    fallback: str
    italic: bool = False


LITERATA = Face("Literata", "literata", 900, "Georgia, serif", italic=True)
_FRAUNCES = Face("Fraunces", "fraunces", 900, "Georgia, serif")
_BRICOLAGE = Face("Bricolage Grotesque", "bricolage-grotesque", 800, "sans-serif")
_SOURCE = Face("Source Serif 4", "source-serif-4", 900, "Georgia, serif", italic=True)
_PUBLIC = Face("Public Sans", "public-sans", 900, "sans-serif", italic=True)
_WORK = Face("Work Sans", "work-sans", 900, "sans-serif", italic=True)
_LORA = Face("Lora", "lora", 700, "Georgia, serif")
_FIGTREE = Face("Figtree", "figtree", 900, "sans-serif", italic=True)
_SORA = Face("Sora", "sora", 800, "sans-serif")


@dataclass(frozen=True)
class Pairing:
    """Two typefaces that go together."""

    heading: Face
    text: Face


PAIRS: Mapping[str, Pairing] = {
    "reading": Pairing(LITERATA, LITERATA),
    "almanac": Pairing(_FRAUNCES, _WORK),
    "workshop": Pairing(_BRICOLAGE, _SOURCE),
    "ledger": Pairing(_SOURCE, _PUBLIC),
    "parlour": Pairing(_LORA, _FIGTREE),
    "signboard": Pairing(_SORA, _PUBLIC),
}
DEFAULT = "reading"


def families(pair: str) -> tuple[str, str]:
    """The families of a pair: headings, texts. Raises KeyError for a pair that there is not."""
    return PAIRS[pair].heading.family, PAIRS[pair].text.family
