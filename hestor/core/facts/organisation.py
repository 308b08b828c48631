"""The band of the organisation: who stands behind the site, and where it is found."""

from typing import Annotated, Any

from hestor.core import languages, zones
from hestor.core.contact import details, phones, postal
from hestor.core.contact.details import Registration, SocialAddress
from hestor.core.contact.postal import PostalAddress
from hestor.core.facts.spec import Band, FactGroup, FactSpec, Slot, Words
from hestor.core.facts.words import other_text
from hestor.core.places.place import Place
from hestor.core.rules import Line

_ONE = PostalAddress(country="GB", street=("1 Otherwise Lane",), locality="Reach", postcode="GY11 1AA")
_ANOTHER = PostalAddress(country="CH", street=("Andersweg 2",), locality="Reichweiten", postcode="8000")
_REGISTRATION = Registration(label="Otherwise", value="1234")
_SOCIAL = SocialAddress(label="Otherwise", address="https://otherwise.example/")


def home_country(facts: Any) -> str:
    """The country (ISO 3166) that a site is at home in: of its address, else of its clock, else of its language."""
    if facts.postal_address:
        return str(facts.postal_address.country)
    return likely_country(facts.time_zone, facts.language)


def likely_country(time_zone: str, language: str) -> str:
    """The country (ISO 3166) of a clock, and where it is kept in several, of a language; empty where neither tells."""
    kept_in = zones.countries().get(time_zone, ())
    tag = str(languages.locale_of(language).territory or "")
    return tag if tag in kept_in or not kept_in else kept_in[0]


def shown_name(facts: Any) -> str:
    """Who stands behind the site: the legal name, else the site's own."""
    return str(facts.legal_name or facts.name)


def _phone(facts: Any) -> str:
    return phones.shown(facts.phone, home_country(facts)) if facts.phone else ""


def _international(facts: Any) -> str:
    """The number as it is dialled from anywhere, by which others are told apart; as typed, where it can't be read."""
    read = phones.read(facts.phone, home_country(facts)) if facts.phone else None
    return read.international if read else str(facts.phone)


def _address(facts: Any) -> str:
    return ", ".join(postal.written(facts.postal_address)) if facts.postal_address else ""


def _list_words(named: Any) -> Words:
    return Words(text=", ".join(one.label for one in named))


class OrganisationFacts(FactGroup):
    """Legal name, postal address, telephone, registrations, addresses elsewhere on the web."""

    legal_name: Annotated[
        str,
        FactSpec(
            Band.ORGANISATION,
            Line(0, 160),
            other_text("legal_name"),
            slots=(Slot(Place.CONTACT), Slot(Place.STRUCTURED, home=True), Slot(Place.CARD)),
            common=True,
            per_language=True,
            fill_in="legal_name",
        ),
    ] = ""
    postal_address: Annotated[
        PostalAddress | None,
        FactSpec(
            Band.ORGANISATION,
            postal.rule,
            lambda facts: _ONE if facts.postal_address != _ONE else _ANOTHER,
            editor="address",
            slots=(Slot(Place.CONTACT), Slot(Place.CARD)),
            in_words=lambda address: Words(text=", ".join(postal.written(address)) if address else ""),
            shown=_address,
            fill_in="address",
            common=True,
        ),
    ] = None
    phone: Annotated[
        str,
        FactSpec(
            Band.ORGANISATION,
            phones.rule,
            lambda facts: "+44 1632 960123" if facts.phone != "+44 1632 960123" else "+44 1632 960456",
            editor="phone",
            slots=(Slot(Place.CONTACT), Slot(Place.CARD)),
            shown=_phone,
            fill_in="phone",
            common=True,
            held=_international,
            remembered=True,
        ),
    ] = ""
    registrations: Annotated[
        tuple[Registration, ...],
        FactSpec(
            Band.ORGANISATION,
            details.registrations,
            lambda facts: (*facts.registrations[:5], _REGISTRATION),
            editor="registrations",
            slots=(Slot(Place.CONTACT),),
            in_words=_list_words,
            common=True,
            per_language=True,
        ),
    ] = ()
    social: Annotated[
        tuple[SocialAddress, ...],
        FactSpec(
            Band.ORGANISATION,
            details.social,
            lambda facts: (*facts.social[:5], _SOCIAL),
            editor="social",
            slots=(Slot(Place.CONTACT),),
            in_words=_list_words,
            common=True,
            per_language=True,
        ),
    ] = ()
