"""Telephone numbers: read where they are, shown as their country writes them, asked about and never refused."""

import phonenumbers
import pytest
from hypothesis import given
from hypothesis import strategies as st

from hestor.core.contact import phones


@pytest.mark.parametrize(
    ("typed", "country", "shown", "uri"),
    [
        ("01174960214", "GB", "0117 496 0214", "tel:+44-117-496-0214"),
        ("+44 117 496 0214", "GB", "0117 496 0214", "tel:+44-117-496-0214"),
        ("+44 117 496 0214", "CH", "+44 117 496 0214", "tel:+44-117-496-0214"),
        ("044 668 18 00", "CH", "044 668 18 00", "tel:+41-44-668-18-00"),
        ("٠٦ ٥٦٠ ٠٠٠٠", "JO", "(06) 560 0000", "tel:+962-6-560-0000"),
        ("(212) 555-0142 ext. 7", "US", "(212) 555-0142 ext. 7", "tel:+1-212-555-0142;ext=7"),
    ],
)
def test_a_number_in_its_countrys_form(typed, country, shown, uri):
    kept, problems = phones.rule("phone", typed)
    assert problems == ()
    assert phones.shown(kept, country) == shown
    assert phones.read(kept, country).uri == uri


@pytest.mark.parametrize(
    ("typed", "code"),
    [
        ("call us", "phone_letter"),
        ("12", "phone_short"),
        ("0" * 41, "too_long"),
        (5, "not_text"),
        ("1\n2345", "line_break"),
    ],
)
def test_what_is_no_number_is_refused_at_its_spot(typed, code):
    assert phones.rule("phone", typed)[1][0].code == code


@pytest.mark.parametrize(
    ("typed", "country", "code"),
    [
        ("0117", "GB", "phone_too_short"),
        ("+44 1632 960123", "GB", "phone_unlikely"),
        ("0117 496 0214", "", "phone_without_country"),
        ("0117 496 0214", "GB", None),
        ("", "GB", None),
    ],
)
def test_what_fits_no_countrys_plan_is_asked_about(typed, country, code):
    assert phones.rule("phone", typed)[1] == ()
    assert [one.code for one in phones.notices("phone", typed, country)] == ([code] if code else [])


@given(st.text(alphabet="0123456789 +()-/.ext", max_size=40), st.sampled_from(["GB", "DE", "JO", "US", "XX", ""]))
def test_whatever_is_kept_can_be_shown_and_stays_the_number_it_is(typed, country):
    kept, problems = phones.rule("phone", typed)
    assert phones.rule("phone", kept) == (kept, problems)
    if problems:
        return
    found = phones.read(kept, country)
    shown = phones.shown(kept, country)
    assert bool(shown) == bool(kept)
    # The library that read it once reads the same in the form that is shown.
    if found and not found.uri.partition(";")[2] and phonenumbers.is_valid_number(phonenumbers.parse(found.uri)):
        assert phones.read(shown, country).e164 == found.e164
    list(phones.notices("phone", kept, country))


def test_an_example_is_a_number_of_its_country():
    assert phones.notices("phone", phones.example("CH"), "CH")
    assert list(phones.notices("phone", phones.example("CH"), "CH")) == []
    assert phones.example("") == ""
