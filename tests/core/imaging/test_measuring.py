"""Colours proposed from a logo, design tokens in and out, and the share picture."""

import json

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st
from PIL import Image, ImageDraw

from hestor.core.errors import TokensRefused
from hestor.core.facts.document import Facts
from hestor.core.imaging import palettes, proposals, raster, share_card, tokens, typefaces
from hestor.core.reading.stylesheet import read_style
from hestor.rendering import static_files
from hestor.rendering.typesetting import Typesetting
from tests.support.pictures import master_of, noise, opened, wordmark

FACTS = Facts(name="Seeds", brand_colour="#7a2e4d", accent_colour="#1f6b57", typefaces="ledger")


def test_a_logos_colours_are_proposed_exactly():
    image = wordmark("#7a2e4d")
    ImageDraw.Draw(image).rectangle((140, 20, 300, 80), fill="#e8a317")
    assert set(proposals.colours_of(image)) == {"#7a2e4d", "#e8a317"}
    grey = wordmark("#222222")
    ImageDraw.Draw(grey).ellipse((30, 30, 60, 60), fill="#1f6b57")
    assert proposals.colours_of(grey)[0] == "#1f6b57"
    assert proposals.colours_of(Image.new("RGBA", (9, 9))) == ()
    assert len(proposals.colours_of(noise(90, 90))) <= proposals.MOST


@pytest.mark.parametrize("pair", typefaces.PAIRS)
def test_tokens_come_back_as_they_went(pair):
    facts = FACTS.model_copy(update={"typefaces": pair})
    for text in (tokens.to_json(facts), tokens.to_css(facts)):
        found = tokens.read(text).facts
        assert found == {"brand_colour": "#7a2e4d", "accent_colour": "#1f6b57", "typefaces": pair}


def test_tokens_follow_the_community_groups_format():
    said = json.loads(tokens.to_json(FACTS))
    brand = said["color"]["brand"]
    assert brand["$type"] == "color"
    assert brand["$value"] == {
        "colorSpace": "srgb",
        "components": [0.47843, 0.18039, 0.30196],
        "alpha": 1,
        "hex": "#7a2e4d",
    }
    assert said["font"]["heading"] == {"$type": "fontFamily", "$value": ["Source Serif 4", "Georgia", "serif"]}


@pytest.mark.parametrize(
    ("text", "facts"),
    [
        ('{"color":{"primary":{"$value":"#ABC"}}}', {"brand_colour": "#aabbcc"}),
        ('{"a":{"base":{"$value":"#123456"}},"brand":{"$value":"{a.base}"}}', {"brand_colour": "#123456"}),
        ('{"accent":{"$value":{"colorSpace":"display-p3","components":[1,1,1]}}}', {"accent_colour": "#ffffff"}),
        ('{"brand":{"$value":{"colorSpace":"hsl","components":[120,100,25]}}}', {"brand_colour": "#008000"}),
        (":root{--a:#123456;--brand-color:var(--a)} /* --accent:#fff */", {"brand_colour": "#123456"}),
        (":root{--accent: rgb(0 128 0);}", {"accent_colour": "#008000"}),
        (":root{--whatever: #010203}", {}),
    ],
)
def test_tokens_of_others_are_read(text, facts):
    found = tokens.read(text)
    assert found.facts == facts
    assert found.colours


@pytest.mark.parametrize(
    ("text", "code"),
    [("{broken", "tokens_broken"), ("{}", "tokens_none"), ("words", "tokens_none"), ("", "tokens_none"),
     ('{"a":{"$value":"{a}"}}', "tokens_none"), ("x" * 200_001, "tokens_heavy"), ("{" * 5000, "tokens_broken")],
)  # fmt: skip
def test_what_holds_no_tokens_is_refused(text, code):
    with pytest.raises(TokensRefused) as caught:
        tokens.read(text)
    assert caught.value.code == code


@given(
    st.text(max_size=80)
    | st.recursive(
        st.text() | st.integers() | st.none(),
        lambda inner: (
            st.lists(inner)
            | st.dictionaries(st.sampled_from(["$value", "brand", "components", "colorSpace"]) | st.text(), inner)
        ),
        max_leaves=12,
    ).map(json.dumps)
)
def test_no_file_of_tokens_crashes_the_reader(text):
    try:
        found = tokens.read(text)
    except TokensRefused:
        return
    assert all(colour.startswith("#") and len(colour) == 7 for colour in found.colours.values())


