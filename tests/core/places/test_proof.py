from datetime import date

import pytest

from hestor.core.facts import document
from hestor.core.facts.document import Facts
from hestor.core.places import proof
from hestor.core.reading.files import read_feed, read_manifest
from hestor.core.reading.page import PageReading


def spots(fact: str, words: str, text: str) -> list[str]:
    line = proof.line("title", text, {fact: words})
    return [text[m.start : m.end] for m in line.highlights]


@pytest.mark.parametrize(
    ("words", "text", "count"),
    [
        ("Seed Library", "Swap – Seed Library", 1),
        ("a", "Swap days – a", 1),
        ("Seed", "Seedling – Seed", 1),
        ("種子", "種子 – 種子図書館", 1),
        ("A (B)", "x – A (B)", 1),
        ("{site}", "{site} – {site}", 2),
        ("Seed", "Home", 0),
    ],
)
def test_a_fact_is_marked_where_it_stands_by_itself(words, text, count):
    assert spots("name", words, text) == [words] * count


def test_only_facts_that_a_place_can_carry_are_marked():
    line = proof.line("name", "Borrow", {"name": "Seeds", "tagline": "Borrow"}, ("name",))
    assert line.highlights == ()


def test_the_words_that_are_sought():
    facts = Facts(name="Seeds", footer_text="© {year}  {site}, {days:2026-05-03}")
    assert document.sought(facts, date(2026, 5, 1)) == {
        "name": "Seeds",
        "short_name": "Seeds",
        "footer_text": "© 2026 Seeds, 2 days",
    }


def test_reading_back_a_page_takes_what_it_says_and_nothing_else():
    page = PageReading(
        b"<!doctype html><html lang=de dir=ltr><title> A\n &amp; B </title><meta name=description content='D \"x\"'>"
        b"<header><span>A <b>&amp;</b> B</span></header><footer><p>F</p></footer>"
    )
    assert (page.title, page.description, page.site_name, page.tagline) == ("A & B", 'D "x"', "A & B", "")
    assert (page.language, page.direction, page.footer, page.menu, page.structured) == ("de", "ltr", "F", (), {})


@pytest.mark.parametrize("body", [b"", b"<rss/>", b"<feed", b'<!DOCTYPE x [<!ENTITY e "y">]><a>&e;</a>'])
def test_what_is_no_feed_is_refused(body):
    with pytest.raises(ValueError, match="not an"):
        read_feed(body)


def test_what_is_no_manifest_is_refused():
    with pytest.raises(ValueError, match="manifest"):
        read_manifest(b"[]")
