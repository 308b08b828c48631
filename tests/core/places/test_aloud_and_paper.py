"""The top of a page as it is read aloud, and what is left of a page on paper: of pages made by anybody."""

import pytest

from hestor.core.places import aloud, paper
from hestor.core.reading.page import PageReading
from hestor.core.reading.stylesheet import read_style

TOP = """<!DOCTYPE html><html lang="en-GB"><title>Walks – The Club</title><body>
<p hidden>Not read</p><div aria-hidden="true">Nor this</div><script>no()</script>
<header><a href="/"><img src="l.png" alt="The Club"> Walkers of the valley</a><img src="deco.png" alt="">
<nav aria-label="Main"><ul><li><a href="/">Home</a></li><li><a href="/w/" aria-current="page">Walks</a></li></ul></nav>
<button aria-label="Search"><svg><title>x</title></svg></button></header>
<main><article><header><p>Posted</p></header><h1>Long <em>walks</em></h1><p>After the heading.</p></article></main>"""


def stops(html: str) -> list[tuple[str, str]]:
    return [tuple(one) for one in PageReading(html.encode()).aloud]


def test_roles_and_names_come_in_reading_order_down_to_the_first_heading():
    assert stops(TOP) == [
        ("banner", ""),
        ("link", "The Club Walkers of the valley"),
        ("navigation", "Main"),
        ("list", "2"),
        ("link", "Home"),
        ("current", "Walks"),
        ("button", "Search"),
        ("main", ""),
        # A header within an article is no banner.
        ("text", "Posted"),
        ("heading1", "Long walks"),
    ]


@pytest.mark.parametrize(
    ("html", "said"),
    [
        ('<a href="/"><img src="l.png"></a>', [("link", "")]),
        ('<img src="l.png">', [("image", "")]),
        ("<a>no link</a>", [("text", "no link")]),
        ('<details><summary>More</summary><a href="/x">X</a></details>', [("button", "More")]),
        ('<details open><summary>More</summary><a href="/x">X</a></details>', [("button", "More"), ("link", "X")]),
        ('<i id=a hidden>Main</i><i id=b hidden>menu</i><nav aria-labelledby="a b">', [("navigation", "Main menu")]),
        ("<h2>Two</h2><p>x", [("heading2", "Two")]),
        ("", []),
    ],
)  # fmt: skip
def test_what_is_amiss_shows(html, said):
    assert stops(html) == said


def test_a_page_without_an_end_of_links_is_read_only_so_far():
    assert len(stops('<a href="/">Again</a>' * 500)) == 60


def test_the_proof_begins_with_title_and_voice_and_finds_facts():
    proof = aloud.proof("/w/", PageReading(TOP.encode()), {"name": "The Club"})
    assert [(one.role, one.text) for one in proof.lines[:2]] == [
        ("title", "Walks – The Club"),
        ("language", "English (United Kingdom)"),
    ]
    assert [one.role for one in proof.lines if one.highlights] == ["title", "link"]


STYLE = read_style(b"a{display:none}@media print{nav,.menu a{display:none}.x{color:red}p{display : none !important}}")


def on_paper(html: str, style=STYLE) -> str:
    return PageReading(html.encode(), style).on_paper("body")


def test_paper_lacks_what_the_stylesheet_takes_away_there():
    page = "<header>Head<nav>Menu</nav></header><div class=menu>So <a>far</a>, so good</div><div class=x>Red</div><p>No"
    assert on_paper(page) == "Head So , so good Red"
    assert on_paper("<ul><li>One<li>Two</ul><script>x</script><div hidden>No</div>") == "One Two"


def test_what_is_within_something_taken_away_is_not_on_paper():
    page = PageReading(b"<nav><b>x</b></nav><main>y</main>", STYLE)
    assert (page.is_on_paper("b"), page.on_paper("b"), page.on_paper("main"), page.on_paper("aside")) == (
        False,
        "",
        "y",
        "",
    )


def test_a_sheet_has_head_text_and_foot():
    html = TOP + "<footer>© The Club</footer>"
    proof = paper.proof("/", PageReading(html.encode(), STYLE), {"name": "The Club"})
    said = {one.role: one.text for one in proof.lines}
    assert said["head"] == "Walkers of the valley"
    assert (said["heading"], said["foot"]) == ("Long walks", "© The Club")
