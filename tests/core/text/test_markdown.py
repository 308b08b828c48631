import pytest
from hypothesis import given
from hypothesis import strategies as st
from lxml import etree, html

from hestor.core.text import markdown
from hestor.core.text.fillins import Values

VALUES = Values(site="<b>A & B</b> {year}", tagline="", year=2026)
SAFE = {"p", "a", "em", "strong", "h2", "h3", "h4", "h5", "h6", "ul", "ol", "li", "code", "pre", "blockquote", "hr"}
SAFE |= {"br", "img", "table", "thead", "tbody", "tr", "th", "td", "s", "del", "div", "body", "html", "span"}


def filled(source: str, root: str = "") -> str:
    return markdown.filled_html(markdown.compile_text(source).html, VALUES, root)


def test_a_fill_in_becomes_text_never_markup():
    assert filled("Welcome to {site}") == "<p>Welcome to &lt;b&gt;A &amp; B&lt;/b&gt; {year}</p>\n"


def test_fill_ins_keep_out_of_code():
    assert filled("`{site}`") == "<p><code>{site}</code></p>\n"
    assert "{site}" in filled("    {site}")


def test_a_literal_brace():
    assert filled("write '{'site'}'") == "<p>write {site}</p>\n"


@pytest.mark.parametrize(
    "source",
    [
        "<script>alert(1)</script>",
        "<img src=x onerror=alert(1)>",
        "[a](javascript:alert(1))",
        "[a](JaVaScRiPt:alert(1))",
        "![a](data:text/html,x)",
        '[a](/b "x\\" onclick=\\"y")',
        "<svg/onload=alert(1)>",
        "&lt;script&gt;",
    ],
)
def test_nothing_active_comes_through(source):
    tree = html.fromstring(f"<div>{filled(source)}</div>")
    for element in tree.iter():
        assert element.tag in SAFE
        assert not any(name.startswith("on") for name in element.attrib)
        assert not element.get("href", "").lower().startswith(("javascript", "data"))


@given(st.text(alphabet="<>&\"'[]()!*_`{}|-# \n/:=javscriptonldg.\ufdd0\ufdd1\ufdd2", max_size=60))
def test_no_source_breaks_out(source):
    made = filled(source)
    assert not set("\ufdd0\ufdd1\ufdd2") & set(made)
    for element in html.fromstring(f"<div>{made}</div>").iter():
        assert element.tag in SAFE
        assert set(element.attrib) <= {"href", "title", "src", "alt", "start", "class", "rel"}


def test_a_text_with_first_level_headings_moves_down():
    assert "<h2>A</h2>" in filled("# A\n\n## B")
    assert "<h3>B</h3>" in filled("# A\n\n## B")
    assert "<h2>B</h2>" in filled("## B")


@pytest.mark.parametrize("levels", [(3,), (3, 5), (6, 1, 4), (2, 2, 4, 3), (1, 6, 6, 2), (4, 3, 2, 1)])
def test_no_heading_skips_a_level_and_the_order_of_levels_is_kept(levels):
    made = html.fromstring("<div>" + filled("\n\n".join(f"{'#' * level} H" for level in levels)) + "</div>")
    found = [int(element.tag[1]) for element in made.iter() if element.tag.startswith("h")]
    assert found[0] == 2
    for before, after, level_before, level in zip(found, found[1:], levels, levels[1:], strict=False):
        assert after <= before + 1
        assert (after > before) == (level > level_before)


def test_addresses_at_the_root_follow_a_look():
    assert 'href="/_look/x/b/"' in filled("[a](/b/)", "/_look/x")
    assert 'href="https://x.example/b/"' in filled("[a](https://x.example/b/)", "/_look/x")
    assert 'href="//x.example/"' in filled("[a](//x.example/)", "/_look/x")


def test_the_excerpt_is_the_first_paragraph_without_markup():
    made = markdown.compile_text("## Heading\n\nSome *fine*\nwords on {site}.\n\nMore.")
    assert markdown.filled_plain(made.excerpt, VALUES) == "Some fine words on <b>A & B</b> {year}."
    assert made.fills == {"site"}


def test_a_long_excerpt_splits_no_fill_in():
    made = markdown.compile_text("x " * 95 + "{site} " * 40)
    assert markdown.filled_plain(made.excerpt, VALUES).endswith("…")
    assert made.excerpt.count("\ufdd0") == made.excerpt.count("\ufdd1")


def test_problems_point_into_the_source():
    source = "First.\n\nThen *this* {sitee} and {open"
    found = markdown.problems("body", source)
    assert [(p.code, source[p.start : p.end]) for p in found] == [
        ("fillin_unknown", "{sitee}"),
        ("fillin_unclosed", "{open"),
    ]
    assert markdown.problems("body", "`{code}` is fine") == []


def test_the_same_slip_twice_is_pointed_at_twice():
    found = markdown.problems("body", "{aa}, *x* {aa}\n\nand {aa}")
    assert [(p.start, p.end) for p in found] == [(0, 4), (10, 14), (20, 24)]


def test_a_long_excerpt_splits_no_letter():
    family = "👩‍👩‍👧‍👦"
    made = markdown.compile_text(family * 60)
    assert set(made.excerpt.removesuffix("…").split(family)) == {""}


@pytest.mark.parametrize("source", ["a\x0bb", "a&#11;b", "a&#x1;b", "a\ud800b", "`a\x00b`", "a&#xFFFF;b"])
def test_what_no_feed_can_carry_is_left_out(source):
    compiled = markdown.compile_text(source)
    for text in (compiled.html, compiled.excerpt):
        etree.Element("x").text = text
        text.encode()


@pytest.mark.parametrize(
    ("source", "address"),
    [
        ("See https://a.example/x?y=1.", "https://a.example/x?y=1"),
        ("See www.quillmere.example/seed, or not", "https://www.quillmere.example/seed"),
        ("(hello@quillmere.example)", "mailto:hello@quillmere.example"),
        ("http://a.example/_x_/y", "http://a.example/_x_/y"),
        ("Don’t be done.so", None),
        ("readme.md //x.example ftp://x.example", None),
        ("`www.a.example`", None),
        ("[named](/b/) ", "/b/"),
    ],
)
def test_addresses_in_a_text_become_links(source, address):
    links = html.fromstring(f"<div>{filled(source)}</div>").findall(".//a")
    assert [link.get("href") for link in links] == ([address] if address else [])


def test_a_table_scrolls_in_itself_and_keeps_its_columns_sides():
    made = html.fromstring(filled("|a|b|c|d|\n|-|:-|:-:|-:|\n|1|2|3|4|"))
    assert (made.tag, made.get("class"), made[0].tag) == ("div", "scroll", "table")
    assert [cell.get("class") for cell in made.iter("td")] == [None, "left", "center", "right"]


def test_an_excerpt_ends_at_a_word_within_what_a_search_result_shows():
    excerpt = markdown.compile_text("Quillmere lends seeds to gardeners. " * 20).excerpt
    assert 120 < len(excerpt) <= 155
    assert excerpt.endswith(("lends…", "seeds…", "to…", "gardeners…", "Quillmere…"))


def test_pictures_from_elsewhere_are_said_with_their_place():
    source = "![a](https://x.example/a.png) ![b](/_hestor/pic-0) ![c](near.png)\n\n![d](//y.example/d.png)"
    found = markdown.outside_pictures("body", source)
    assert [source[one.start : one.end] for one in found] == ["https://x.example/a.png", "//y.example/d.png"]
    assert {one.code for one in found} == {"picture_outside"}
