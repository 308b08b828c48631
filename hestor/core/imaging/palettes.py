"""A site's derived colours, from its brand and accent, in light and in dark; each pair made to pass WCAG 2.2.

Texts need 4.5 to 1 (success criterion 1.4.3), bands and buttons 3 to 1 against what is around them (1.4.11).
A colour that fails is moved to the nearest tone that passes, its hue kept; what was asked for is kept beside it.
"""

from dataclasses import dataclass
from functools import lru_cache
from typing import Literal

from coloraide import Color

from hestor.core.imaging import colours
from hestor.core.imaging.colours import TEXT_CONTRAST

ThemeName = Literal["light", "dark"]
GRAPHIC_CONTRAST = 3.0
GROUND: dict[ThemeName, str] = {"light": "#fdfcf9", "dark": "#15171d"}
_INK: dict[ThemeName, str] = {"light": "#22242c", "dark": "#e9e7e1"}
_SOFT: dict[ThemeName, str] = {"light": "#595c68", "dark": "#aaa8a2"}
_LINE: dict[ThemeName, str] = {"light": "#dedbd2", "dark": "#343640"}
# How much of the site's colour is in the tinted ground.
_TINT: dict[ThemeName, float] = {"light": 0.09, "dark": 0.17}

# Behind a logo that can't be made out on a ground lies the other theme's.
PLATE: dict[ThemeName, str] = {"light": "#15171d", "dark": "#ffffff"}

PairName = Literal["ink", "ink_tint", "soft", "soft_tint", "link", "link_tint", "band", "button", "button_ink"]


@dataclass(frozen=True)
class Pair:
    """Two colours that meet: ``fore`` on ``back``, the contrast that is needed, and what was asked for."""

    name: PairName
    fore: str
    back: str
    needed: float
    asked: str

    @property
    def ratio(self) -> float:
        """The contrast ratio, 1 to 21."""
        return colours.contrast(self.fore, self.back)

    @property
    def is_text(self) -> bool:
        """Whether one is read on the other; else they are surfaces that have to be told apart."""
        return self.needed >= TEXT_CONTRAST

    @property
    def moved(self) -> bool:
        """Whether the tone had to give way."""
        return self.fore != self.asked

    @property
    def difference(self) -> float:
        """How far it was moved: CIEDE2000, in which 1 is just visible."""
        return Color(self.asked).delta_e(self.fore, method="2000")


@dataclass(frozen=True)
class Theme:
    """The colours of a public page in one theme, by what they are for."""

    ground: str
    tint: str
    ink: str
    soft: str
    line: str
    band: str
    link: str
    button: str
    button_ink: str
    pairs: tuple[Pair, ...]


def _on_both(colour: str, ground: str, tint: str) -> str:
    """The tone of ``colour`` nearest to it that can be read on both grounds."""
    hardest = min((ground, tint), key=lambda paper: colours.contrast(colour, paper))
    tone = colours.legible(colour, hardest)
    if min(colours.contrast(tone, ground), colours.contrast(tone, tint)) < TEXT_CONTRAST:
        tone = colours.legible(colours.legible(colour, ground), tint)
    return tone


@lru_cache(maxsize=512)
def theme(brand: str, accent: str, name: ThemeName) -> Theme:
    """The colours of one theme; without an ``accent`` the brand colour serves for links and buttons too."""
    ground, lead = GROUND[name], accent or brand
    band = colours.legible(brand, ground, GRAPHIC_CONTRAST)
    tint = Color(ground).mix(band, _TINT[name], space="oklab").convert("srgb").fit("srgb").to_string(hex=True)
    ink, soft = _on_both(_INK[name], ground, tint), _on_both(_SOFT[name], ground, tint)
    link = _on_both(lead, ground, tint)
    button = colours.legible(lead, ground, GRAPHIC_CONTRAST)
    button_ink = colours.ink_on(button)
    pairs = (
        Pair("ink", ink, ground, TEXT_CONTRAST, _INK[name]),
        Pair("ink_tint", ink, tint, TEXT_CONTRAST, _INK[name]),
        Pair("soft", soft, ground, TEXT_CONTRAST, _SOFT[name]),
        Pair("soft_tint", soft, tint, TEXT_CONTRAST, _SOFT[name]),
        Pair("link", link, ground, TEXT_CONTRAST, lead),
        Pair("link_tint", link, tint, TEXT_CONTRAST, lead),
        Pair("band", band, ground, GRAPHIC_CONTRAST, brand),
        Pair("button", button, ground, GRAPHIC_CONTRAST, lead),
        Pair("button_ink", button_ink, button, TEXT_CONTRAST, button_ink),
    )
    return Theme(ground, tint, ink, soft, _LINE[name], band, link, button, button_ink, pairs)


def themes(brand: str, accent: str) -> dict[ThemeName, Theme]:
    """The colours in light and in dark."""
    return {"light": theme(brand, accent, "light"), "dark": theme(brand, accent, "dark")}
