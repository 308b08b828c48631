"""The public address in pages, messages, feed, structured data and the card for address books."""

import json
from datetime import UTC, datetime

import pytest
import vobject

from hestor.core.facts import document
from hestor.core.facts.document import Facts
from hestor.core.messages.kinds import KINDS
from hestor.core.reading.page import PageReading
from hestor.rendering import Renderer
from tests.support.memory import MemoryState, page

NOW = datetime(2026, 5, 1, tzinfo=UTC)
ADDRESS = "hello@quillmere-seeds.example"
SAID = {"contact_email": ADDRESS, "contact_label": "Write to {site}:"}


def rendered(**facts) -> Renderer:
    pages = [
        page("/", "Welcome", "Hello."),
        page("/contact/", "Contact", "Write to {contact}; we answer. {name}: {email}, {phone}."),
        page("/news/", "News", "", "news"),
        page("/news/first/", "First", "Text.", "post", published=NOW.date()),
    ]
    said = document.changed(Facts(name="Seeds", description="A; library, of seed"), {**SAID, **facts})
    return Renderer(MemoryState(said, pages), NOW)


def message(renderer: Renderer) -> PageReading:
    return PageReading(renderer.message(KINDS["replaced"], {"address": "a@b.example", "moment": "now"}).html)


def everything(renderer: Renderer) -> str:
    paths = [*renderer.paths(), "/feed.xml", "/contact.vcf", "/nowhere/", "/site.webmanifest"]
    return "".join(renderer.respond(path).body.decode() for path in paths)


@pytest.mark.parametrize("kind", ["plain", "woven"])
def test_every_page_says_it_with_the_words_beside_it(kind):
    renderer = rendered(contact_protection=kind)
    for path in renderer.paths():
        assert renderer.read(path).contact == (f"Write to Seeds: {ADDRESS}",), path
    links = PageReading(renderer.respond("/contact/").body).css(".prose a")
    assert [link.attributes["href"].startswith("mailto:") for link in links] == [True, True]


def test_machines_are_told_where_it_is_plain():
    renderer = rendered()
    assert f"<email>{ADDRESS}</email>" in renderer.respond("/feed.xml").body.decode()
    record = json.loads(PageReading(renderer.respond("/").body).structured_text)
    assert record["publisher"]["email"] == ADDRESS
    assert b'type="text/vcard"' in renderer.respond("/").body


@pytest.mark.parametrize("kind", ["woven", "hidden"])
def test_nothing_that_the_site_serves_holds_a_protected_address_as_text(kind):
    renderer = rendered(contact_protection=kind)
    assert ADDRESS not in everything(renderer)
    assert renderer.respond("/contact.vcf").status == 404


def test_a_message_says_how_to_write_back():
    assert message(rendered(contact_protection="woven")).contact[0].endswith(ADDRESS)
    assert message(rendered(contact_protection="hidden")).contact == ()


def test_the_card_is_read_by_another_library():
    answer = rendered(contact_label="", description="Größe, Öl; " * 20).respond("/contact.vcf")
    assert (answer.status, answer.media_type) == (200, "text/vcard; charset=utf-8")
    assert all(len(line) <= 75 for line in answer.body.split(b"\r\n"))
    # The library knows version 3, in which these lines are written the same way.
    card = vobject.readOne(answer.body.decode().replace("VERSION:4.0", "VERSION:3.0"))
    assert (card.fn.value, card.email.value, card.note.value) == ("Seeds", ADDRESS, ("Größe, Öl; " * 20).strip())


def test_without_an_address_nothing_is_said():
    renderer = rendered(contact_email="")
    assert renderer.respond("/contact.vcf").status == 404
    assert all(renderer.read(path).contact == () for path in renderer.paths())
