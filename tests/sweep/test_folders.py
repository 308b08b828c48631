"""Whole folders: broken, odd and hostile ones, what is agreed on, what is mended."""

import json
from datetime import date
from pathlib import Path

import pytest

from hestor.core.sweep.encodings import decode
from hestor.core.sweep.files import Files
from hestor.core.sweep.folder import sweep
from hestor.core.sweep.mended_folder import mend_all
from hestor.core.sweep.style import Style, UnreadableStyle, read, schema
from tests.support.labelled import sites, strays_of
from tests.support.sampling import sample

TODAY = date(2026, 5, 3)
STYLE = Style(
    {"name": "Bean & Leaf Club", "language": "en-GB", "contact_email": "hello@bean-leaf.example"},
    {"name": ("Pea Society",)},
)


def folder(**files: str | bytes) -> Files:
    kept = {
        name.replace("__", "/").replace("_", "."): one.encode() if isinstance(one, str) else one
        for name, one in files.items()
    }
    return Files(tuple(kept), kept.__getitem__)


def page(body: str, title: str = "Peas | Bean & Leaf Club", head: str = "") -> str:
    return f'<!doctype html><html lang="en-GB"><head><title>{title}</title>{head}</head><body>{body}</body></html>'


def kinds(files: Files, style: Style | None = STYLE) -> set[tuple[str, str]]:
    return {(one.page, one.kind) for one in sweep(files, style, TODAY).strays}


@pytest.mark.parametrize("kind", ["description", "icon", "contact_email"])
def test_facts_that_no_page_says_are_named_once(kind):
    told = {
        "description": '<meta name="description" content="Beans for all">',
        "icon": '<link rel="icon" href="icon.png">',
        "contact_email": "<a href='mailto:hello@bean-leaf.example'>Write</a>",
    }
    whole = "".join(told.values())
    without = whole.replace(told[kind], "")
    for head, expected in ((whole, []), (without, [kind])):
        files = folder(
            index_html=page("<p>Peas.</p>", "Bean & Leaf Club", head), peas_html=page("<p>More.</p>"), icon_png=b"x"
        )
        found = [one for one in sweep(files, STYLE, TODAY).strays if one.kind == "fact_unset"]
        assert [(one.page, one.place) for one in found] == [("index.html", one) for one in expected]


@pytest.mark.parametrize("encoding", ["utf-8", "utf-8-sig", "cp1252", "utf-16", "iso-8859-15", "shift_jis"])
def test_files_come_back_in_their_encoding(encoding):
    declared = (
        encoding if encoding in ("iso-8859-15", "shift_jis") else "utf-8" if "utf" in encoding else "windows-1252"
    )
    text = page("<p>Pea Society, a fine place.</p>\r\n", head=f'<meta charset="{declared}">')
    raw = text.encode(encoding)
    (made,) = mend_all(folder(a_html=raw), STYLE, TODAY)
    assert made.raw == text.replace("Pea Society", "Bean &amp; Leaf Club").encode(encoding)


def test_all_but_the_spots_stays_byte_for_byte():
    odd = '<HTML LANG=en-GB><TITLE>Peas</TITLE ><BODY class=x ><p>Pea Society<br/>\t<IMG SRC=a.png ALT=""></p>\r\n<!-- Pea Society --></BODY>'
    (made,) = mend_all(folder(a_html=odd, a_png=b"x"), STYLE, TODAY)
    assert made.raw.decode() == odd.replace("<p>Pea Society", "<p>Bean &amp; Leaf Club")


def test_what_is_mended_is_found_no_more_and_nothing_new_is():
    for site in sample(list(sites()), 0, -1):
        before = {one.id for one in strays_of(site)}
        files = Files(tuple(site.files), site.files.__getitem__)
        style = read(site.style()).style
        changed = {one.path: one.raw for one in mend_all(files, style, TODAY)}
        after = sweep(
            Files(files.paths, lambda path, c=changed, s=site: c.get(path, s.files[path])), style, TODAY
        ).strays
        assert not [one for one in after if one.mend], site.language
        assert len(after) < len(before)
        assert not [path for path in changed if changed[path] == site.files[path]]


@pytest.mark.parametrize(
    ("raw", "why"),
    [(b"\0\1\2<p>", "no_text"), (b"just words", "no_html"), (b"", "no_html"), (b"<p>" + b"x" * 5_000_001, "too_big")],
)
def test_what_can_not_be_read_is_said_and_the_rest_is_done(raw, why):
    swept = sweep(folder(a_html=raw, b_html=page("<p>Pea Society</p>")), STYLE, TODAY)
    assert [(one.page, one.why) for one in swept.unread] == [("a.html", why)]
    assert swept.pages == 1
    assert ("b.html", "former_name") in {(one.page, one.kind) for one in swept.strays}


@pytest.mark.parametrize(
    "html",
    [
        "<", "<!--", "<p", "<a href='", "<![CDATA[", "<script>", "</p></p>", "&#x110000; &#0; &", "<html lang>", "<title>",
        "<p style='color:;background:url('>x", "<base href='http://[x'><a href='//[::1'>y", "<p>" * 3_000, "<style>a{b",
        '<script type="application/ld+json">{"a":' + "[" * 3_000,
    ],
)  # fmt: skip
def test_broken_pages_stop_nothing(html):
    swept = sweep(folder(a_html=html, b_html=page("<p>Peas.</p>")), STYLE, TODAY)
    assert swept.pages + len({one.page for one in swept.unread if one.why == "no_html"}) == 2


