"""Code of others: refused where it would break a page, and allowed no more than what it names."""

import base64
import hashlib

import pytest
from hypothesis import given
from hypothesis import strategies as st
from selectolax.lexbor import LexborHTMLParser

from hestor.core.added import code
from hestor.core.added.code import AddedCode
from hestor.core.facts.document import check

COUNT = (
    '<!-- visits -->\n<script src="https://count.example/c.js" async></script>\n'
    '<script>count(\'</head>\')</script>\n<noscript><img src="https://pixel.example/1.gif" alt=""></noscript>'
)


def codes(text):
    return [problem.code for problem in check("added_code", {"code": text})[1]]


@pytest.mark.parametrize(
    ("text", "found"),
    [
        ("<script>1</script></head>", "code_closes_head"),
        ("</body>", "code_closes_head"),
        ("<!-- never closed", "code_comment"),
        ("<meta name=a content=b><!-- <script></script>", "code_comment"),
        ("<script>alert(1)", "code_unclosed"),
        ("<style>a{}", "code_unclosed"),
        ("<p>Hello", "code_tag"),
        ("<title>Mine</title>", "code_tag"),
        ('<meta http-equiv="refresh" content="0; url=https://x.example/">', "code_meta"),
        ("<META HTTP-EQUIV=Content-Security-Policy content=x>", "code_meta"),
        ("<base href='https://x.example/'>", "code_tag"),
        ("Just words", "code_text"),
        ("</script>", "code_closes_other"),
        ("<script src='http://count.example/c.js'></script>", "code_address"),
        ("<script src='/c.js'></script>", "code_address"),
        ("<link rel=stylesheet href='data:text/css,x'>", "code_address"),
        ("x" * 20_001, "too_long"),
    ],
)
def test_what_would_break_pages_is_refused_with_its_reason(text, found):
    assert codes(text) == [found]


def test_a_slip_is_pointed_at_by_its_line():
    problem = check("added_code", {"code": f"{COUNT}\n</head>"})[1][0]
    assert problem.params == {"tag": "head", "line": 5}
    assert f"{COUNT}\n</head>"[problem.start : problem.end] == "</head>"


def test_a_usual_code_is_kept_as_it_is():
    kept, problems = check(
        "added_code", {"code": f"\n{COUNT}\n", "hosts": ["API.count.example", "https://x.example/y", ""]}
    )
    assert problems == ()
    assert kept == AddedCode(code=COUNT, hosts=("api.count.example", "x.example"))


@pytest.mark.parametrize("host", ["localhost", "10.0.0.1", "a b", "https://", "*", "x.example;script-src *"])
def test_what_is_no_host_is_refused(host):
    assert [problem.code for problem in check("added_code", {"code": COUNT, "hosts": [host]})[1]] == ["code_host"]


@pytest.mark.parametrize("given", [7, "text", {"code": 5}, {"code": "", "more": 1}, {"hosts": []}])
def test_what_is_no_code_at_all(given):
    assert [problem.code for problem in check("added_code", given)[1]] == ["code_unreadable"]


def test_nothing_is_none():
    assert check("added_code", {"code": "  "}) == (None, ())
    assert check("added_code", None) == (None, ())


def test_the_policy_allows_what_the_code_names_and_no_more():
    inline = base64.b64encode(hashlib.sha256(b"count('</head>')").digest()).decode()
    assert code.policy(AddedCode(code=COUNT, hosts=("api.count.example",))) == {
        "script-src": ("https://count.example", f"'sha256-{inline}'", "https://api.count.example"),
        "img-src": ("https://pixel.example", "https://count.example", "https://api.count.example"),
        "connect-src": ("https://count.example", "https://api.count.example"),
        "frame-src": ("https://api.count.example",),
    }
    assert code.policy(None) == {}


def test_a_handler_in_an_attribute_is_named():
    added = AddedCode(code='<meta name="a" content="b">\n<script src="https://x.example/" onload="go()"></script>')
    assert [(one.code, one.params["line"]) for one in code.notices("added_code", added)] == [("code_handler", 2)]
    assert not list(code.notices("added_code", AddedCode(code=COUNT)))


PIECES = st.sampled_from(
    ["<script>", "</script>", "<style>", "</style>", "<!--", "-->", "</head>", "<body>", "<p>", "a", "<meta name=x>",
     "<noscript>", "</noscript>", "<template>", "</template>", "<svg>", "<link rel=x>", "'", '"', "</", "<", ">", "\n"]
)  # fmt: skip


@given(st.lists(PIECES, max_size=8))
def test_whatever_is_let_in_leaves_the_page_as_it_was(pieces):
    text = "".join(pieces)
    if codes(text):
        return
    page = LexborHTMLParser(f"<!DOCTYPE html><html><head>{text}<title>T</title></head><body><p>Text</p></body></html>")
    if "<noscript>" not in text:
        assert page.css_first("head > title").text() == "T"
        assert page.css_first("body").text().strip() == "Text"
