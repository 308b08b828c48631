"""Who stands behind a site and how it is reached, part by part: in the footer, on the contact page, in an imprint."""

from collections.abc import Callable, Iterable, Iterator, Mapping, Sequence
from dataclasses import dataclass
from typing import TYPE_CHECKING

from markupsafe import Markup, escape

from hestor.core.contact import phones, postal
from hestor.core.contact.phones import Phone
from hestor.core.facts import organisation
from hestor.core.facts.document import Facts
from hestor.rendering import contact, opening

if TYPE_CHECKING:
    from hestor.rendering.frame import Frame


@dataclass(frozen=True)
class Detail:
    """One part: its lines as HTML, and the words above them."""

    part: str
    label: Markup
    lines: Sequence[Markup]


def phone_of(facts: Facts) -> Phone | None:
    """The telephone number as it is read in the site's country."""
    return phones.read(facts.phone, organisation.home_country(facts))


def _phone(frame: "Frame") -> Iterator[Markup]:
    facts, found = frame.facts, phone_of(frame.facts)
    if facts.phone:
        text = escape(phones.shown(facts.phone, organisation.home_country(facts)))
        # Digits run from left to right in every script.
        yield Markup('<a href="{}" dir="ltr">{}</a>').format(found.uri, text) if found else Markup(text)  # noqa: S704


def _address(frame: "Frame") -> Iterator[Markup]:
    if frame.facts.postal_address:
        yield from map(escape, postal.written(frame.facts.postal_address))


def _email(frame: "Frame") -> Iterator[Markup]:
    if markup := frame.contact_link:
        yield markup


def _registrations(frame: "Frame") -> Iterator[Markup]:
    for registration in frame.facts.registrations:
        yield Markup("{}: {}").format(registration.label, registration.value)


def _social(frame: "Frame") -> Iterator[Markup]:
    for one in frame.facts.social:
        yield Markup('<a href="{}" rel="me">{}</a>').format(one.address, one.label)


def _legal_name(frame: "Frame") -> Iterator[Markup]:
    if frame.facts.legal_name:
        yield escape(frame.facts.legal_name)


_LINES: Mapping[str, Callable[["Frame"], Iterator[Markup]]] = {
    "legal_name": _legal_name,
    "address": _address,
    "phone": _phone,
    "email": _email,
    "registrations": _registrations,
    "social": _social,
}


def _label(frame: "Frame", part: str) -> Markup:
    own = frame.filled(frame.facts.contact_label) if part == "email" else ""
    return escape(own) if own else frame.said(f"contact.{part}")


def shown(frame: "Frame", parts: Iterable[str]) -> list[Detail]:
    """The parts of ``parts`` of which anything is said, in their order."""
    details = ((part, list(_LINES[part](frame))) for part in parts if part in _LINES)
    return [Detail(part, _label(frame, part), lines) for part, lines in details if lines]


def is_told(facts: Facts, part: str) -> bool:
    """Whether machines are told a part: those that people are shown somewhere."""
    return part in facts.contact_parts.footer or part in facts.contact_parts.page


def _footer_line(frame: "Frame", part: str) -> Markup | None:
    """A part in one line of the footer."""
    if part == "email":
        said = contact.line(frame)
        if said is None:
            return None
        return Markup("{} {}").format(said.label, said.link) if said.label else said.link
    if part == "hours":
        return escape(opening.status_line(frame)) if frame.facts.opening_hours else None
    footer_line = list(_LINES[part](frame))
    return Markup(_BETWEEN.get(part, " · ")).join(footer_line) if footer_line else None  # noqa: S704


_BETWEEN = {"address": ", "}


def footer_lines(frame: "Frame") -> list[Markup]:
    """How the site is reached, as the footer of every page says it."""
    markups = (_footer_line(frame, part) for part in frame.facts.contact_parts.footer)
    return [line for line in markups if line]
