"""The band of colours and type."""

from typing import Annotated, Any

from hestor.core.facts import rules
from hestor.core.facts.spec import Band, FactGroup, FactSpec, Slot, Words
from hestor.core.imaging.typefaces import DEFAULT, PAIRS, families
from hestor.core.places.place import Place


def _families(pair: str) -> Words:
    return Words(text=" · ".join(dict.fromkeys(families(pair))))


def _other_pair(facts: Any) -> str:
    return next(pair for pair in PAIRS if pair != facts.typefaces)


class ColourFacts(FactGroup):
    """Two colours, from which the others are derived, and a pair of typefaces."""

    brand_colour: Annotated[
        str,
        FactSpec(
            Band.COLOURS,
            rules.Colour(),
            lambda facts: "#7a5300" if facts.brand_colour != "#7a5300" else "#00537a",
            editor="colour",
            slots=(Slot(Place.HEADER),),
            visual=True,
        ),
    ] = "#3d4f7c"
    accent_colour: Annotated[
        str,
        FactSpec(
            Band.COLOURS,
            rules.Colour(optional=True),
            lambda facts: "#6b1fa8" if facts.accent_colour != "#6b1fa8" else "#1f6ba8",
            editor="colour",
            slots=(Slot(Place.LINKS),),
            derived=lambda facts: facts.accent_colour or facts.brand_colour,
            visual=True,
        ),
    ] = ""
    typefaces: Annotated[
        str,
        FactSpec(
            Band.COLOURS,
            rules.OneOf(tuple(PAIRS)),
            _other_pair,
            editor="typefaces",
            slots=(Slot(Place.SHARE, home=True),),
            in_words=_families,
            visual=True,
        ),
    ] = DEFAULT
