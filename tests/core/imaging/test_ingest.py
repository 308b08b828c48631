"""Taking pictures in: every kind, every way to be refused, and files that were tampered with."""

import struct
import zlib

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st
from PIL import Image, ImageCms

from hestor.core.errors import PictureRefused
from hestor.core.imaging import ingest
from hestor.core.imaging.ingest import ingest as take
from tests.support.pictures import drawing, encoded, noise, opened, png
from tests.support.sampling import examples

KINDS = {"png": "PNG", "jpg": "JPEG", "webp": "WEBP", "avif": "AVIF", "gif": "GIF", "ico": "ICO"}


def notes(name: str, body: bytes) -> list[str]:
    return [note.code for note in take(name, body).notes]


def refused(body: bytes, name: str = "a.png") -> str:
    with pytest.raises(PictureRefused) as caught:
        take(name, body)
    return caught.value.code


@pytest.mark.parametrize(("ending", "kind"), KINDS.items())
def test_each_kind_becomes_a_master(ending, kind):
    image = noise(64, 64, "RGB")
    taken = take(f"a.{ending}", encoded(image, kind))
    assert (taken.width, taken.height, taken.notes) == (64, 64, ())
    master = opened(taken.body)
    assert master.size == (64, 64)
    assert master.format in ("PNG", "JPEG")
    away = np.abs(np.asarray(master.convert("RGB"), int) - np.asarray(image, int)).mean()
    assert away < (1 if kind in ("PNG", "ICO") else 60)


def test_what_can_be_seen_through_stays_so():
    image = noise(40, 40, "RGBA")
    for kind in ("PNG", "WEBP", "AVIF"):
        assert opened(take("a", encoded(image, kind)).body).mode == "RGBA"


def test_orientation_is_applied_and_the_camera_forgotten():
    image = Image.new("RGB", (80, 40), "white")
    image.paste("black", (0, 0, 40, 40))
    exif = Image.Exif()
    exif[0x0112] = 6
    exif[0x010F] = "Camera & Co"
    exif.get_ifd(0x8825)[1] = "N"
    exif._ifds[0x8825] = {1: "N", 2: (51.0, 30.0, 0.0)}
    taken = take("a.jpg", encoded(image, "JPEG", exif=exif, quality=95))
    assert (taken.width, taken.height) == (40, 80)
    assert [note.code for note in taken.notes] == ["location"]
    assert b"Camera" not in taken.body
    master = opened(taken.body)
    assert not master.getexif()
    # Orientation 6: what was at the left is at the top.
    assert master.getpixel((20, 10))[0] < 40
    assert master.getpixel((20, 70))[0] > 215


def test_colours_are_brought_to_srgb():
    profile = ImageCms.ImageCmsProfile(ImageCms.createProfile("LAB"))
    taken = take("a.png", encoded(noise(20, 20), "PNG", icc_profile=profile.tobytes()))
    assert "icc_profile" not in opened(taken.body).info


def test_kinds_of_pixels_that_few_programs_write():
    deep = Image.fromarray(np.linspace(0, 65535, 4096).astype(np.uint16).reshape(64, 64))
    taken = take("deep.png", encoded(deep, "PNG"))
    assert [note.code for note in taken.notes] == ["sixteen_bits"]
    assert opened(taken.body).convert("L").getextrema() == (0, 255)
    assert notes("ink.jpg", encoded(noise(30, 30).convert("CMYK"), "JPEG")) == ["cmyk"]
    palette = noise(30, 30).quantize(8)
    assert take("p.png", encoded(palette, "PNG", transparency=0)).kind == "png"
    assert take("la.png", encoded(noise(30, 30, "RGBA").convert("LA"), "PNG")).kind == "png"
    assert take("one.png", encoded(noise(30, 30, "L").convert("1"), "PNG")).width == 30


