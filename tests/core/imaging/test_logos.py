"""Logos: margins, width, how they stand on a ground, and the files made of them."""

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st
from PIL import Image

from hestor.core.imaging import logos, measuring, raster
from hestor.core.imaging.palettes import GROUND
from hestor.core.imaging.raster import WHOLE
from tests.support.pictures import master_of, noise, opened, svg_master, wordmark


def _contrast(one: int, other: int) -> float:
    """WCAG 2.2's contrast of two greys, written out."""
    high, low = (
        ((v / 255 + 0.055) / 1.055) ** 2.4 if v > 10 else v / 255 / 12.92 for v in (max(one, other), min(one, other))
    )
    return (high + 0.05) / (low + 0.05)


@pytest.mark.parametrize("margin", [0, 10, 60])
def test_margins_are_found_to_the_pixel(margin):
    found = logos.margins(master_of(wordmark(margin=margin)))
    if margin == 0:
        assert found is None
    else:
        width, height = 400 + 2 * margin, 100 + 2 * margin
        expected = (margin / width, margin / height, 1 - margin / width, 1 - margin / height)
        assert found == pytest.approx(expected, abs=0.012)


def test_an_opaque_pictures_own_ground_is_margin_too():
    image = Image.new("RGB", (300, 300), "#ffffff")
    image.paste("#7a2e4d", (100, 100, 200, 200))
    assert logos.margins(master_of(image)) == pytest.approx((1 / 3, 1 / 3, 2 / 3, 2 / 3), abs=0.01)
    assert logos.margins(master_of(noise(100, 100))) is None


@given(st.floats(0.05, 30))
def test_a_sensible_width_is_within_limits_for_any_shape(shape):
    width = logos.sensible_width(shape)
    assert logos.LEAST_WIDTH <= width <= 240
    # To half a pixel, as it is rounded.
    assert (width - 0.5) / shape <= 72.01 or width == logos.LEAST_WIDTH


@pytest.mark.parametrize("ink", [0, 60, 118, 119, 140, 200, 255])
@pytest.mark.parametrize("ground", ["light", "dark"])
def test_a_plain_logo_stands_as_its_contrast_says(ink, ground):
    colour = f"#{ink:02x}{ink:02x}{ink:02x}"
    paper = {"light": 255, "dark": 0}[ground]
    image = wordmark(colour)
    out = measuring.standing_out(image, f"#{paper:02x}{paper:02x}{paper:02x}")
    assert (out > 0.95) == (_contrast(ink, paper) >= 3)


def test_what_vanishes_is_told_from_what_is_faint():
    burgundy = raster.drawn_within(master_of(wordmark("#7a2e4d")), 300)
    assert (logos.standing(burgundy, GROUND["light"]), logos.standing(burgundy, GROUND["dark"])) == ("clear", "lost")
    half = wordmark("#7a2e4d")
    half.paste("#ffffff", (140, 20, 250, 80))
    assert logos.standing(half, GROUND["dark"]) == "faint"


def test_one_colour_is_known_and_can_be_changed():
    assert measuring.one_colour(wordmark("#123456")) == "#123456"
    two = wordmark("#123456")
    two.paste("#ff0000", (140, 20, 300, 80))
    assert measuring.one_colour(two) is None
    pale = measuring.recoloured(wordmark("#123456"), "#f4f2ee")
    assert measuring.one_colour(pale) == "#f4f2ee"
    assert pale.getchannel("A").tobytes() == wordmark("#123456").getchannel("A").tobytes()


def test_files_are_of_each_scale_and_no_larger_than_the_picture():
    master = master_of(wordmark())
    assert [(f.scale, f.width, f.height) for f in logos.plan(master, WHOLE, 200)] == [(1, 200, 50), (2, 400, 100)]
    assert [f.scale for f in logos.plan(svg_master("<g/>", 400, 100), WHOLE, 200)] == [1, 2, 3]
    made = logos.files(master, WHOLE, "", logos.plan(master, WHOLE, 120))
    assert set(made) == {(s, e) for s in (1, 2, 3) for e in ("webp", "png")}
    for (scale, ending), body in made.items():
        image = opened(body)
        assert image.size == (120 * scale, 30 * scale)
        assert image.format == {"webp": "WEBP", "png": "PNG"}[ending]
        assert image.convert("RGBA").getpixel((0, 0))[3] == 0


def test_a_photograph_falls_back_to_jpeg():
    body = raster.jpeg(noise(400, 200))
    master = raster.Master("jpeg", 400, 200, lambda: body)
    assert {ending for _, ending in logos.files(master, WHOLE, "", logos.plan(master, WHOLE, 100))} == {"webp", "jpg"}


def test_a_trim_shows_only_what_is_left():
    master = master_of(wordmark("#7a2e4d", margin=60))
    box = logos.margins(master)
    made = logos.files(master, box, "", logos.plan(master, box, 100))
    alpha = np.asarray(opened(made[1, "png"]).getchannel("A"))
    assert alpha.any(axis=0).mean() > 0.75
    assert alpha[len(alpha) // 2, :20].max() == 255
    measured = logos.measured(master, box, GROUND)
    assert measured.shape == pytest.approx(4, abs=0.1)
    assert measured.standing == {"light": "clear", "dark": "lost"}


def test_each_size_is_drawn_anew_and_a_larger_one_is_never_lighter():
    """One that is shrunk from another has soft edges, which take more bytes than the sharp ones of a larger size."""
    master = svg_master(
        "<circle cx='50' cy='50' r='44' fill='#7a2e4d'/><path d='M20 80 80 20' stroke='#fff'/>", 100, 100
    )
    sizes = logos.plan(master, WHOLE, 72)
    files = logos.files(master, WHOLE, "", sizes)
    weights = [len(files[size.scale, "webp"]) for size in sizes]
    assert weights == sorted(weights)
    for size in sizes:
        drawn = raster.draw(master, size.width, size.height)
        assert np.array_equal(np.asarray(opened(files[size.scale, "png"]).convert("RGBA")), np.asarray(drawn))


def test_a_banner_is_drawn_no_larger_than_a_page_can_carry():
    master = svg_master('<rect width="100" height="20"/>', 100, 20)
    sizes = logos.plan(master, WHOLE, logos.MOST_WIDTH)
    assert [size.width for size in sizes] == [logos.MOST_WIDTH, 2 * logos.MOST_WIDTH]
    assert [size.scale for size in logos.plan(master, WHOLE, logos.PHONE_WIDTH)] == [1, 2, 3]


@pytest.mark.parametrize(("width", "height"), [(1200, 200), (600, 200), (300, 300)])
def test_phones_could_show_the_middle_of_a_banner(width, height):
    left, top, right, bottom = logos.phone_part(master_of(noise(width, height)), WHOLE)
    assert (top, bottom) == (0, 1)
    assert left == pytest.approx(1 - right)
    assert (right - left) * width == pytest.approx(min(width, 2 * height))
