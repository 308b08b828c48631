"""Who stands behind a site and how it is reached, part by part: in the footer, on the contact page, in an imprint."""

from collections.abc import Callable, Iterable, Iterator, Mapping, Sequence
from dataclasses import dataclass
from typing import Literal

from markupsafe import Markup, escape

from hestor.core import languages
from hestor.core.contact import phones, postal
from hestor.core.contact.phones import Phone
from hestor.core.facts import organisation
from hestor.core.facts.document import Facts
from hestor.rendering import contact, opening
from hestor.rendering.voice import Voice

Way = Literal["email", "phone", "address", "social"]


@dataclass(frozen=True)
class Detail:
    """One part: its lines as HTML, and the words above them."""

    part: str
    label: Markup
    lines: Sequence[Markup]


@dataclass(frozen=True)
class ContactLine:
    """The words beside the address, and the link to write to it."""

    label: str
    link: Markup


def contact_line(voice: Voice) -> ContactLine | None:
    """The address with the words beside it; None where no address is to be shown."""
    markup = voice.contact_link
    return ContactLine(voice.shown(voice.facts.contact_label), markup) if markup else None


def phone_of(facts: Facts) -> Phone | None:
    """The telephone number as it is read in the site's country."""
    return phones.read(facts.phone, organisation.home_country(facts))


def _phone(voice: Voice) -> Iterator[Markup]:
    facts, found = voice.facts, phone_of(voice.facts)
    if facts.phone:
        text = escape(phones.shown(facts.phone, organisation.home_country(facts)))
        # Digits run from left to right in every script.
        yield Markup('<a href="{}" dir="ltr">{}</a>').format(found.uri, text) if found else Markup(text)  # noqa: S704


def _address(voice: Voice) -> Iterator[Markup]:
    if voice.facts.postal_address:
        yield from map(voice.own, postal.written(voice.facts.postal_address))


def _email(voice: Voice) -> Iterator[Markup]:
    if markup := voice.contact_link:
        yield markup


def _registrations(voice: Voice) -> Iterator[Markup]:
    for registration in voice.facts.registrations:
        yield Markup("{}: {}").format(voice.own(registration.label), voice.own(registration.value))


def _social(voice: Voice) -> Iterator[Markup]:
    for one in voice.facts.social:
        yield Markup('<a href="{}" rel="me">{}</a>').format(one.address, voice.own(one.label))


def _legal_name(voice: Voice) -> Iterator[Markup]:
    if voice.facts.legal_name:
        yield voice.own(voice.facts.legal_name)


_LINES: Mapping[str, Callable[[Voice], Iterator[Markup]]] = {
    "legal_name": _legal_name,
    "address": _address,
    "phone": _phone,
    "email": _email,
    "registrations": _registrations,
    "social": _social,
}


def _label(voice: Voice, part: str) -> Markup:
    own = voice.shown(voice.facts.contact_label) if part == "email" else ""
    return voice.own(own) if own else voice.said(f"contact.{part}")


def shown(voice: Voice, parts: Iterable[str]) -> list[Detail]:
    """The parts of ``parts`` of which anything is said, in their order."""
    details = ((part, list(_LINES[part](voice))) for part in parts if part in _LINES)
    return [Detail(part, _label(voice, part), lines) for part, lines in details if lines]


def is_told(facts: Facts, part: str) -> bool:
    """Whether machines are told a part: those that people are shown somewhere."""
    return part in facts.contact_parts.footer or part in facts.contact_parts.page


def ways_told(facts: Facts) -> tuple[Way, ...]:
    """The ways to reach a site that machines are told, for a card."""
    told: dict[Way, bool] = {
        "email": contact.is_told(facts),
        "phone": is_told(facts, "phone") and phone_of(facts) is not None,
        "address": is_told(facts, "address") and facts.postal_address is not None,
        "social": is_told(facts, "social") and bool(facts.social),
    }
    return tuple(way for way, is_one in told.items() if is_one)


def _footer_line(voice: Voice, part: str) -> Markup | None:
    """A part in one line of the footer."""
    if part == "email":
        said = contact_line(voice)
        if said is None:
            return None
        return Markup("{} {}").format(said.label, said.link) if said.label else said.link
    if part == "hours":
        return escape(opening.status_line(voice)) if voice.facts.opening_hours else None
    part_lines = list(_LINES[part](voice))
    between = languages.list_separator(voice.facts.language) if part == "address" else " · "
    return escape(between).join(part_lines) if part_lines else None


def footer_lines(voice: Voice) -> list[Markup]:
    """How the site is reached, as the footer of every page says it."""
    markups = (_footer_line(voice, part) for part in voice.facts.contact_parts.footer)
    return [line for line in markups if line]
