"""What is being typed of a number and an address, as pages will show it, with what should be thought of."""

from collections.abc import Sequence
from dataclasses import dataclass
from typing import Any

from hestor.core.contact import phones, postal
from hestor.core.contact.phones import Phone
from hestor.core.contact.postal import PostalAddress
from hestor.core.errors import Problem
from hestor.core.facts import organisation


@dataclass(frozen=True)
class Typed:
    """What was read of both, nothing of what can't be kept; ``country`` is the one whose form is to be filled in.

    ``home`` is the country that the number is read in; both are codes of ISO 3166.
    """

    home: str
    country: str
    phone: Phone | None
    address: PostalAddress | None
    notices: Sequence[Problem]


def _chosen(given: Any, otherwise: str) -> str:
    """The country that is being chosen, before anything else of the address is said."""
    said = given.get("country") if isinstance(given, dict) else None
    return said if isinstance(said, str) and postal.is_country(said) else otherwise


def read(facts: Any, phone: object, address: object) -> Typed:
    """Reads what is typed on a site with these facts."""
    number, wrong = phones.rule("phone", phone)
    kept, problems = postal.rule("postal_address", address)
    place = None if problems else kept
    home = organisation.home_country(facts.model_copy(update={"postal_address": place}) if place else facts)
    typed = "" if wrong else number
    notices = (*phones.notices("phone", typed, home), *postal.notices("postal_address", place))
    return Typed(home, _chosen(address, home), phones.read(typed, home), place, notices)