def test_of_what_moves_the_first_picture_is_taken():
    frames = [Image.new("RGB", (30, 20), colour) for colour in ("red", "lime", "blue")]
    for kind in ("GIF", "WEBP", "PNG"):
        taken = take(
            "a.gif" if kind == "GIF" else "a", encoded(frames[0], kind, save_all=True, append_images=frames[1:])
        )
        assert "first_frame" in [note.code for note in taken.notes]
        red, green, _ = opened(taken.body).convert("RGB").getpixel((10, 10))
        assert red > 200 > 60 > green


def test_a_name_that_says_otherwise_is_told():
    assert notes("photo.png", encoded(noise(20, 20), "JPEG")) == ["wrong_ending"]
    assert notes("photo", encoded(noise(20, 20), "JPEG")) == []


def test_larger_ones_are_made_smaller():
    taken = take("a.png", encoded(Image.new("RGB", (5000, 1200), "red"), "PNG"))
    assert (taken.width, taken.height) == (2500, 600)
    assert [(note.code, note.value) for note in taken.notes] == [("made_smaller", "2500 × 600")]


def test_shrinking_is_that_of_the_library():
    image = noise(5000, 1100, "RGBA")
    ours = ingest._fitted(image)
    assert ours.size == (2500, 550)
    assert np.array_equal(np.asarray(ours), np.asarray(image.reduce(2)))