def test_the_stylesheet_says_the_derived_colours():
    style = static_files.style(static_files.style_key(FACTS))
    themes = read_style(style).themes
    for name, theme in palettes.themes("#7a2e4d", "#1f6b57").items():
        for key in ("ground", "ink", "link", "band", "button", "button_ink"):
            assert themes[name][key] == getattr(theme, key)


THEMES = (palettes.theme("#7a2e4d", "", "light"), palettes.theme("#7a2e4d", "", "dark"))
MARK = Image.new("RGBA", (256, 256), "#7a2e4d")


def composed(logo, name="Quillmere Seed Library", tagline="Borrow in spring", direction="ltr"):
    return share_card.composed(
        logo, MARK, share_card.Words(name, tagline, direction), THEMES, Typesetting("reading", "en")
    )


@pytest.mark.parametrize(
    "words",
    [("Q", ""), ("Quillmere Seed Library", "Borrow"), ("word " * 24, "tag " * 40), ("x" * 120, "y" * 160), ("", "")],
)
@pytest.mark.parametrize("size", [(400, 100), (100, 400), (1, 900), (900, 1)])
def test_a_logo_of_any_shape_is_never_cut(size, words):
    logo = Image.new("RGBA", size, "#00aa00")
    picture = composed(logo, *words)
    assert picture.size == (1200, 630)
    green = np.asarray(picture.convert("RGB"), int) - [0, 170, 0]
    rows, columns = np.nonzero(np.abs(green).max(axis=2) < 40)
    if min(size) > 1:
        seen = (columns.max() - columns.min() + 1) / (rows.max() - rows.min() + 1)
        assert seen == pytest.approx(size[0] / size[1], rel=0.1)
        assert 0 < columns.min() <= columns.max() < 1199
    assert len(share_card.file(picture)) < share_card.MOST_BYTES


def test_right_to_left_begins_at_the_right():
    picture = np.asarray(composed(None, "مقهى النرجس", "سطر", "rtl").convert("L"), int)
    assert np.abs(picture[60:, 900:] - picture[600, 5]).mean() > np.abs(picture[60:, :300] - picture[600, 5]).mean()


def test_letters_that_no_font_has_are_left_out_not_boxed():
    assert np.array_equal(np.asarray(composed(None, "\U00010310", "")), np.asarray(composed(None, "", "")))


def test_a_pale_logo_gets_a_dark_ground():
    assert composed(wordmark("#f4f2ee")).getpixel((5, 600)) == (0x15, 0x17, 0x1D)
    assert composed(wordmark("#7a2e4d")).getpixel((5, 600)) == (0xFD, 0xFC, 0xF9)


def test_a_picture_fills_the_shape_or_stands_whole():
    wide = share_card.from_picture(master_of(noise(1300, 700)), "#ffffff")
    assert wide.size == (1200, 630)
    upright = noise(30, 90).resize((300, 900), Image.Resampling.NEAREST)
    tall = share_card.from_picture(master_of(upright), "#00ff00")
    # Beside a picture of another shape goes a blur of it, not a bar of some colour.
    sides = np.asarray(tall, dtype=float)[:, :400]
    assert sides.std(axis=(0, 1)).max() < 20
    assert (
        np.abs(sides.mean(axis=(0, 1)) - np.asarray(upright.convert("RGB"), dtype=float).mean(axis=(0, 1))).max() < 40
    )
    clear = upright.copy()
    clear.putalpha(Image.linear_gradient("L").resize(clear.size))
    assert share_card.from_picture(master_of(clear), "#00ff00").getpixel((5, 300)) == (0, 255, 0)
    body = share_card.file(share_card.from_picture(master_of(noise(1500, 900)), "#ffffff"))
    assert len(body) < share_card.MOST_BYTES
    assert opened(body).size == (1200, 630)
    assert raster.is_opaque(opened(body))


def test_nearly_white_and_the_present_colour_are_no_proposals():
    found = ("#7a2e4d", "#fdfcfa", "#e9f3ea", "#2f7f5f")
    assert proposals.worth_offering(found, "#7b2e4d") == ("#2f7f5f",)
    assert proposals.worth_offering(found, "") == ("#7a2e4d", "#2f7f5f")
