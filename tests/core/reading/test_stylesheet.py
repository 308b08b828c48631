from hestor.core.reading.stylesheet import read_style

STYLE = b"""
/* :root{--not:#111111} */
@font-face{font-family:"A";src:url(a.woff2)}
:root { --band: #aa0000; --heading: "Sora", serif; color: red }
@media (prefers-color-scheme: dark) { :root { --band:#ff8888 } p { --band:#000000 } }
@media print { :root { --band:#123456 } }
.root { --band:#654321 }
"""


def test_only_what_is_set_for_the_whole_page_is_read():
    style = read_style(STYLE)
    assert style.light == {"band": "#aa0000", "heading": '"Sora", serif'}
    assert style.themes == {"light": {"band": "#aa0000"}, "dark": {"band": "#ff8888"}}
    assert style.values_of("band", "nope") == ("#aa0000", "", "#ff8888", "")


def test_what_is_no_stylesheet_sets_nothing():
    assert read_style(b"}{ :root --x ").light == {}
