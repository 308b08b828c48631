"""Telephone numbers (ITU-T E.164): read as they are typed, shown as their country writes them (phonenumbers).

A number that fits no country's plan is asked about, never refused: plans change, and a number may be the owner's joke.
"""

from collections.abc import Iterator
from dataclasses import dataclass
from functools import lru_cache

import phonenumbers
import regex
from phonenumbers import PhoneNumber, PhoneNumberFormat, ValidationResult

from hestor.core.errors import Problem
from hestor.core.rules import Checked, Line

_LINE = Line(0, 40)
# Digits of any script, what is written between them, and the words for an extension.
_TYPED = regex.compile(r"[\p{Nd}\s+()./\-–‐‑ext#*;,:=]*", regex.IGNORECASE)
_FEWEST = 3
# A number without its area's code, too: nobody from elsewhere could call it.
_TOO_SHORT = (ValidationResult.TOO_SHORT, ValidationResult.IS_POSSIBLE_LOCAL_ONLY)


@dataclass(frozen=True)
class Phone:
    """A number: as its country writes it, as one dials it from abroad, and for machines (RFC 3966)."""

    national: str
    international: str
    uri: str
    country: str

    def shown_in(self, country: str) -> str:
        """As pages of a country show it: in national form at home, else as one dials it from abroad."""
        return self.national if self.country == country else self.international

    @property
    def e164(self) -> str:
        """The number for machines without its scheme and extension."""
        return self.uri.removeprefix("tel:").partition(";")[0].replace("-", "")


@lru_cache(maxsize=1000)
def _parsed(typed: str, country: str) -> PhoneNumber | None:
    try:
        return phonenumbers.parse(typed, country or None)
    except phonenumbers.NumberParseException:
        return None


def read(typed: str, country: str) -> Phone | None:
    """A number as typed, in a country (ISO 3166) where it doesn't name one itself; None where it is no number there."""
    number = _parsed(typed, country) if typed else None
    if number is None or not phonenumbers.is_possible_number(number):
        return None
    national, international, uri = (
        phonenumbers.format_number(number, form)
        for form in (PhoneNumberFormat.NATIONAL, PhoneNumberFormat.INTERNATIONAL, PhoneNumberFormat.RFC3966)
    )
    return Phone(national, international, uri, phonenumbers.region_code_for_number(number) or country)


def shown(typed: str, country: str) -> str:
    """A number as pages show it: in national form at home, else as one dials it from abroad; as typed, if unread."""
    found = read(typed, country)
    return found.shown_in(country) if found else typed


def rule(key: str, given: object) -> Checked[str]:
    """A number as it is kept: a short line with digits in it."""
    text, problems = _LINE(key, given)
    if problems or not text:
        return text, problems
    odd = next((at for at, letter in enumerate(text) if not _TYPED.fullmatch(letter)), None)
    if odd is not None:
        return text, (Problem(key, "phone_letter", {"letter": text[odd], "position": odd + 1}, odd, odd + 1, ""),)
    if sum(letter.isdigit() for letter in text) < _FEWEST:
        return text, (Problem(key, "phone_short"),)
    return text, ()


def notices(key: str, typed: str, country: str) -> Iterator[Problem]:
    """What should be thought of with a number that was taken."""
    number = _parsed(typed, country) if typed else None
    if typed and number is None:
        yield Problem(key, "phone_unread" if country else "phone_without_country")
    elif number and not phonenumbers.is_valid_number(number):
        is_short = phonenumbers.is_possible_number_with_reason(number) in _TOO_SHORT
        yield Problem(key, "phone_too_short" if is_short else "phone_unlikely")


def example(country: str) -> str:
    """A number as they are in a country, in national form; empty where none is known."""
    found = phonenumbers.example_number(country) if country in phonenumbers.SUPPORTED_REGIONS else None
    return phonenumbers.format_number(found, PhoneNumberFormat.NATIONAL) if found else ""
