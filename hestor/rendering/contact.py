"""How pages, messages and machines are told the public address."""

from dataclasses import dataclass
from typing import TYPE_CHECKING

from markupsafe import Markup

from hestor.core.contact import protection
from hestor.core.facts.document import Facts

if TYPE_CHECKING:
    from hestor.rendering.frame import Frame


@dataclass(frozen=True)
class ContactLine:
    """The words beside the address, and the link to write to it."""

    label: str
    link: Markup


def link(facts: Facts) -> Markup:
    """A link to write to the public address, as the owner wants it protected; empty where there is none to show."""
    # The address was checked, and each form escapes what it is made of.
    return Markup(protection.link(facts.contact_email, protection.named(facts.contact_protection)))  # noqa: S704


def line(frame: "Frame") -> ContactLine | None:
    """The address with the words beside it; None where no address is to be shown."""
    markup = frame.contact_link
    return ContactLine(frame.filled(frame.facts.contact_label), markup) if markup else None


def text(facts: Facts) -> str:
    """The address where only text can stand, such as in a description; left open where not everyone may read it."""
    return facts.contact_email if is_told(facts) else "…" if facts.contact_email else ""


def is_told(facts: Facts) -> bool:
    """Whether machines are told the address: feed, structured data and the card for address books."""
    return bool(facts.contact_email) and protection.is_told_to_machines(protection.named(facts.contact_protection))
