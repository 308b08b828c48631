"""What selectors take, and what elements say, against a parser that builds trees as browsers do."""

import pytest
from hypothesis import example, given
from hypothesis import strategies as st
from selectolax.lexbor import LexborHTMLParser

from hestor.core.reading.page import PageReading
from hestor.core.text.lines import folded
from tests.support.sampling import examples

SELECTORS = (
    "p", "main p", "section > p", "h1 + p", "h1 ~ p", "p, a", "#one", ".two", "p.two", "[title]", "a[href^='/']",
    "a[href='/x']", "section:has(a)", "p:not(.two)", "section :is(a, b)", "p:not(:has(b))", "main section section",
    "li:first-child", "[title=Über]", "a[rel~=next]", "main *",
)  # fmt: skip
WORDS = st.sampled_from(
    ["one ", "two", " &amp; ", "&#228;", "ü", "<b>bold</b> ", "<br>", "<!-- unsaid -->", '<img alt="x">']
)
LINES = st.lists(WORDS, max_size=4).map("".join)
MARKS = st.sampled_from(
    ["", " class=two", ' class="one two"', " id=one", " title=Über", ' title="a > b"', " hidden", " CLASS=two"]
)
LINKS = st.builds(
    "<a href={} rel='{}'>{}</a>".format,
    st.sampled_from(["/x", "/x/y", '"https://a.example/"']),
    st.sampled_from(["", "next up"]),
    LINES,
)
PARAGRAPHS = st.builds("<{0}{1}>{2}{3}</{0}>\n".format, st.sampled_from(["p", "h1", "h2"]), MARKS, LINES, LINKS | LINES)
LISTS = st.lists(st.builds("<li{}>{}".format, MARKS, LINES | LINKS), min_size=1, max_size=3).map(
    lambda items: f"<ul>{''.join(items)}</ul>"
)
SECTIONS = st.recursive(
    st.lists(PARAGRAPHS | LISTS, max_size=3).map("".join),
    lambda inner: st.builds("<section{}>{}</section>".format, MARKS, st.lists(inner, max_size=3).map("".join)),
    max_leaves=4,
)


def both(html: str) -> tuple[PageReading, LexborHTMLParser]:
    return PageReading(html.encode()), LexborHTMLParser(html)


@examples(60)
@given(SECTIONS)
@example("<p class=two>One<br>two<p title=Über>Three <b>four</b>&amp;five")
@example("<section><section><p><a href=/x>x</a></section></section>")
def test_selectors_take_what_a_browsers_tree_has(inner):
    ours, oracle = both(f"<!doctype html><html><head><title>T</title></head><body><main>{inner}</main></body></html>")
    for selector in SELECTORS:
        taken, expected = ours.css(selector), oracle.css(selector)
        assert [node.tag for node in taken] == [node.tag for node in expected], selector
        attributes = [{name: value or "" for name, value in node.attributes.items()} for node in expected]
        assert [dict(node.attributes) for node in taken] == attributes, selector


@examples(60)
@given(SECTIONS)
def test_elements_say_what_a_browsers_tree_says(inner):
    ours, oracle = both(f"<html><body><main>{inner.replace(' hidden', '')}</main></body></html>")
    for node, expected in zip(ours.css("p, h1, h2, li, a, b"), oracle.css("p, h1, h2, li, a, b"), strict=True):
        assert "".join(node.text().split()) == "".join(expected.text(deep=True).split())


@pytest.mark.parametrize(
    "html",
    [
        "<title>T</title><p>One</p><p>Two",
        "<html><head><meta charset=utf-8><title>T</title></head><p>One</p><p>Two",
        "<!doctype html><meta charset=utf-8><title>T</title><link rel=icon href=x><p>One</p><p>Two",
    ],
)
def test_a_body_without_tags_begins_where_the_head_ends(html):
    page = PageReading(html.encode())
    assert [folded(node.text()) for node in page.css("body > p")] == ["One", "Two"]
    assert [folded(node.text()) for node in page.css("body > p + p")] == ["Two"]
    assert [folded(node.text()) for node in page.css("p:first-child")] == ["One"]
    assert page.css("p ~ title") == page.css("title ~ p ~ p ~ p") == []
    assert folded(page.nodes.body.text()) == "One Two"


@pytest.mark.parametrize("selectors", ["p:nonsense(x)", "p >", "", "p::before"])
def test_what_is_no_selector_takes_nothing(selectors):
    assert PageReading(b"<p>One").css(selectors) == []


def test_words_of_what_nobody_sees_are_read_where_they_are_asked_for():
    page = PageReading(b"<p hidden>So <b>it</b> is &amp; was</p><script type=module>let a = 1</script>")
    assert page.css("p")[0].text() == "So it is & was"
    assert page.css("script")[0].text() == "let a = 1"
