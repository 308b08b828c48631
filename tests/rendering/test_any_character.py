"""Whatever code point Unicode has, in whatever text: pages, feed, sitemap, manifest and message come out whole."""

import json
from datetime import UTC, date, datetime

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st
from lxml import etree

from hestor.core.facts.document import Facts
from hestor.core.messages.kinds import KINDS
from hestor.core.reading.files import read_feed, read_manifest
from hestor.core.reading.page import PageReading
from hestor.core.text import lines, markdown
from hestor.rendering import Renderer
from tests.support.memory import MemoryState, page

NOW = datetime(2026, 5, 1, tzinfo=UTC)
PATHS = ("/", "/news/", "/news/a/", "/feed.xml", "/sitemap.xml", "/site.webmanifest", "/nowhere/")
# Every code point, lone surrogates, controls and noncharacters among them.
ANY = st.text(st.characters(codec=None), min_size=1, max_size=6) | st.integers(0, 0x10FFFF).map(chr)


def whole(text: str) -> None:
    """Renders a site that says ``text`` everywhere, and reads all of it back."""
    facts = Facts(name=f"A{text}", tagline=text, description=text, footer_text=f"{text} {{year}}", language="en-GB")
    post = page("/news/a/", f"T{text}", f"{text}\n\n&#11; &#xFFFE; {text}", "post", published=date(2026, 1, 1))
    pages = [page("/", f"H{text}", text, summary=text), page("/news/", "News", "", "news"), post]
    renderer = Renderer(MemoryState(facts, pages), NOW)
    made = {path: renderer.respond(path).body for path in PATHS}
    assert PageReading(made["/"]).title
    assert len(read_feed(made["/feed.xml"]).entries) == 1
    etree.fromstring(made["/sitemap.xml"])
    assert read_manifest(made["/site.webmanifest"]).name.startswith("A")
    json.loads(made["/site.webmanifest"])
    renderer.message(KINDS["enquiry"], dict.fromkeys(KINDS["enquiry"].names, text)).html.decode()


@given(ANY)
@settings(max_examples=60)
def test_what_slipped_through_is_left_out_by_every_writer(text):
    whole(text)


@pytest.mark.parametrize("code", [0, 0xB, 0xC, 0x1F, 0x7F, 0x85, 0xD800, 0xDFFF, 0xFDD0, 0xFFFE, 0xFFFF, 0x10FFFF])
def test_the_characters_that_no_format_carries(code):
    whole(f"a{chr(code)}b")
    compiled = markdown.compile_text(f"a{chr(code)}b &#{code};")
    assert not lines.refusal(chr(code)) or chr(code) not in compiled.html + compiled.excerpt
