from hestor.core.text.css import custom_properties


def test_the_custom_properties_of_a_stylesheet():
    text = """/* --out: 1; */ :root { --a: #fff; color: red; --b:var(--a) ; }
    @media (prefers-color-scheme: dark) { :root { --a: #000 } }
    .x { --quoted: "a; b } c" } @import url(x.css);"""
    assert list(custom_properties(text)) == [
        ("a", "#fff"),
        ("b", "var(--a)"),
        ("a", "#000"),
        ("quoted", '"a; b } c"'),
    ]


def test_what_is_no_stylesheet_has_none():
    for text in ("", "}}}{{{", "\x00", "@media {" * 500, "<svg/>"):
        assert list(custom_properties(text)) == []
