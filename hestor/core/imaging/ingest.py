"""Ingesting a picture that nobody has vouched for: it is found out what it is, checked, and made uniform.

What comes out is a *master*: a PNG, a JPEG or a safe SVG of at most ``MOST_SIDE`` pixels a side, upright, in
sRGB, without a word of where, when or with what it was taken. Every size that is shown is made from it.
"""

import io
import warnings
from collections.abc import Iterator
from contextlib import contextmanager
from dataclasses import dataclass
from typing import Literal, cast

from PIL import Image, ImageCms, ImageOps

from hestor.core.errors import PictureRefused
from hestor.core.imaging import ico_reader, sniffing, svg
from hestor.core.imaging.sniffing import Kind

MOST_BYTES = 20_000_000
MOST_PIXELS = 50_000_000
MOST_FILE_SIDE = 20_000
LEAST_SIDE = 8
MOST_SIDE = 4096
MOST_DRAWN_SIDE = 1600
MOST_SVG_BYTES = 4_000_000

MasterKind = Literal["png", "jpeg", "svg"]
MEDIA_TYPES: dict[MasterKind, str] = {"png": "image/png", "jpeg": "image/jpeg", "svg": "image/svg+xml"}
_OPENS: dict[Kind, tuple[str, ...]] = {
    "png": ("PNG",),
    "jpeg": ("JPEG", "MPO"),
    "webp": ("WEBP",),
    "avif": ("AVIF",),
    "gif": ("GIF",),
}


@dataclass(frozen=True)
class Note:
    """Something that was done to a picture when it was ingested, to be told to the person who uploaded it."""

    code: str
    value: str = ""


@dataclass(frozen=True)
class Ingested:
    """A master with its size in pixels (for a drawing: in CSS pixels), and what was done to make it."""

    kind: MasterKind
    body: bytes
    width: int
    height: int
    came_as: Kind
    notes: tuple[Note, ...] = ()


def ingest(name: str, body: bytes) -> Ingested:
    """A master from the file ``name``. Raises PictureRefused; nothing of a refused file is of use."""
    kind = _kind(name, body)
    notes = list(_name_notes(name, kind))
    if kind == "svg":
        return _drawing(body, notes)
    end = sniffing.end_of(kind, body)
    if end is None:
        raise PictureRefused("truncated", kind=_shown(kind))
    if body[end:].strip(b"\0"):
        notes.append(Note("after_end"))
        body = body[:end]
    with _refusing(kind):
        if kind == "ico":
            frame = ico_reader.largest_frame(body)
            if frame is None:
                raise PictureRefused("icon_frames")
            return _pixels(kind, *frame, notes)
        return _pixels(kind, body, _OPENS[kind], notes)


