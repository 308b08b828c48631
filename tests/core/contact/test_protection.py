"""Three kinds of harvester on each way to write an address: over the source, over the decoded text, over the links."""

import re
from html import unescape
from urllib.parse import unquote

import pytest
from hypothesis import given
from hypothesis import strategies as st
from selectolax.lexbor import LexborHTMLParser

from hestor.core.contact import protection
from hestor.core.reading.page import PageReading

ADDRESS = "hello@quillmere-seeds.example"
LIKE_ONE = re.compile(r"[\w.+-]+@[\w-]+(?:\.[\w-]+)+")


def over_the_source(html: str) -> set[str]:
    return set(LIKE_ONE.findall(html))


def over_the_text(html: str) -> set[str]:
    """References decoded, tags taken out."""
    return set(LIKE_ONE.findall(unescape(re.sub(r"<[^>]*>", "", html))))


def over_the_links(html: str) -> set[str]:
    links = [node.attributes.get("href") or "" for node in LexborHTMLParser(html).css("a[href]")]
    return {unquote(link.removeprefix("mailto:")) for link in links if link.startswith("mailto:")}


@pytest.mark.parametrize(
    ("kind", "source", "text", "links"),
    [("plain", True, True, True), ("woven", False, False, True), ("hidden", False, False, False)],
)
def test_each_way_stops_what_the_desk_says_it_stops(kind, source, text, links):
    html = f"<p>Write to us: {protection.link(ADDRESS, kind)}</p>"
    found = [ADDRESS in harvest(html) for harvest in (over_the_source, over_the_text, over_the_links)]
    assert found == [source, text, links]


@given(st.from_regex(r"[a-z0-9.!#$&'*+/=?^`{|}~-]{1,30}@[a-zé-]{1,20}\.[a-z]{2,6}", fullmatch=True))
def test_people_read_any_woven_address_whole(address):
    html = f'<footer><p class="contact">{protection.link(address, "woven")}</p></footer>'
    assert PageReading(html.encode()).contact == (address,)
    assert over_the_links(html) == {address}
    assert address not in over_the_text(html)


def test_a_kind_that_there_no_longer_is_shows_nothing():
    assert protection.link(ADDRESS, protection.named("rot13")) == ""
