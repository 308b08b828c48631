"""Icons: what is drawn here, what is cropped, the files made of either, and whether they are legible."""

import io
import struct

import numpy as np
import pytest
from PIL import Image, ImageDraw

from hestor.core.imaging import colours, crops, emblems, icons, legibility, measuring, svg
from hestor.core.imaging.emblems import FORMS, Emblem
from hestor.core.imaging.icons import CroppedIcon, DrawnIcon
from hestor.core.imaging.shapes import SHAPES
from hestor.rendering import typesetting
from tests.support.pictures import master_of, noise, opened, svg_master, wordmark

LEAF = Emblem("", "leaf", "rounded", "#7a2e4d")


def drawn(emblem: Emblem) -> DrawnIcon:
    return DrawnIcon(
        emblem, typesetting.written(emblem.letters, "reading", 700, "en").outline if emblem.letters else None
    )


ICONS = [
    drawn(LEAF),
    drawn(Emblem("Q", "", "circle", "#1f4e5f", "#c0762f", True)),
    drawn(Emblem("", "star", "plain", "#e8a317")),
    CroppedIcon(master_of(wordmark("#7a2e4d", 20)), (0.0, 0.0, 140 / 440, 1.0)),
    CroppedIcon(master_of(noise(600, 400)), (0.2, 0.1, 0.2 + 0.4, 0.1 + 0.6)),
    CroppedIcon(svg_master('<circle cx="50" cy="50" r="48" fill="#1f6b57"/>'), (0.0, 0.0, 1.0, 1.0)),
]


@pytest.mark.parametrize("icon", ICONS, ids=range(len(ICONS)))
def test_the_whole_set_is_made(icon):
    made = {name: icons.make(icon, name) for name in icons.names_of(icon)}
    sizes = {n: int(n.split("-")[1].split(".")[0]) for n in made if n.endswith(".png")}
    assert set(sizes.values()) == {32, 180, 192, 512}
    for name, side in sizes.items():
        image = opened(made[name])
        assert (image.format, image.size) == ("PNG", (side, side))
    for opaque in ("icon-180.png", "maskable-512.png"):
        assert opened(made[opaque]).convert("RGBA").getchannel("A").getextrema() == (255, 255)
    assert ("icon.svg" in made) == (isinstance(icon, DrawnIcon) or icon.master.kind == "svg")
    if "icon.svg" in made:
        assert svg.read(made["icon.svg"]).taken_out == ()


def test_the_icon_file_holds_three_sizes():
    body = icons.make(ICONS[0], "favicon.ico")
    # Read by hand, after the directory's layout: reserved, type, count, then 16 bytes an entry.
    assert struct.unpack_from("<HHH", body) == (0, 1, 3)
    sizes = []
    for index in range(3):
        width, height, _, _, _, _, length, start = struct.unpack_from("<BBBBHHII", body, 6 + 16 * index)
        frame = Image.open(io.BytesIO(body[start : start + length]))
        assert frame.size == (width, height)
        sizes.append(width)
    assert sorted(sizes) == [16, 32, 48]


def test_an_icon_without_a_drawing_has_no_svg():
    with pytest.raises(KeyError):
        icons.make(ICONS[4], "icon.svg")


@pytest.mark.parametrize("icon", ICONS, ids=range(len(ICONS)))
def test_the_maskable_ones_figure_lies_in_the_safe_zone(icon):
    image = icon.maskable(512).convert("RGB")
    pixels = np.asarray(image, int)
    # What the middle of each edge shows is ground, plain or blended from top to bottom.
    ground = pixels[:, :8].mean(axis=1, keepdims=True)
    figure = np.abs(pixels - ground).max(axis=2) > 40
    rows, columns = np.nonzero(figure)
    assert len(rows) > 400
    reach = np.hypot(rows + 0.5 - 256, columns + 0.5 - 256).max()
    # A shadow or the blur of a scaled edge may pass the circle by a hair.
    assert reach <= 0.4 * 512 + 4


@pytest.mark.parametrize("form", FORMS)
@pytest.mark.parametrize("ground", ["#000000", "#ffffff", "#7a2e4d", "#ffff00", "#777777"])
def test_the_ink_can_be_read_on_its_ground(form, ground):
    emblem = Emblem("", "star", form, ground)
    ink = emblems.ink(emblem)
    if form == "plain":
        assert ink == ground
    else:
        assert colours.contrast(ink, ground) >= 4.0


@pytest.mark.parametrize("shape", SHAPES)
def test_every_shape_is_seen_and_legible(shape):
    emblem = Emblem("", shape, "rounded", "#1f4e5f")
    image = svg.pixels(emblems.draw(emblem, None).encode(), 64, 64)
    white = np.asarray(image)[..., :3].min(axis=2) > 200
    assert 0.06 < white.mean() < 0.6
    assert legibility.measure(drawn(emblem)).advice == ("clear",)


@pytest.mark.parametrize("letters", ["Q", "Qi", "Ä", "ß", "ن", "مق", "Ł"])
def test_letters_are_outlines(letters):
    icon = drawn(Emblem(letters, "", "rounded", "#7a2e4d"))
    assert icon.outline is not None
    text = icon.svg().decode()
    assert "<text" not in text
    assert "font" not in text
    assert measuring.standing_out(icon.at(64), "#ffffff") > 0.5
    assert (np.asarray(icon.at(64))[..., :3].min(axis=2) > 200).mean() > 0.02


