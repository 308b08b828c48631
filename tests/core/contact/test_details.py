"""Registrations, addresses elsewhere on the web, which parts show, and the imprint."""

import pytest
from hypothesis import given
from hypothesis import strategies as st

from hestor.core.contact import details, imprint
from hestor.core.facts import document, organisation
from hestor.core.facts.document import Facts


@pytest.mark.parametrize(
    ("typed", "full"),
    [
        ("noticeboard.example", "https://noticeboard.example/"),
        ("//noticeboard.example/a", "https://noticeboard.example/a"),
        ("http://pictures.example/quillmere?x=1#y", "http://pictures.example/quillmere?x=1#y"),
        ("HTTPS://Pictures.Example/Q", "https://pictures.example/Q"),
        ("bücher.example", "https://xn--bcher-kva.example/"),
        ("пример.рф", "https://xn--e1afmkfd.xn--p1ai/"),
    ],
)
def test_addresses_of_the_web_are_kept_in_full(typed, full):
    value, problems = details.social("social", [{"label": "A", "address": typed}])
    assert (value[0].address, problems) == (full, ())


@pytest.mark.parametrize(
    "typed",
    ["", "javascript:alert(1)", "data:text/html,x", "mailto:a@b.example", "https://user:pw@x.example", "localhost",
     "https://10.0.0.1/", "https://[::1]/", "a b.example", "https://x.example/\n", "ftp://x.example", "x" * 501],
)  # fmt: skip
def test_what_is_no_address_of_the_web_is_refused_at_its_spot(typed):
    value, problems = details.social("social", [{"label": "A", "address": typed}])
    if typed.strip() == "https://x.example/":
        assert (value[0].address, problems) == ("https://x.example/", ())
    else:
        assert [(one.field, one.code) for one in problems] == [("social.0.address", "web_address")]


def test_a_registration_has_a_name_and_a_number():
    assert details.registrations("registrations", [{"label": " Register ", "value": " 12 "}])[0][0].value == "12"
    problems = details.registrations("registrations", [{"label": "", "value": ""}])[1]
    assert [one.field for one in problems] == ["registrations.0.label", "registrations.0.value"]


@pytest.mark.parametrize("given", [None, "x", [1], [{"label": "A"}], [{"label": "A", "value": "1"}] * 13])
def test_what_is_no_list_of_registrations_is_refused(given):
    value, problems = details.registrations("registrations", given)
    assert (value, problems[0].code) == ((), "registrations_unreadable")


def test_parts_are_kept_in_their_order_and_unknown_ones_refused():
    value, problems = details.parts("contact_parts", {"footer": ["phone", "address"], "page": ["form"]})
    assert (value.footer, value.page, problems) == (("address", "phone"), ("form",), ())
    for odd in ({"footer": ["form"]}, {"page": ["x"]}, [], {"moon": []}):
        assert details.parts("contact_parts", odd)[1][0].code == "parts_unreadable"


@given(st.text(max_size=80))
def test_a_web_address_never_leads_out_of_the_web(typed):
    value, problems = details.social("social", [{"label": "A", "address": typed}])
    if not problems:
        assert value[0].address.startswith(("https://", "http://"))
        assert details.social("social", value) == (value, ())
        assert not set(value[0].address) & set(" \n\"<>'")


def test_an_imprint_is_asked_for_by_country_and_lacks_what_is_unsaid():
    swiss = document.changed(Facts(name="W"), {"language": "de-CH", "time_zone": "Europe/Zurich"})
    assert imprint.is_asked_in(organisation.home_country(swiss))
    assert list(imprint.missing(swiss)) == ["legal_name", "postal_address", "contact_email"]
    british = document.changed(swiss, {"postal_address": {"country": "GB", "locality": "Quillmere"}})
    assert not imprint.is_asked_in(organisation.home_country(british))


@pytest.mark.parametrize(
    ("language", "zone", "country"),
    [("en-GB", "Europe/London", "GB"), ("en", "Europe/London", "GB"), ("de", "Europe/Zurich", "CH"),
     ("fr-CA", "America/Toronto", "CA"), ("ar", "Asia/Amman", "JO"), ("en-GB", "UTC", "GB"), ("en", "+05:30", "")],
)  # fmt: skip
def test_a_site_is_at_home_where_its_clock_and_language_are(language, zone, country):
    facts = document.changed(Facts(name="W"), {"language": language, "time_zone": zone})
    assert organisation.home_country(facts) == country