def _kind(name: str, body: bytes) -> Kind:
    if not body:
        raise PictureRefused("empty")
    if len(body) > MOST_BYTES:
        raise PictureRefused("too_heavy", megabytes=-(-len(body) // 1_000_000), most=MOST_BYTES // 1_000_000)
    kind = sniffing.kind_of(body)
    if kind is None:
        other = sniffing.other_kind(body)
        if other:
            raise PictureRefused("other_kind", kind=other)
        raise PictureRefused("text" if _is_text(body) else "unknown")
    if sniffing.second_format(kind, body):
        raise PictureRefused("two_formats", kind=_shown(kind))
    return kind


def _is_text(body: bytes) -> bool:
    try:
        return "\0" not in body[:4096].decode("utf-8", "strict" if len(body) <= 4096 else "ignore")
    except UnicodeDecodeError:
        return False


def _shown(kind: Kind) -> str:
    return {"jpeg": "JPEG", "webp": "WebP"}.get(kind, kind.upper())


def _name_notes(name: str, kind: Kind) -> Iterator[Note]:
    _, dot, ending = name.rpartition(".")
    endings = {one for several in sniffing.ENDINGS.values() for one in several}
    if dot and ending.lower() in endings and ending.lower() not in sniffing.ENDINGS[kind]:
        yield Note("wrong_ending", _shown(kind))


@contextmanager
def _refusing(kind: Kind) -> Iterator[None]:
    """Turns whatever a decoder says of broken bytes into one refusal."""
    try:
        with warnings.catch_warnings():
            warnings.simplefilter("ignore")
            yield
    except PictureRefused:
        raise
    except Image.DecompressionBombError as error:
        raise PictureRefused("too_many_pixels", most=MOST_PIXELS // 1_000_000) from error
    except Exception as error:
        # Decoders raise whatever they like, from OSError to RuntimeError; of broken bytes all say the same.
        raise PictureRefused("broken", kind=_shown(kind)) from error


def _check_size(width: int, height: int) -> None:
    if max(width, height) > MOST_FILE_SIDE:
        raise PictureRefused("too_long", width=width, height=height, most=MOST_FILE_SIDE)
    if width * height > MOST_PIXELS:
        raise PictureRefused("too_many_pixels", most=MOST_PIXELS // 1_000_000)
    if min(width, height) < LEAST_SIDE:
        raise PictureRefused("too_small", width=width, height=height, least=LEAST_SIDE)


def _largest(width: int, height: int) -> tuple[int, int]:
    scale = MOST_DRAWN_SIDE / max(width, height, 1)
    return max(1, round(width * scale)), max(1, round(height * scale))


def _drawing(body: bytes, notes: list[Note]) -> Ingested:
    if len(body) > MOST_SVG_BYTES:
        raise PictureRefused("svg_heavy", most=MOST_SVG_BYTES // 1_000_000)
    try:
        drawing = svg.read(body)
        width, height = round(drawing.width), round(drawing.height)
        ratio = max(width, height) / max(1, min(width, height))
        if ratio > MOST_FILE_SIDE / 100:
            raise PictureRefused("too_long", width=width, height=height, most=MOST_FILE_SIDE)
        # As large as anything is ever drawn from it: what is let in can be drawn later.
        if svg.pixels(drawing.body, *_largest(width, height)).getbbox() is None:
            raise PictureRefused("svg_empty")
    except svg.NotADrawing as error:
        raise PictureRefused(error.code) from error
    notes += [Note(f"svg_{code}") for code in drawing.taken_out]
    return Ingested("svg", drawing.body, max(1, width), max(1, height), "svg", tuple(notes))


# Each scan of a progressive JPEG (ITU-T T.81, B.2.3) goes over all pixels again. Programs write about ten.
_SCAN, _MOST_SCANS = b"\xff\xda", 100


def _pixels(kind: Kind, body: bytes, formats: tuple[str, ...], notes: list[Note]) -> Ingested:
    if kind == "jpeg" and body.count(_SCAN) > _MOST_SCANS:
        raise PictureRefused("too_slow")
    image = Image.open(io.BytesIO(body), formats=formats)
    _check_size(*image.size)
    if getattr(image, "is_animated", False) and image.format != "MPO":
        notes.append(Note("first_frame"))
    if body[:4] == b"\x89PNG" and body[24] == 16:
        notes.append(Note("sixteen_bits"))
    if image.mode == "CMYK":
        notes.append(Note("cmyk"))
    whole = image.size
    if kind == "jpeg":
        # The decoder itself can leave out what a master would not keep.
        factor = -(-max(whole) // MOST_SIDE)
        image.draft(image.mode, (whole[0] // factor, whole[1] // factor))
    image.load()
    described, profile = image.getexif(), image.info.get("icc_profile")
    if 0x8825 in described:
        notes.append(Note("location"))
    made = _upright(_srgb(_fitted(image), profile), described.get(0x0112, 1))
    if made.size not in (whole, whole[::-1]):
        notes.append(Note("made_smaller", f"{made.width} × {made.height}"))
    return _master(kind, made, tuple(notes))


# Few rows at a time, as shrinking a picture that can be seen through makes a whole copy of it first.
_ROWS = 512


def _fitted(image: Image.Image) -> Image.Image:
    """The picture, shrunk by a whole number if a side is longer than a master's may be."""
    factor = -(-max(image.size) // MOST_SIDE)
    if factor == 1:
        return image
    if image.mode not in ("L", "LA", "RGB", "RGBA", "CMYK") or "transparency" in image.info:
        image = _plain(image)
    small = Image.new(image.mode, (-(-image.width // factor), -(-image.height // factor)))
    rows = _ROWS * factor
    for top in range(0, image.height, rows):
        strip = image.crop((0, top, image.width, min(top + rows, image.height)))
        small.paste(strip.reduce(factor), (0, top // factor))
    return small


def _upright(image: Image.Image, orientation: int) -> Image.Image:
    if orientation in range(2, 9):
        image.getexif()[0x0112] = orientation
        ImageOps.exif_transpose(image, in_place=True)
    return image


def _plain(image: Image.Image) -> Image.Image:
    """RGB, or RGBA where something can be seen through."""
    if image.mode.startswith("I") or image.mode == "F":
        # Sixteen-bit greys; Pillow would clip them instead of scaling.
        image = image.point(lambda value: value / 256).convert("L")
    if image.mode in ("RGBA", "LA", "PA", "La", "RGBa") or "transparency" in image.info:
        image = image if image.mode == "RGBA" else image.convert("RGBA")
        return image if cast(int, image.getchannel("A").getextrema()[0]) < 255 else image.convert("RGB")
    return image if image.mode == "RGB" else image.convert("RGB")


def _srgb(image: Image.Image, profile: bytes | None) -> Image.Image:
    """The colours as sRGB, by the picture's own profile if it has a good one."""
    if not profile:
        return _plain(image)
    try:
        source = ImageCms.ImageCmsProfile(io.BytesIO(profile))
        if "sRGB" in ImageCms.getProfileDescription(source):
            return _plain(image)
        base = image if image.mode in ("RGB", "CMYK", "L") else _plain(image)
        alpha = base.getchannel("A") if base.mode == "RGBA" else None
        colours = base.convert("RGB") if alpha else base
        moved = ImageCms.profileToProfile(colours, source, ImageCms.createProfile("sRGB"), outputMode="RGB")
        if moved is None:
            return _plain(image)
        if alpha:
            moved.putalpha(alpha)
        return moved
    except (ImageCms.PyCMSError, OSError, TypeError, ValueError):
        return _plain(image)


def _master(kind: Kind, image: Image.Image, notes: tuple[Note, ...]) -> Ingested:
    """The master's bytes: a JPEG for what came as a photograph does, else a PNG, which loses nothing."""
    out = io.BytesIO()
    image.info.clear()
    lossy = kind == "jpeg" or (kind in ("webp", "avif") and image.mode == "RGB")
    if lossy:
        image.convert("RGB").save(out, "JPEG", quality=92)
    else:
        image.save(out, "PNG", compress_level=4)
    return Ingested("jpeg" if lossy else "png", out.getvalue(), image.width, image.height, kind, notes)