def test_a_square_is_proposed_around_the_emblem():
    master = master_of(wordmark("#7a2e4d", 20))
    left, top, right, bottom = crops.proposed(master)
    assert (right - left) * 440 == pytest.approx((bottom - top) * 140, abs=1.5)
    assert (left * 440, right * 440) == pytest.approx((15, 125), abs=4)
    assert (top * 140, bottom * 140) == pytest.approx((15, 125), abs=4)


def test_a_photograph_is_cropped_in_its_middle():
    assert crops.proposed(master_of(noise(300, 200))) == pytest.approx((1 / 6, 0, 5 / 6, 1), abs=0.01)


def test_beyond_the_picture_a_crop_is_clear():
    image = crops.square(master_of(Image.new("RGB", (40, 20), "red")), (0.0, -0.5, 1.0, 1.5), 40)
    assert image.getpixel((20, 3))[3] == 0
    assert image.getpixel((20, 20)) == (255, 0, 0, 255)


def lines(count: int, width: int) -> Image.Image:
    image = Image.new("RGBA", (512, 512))
    pen = ImageDraw.Draw(image)
    for index in range(count):
        pen.line((index * 512 // count, 0, index * 512 // count, 512), fill="#202020", width=width)
    return image


def advice(image: Image.Image) -> tuple[str, ...]:
    return legibility.measure(CroppedIcon(master_of(image), (0.0, 0.0, 1.0, 1.0))).advice


def test_what_will_not_be_legible_is_said():
    assert "fine_detail" in advice(lines(40, 3))
    blob = Image.new("RGBA", (512, 512))
    ImageDraw.Draw(blob).ellipse((200, 200, 312, 312), fill="#202020")
    assert advice(blob) == ("faint_on_dark", "small_in_square")
    pale = Image.new("RGBA", (512, 512))
    ImageDraw.Draw(pale).ellipse((8, 8, 500, 500), fill="#f4f4f4")
    assert advice(pale) == ("faint_on_light",)


@pytest.mark.parametrize(
    ("ground", "said"),
    [
        ("#101218", ("outline_lost_on_dark",)),
        ("#14213d", ("outline_lost_on_dark",)),
        ("#7a2e4d", ("clear",)),
        ("#fbfbf7", ("outline_lost_on_light",)),
        ("#2f7f5f", ("clear",)),
    ],
)
def test_an_outline_that_melts_into_a_tab_is_said_apart(ground, said):
    icon = drawn(Emblem("", "leaf", "rounded", ground))
    found = legibility.measure(icon)
    assert found.advice == said
    # What is inside is seen on both.
    assert all(min(at.stands_out.values()) >= 0.1 for at in found.at)


def test_a_picture_that_reaches_its_edges_has_its_edges_for_an_outline():
    framed = Image.new("RGB", (256, 256), "#e8a020")
    ImageDraw.Draw(framed).rectangle((60, 60, 196, 196), fill="#15171d")
    assert measuring.outline_standing_out(framed, legibility.GROUNDS["dark"]) == 1.0
    assert measuring.outline_standing_out(framed, legibility.GROUNDS["light"]) == 1.0


def test_finer_lines_lose_more():
    lost = [
        legibility.measure(CroppedIcon(master_of(lines(n, 512 // n // 2)), (0.0, 0.0, 1.0, 1.0))).at[0].lost
        for n in (2, 6, 24)
    ]
    assert lost[0] < lost[1] < lost[2]


def letters_in_a_row(gap: int) -> Image.Image:
    """Six bold bars, as letters of a word stand, without an emblem."""
    image = Image.new("RGBA", (6 * 60 + 5 * gap, 80))
    for number in range(6):
        left = number * (60 + gap)
        ImageDraw.Draw(image).rectangle((left, 0, left + 59, 79), fill="#7a2e4d")
    return image


def whole_in_square(image: Image.Image) -> CroppedIcon:
    master = master_of(image)
    return CroppedIcon(
        master, (0.0, 0.5 - master.width / master.height / 2, 1.0, 0.5 + master.width / master.height / 2)
    )


@pytest.mark.parametrize("image", [wordmark("#7a2e4d", 0), letters_in_a_row(8)], ids=["emblem", "letters"])
def test_a_wide_logo_in_a_square_is_a_strip_and_its_mark_alone_is_not(image):
    icon = whole_in_square(image)
    assert "strip_in_square" in legibility.measure(icon).advice
    mark = crops.mark(icon.master)
    assert mark is not None
    left, top, right, bottom = mark
    # Of the picture it holds the first hundred columns, or sixty, with a little air, and no more of what follows.
    assert right * image.width < (140 if image.width == wordmark().width else 68)
    assert left <= 0
    assert "strip_in_square" not in legibility.measure(CroppedIcon(icon.master, mark)).advice
    assert (right - left) * image.width == pytest.approx((bottom - top) * image.height)


def test_what_stands_in_one_piece_or_is_not_wide_has_no_mark():
    joined, square = Image.new("RGBA", (400, 80)), Image.new("RGBA", (80, 80))
    ImageDraw.Draw(joined).rounded_rectangle((0, 0, 399, 79), 30, fill="#7a2e4d")
    ImageDraw.Draw(square).ellipse((0, 0, 79, 79), fill="#7a2e4d")
    assert [crops.mark(master_of(image)) for image in (joined, square, Image.new("RGBA", (400, 80)))] == [None] * 3
