"""Pages that somebody else made say what they say by their elements, roles and relations."""

import pytest

from hestor.core.reading.page import PageReading
from hestor.core.reading.stylesheet import read_style

MARKED = """<!DOCTYPE html><html lang="en-GB"><head><title>Bread | Mill Bakery</title>
<meta property="og:site_name" content="Mill Bakery"></head><body>
<header><p>Closed on Monday.</p>
<h1><a href="index.html"><img src="mill.png" alt="Mill Bakery logo" width="200" height="40"></a></h1>
<p>Bread since 1911</p>
<nav><button>Menu</button><ul><li><a href="/">Home</a><ul><li><a href="/x">Rolls</a></li></ul></li></ul></nav></header>
<main><h1>Bread</h1>
<p>Baked on <time datetime="2026-05-03">3 May</time>.</p></main>
<footer><p>© 2026 Mill Bakery</p><address>Mill Lane 3<br>Quillmere</address></footer></body></html>"""
ROLES = """<html lang=de><head><meta name=Application-Name content="Café Süd"></head><body>
<div role="banner"><a href="/">Café Süd <small>Kaffee &amp; Kuchen</small></a></div>
<nav><ul><li><a href="/a">Karte</a></li></ul></nav>
<article><header><a href="/b">Not the banner</a></header><h1>Karte</h1><footer><p>Nor this</p></footer></article>
<div role="contentinfo"><p><a href="mailto:post@sued.example">post@sued.example</a></p>
<p>Café Süd GmbH</p></div></body>"""
PLAIN = "<body><header>Choir <em>of</em> Vel</header><p>Sings.</p><footer><p>Since 2001</p></footer>"


def test_a_page_with_a_logo_a_notice_and_a_menu():
    page = PageReading(MARKED.encode())
    assert (page.site_name, page.tagline, page.notice) == ("Mill Bakery logo", "Bread since 1911", "Closed on Monday.")
    assert (page.logo.src, page.logo.width, page.header_icon, page.name_is_seen) == ("mill.png", 200, None, False)
    assert (page.top_menu, page.menu, page.menu_opener) == (("Home",), ("Home", "Rolls"), "Menu")
    assert (page.heading, page.dates, page.text) == ("Bread", ("3 May",), "Bread Baked on .")
    assert (page.footer, page.contact) == ("© 2026 Mill Bakery", ("Mill Lane 3 Quillmere",))


def test_a_page_whose_parts_are_told_by_roles():
    page = PageReading(ROLES.encode())
    assert (page.site_name, page.tagline, page.name_is_seen) == ("Café Süd", "Kaffee & Kuchen", True)
    assert (page.menu, page.language, page.short_name) == (("Karte",), "de", "Café Süd")
    assert (page.footer, page.contact) == ("Café Süd GmbH", ("post@sued.example",))


def test_a_page_with_hardly_anything():
    page = PageReading(PLAIN.encode())
    assert (page.site_name, page.tagline, page.notice, page.logo, page.menu) == ("Choir of Vel", "", "", None, ())
    assert (page.footer, page.side, page.consent, page.hours, page.when) == ("Since 2001", (), (), (), ())


@pytest.mark.parametrize(
    "first",
    [
        '<a href="#main">Skip to the text</a>',
        '<a href="tel:+441174960214">0117 496 0214</a>',
        '<a href="/de/">Deutsch</a>',
        '<p><a href="/sale/">Today only</a></p>',
    ],
)
@pytest.mark.parametrize("home", ["/", "./", "../../", "index.html", "..", "https://vel.example/"])
def test_the_way_home_is_the_link_that_leads_there(first, home):
    html = (
        f'<link rel=canonical href="https://vel.example/a/"><header>{first}<a href="{home}">Choir of Vel</a></header>'
    )
    assert PageReading(html.encode()).site_name == "Choir of Vel"


@pytest.mark.parametrize("html", ["", "<", "x", "<html", "<header>", "<footer><p>", "<nav>", "\0", "<a href=/>x"])
def test_what_is_broken_says_nothing_or_what_it_has(html):
    page = PageReading(html.encode())
    names = [name for name in dir(PageReading) if not name.startswith("_")]
    read = {name: getattr(page, name) for name in names if not callable(getattr(PageReading, name))}
    assert read["title"] == ""
    assert read["structured"] == {}


@pytest.mark.parametrize(
    ("css", "seen", "plates"),
    [
        ("", True, ""),
        (".n{position:absolute;clip-path:inset(50%)}", False, ""),
        ("@media(prefers-color-scheme:dark){.l{background:#fff}}", True, "dark"),
        ("@media (prefers-color-scheme: light){.l{background-color:#000}}", True, "light"),
        ("@media(prefers-color-scheme:dark){.l{background:none}}", True, ""),
        ("@media(prefers-color-scheme:dark){.other{background:#fff}}", True, ""),
    ],
)
def test_what_is_hidden_and_what_has_a_plate_is_told_by_the_stylesheet(css, seen, plates):
    html = '<header><a href="/"><img class=l src=a alt="The Vel"><span class=n>Vel</span></a></header>'
    page = PageReading(html.encode(), read_style(css.encode()))
    assert (page.site_name, page.name_is_seen, page.logo_plates) == ("Vel", seen, plates)


@pytest.mark.parametrize(
    ("records", "said"),
    [
        ('{"@type":"Event"}', ["3 May", "Hall"]),
        ('{"@graph":[{"@type":"WebPage"},{"@type":"Event"}]}', ["3 May", "Hall"]),
        ('{"@type":"WebPage"}', []),
        ('{"@type":"Event"', []),
    ],
)
def test_an_event_is_what_its_record_calls_one(records, said):
    html = f"""<script type="application/ld+json">{records}</script>
<main><h1>Swap</h1> <div><p><time datetime="2026-05-03">3 May</time></p> <p>Hall</p></div> <p>Come.</p></main>"""
    page = PageReading(html.encode())
    assert list(page.when) == said
    assert page.text == ("Swap Come." if said else "Swap Hall Come.")
