"""What one fact is: everything that the application knows of it, said once, where its field is declared.

A fact is a field of a band's model, annotated with its ``FactSpec``::

    tagline: Annotated[str, FactSpec(Band.WORDS, Line(0, 160), other=words("…"), slots=(…))] = ""

Checking, the API's schema, the rows of the sheet, previews, reach and changes in words are all made from it.
"""

from collections.abc import Callable, Mapping
from dataclasses import dataclass
from enum import StrEnum
from typing import Any, Literal

from pydantic import BaseModel, ConfigDict

from hestor.core.errors import Param
from hestor.core.places.place import Place, Variant
from hestor.core.rules import Rule, Value


class Band(StrEnum):
    """The bands of the sheet, in their order."""

    WORDS = "words"
    BRAND = "brand"
    COLOURS = "colours"
    FRAME = "frame"
    CONTACT = "contact"
    ORGANISATION = "organisation"
    LANGUAGE = "language"
    CLOCK = "clock"
    ADDED = "added"


Editor = Literal[
    "line", "logo", "icon", "share", "colour", "typefaces", "language", "clock", "date_form", "time_form", "weekday",
    "calendar", "hours", "own_words", "protection", "notices", "phone", "address", "registrations", "social", "parts",
    "days", "title_pattern", "title_long", "keywords", "header_parts", "arrangement", "menu_fold", "content_width",
    "yes_no", "site_notice", "side_text", "cookie_notice", "added_code",
]  # fmt: skip
Size = Literal["name", "line", "text"]


@dataclass(frozen=True)
class Slot:
    """A proof that a fact's row shows: a place, on the chosen page or on the home page, in a variant."""

    place: Place
    home: bool = False
    variant: Variant | None = None


@dataclass(frozen=True)
class Words:
    """A value in words: a message of the desk by its key, with its params; or ``text``, which says itself.

    ``said`` gives the text in the reader's language (BCP 47).
    """

    message: str = ""
    params: tuple[tuple[str, Param], ...] = ()
    text: str = ""
    said: Callable[[str], str] | None = None


def plain_words(value: Any) -> Words:
    """A text says itself."""
    return Words(text=str(value))


ITSELF = ("",)
"""The texts of a fact that is one."""


def itself(key: str) -> Callable[[Any], str]:
    """Gives what the fact ``key`` says, for facts that pages are held to word by word."""
    return lambda facts: str(getattr(facts, key))


@dataclass(frozen=True)
class FactSpec:
    """One fact.

    ``other`` gives a valid value that is not the one in ``facts``; reach is found by putting it in place.
    ``derived`` is what stands in while the fact is unset, as a text, for facts that have such a thing.
    ``within`` is the key of the fact in whose row this one is edited; ``slots`` are the proofs of its own row.
    ``shown`` is what pages show of it, for facts that are found in places by other words than their own.
    ``fill_in`` is the name by which texts say it. ``texts`` are the texts of it that pages, feeds or messages show, by
    their names within it: ``ITSELF`` for one that is a text; they are swept. ``held`` is what pages are held to,
    ``remembered`` says that they are to say no longer what it said in earlier editions. ``missed`` says that
    visitors, or the owner, miss it while it is unset; ``drawn`` that it is written on the share picture.
    ``needed`` says that every site needs it: the sheet opens on these.
    ``visual`` says that files are drawn from it; ``private`` that it is never on a page, in an
    edition or in a review; ``common`` that an owner may say it once for all sites; ``quiet`` that
    its default is no news before the first edition; ``per_language`` that a site of several languages may say it in
    each.
    """

    band: Band
    rule: Rule[Value]
    other: Callable[[Any], Value]
    editor: Editor = "line"
    size: Size = "line"
    within: str = ""
    slots: tuple[Slot, ...] = ()
    derived: Callable[[Any], str] | None = None
    in_words: Callable[[Any], Words] = plain_words
    shown: Callable[[Any], str] | None = None
    fill_in: str = ""
    texts: tuple[str, ...] = ()
    held: Callable[[Any], str] | None = None
    remembered: bool = False
    missed: bool = False
    needed: bool = False
    drawn: bool = False
    visual: bool = False
    private: bool = False
    common: bool = False
    quiet: bool = False
    per_language: bool = False

    @property
    def takes_fill_ins(self) -> bool:
        """Whether its text may hold fill-ins."""
        return bool(getattr(self.rule, "takes_fill_ins", False))

    @property
    def is_text(self) -> bool:
        """Whether it is found in places by its words."""
        return self.editor == "line"

    @property
    def least(self) -> int | None:
        """The least that its rule takes: characters, or pixels; None where there is no such thing."""
        return getattr(self.rule, "least", None)

    @property
    def most(self) -> int | None:
        """The most that its rule takes."""
        return getattr(self.rule, "most", None)


class FactGroup(BaseModel):
    """The facts of one band."""

    model_config = ConfigDict(frozen=True, extra="ignore")


def specs_of(model: type[FactGroup]) -> Mapping[str, FactSpec]:
    """The specs of all facts of a model, in the sheet's order. Raises TypeError for a field without one.

    What is not shown with the facts is none.
    """
    found: dict[str, FactSpec] = {}
    for key, field in model.model_fields.items():
        if field.exclude:
            continue
        spec = next((one for one in field.metadata if isinstance(one, FactSpec)), None)
        if spec is None:
            raise TypeError(f"the fact {key!r} has no FactSpec")
        found[key] = spec
    bands = list(Band)
    return dict(sorted(found.items(), key=lambda item: bands.index(item[1].band)))