def test_links_are_followed_as_a_server_would():
    body = "<a href='sub/'>1</a><a href='/sub/index.html#here'>2</a><a href='sub'>3</a><a href='b%20c.html'>4</a><a href='peas'>5</a>"
    files = {"a.html": page(body).encode(), "sub/index.html": page("<h2 id=here>x</h2><a href='../a.html'>y</a>").encode(),
             "b c.html": page("z").encode(), "peas.html": page("z").encode()}  # fmt: skip
    found = sweep(Files(tuple(files), files.__getitem__), STYLE, TODAY)
    assert not [one for one in found.strays if one.kind == "link_broken"]
    files["a.html"] = page("<a href='../../x.html'>out</a>").encode()
    assert [one.why for one in sweep(Files(tuple(files), files.__getitem__), STYLE, TODAY).unread] == ["links_out"]


def test_a_feed_and_a_manifest_are_swept_too():
    files = folder(
        a_html=page("<p>x</p>"),
        site_webmanifest='{"name": "Pea Society", "short_name": "Peas & Co"}',
        feed_xml="<rss><channel><title>Pea Society</title></channel></rss>",
    )
    assert {
        ("site.webmanifest", "former_name"),
        ("site.webmanifest", "short_name"),
        ("feed.xml", "former_name"),
    } <= kinds(files)
    made = {one.path: one.raw.decode() for one in mend_all(files, STYLE, TODAY)}
    assert made["site.webmanifest"] == '{"name": "Bean & Leaf Club", "short_name": "Bean & Leaf Club"}'
    assert "<title>Bean &amp; Leaf Club</title>" in made["feed.xml"]


def test_most_pages_say_what_is_proposed():
    whole = {f"{n}.html": page(f"<header><a href='/'>Bean &amp; Leaf Club</a></header><p>{n + 1} May 2026</p><footer><a href='mailto:hello@bean-leaf.example'>"
             "hello@bean-leaf.example</a></footer>", f"Page {n} – Bean & Leaf Club").encode() for n in range(5)}  # fmt: skip
    whole["x.html"] = page(
        "<p>May 9, 2026</p><footer>other@elsewhere.example</footer>", "Page x – Pea Society"
    ).encode()
    found = sweep(Files(tuple(whole), whole.__getitem__), None, TODAY)
    facts = found.style.facts
    assert (facts["name"], facts["language"], facts["contact_email"]) == (
        "Bean & Leaf Club",
        "en-GB",
        "hello@bean-leaf.example",
    )
    assert facts["date_long"] == "d MMMM y"
    assert {(one.page, one.kind) for one in found.strays} >= {("x.html", "date_form"), ("x.html", "contact")}


@pytest.mark.parametrize(
    "given", [None, [], {}, {"facts": {}}, {"hestor": 2, "facts": {}}, {"hestor": 1, "facts": {"name": 3}},
              {"hestor": 1, "facts": {}, "former": []}, {"hestor": 1, "facts": {}, "former": {"name": [1]}}],
)  # fmt: skip
def test_a_style_that_is_none_says_why(given):
    with pytest.raises(UnreadableStyle, match=r"has to be|is an object"):
        read(given)


def test_keys_that_mean_nothing_are_named():
    found = read({"hestor": 1, "more": 1, "facts": {"name": "A", "nmae": "B"}, "former": {"naem": ["C"]}})
    assert (found.style.facts, found.unknown) == ({"name": "A"}, ("more", "facts.nmae", "former.naem"))


def test_bytes_are_text_only_if_they_come_back_the_same():
    for raw in (b"\xff\xfea\0", b"\xef\xbb\xbfa", b"caf\xe9", "é".encode(), b"<meta charset=utf-7>+AGE-"):
        found = decode(raw)
        assert found.bytes_of(found.text) == raw


def test_the_published_schema_is_the_one_that_is_read():
    kept = json.loads((Path(__file__).parents[2] / "docs" / "house-style.schema.json").read_text())
    assert kept == schema(), "stale: run make types"


@pytest.mark.parametrize("top", ['<div class="top">{}</div>', "<TABLE><TR><TD>{}</TD></TR></TABLE>"])
def test_pages_without_a_header_have_a_logo_and_the_longer_name(top):
    first = top.format('<a href="index.html"><img src="{}.png" alt=""></a>')
    short = '<meta name="application-name" content="Leaf Club">'
    files = {
        f"p{number}_html": page(
            f"{first.format('old' if number == 3 else 'sign')}<h1>Peas</h1><p>© 2026 Bean & Leaf Club</p>",
            f"Peas {number} | Bean & Leaf Club",
            short,
        )
        for number in range(5)
    }
    swept = sweep(folder(index_html=files["p0_html"], sign_png=b"new", old_png=b"old", **files), None, TODAY)
    assert {key: swept.style.text(key) for key in ("name", "short_name", "logo")} == {
        "name": "Bean & Leaf Club", "short_name": "Leaf Club", "logo": "sign.png",
    }  # fmt: skip
    assert [(one.page, one.says) for one in swept.strays if one.kind == "old_logo"] == [("p3.html", "old.png")]


def test_what_stands_around_a_name_within_a_title_is_no_tagline():
    files = folder(
        index_html=page("<h1>A</h1>", "The Bean & Leaf Club of Lower Fen"),
        a_html=page("<p>Peas.</p>"),
        b_html=page("<p>Beans.</p>"),
    )
    assert sweep(files, None, TODAY).style.text("tagline") == ""
