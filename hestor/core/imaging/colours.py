"""Colours: reading them, and moving them until they can be read against a ground.

Contrast is that of WCAG 2.2, success criterion 1.4.3; tones are moved in OKLCH, which keeps the hue.
"""

import re
from functools import lru_cache

from coloraide import Color

TEXT_CONTRAST = 4.5
_HEX = re.compile(r"#?([0-9a-fA-F]{3}|[0-9a-fA-F]{6})")


def read(text: str) -> str:
    """``#rrggbb`` in small letters from ``#RGB`` or ``#RRGGBB``. Raises ValueError otherwise."""
    match = _HEX.fullmatch(text.strip())
    if not match:
        raise ValueError(f"not a colour value: {text!r}")
    digits = match[1].lower()
    return "#" + (digits if len(digits) == 6 else "".join(digit * 2 for digit in digits))


def contrast(one: str, other: str) -> float:
    """The contrast ratio of two colours, 1 to 21."""
    return Color(one).contrast(other, method="wcag21")


def ink_on(ground: str) -> str:
    """White or near black, whichever is the easier to read on ``ground``; pure black on a middle grey."""
    best = max(("#ffffff", "#14161f"), key=lambda ink: contrast(ink, ground))
    return best if contrast(best, ground) >= TEXT_CONTRAST else "#000000"


@lru_cache(maxsize=1024)
def legible(colour: str, ground: str, least: float = TEXT_CONTRAST) -> str:
    """The tone of ``colour`` nearest to it that reaches ``least`` against ``ground``."""
    if contrast(colour, ground) >= least:
        return colour
    darker = contrast("#000000", ground) > contrast("#ffffff", ground)
    tone = Color(colour).convert("oklch")
    start = tone["lightness"]
    for step in range(1, 101):
        tone["lightness"] = start * (1 - step / 100) if darker else start + (1 - start) * step / 100
        moved = tone.clone().fit("srgb").convert("srgb").to_string(hex=True)
        if contrast(moved, ground) >= least:
            return moved
    return "#000000" if darker else "#ffffff"
