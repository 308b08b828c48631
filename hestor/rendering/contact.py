"""How pages, messages and machines are told the public address."""

from markupsafe import Markup

from hestor.core.contact import protection
from hestor.core.facts.document import Facts


def link(facts: Facts, text: str = "") -> Markup:
    """A link to write to the public address, as the owner wants it protected, which says a ``text`` if one is given.

    Empty where there is none to show.
    """
    # The address was checked, and each form escapes what it is made of.
    return Markup(protection.link(facts.contact_email, protection.named(facts.contact_protection), text))  # noqa: S704


def text(facts: Facts) -> str:
    """The address where only text can stand, such as in a description; left open where not everyone may read it."""
    return facts.contact_email if is_told(facts) else "…" if facts.contact_email else ""


def is_told(facts: Facts) -> bool:
    """Whether machines are told the address: feed, structured data and the card for address books."""
    return bool(facts.contact_email) and protection.is_told_to_machines(protection.named(facts.contact_protection))
