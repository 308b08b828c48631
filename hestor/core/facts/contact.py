"""The band of contact: how the site is reached."""

from typing import Annotated, Any

from hestor.core.contact import addresses, details, protection
from hestor.core.contact.details import Parts
from hestor.core.contact.protection import PROTECTIONS
from hestor.core.facts import rules
from hestor.core.facts.spec import ITSELF, Band, FactGroup, FactSpec, Slot, Words, itself
from hestor.core.facts.words import other_text
from hestor.core.places.place import Place, Variant
from hestor.core.rules import Line

ENQUIRY_DAYS = (30, 90, 180, 365)
"""For how many days messages of the contact form may be kept."""
_ONE, _ANOTHER = "otherwise@reach.example", "differently@reach.example"


def _other_protection(facts: Any) -> str:
    return "hidden" if facts.contact_protection != "hidden" else "plain"


class ContactFacts(FactGroup):
    """The public address, the words beside it, how it is written into pages (empty: plainly), and where notices go.

    ``enquiry_days`` is for how long messages of the contact form are kept.
    """

    contact_email: Annotated[
        str,
        FactSpec(
            Band.CONTACT,
            addresses.check,
            lambda facts: _ONE if facts.contact_email != _ONE else _ANOTHER,
            slots=(
                Slot(Place.FOOTER),
                Slot(Place.MESSAGE),
                Slot(Place.MESSAGE, variant=Variant.DARK),
                Slot(Place.CARD),
            ),
            common=True,
            held=itself("contact_email"),
            remembered=True,
            missed=True,
            needed=True,
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
            texts=ITSELF,
        ),
    ] = ""
    contact_link_text: Annotated[
        str,
        FactSpec(
            Band.CONTACT,
            Line(0, 80, takes_fill_ins=True),
            other_text("contact_link_text"),
            slots=(Slot(Place.FOOTER),),
            per_language=True,
            texts=ITSELF,
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
            in_words=lambda kind: Words(f"value.protection.{protection.named(kind)}"),
        ),
    ] = ""
    notices_email: Annotated[
        str,
        FactSpec(Band.CONTACT, addresses.check, lambda facts: _ONE, editor="notices", private=True, missed=True),
    ] = ""
    enquiry_days: Annotated[
        int,
        FactSpec(
            Band.CONTACT,
            rules.OneOfNumbers(ENQUIRY_DAYS),
            lambda facts: next(days for days in ENQUIRY_DAYS if days != facts.enquiry_days),
            editor="days",
            slots=(Slot(Place.CONTACT),),
            in_words=lambda days: Words("value.days", (("days", days),)),
            quiet=True,
        ),
    ] = 180
    contact_parts: Annotated[
        Parts,
        FactSpec(
            Band.CONTACT,
            details.parts,
            lambda facts: Parts(footer=(), page=()) if facts.contact_parts.footer else Parts(footer=details.PARTS),
            editor="parts",
            slots=(Slot(Place.FOOTER), Slot(Place.CONTACT)),
            in_words=lambda parts: Words("value.parts", (("footer", len(parts.footer)), ("page", len(parts.page)))),
            quiet=True,
        ),
    ] = Parts()
