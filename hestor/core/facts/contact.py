"""The band of contact: how the site is reached."""

from typing import Annotated, Any

from hestor.core.contact import addresses, protection
from hestor.core.contact.protection import PROTECTIONS
from hestor.core.facts import rules
from hestor.core.facts.spec import Band, FactGroup, FactSpec, Slot, Words
from hestor.core.facts.words import other_text
from hestor.core.places.place import Place
from hestor.core.rules import Line

_ONE, _ANOTHER = "otherwise@reach.example", "differently@reach.example"


def _other_protection(facts: Any) -> str:
    return "hidden" if facts.contact_protection != "hidden" else "plain"


class ContactFacts(FactGroup):
    """The public address, the words beside it, and how it is written into pages (empty: plainly)."""

    contact_email: Annotated[
        str,
        FactSpec(
            Band.CONTACT,
            addresses.check,
            lambda facts: _ONE if facts.contact_email != _ONE else _ANOTHER,
            slots=(Slot(Place.FOOTER), Slot(Place.MESSAGE)),
        ),
    ] = ""
    contact_label: Annotated[
        str,
        FactSpec(
            Band.CONTACT,
            Line(0, 80, takes_fill_ins=True),
            other_text("contact_label"),
            slots=(Slot(Place.FOOTER),),
            per_language=True,
        ),
    ] = ""
    contact_protection: Annotated[
        str,
        FactSpec(
            Band.CONTACT,
            rules.OneOf(("", *PROTECTIONS)),
            _other_protection,
            editor="protection",
            slots=(Slot(Place.FOOTER),),
            in_words=lambda kind: Words(f"value.protection.{protection.of(kind)}"),
        ),
    ] = ""
