"""Who is behind a site, part by part: footer, contact page, imprint, structured data, card."""

import json
from datetime import UTC, datetime

import pytest
import vobject

from hestor.core.facts import document
from hestor.core.facts.document import Facts
from hestor.core.places.card import properties
from hestor.core.reading.page import PageReading
from hestor.rendering import Renderer
from tests.support.memory import MemoryState, page

NOW = datetime(2026, 5, 1, 12, tzinfo=UTC)
SAID = {
    "contact_email": "hello@seeds.example",
    "legal_name": "Seeds & Co",
    "phone": "0117 496 0214",
    "postal_address": {"country": "GB", "street": ["The Green"], "locality": "Quillmere", "postcode": "GL99 9ZZ"},
    "registrations": [{"label": "Register", "value": "QS-214"}],
    "social": [{"label": "Photographs; of \"ours\"", "address": "https://pictures.example/q?a=1&b=2"}],
    "language": "en-GB",
    "time_zone": "Europe/London",
}  # fmt: skip
ALL = ["legal_name", "address", "phone", "email", "hours", "registrations", "social"]


def rendered(**facts) -> Renderer:
    pages = [
        page("/", "Welcome", "Hello."),
        page("/contact/", "Contact", "Come by.", "contact"),
        page("/imprint/", "Imprint", "", "imprint"),
    ]
    return Renderer(MemoryState(document.changed(Facts(name="Seeds"), {**SAID, **facts}), pages), NOW)


def reading(renderer: Renderer, path: str) -> PageReading:
    found = renderer.read(path)
    assert found
    return found


def test_the_contact_page_says_all_parts_and_links_what_can_be_followed():
    read = reading(rendered(), "/contact/")
    assert read.details == (
        "Name Seeds & Co",
        "Address The Green, QUILLMERE, GL99 9ZZ",
        "Telephone 0117 496 0214",
        "Email hello@seeds.example",
        "Registered Register: QS-214",
        'Elsewhere on the web Photographs; of "ours"',
    )
    assert read.addresses(".ways a") == (
        "tel:+44-117-496-0214",
        "mailto:hello@seeds.example",
        "https://pictures.example/q?a=1&b=2",
    )
    assert read.text == "Contact Come by."


def test_the_footer_says_what_was_chosen_and_only_what_there_is():
    assert reading(rendered(), "/").contact == ("hello@seeds.example",)
    full = rendered(contact_parts={"footer": ALL, "page": []})
    assert reading(full, "/").contact == (
        "Seeds & Co",
        "The Green, QUILLMERE, GL99 9ZZ",
        "0117 496 0214",
        "hello@seeds.example",
        "Register: QS-214",
        'Photographs; of "ours"',
    )
    assert reading(full, "/contact/").details == ()
    bare = Facts(name="Seeds")
    made = Renderer(MemoryState(document.changed(bare, {"contact_parts": {"footer": ALL}}), [page("/", "W")]), NOW)
    assert reading(made, "/").contact == ()


def test_an_imprint_says_everything_whatever_is_left_out_elsewhere():
    read = reading(rendered(contact_parts={"footer": [], "page": []}), "/imprint/")
    assert len(read.details) == 6
    assert not read.writes("form")


def record(renderer: Renderer, path: str = "/") -> dict:
    found = json.loads(reading(renderer, path).structured_text)
    return found.get("publisher") or found["mainEntity"]


@pytest.mark.parametrize("path", ["/", "/contact/"])
def test_machines_are_told_the_same(path):
    told = record(rendered(), path)
    assert told["legalName"] == "Seeds & Co"
    assert told["telephone"] == "+441174960214"
    assert told["address"] == {
        "@type": "PostalAddress", "streetAddress": "The Green", "addressLocality": "Quillmere",
        "postalCode": "GL99 9ZZ", "addressCountry": "GB",
    }  # fmt: skip
    assert told["sameAs"] == ["https://pictures.example/q?a=1&b=2"]
    assert told["identifier"] == [{"@type": "PropertyValue", "name": "Register", "value": "QS-214"}]


def test_machines_are_told_nothing_that_people_are_not():
    told = record(rendered(contact_parts={"footer": ["email"], "page": ["legal_name"]}))
    assert set(told) & {"telephone", "address", "sameAs", "identifier"} == set()
    card = rendered(contact_parts={"footer": [], "page": []}, contact_email="").respond("/contact.vcf")
    assert card.status == 404


def test_the_card_holds_all_ways_and_another_library_reads_them():
    body = rendered().respond("/contact.vcf").body
    assert all(len(line) <= 75 for line in body.split(b"\r\n"))
    found = {name: (parameters, value) for name, parameters, value in properties(body)}
    assert found["ORG"][1] == "Seeds & Co"
    assert found["TEL"] == ("VALUE=uri;TYPE=voice", "tel:+44-117-496-0214")
    assert found["ADR"][0] == 'LABEL="The Green^nQUILLMERE^nGL99 9ZZ^nUnited Kingdom"'
    assert found["SOCIALPROFILE"] == ("SERVICE-TYPE=\"Photographs; of ^'ours^'\"", "https://pictures.example/q?a=1&b=2")
    # The library knows version 3, in which most lines are written the same way.
    card = vobject.readOne(body.decode().replace("VERSION:4.0", "VERSION:3.0"))
    assert (card.adr.value.street, card.adr.value.city, card.adr.value.code) == ("The Green", "Quillmere", "GL99 9ZZ")
    assert card.email.value == "hello@seeds.example"


@pytest.mark.parametrize("protection", ["woven", "hidden"])
def test_a_protected_address_is_in_no_card_and_record_but_the_rest_is(protection):
    renderer = rendered(contact_protection=protection)
    assert b"hello@seeds" not in renderer.respond("/contact.vcf").body
    assert renderer.respond("/contact.vcf").status == 200
    assert "email" not in record(renderer)
    details = reading(renderer, "/contact/").details
    assert ("Email hello@seeds.example" in details) == (protection == "woven")


HOSTILE = '"><script>alert(1)</script>'


def test_words_are_text_wherever_they_land():
    odd = {
        "legal_name": HOSTILE,
        "postal_address": {"country": "GB", "street": [HOSTILE], "locality": HOSTILE},
        "registrations": [{"label": HOSTILE, "value": HOSTILE}],
        "social": [{"label": HOSTILE, "address": "https://x.example/"}],
        "contact_parts": {"footer": ALL, "page": [*ALL, "form", "card"]},
    }
    for path in ("/", "/contact/", "/imprint/"):
        body = rendered(**odd).respond(path).body.decode()
        assert "<script>alert" not in body


def test_digits_of_a_number_run_from_left_to_right_in_arabic_too():
    body = rendered(language="ar", time_zone="Asia/Amman", phone="+962 6 560 0000").respond("/contact/").body.decode()
    assert '<a href="tel:+962-6-560-0000" dir="ltr">' in body
