"""Of the styles in a drawing only what draws is kept, however the rest is spelt."""

import pytest
from hypothesis import given
from hypothesis import strategies as st

from hestor.core.imaging import svg, svg_css
from tests.support.pictures import drawing


@pytest.mark.parametrize(
    "text",
    [
        ".a{fill:red}",
        ".a{fill:url(#g);stroke:rgb(1 2 3 / 50%)}",
        ".a:not(.b){transform:rotate(3deg)}",
        "@media (prefers-color-scheme: dark){.b{fill:#fff}}",
    ],
)
def test_what_draws_is_kept(text):
    kept, taken_out = svg_css.stylesheet(text)
    assert (kept.replace(";", ""), taken_out) == (text.replace(";", ""), set()) or not taken_out


@pytest.mark.parametrize(
    "text",
    [
        ".a{fill:url(http://outside.example)}",
        ".a{fill:url('//outside.example')}",
        ".a{fill:u\\72l(http://outside.example)}",
        ".a{background:image-set('http://outside.example' 1x)}",
        ".a{background:element(#x)}",
        ".a{behavior:url(#x)}",
        "@import 'http://outside.example';",
        "@imp\\6f rt 'http://outside.example';",
        "@font-face{src:url(http://outside.example)}",
        "@media screen{@import url(http://outside.example)}",
        ".a{fill:url(#g) url(data:text/html,x)}",
    ],
)
def test_what_reaches_out_is_not(text):
    kept, taken_out = svg_css.stylesheet(text)
    assert "outside.example" not in kept
    assert "data:" not in kept
    assert taken_out


@given(st.text("@im@port;'\"{}()\\:/*url<>-ahtp .#", max_size=60))
def test_cleaning_twice_changes_nothing(text):
    once, _ = svg_css.stylesheet(text)
    twice, taken_out = svg_css.stylesheet(once)
    assert (twice, taken_out) == (once, set()) or twice in once or not twice


@pytest.mark.parametrize("value", ["u\\72l(http://x)", "url(http://x)", "image(x)", "url(#a) url(//x)"])
def test_attributes_are_read_as_css(value):
    body = svg.read(drawing(f"<rect width='9' height='9' fill='{value}'/>")).body
    assert b"fill" not in body


@pytest.mark.parametrize(
    ("inner", "size"),
    [
        ("<rect width='60' height='30'/>", (60, 30)),
        ("<rect width='60000' height='60000'/>", (60_000, 60_000)),
        ("<circle cx='50' cy='40' r='10'/>", (60, 50)),
    ],
)
def test_a_drawing_without_a_size_is_looked_at(inner, size):
    read = svg.read(f'<svg xmlns="http://www.w3.org/2000/svg">{inner}</svg>'.encode())
    assert "no_size" in read.taken_out
    assert (read.width, read.height) == pytest.approx(size, rel=0.02)


@pytest.mark.parametrize("box", ["0 0 inf inf", "0 0 nan 5", "0 0 1e30 1e30", "1e300 0 5 5", "0 0 0 0", "0 0 -1 5"])
def test_a_view_box_without_bounds_counts_for_nothing(box):
    inner = '<rect width="40" height="20"/>'
    read = svg.read(f'<svg xmlns="http://www.w3.org/2000/svg" viewBox="{box}">{inner}</svg>'.encode())
    assert (read.width, read.height) == pytest.approx((40, 20), abs=1)
