"""On which grounds a plate lies behind the logo: where the owner says so, else where it can't be made out."""

from collections.abc import Mapping
from typing import Literal

from hestor.core.facts.document import Facts
from hestor.core.imaging.logos import Standing

Ground = Literal["light", "dark"]
GROUNDS: tuple[Ground, ...] = ("light", "dark")
Standings = Mapping[str, Standing]
"""How a logo stands on each ground, by the ground's name."""


def _needs(ground: Ground, standing: Standing) -> bool:
    # Pages are made for their light ground, so there a logo has to be lost before its look is altered.
    return standing == "lost" if ground == "light" else standing != "clear"


def grounds(facts: Facts, standings: Standings) -> frozenset[Ground]:
    """The grounds on which a plate is shown. On dark ones a logo of their own needs none by itself."""
    said = facts.logo_plate
    if facts.logo is None or said == "none":
        return frozenset()
    if said:
        return frozenset(ground for ground in GROUNDS if said in (ground, "both"))
    asked = (ground for ground in GROUNDS if ground == "light" or facts.logo_dark is None)
    return frozenset(ground for ground in asked if _needs(ground, standings.get(ground, "clear")))


def named(plates: frozenset[Ground]) -> Literal["none", "light", "dark", "both"]:
    """What the fact says for a plate on just these grounds."""
    if len(plates) == len(GROUNDS):
        return "both"
    return next(iter(plates), "none")
