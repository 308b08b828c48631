"""Drawings from strangers: what is taken out, what is refused, and how large the rest is."""

from base64 import b64encode

import pytest
from lxml import etree
from PIL import Image

from hestor.core.imaging import svg
from tests.support.pictures import drawing, encoded, noise

RECT = '<rect width="50" height="50" fill="#7a2e4d"/>'


def code_of(body: bytes) -> str:
    with pytest.raises(svg.NotADrawing) as caught:
        svg.read(body)
    return caught.value.code


@pytest.mark.parametrize(
    ("inside", "note"),
    [
        ("<script>alert(1)</script>", "scripts"),
        ('<rect width="9" height="9" onclick="alert(1)"/>', "scripts"),
        ('<a href="javascript:alert(1)"><circle r="3"/></a>', "outside"),
        ('<a href="https://evil.example/"><circle r="3"/></a>', "outside"),
        ('<image href="https://evil.example/a.png"/>', "outside"),
        ('<image href="data:image/png;base64,iVBORw0KGgo="/>', "unknown"),
        ('<image href="data:image/svg+xml;base64,PHN2Zz4="/>', "outside"),
        ('<use href="other.svg#a"/>', "outside"),
        ('<rect fill="url(https://evil.example/#a)" width="9" height="9"/>', "outside"),
        ('<rect style="fill:url(//evil.example)" width="9" height="9"/>', "outside"),
        ('<rect style="fill:\\75 rl(//evil.example)" width="9" height="9"/>', "outside"),
        ('<style>@import "https://evil.example/a.css";</style>', "outside"),
        ("<style>rect{background:url(https://evil.example)}</style>", "outside"),
        ("<style>@font-face{font-family:x;src:url(https://evil.example/f.woff)}</style>", "fonts"),
        ('<foreignObject><body xmlns="http://www.w3.org/1999/xhtml"><b>x</b></body></foreignObject>', "embedded"),
        ('<rect width="9" height="9"><animate attributeName="x" to="9"/></rect>', "movement"),
        ("<blink/>", "unknown"),
        ("<text>Quillmere</text>", "live_text"),
    ],
)
def test_what_does_more_than_draw_is_taken_out_and_said(inside, note):
    read = svg.read(drawing(RECT + inside))
    assert note in read.taken_out
    text = read.body.decode().lower()
    for word in ("script", "evil", "onclick", "@import", "font-face", "foreignobject", "animate", "blink"):
        assert word not in text
    assert "#7a2e4d" in text


def test_what_only_draws_stays():
    inside = (
        '<defs><linearGradient id="g"><stop stop-color="#123456"/></linearGradient></defs>'
        '<style>.a{fill:url(#g)}</style><rect class="a" width="9" height="9"/><use href="#g"/>' + embedded(noise(4, 4))
    )
    read = svg.read(drawing(inside))
    assert read.taken_out == ()
    assert "url(#g)" in read.body.decode()


def test_entities_are_not_followed():
    body = b'<!DOCTYPE svg [<!ENTITY a "AAAA"><!ENTITY x SYSTEM "file:///etc/passwd">]>' + drawing(
        RECT + "<text>&a;&x;</text>"
    )
    read = svg.read(body)
    assert "entities" in read.taken_out
    assert b"AAAA" not in read.body
    assert b"root:" not in read.body


def test_endless_repetition_is_refused():
    groups = "".join(f'<g id="g{n}">' + f'<use href="#g{n - 1}"/>' * 10 + "</g>" for n in range(1, 12))
    assert code_of(drawing(f'<g id="g0">{RECT}</g>{groups}')) == "svg_bomb"
    patterns = "".join(
        f'<pattern id="p{n}">' + f'<rect fill="url(#p{n - 1})" width="9" height="9"/>' * 10 + "</pattern>"
        for n in range(1, 12)
    )
    assert code_of(drawing(f'<pattern id="p0">{RECT}</pattern>{patterns}')) == "svg_bomb"
    assert code_of(drawing('<g id="a"><use href="#b"/></g><g id="b"><use href="#a"/></g>')) == "svg_circle"
    assert code_of(drawing('<g id="a"><use href="#a"/></g>')) == "svg_circle"
    assert code_of(drawing("<g/>" * (svg.MOST_ELEMENTS + 1))) == "svg_bomb"


def embedded(image: Image.Image) -> str:
    return f'<image href="data:image/png;base64,{b64encode(encoded(image, "PNG")).decode()}" width="9" height="9"/>'


def test_pictures_within_a_drawing_are_counted_before_they_are_decoded():
    assert svg.read(drawing(RECT + embedded(noise(20, 20)))).taken_out == ()
    assert code_of(drawing(embedded(Image.new("1", (20_000, 20_000))))) == "svg_bomb"
    assert code_of(drawing(embedded(Image.new("1", (4_000, 2_000))) * 3)) == "svg_bomb"


def test_filters_weigh_as_much_as_they_take():
    blur = '<filter id="f"><feGaussianBlur stdDeviation="9"/></filter>'
    blurred = '<rect width="99" height="99" filter="url(#f)"/>'
    assert svg.read(drawing(blur + blurred * 20)).taken_out == ()
    assert code_of(drawing(blur + blurred * 500)) == "svg_bomb"


def test_a_slip_in_the_text_is_no_drawing():
    assert code_of(b"<svg><g></svg>") == "svg_broken"
    assert code_of(b"<html><body/></html>") == "svg_broken"


@pytest.mark.parametrize(
    ("attributes", "size"),
    [
        ('width="40" height="20"', (40, 20)),
        ('viewBox="0 0 40 20"', (40, 20)),
        ('viewBox="0 0 40 20" width="10"', (10, 5)),
        ('viewBox="0 0 40 20" height="10"', (20, 10)),
        ('width="1in" height="12pt"', (96, 16)),
        ('width="100%" height="100%" viewBox="0 0 8 4"', (8, 4)),
        ("", (50, 50)),
    ],
)
def test_a_drawings_size(attributes, size):
    read = svg.read(f'<svg xmlns="http://www.w3.org/2000/svg" {attributes}>{RECT}</svg>'.encode())
    assert (round(read.width), round(read.height)) == size
    assert ("no_size" in read.taken_out) == (attributes == "")
    assert etree.fromstring(read.body).get("viewBox")


def test_pixels_and_crops():
    body = svg.read(
        drawing('<rect width="50" height="100" fill="#ff0000"/><rect x="50" width="50" height="100" fill="#0000ff"/>')
    ).body
    whole = svg.pixels(body, 20, 20)
    assert (whole.getpixel((4, 10)), whole.getpixel((15, 10))) == ((255, 0, 0, 255), (0, 0, 255, 255))
    right = svg.pixels(svg.cropped(body, 0.5, 0, 0.5, 0.5), 20, 20)
    assert right.getpixel((2, 2)) == (0, 0, 255, 255)


def test_without_its_namespace_it_is_a_drawing_all_the_same():
    assert (
        b"http://www.w3.org/2000/svg" in svg.read(b'<svg width="9" height="9"><rect width="9" height="9"/></svg>').body
    )
