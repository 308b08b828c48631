"""The band of name and words."""

from collections.abc import Callable
from typing import Annotated, Any

from hestor.core.facts.spec import ITSELF, Band, FactGroup, FactSpec, Slot, itself
from hestor.core.places.place import Place
from hestor.core.rules import Line
from hestor.core.text import lines

# About what fits below an icon on a phone; W3C's manifest asks for a short_name where space is short.
_SHORT = 12


def short_form(name: str) -> str:
    """As many whole first words of a name as fit below an icon, at least one."""
    if len(name) <= _SHORT:
        return name
    first, *rest = name.split(" ")
    text = lines.cut(first, 2 * _SHORT)
    for word in rest:
        if len(text) + 1 + len(word) > _SHORT:
            break
        text += " " + word
    return text.rstrip(" ,.;:–—-&") or text


def shown_short_name(facts: Any) -> str:
    """The short name as set, else the name's short form."""
    return facts.short_name or short_form(facts.name)


def other_text(key: str) -> Callable[[Any], str]:
    """Gives a text that the fact ``key`` does not say."""
    return lambda facts: "Otherwise" if getattr(facts, key) != "Otherwise" else "Differently"


class WordFacts(FactGroup):
    """Name, tagline and the other words that every page takes from the sheet."""

    name: Annotated[
        str,
        FactSpec(
            Band.WORDS,
            Line(1, 120),
            other_text("name"),
            size="name",
            slots=(Slot(Place.TAB), Slot(Place.HEADER)),
            per_language=True,
            texts=ITSELF,
            held=itself("name"),
            remembered=True,
            drawn=True,
            needed=True,
        ),
    ]
    short_name: Annotated[
        str,
        FactSpec(
            Band.WORDS,
            Line(0, 30),
            other_text("short_name"),
            slots=(Slot(Place.MANIFEST),),
            derived=shown_short_name,
            fill_in="short_name",
            per_language=True,
            texts=ITSELF,
            held=itself("short_name"),
        ),
    ] = ""
    tagline: Annotated[
        str,
        FactSpec(
            Band.WORDS,
            Line(0, 160),
            other_text("tagline"),
            slots=(Slot(Place.SEARCH, home=True), Slot(Place.HEADER)),
            per_language=True,
            texts=ITSELF,
            held=itself("tagline"),
            missed=True,
            drawn=True,
            needed=True,
        ),
    ] = ""
    description: Annotated[
        str,
        FactSpec(
            Band.WORDS,
            Line(0, 320),
            other_text("description"),
            size="text",
            slots=(Slot(Place.SEARCH, home=True),),
            per_language=True,
            texts=ITSELF,
            held=itself("description"),
            missed=True,
        ),
    ] = ""
    footer_text: Annotated[
        str,
        FactSpec(
            Band.WORDS,
            Line(0, 300, takes_fill_ins=True),
            other_text("footer_text"),
            slots=(Slot(Place.FOOTER),),
            per_language=True,
            texts=ITSELF,
        ),
    ] = "© {year} {site}"