def test_what_can_not_be_taken_is_said_by_what_it_is():
    whole = png(40, 40)
    assert refused(b"") == "picture_empty"
    assert refused(whole[: len(whole) // 2]) == "picture_truncated"
    assert refused(encoded(noise(90, 90), "JPEG")[:900], "a.jpg") == "picture_truncated"
    assert refused(b"just some words, renamed") == "picture_text"
    assert refused(b"\x00\x01\x02\x03 nothing that anyone knows") == "picture_unknown"
    assert refused(b"%PDF-1.7 ...") == "picture_other_kind"
    assert refused(b"\x00\x00\x00\x18ftypheic" + b"\0" * 40) == "picture_other_kind"
    assert refused(b"\0" * (ingest.MOST_BYTES + 1)) == "picture_too_heavy"
    assert refused(encoded(Image.new("RGB", (1, 1)), "PNG")) == "picture_too_small"
    assert refused(encoded(Image.new("1", (30_000, 1)), "PNG")) == "picture_too_long"
    assert refused(encoded(Image.new("1", (9_000, 9_000)), "PNG")) == "picture_too_many_pixels"


def test_a_bomb_is_refused_before_it_goes_off():
    head = struct.pack(">IIBBBBB", 60_000, 60_000, 8, 6, 0, 0, 0)

    def chunk(name: bytes, data: bytes) -> bytes:
        return struct.pack(">I", len(data)) + name + data + struct.pack(">I", zlib.crc32(name + data))

    body = (
        b"\x89PNG\r\n\x1a\n"
        + chunk(b"IHDR", head)
        + chunk(b"IDAT", zlib.compress(b"\0" * 100_000))
        + chunk(b"IEND", b"")
    )
    assert refused(body) in ("picture_too_many_pixels", "picture_too_long")
    gif = bytearray(encoded(Image.new("P", (20, 20)), "GIF"))
    gif[6:10] = struct.pack("<HH", 65_000, 65_000)
    assert refused(bytes(gif)) in ("picture_too_many_pixels", "picture_too_long")


@pytest.mark.parametrize(("ending", "kind"), [one for one in KINDS.items() if one[0] != "ico"])
def test_two_formats_in_one_are_refused(ending, kind):
    whole = encoded(noise(40, 40), kind)
    archive = b"PK\x03\x04" + b"x" * 40
    for second in (archive, b"<script>alert(1)</script>", b"%PDF-1.4", b"MZ\x90\x00"):
        assert refused(whole + second, f"a.{ending}") == "picture_two_formats", second
    ending_record = b"PK\x05\x06" + b"\0" * 16 + struct.pack("<H", 0)
    assert refused(whole + b"junk" + ending_record, f"a.{ending}") == "picture_two_formats"


def test_what_lies_behind_a_picture_is_left_out_and_said():
    taken = take("a.png", png(40, 40) + b"some bytes of a camera")
    assert [note.code for note in taken.notes] == ["after_end"]
    assert b"camera" not in taken.body


def entry(side: int, frame: bytes, offset: int) -> bytes:
    return struct.pack("<BBBBHHII", side % 256, side % 256, 0, 0, 1, 32, len(frame), offset)


def test_of_an_icon_file_the_largest_true_frame_is_taken():
    small, wrong = png(16, 16), png(48, 48)
    body = struct.pack("<HHH", 0, 1, 2) + entry(16, small, 38) + entry(64, wrong, 38 + len(small)) + small + wrong
    assert take("a.ico", body).width == 16
    only_wrong = struct.pack("<HHH", 0, 1, 1) + entry(64, wrong, 22) + wrong
    assert refused(only_wrong, "a.ico") == "picture_icon_frames"
    assert refused(b"\0\0\1\0\xff\xff", "a.ico") == "picture_icon_frames"
    bitmap = encoded(noise(32, 32, "RGBA"), "ICO", sizes=[(32, 32)], bitmap_format="bmp")
    assert opened(take("a.ico", bitmap).body).size == (32, 32)


SEEDS = [encoded(noise(24, 18, seed=n), kind) for n, kind in enumerate(KINDS.values())] + [
    drawing('<rect width="50" height="50" fill="red"/><use href="#a"/><g id="a"><circle r="9"/></g>')
]


@examples(40, 2_000)
@given(
    st.sampled_from(SEEDS), st.lists(st.tuples(st.floats(0, 1), st.binary(max_size=6), st.integers(0, 40)), max_size=6)
)
def test_a_file_that_was_tampered_with_is_taken_whole_or_refused(seed, edits):
    body = seed
    for where, new, cut in edits:
        at = int(where * len(body))
        body = body[:at] + new + body[at + cut :]
    try:
        taken = take("a.png", body)
    except PictureRefused:
        return
    assert taken.kind == "svg" or opened(taken.body).size == (taken.width, taken.height)


@given(st.binary(max_size=200))
def test_no_bytes_crash_the_decoder(body):
    with pytest.raises(PictureRefused):
        take("a", body)


def test_the_message_names_the_file():
    from hestor import translations
    from hestor.pictures.services import read

    with pytest.raises(PictureRefused) as caught:
        read("beans.png", b"words")
    assert "“beans.png” holds plain text" in translations.say(f"error.{caught.value.code}", **caught.value.params)


def test_every_refusal_and_note_has_its_words():
    import re
    from pathlib import Path

    from hestor import translations

    said = translations.catalogue("desk", "en")
    core = Path(ingest.__file__).parent
    source = "".join((core / f"{name}.py").read_text() for name in ("ingest", "svg"))
    refusals = set(re.findall(r'PictureRefused\("(\w+)"', source)) | set(re.findall(r'NotADrawing\("(\w+)"', source))
    assert len(refusals) > 15
    assert {f"error.picture_{code}" for code in refusals} <= set(said)
    found = set(re.findall(r'Note\("(\w+)"', source)) | {
        f"svg_{c}"
        for c in re.findall(r'"(scripts|movement|embedded|outside|fonts|entities|unknown|no_size|live_text)"', source)
    }
    assert len(found) > 12
    assert {f"note.{code}" for code in found} <= set(said)


def test_memory_is_read_only_for_what_is_asked(monkeypatch):
    """A huge JPEG is decoded at a fraction by the decoder itself."""
    seen = []
    real = Image.Image.reduce
    monkeypatch.setattr(Image.Image, "reduce", lambda self, *a: (seen.append(self.size), real(self, *a))[1])
    take("a.jpg", encoded(Image.new("RGB", (9000, 400), "red"), "JPEG"))
    assert seen == [(4500, 200)]
